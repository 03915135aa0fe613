import { SPRING } from '../../core/method/kinds/spring'
import type { MethodOf } from '../../core/method/method'
import { springLine } from '../../core/method/spring'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { Frame, styles, WIDTH } from './frame'

const HEIGHT = 124

/** Load against length: the measured line, and where a new spring stands at the working length. */
export function SpringLine({ method, taken, figures }: DrawingProps & { readonly method: MethodOf<'spring'> }) {
  const mean = (station: string): number | null => {
    const own = taken.filter((reading) => reading.station === station && Number.isFinite(reading.interval.low))
    return own.length === 0 ? null : own.reduce((sum, { interval }) => sum + interval.low, 0) / own.length
  }
  const longer = mean(SPRING.longer)
  const shorter = mean(SPRING.shorter)
  const line =
    longer === null || shorter === null
      ? null
      : springLine({ lengthMm: method.longerMm, loadN: longer }, { lengthMm: method.shorterMm, loadN: shorter })
  if (!line || longer === null || shorter === null) return null
  const top = Math.max(shorter, method.newLoadN) * 1.1
  const x = (length: number): number =>
    20 + ((line.freeLengthMm - length) / (line.freeLengthMm - method.shorterMm * 0.98)) * (WIDTH - 50)
  const y = (load: number): number => HEIGHT - 20 - (load / top) * (HEIGHT - 34)
  const working = line.loadAt(method.workingMm)
  return (
    <Frame title={say.loadAgainstLength} height={HEIGHT}>
      <path className={styles.rule} d={`M20 8V${HEIGHT - 20}H${WIDTH - 10}`} fill="none" />
      <line className={styles.line} x1={x(line.freeLengthMm)} y1={y(0)} x2={x(method.shorterMm)} y2={y(shorter)} />
      <circle className={styles.dot} cx={x(method.longerMm)} cy={y(longer)} r="3" />
      <circle className={styles.dot} cx={x(method.shorterMm)} cy={y(shorter)} r="3" />
      <line className={styles.axis} x1={x(method.workingMm)} x2={x(method.workingMm)} y1={y(0)} y2={y(method.newLoadN)} />
      <path className={styles.mark} d={`M${x(method.workingMm) - 6} ${y(method.newLoadN)}h12`} />
      <text className={styles.text} x={x(method.workingMm) - 10} y={y(method.newLoadN) - 2} textAnchor="end">
        {say.newOne(figures.figure(method.newLoadN))}
      </text>
      <text className={styles.figure} x={x(method.workingMm) - 10} y={y(working) + 34} textAnchor="end">
        {say.now(figures.figure(working), figures.unit)}
      </text>
      <text className={styles.text} x="24" y={HEIGHT - 6}>
        {say.free}
      </text>
      <text className={styles.text} x={WIDTH - 12} y={HEIGHT - 6} textAnchor="end">
        {say.compressed}
      </text>
    </Frame>
  )
}
