import { PRESSURE } from '../../core/method/kinds/openingPressure'
import { SPRING } from '../../core/method/kinds/spring'
import type { MethodOf } from '../../core/method/method'
import type { ReductionName } from '../../core/method/reduction'
import { formatLength, formatQuantity, unitLabel, unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { valueName } from '../../core/words/labels'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Dimension, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { repeatMark, type SketchProps, spread, stationMark, valueAt } from './marks'

function coil(x: number, top: number, bottom: number): string {
  const turns = 6
  const pitch = (bottom - top) / turns
  return `M${x - 26} ${top}${Array.from({ length: turns }, (_, index) => `L${x + 26} ${top + pitch * (index + 0.5)}L${x - 26} ${top + pitch * (index + 1)}`).join('')}`
}

/** The spring free, at its longer and at its shorter length, with the loads that are read. */
export function SpringSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'spring'> }) {
  const states = [
    { id: SPRING.free, x: 110, top: 30, text: 'free' },
    { id: SPRING.longer, x: 270, top: 68, text: lengthText(method.longerMm, props.system) },
    { id: SPRING.shorter, x: 420, top: 106, text: lengthText(method.shorterMm, props.system) },
  ] as const
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      <path className={styles.face} d="M50 200H520" />
      {states.map(({ id, x, top, text }) => (
        <g key={id}>
          <path className={styles.outline} d={coil(x, top, 200)} style={{ fill: 'none' }} />
          <path className={styles.face} d={`M${x - 38} ${top}h76`} />
          {id === SPRING.free ? (
            <Dimension x1={x + 50} x2={x + 50} y1={top} y2={200} state={stationMark(props, id)} />
          ) : (
            <g className={styles.measure} data-state={stationMark(props, id)}>
              <path d={`M${x} ${top - 38}V${top - 4}`} strokeWidth="2.4" />
              <path d={`M${x} ${top}l-5 -10h10z`} />
              <text x={x + 16} y={top - 18}>
                {say.load}
              </text>
            </g>
          )}
          <Caption x={x} y={220} anchor="middle">
            {text}
          </Caption>
        </g>
      ))}
      <g className={styles.measure} data-state={stationMark(props, SPRING.lean)}>
        <path d="M540 200V60M540 200L556 60" />
        <path d="M540 52h16" />
        <text x="548" y="44" textAnchor="middle">
          {say.lean}
        </text>
      </g>
    </svg>
  )
}

/** Valve on the test pump: where it opens, whether it drips, what it loses. */
export function PressureSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'openingPressure'> }) {
  const { hatches, defs } = useHatches()
  const repeats = Array.from({ length: method.repeatsAtLeast }, (_, index) => index + 1)
  const opening = props.active?.station === PRESSURE.opens
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M60 150H220V190H60z" style={{ fill: hatches.metal }} />
      <path className={styles.thin} d="M80 150V96H150M150 96l26 -26" strokeWidth="3" />
      <path className={styles.face} d="M220 170H330V120H390V170H430" />
      <circle className={styles.face} cx="300" cy="78" r="42" />
      <circle className={styles.thin} cx="300" cy="78" r="34" strokeDasharray="1 6" />
      <path className={styles.thin} d="M300 120v50" />
      <path
        className={styles.measure}
        data-state={opening ? 'now' : 'taken'}
        d="M300 78l22 -22"
        strokeWidth="2.6"
        stroke="currentColor"
      />
      <path className={styles.outline} d="M430 60h60v120h-60z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d={coil(460, 76, 130)} style={{ fill: 'none' }} />
      <path className={styles.face} d="M444 134h32l-16 20z" />
      {method.looksForDrip && (
        <g className={styles.measure} data-state={stationMark(props, PRESSURE.drip)}>
          <path d="M510 150q-8 14 0 20q8 -6 0 -20z" />
          <text x="526" y="168">
            {say.drip}
          </text>
        </g>
      )}
      {method.holdSeconds !== null && (
        <g className={styles.measure} data-state={stationMark(props, PRESSURE.hold)}>
          <path d="M520 70q14 14 40 18" />
          <text x="508" y="60">
            {say.s(method.holdSeconds)}
          </text>
        </g>
      )}
      <Caption x={60} y={214}>
        {say.testPumpBled}
      </Caption>
      {repeats.map((repeat, index) => (
        <Balloon
          key={repeat}
          x={270 + index * 32}
          y={222}
          text={String(repeat)}
          state={props.active?.station === PRESSURE.opens || !props.active ? repeatMark(props, repeat) : 'taken'}
        />
      ))}
      <Caption x={262 + repeats.length * 32} y={226}>
        {say.set(formatQuantity(method.setBar, 'pressure', props.system, 0.1), unitOf('pressure', props.system))}
      </Caption>
    </svg>
  )
}

/** A meter and the points where it is held. */
export function MeterSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'meter'> }) {
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      <rect className={styles.face} x="60" y="36" width="170" height="150" rx="10" />
      <path className={styles.thin} d="M84 128a62 62 0 0 1 122 0" strokeDasharray="2 7" strokeWidth="8" />
      <path
        className={styles.measure}
        data-state={props.active ? 'now' : 'taken'}
        d="M145 130l34 -46"
        strokeWidth="2.6"
        stroke="currentColor"
      />
      <text className={styles.caption} x="145" y="166" textAnchor="middle">
        {unitOf(method.quantity, props.system) || say.count}
      </text>
      <path className={styles.thin} d="M230 150q60 10 80 -40" strokeWidth="2" />
      {method.points.map(({ id, label }, index) => {
        const x = 350 + (index % 2) * 130
        const y = 50 + Math.floor(index / 2) * 36
        return (
          <g key={id}>
            <Balloon x={x} y={y} text={id} state={stationMark(props, id)} />
            <Caption x={x + 18} y={y + 4}>
              {label === id ? '' : label.slice(0, 16)}
            </Caption>
          </g>
        )
      })}
    </svg>
  )
}

/** Points of a test, each in its own band. */
export function RigSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'benchTest'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.points.length, 90, 540)
  const known = method.points.flatMap(({ id, least, greatest }) =>
    [least, greatest, valueAt(props, id) ?? null].filter((value) => value !== null),
  )
  const low = Math.min(...known)
  const high = Math.max(...known, low + 1e-9)
  const y = (value: number): number => 190 - ((value - low) / (high - low)) * 140
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.face} d="M60 24V200H570" />
      {method.points.map(({ id, least, greatest }, index) => {
        const x = at[index] ?? 0
        const top = greatest === null ? 30 : y(greatest)
        const bottom = least === null ? 200 : y(least)
        const value = valueAt(props, id)
        return (
          <g key={id}>
            <rect
              className={styles.thin}
              x={x - 16}
              y={top}
              width="32"
              height={Math.max(2, bottom - top)}
              style={{ fill: 'var(--band-new)' }}
            />
            {greatest !== null && (
              <rect x={x - 16} y="24" width="32" height={Math.max(0, top - 24)} style={{ fill: hatches.lining }} />
            )}
            {value !== undefined && (
              <g className={styles.measure} data-state="taken">
                <circle cx={x} cy={y(value)} r="5" fill="currentColor" />
              </g>
            )}
            <Balloon x={x} y={222} text={id} state={stationMark(props, id)} />
          </g>
        )
      })}
      <Caption x={66} y={18}>
        {unitOf(method.quantity, props.system)}
      </Caption>
    </svg>
  )
}

/** What the eye is asked, and where. */
export function LookSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'visualCheck'> }) {
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      <path className={styles.face} d="M60 110Q150 40 240 110Q150 180 60 110z" />
      <circle className={styles.face} cx="150" cy="110" r="30" />
      <circle cx="150" cy="110" r="12" fill="var(--ink)" />
      <Caption x={270} y={52}>
        {method.question}
      </Caption>
      {method.points.map(({ id, label }, index) => {
        const x = 286 + (index % 2) * 160
        const y = 84 + Math.floor(index / 2) * 32
        return (
          <g key={id}>
            <Balloon x={x} y={y} text={id} state={stationMark(props, id)} />
            <Caption x={x + 18} y={y + 4}>
              {label === id ? '' : label.slice(0, 20)}
            </Caption>
          </g>
        )
      })}
      <Caption x={60} y={216}>
        {say.yesNoDoes(method.wanted)}
      </Caption>
    </svg>
  )
}

/** The formula, and where its values come from. */
export function ComputedSketch({
  method,
  nameOf,
}: {
  readonly method: MethodOf<'computed'>
  nameOf(characteristic: string): string
}) {
  const columns = Object.keys(method.names).length > 4 ? 2 : 1
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      <rect className={styles.thin} x="40" y="34" width="520" height="56" style={{ fill: 'var(--sheet)' }} />
      <text className={styles.caption} x="300" y="69" textAnchor="middle" style={{ fontSize: 20 }}>
        {`= ${method.formula}`}
      </text>
      {Object.entries(method.names).map(([name, { characteristic, value }], index) => (
        <Caption key={name} x={60 + (index % columns) * 260} y={126 + Math.floor(index / columns) * 26}>
          {`${name}: ${valueName[value as ReductionName] ?? value}, ${nameOf(characteristic)}`}
        </Caption>
      ))}
    </svg>
  )
}

const lengthText = (mm: number, system: UnitSystem): string => `${formatLength(mm, system, 0.1)} ${unitLabel(system)}`
