import type { Characteristic, LimitBook } from '../../core/book/bookSchema'
import { typedLimits } from '../../core/limit/typedLimits'
import { quantityOf, quantityOfValue, stepOf } from '../../core/method/gives'
import { slotKey, slotsOf } from '../../core/method/layout'
import { figuresOf } from '../../core/quantity/figures'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { gaugeKindName } from '../../core/words/gauges'
import { valueName } from '../../core/words/labels'
import { slotWords } from '../../core/words/places'
import { say } from '../../labels/recordSheet'
import { MethodSketch } from '../methodSketch/MethodSketch'
import styles from './RecordSheet.module.css'

/** A measurement to be written down by hand: its sketch, a box for each reading in the order in which one walks, its limits. */
export function RecordSheet({
  characteristic,
  part,
  book,
  units,
  heading,
  code,
  limits,
}: {
  readonly characteristic: Characteristic
  readonly part: string
  readonly book: LimitBook
  readonly units: UnitSystem
  /** Machine and job. */
  readonly heading: string
  readonly code: string
  readonly limits: boolean
}) {
  const { method, name, gaugeKind } = characteristic
  const slots = slotsOf(method)
  return (
    <article className={styles.sheet} aria-label={name}>
      <header className={styles.head}>
        <div>
          <p className={styles.small}>{heading}</p>
          <h2>{name}</h2>
          <p>{part}</p>
        </div>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: an SVG that the server made of an address */}
        <div className={styles.code} dangerouslySetInnerHTML={{ __html: code }} />
      </header>
      <div className={styles.sketch}>
        <MethodSketch
          method={method}
          active={null}
          taken={new Set()}
          system={units}
          values={new Map()}
          nameOf={(id) => book.characteristics.find((one) => one.id === id)?.name ?? id}
        />
      </div>
      {[characteristic.how, characteristic.pose, characteristic.trap].filter(Boolean).map((text) => (
        <p key={text}>{text}</p>
      ))}
      <ol className={styles.boxes} data-many={slots.length > MANY || undefined}>
        {slots.map((slot, at) => (
          <li key={slotKey(slot)}>
            <span className={styles.place}>
              <b>{at + 1}</b> {slotWords(method, slot)}
            </span>
            <span className={styles.box}>{unitOf(quantityOf(method), units)}</span>
          </li>
        ))}
      </ol>
      {limits && <Limits characteristic={characteristic} units={units} />}
      <dl className={styles.lines}>
        {[
          `${say.gauge}: ${gaugeKindName[gaugeKind]}`,
          ...masterLine(method, units),
          say.zero,
          say.temperature,
          say.by,
          say.on,
        ].map((line) => (
          <div key={line}>
            <dt>{line}</dt>
            <dd />
          </div>
        ))}
      </dl>
      <p className={styles.notes}>{say.notes}</p>
    </article>
  )
}
/** So many boxes are drawn smaller, to stay on one sheet. */
const MANY = 12

/** What the gauge is set by, where the readings are taken from it. */
function masterLine(method: Characteristic['method'], units: UnitSystem): string[] {
  const master = 'masterMm' in method ? method.masterMm : null
  if (typeof master !== 'number') return []
  const { bound, unit } = figuresOf('length', units, MASTER_STEP_MM)
  return [say.master(`${bound(master)} ${unit}`)]
}
const MASTER_STEP_MM = 0.001

function Limits({ characteristic, units }: { readonly characteristic: Characteristic; readonly units: UnitSystem }) {
  const { method, showTo, new: size, limits } = characteristic
  const kind = quantityOf(method)
  const whole = figuresOf(kind, units, showTo)
  const lines = limits.map((limit) => {
    const of = quantityOfValue(method, limit.judges)
    const { bound, unit } = figuresOf(of, units, stepOf(method, showTo, of))
    const side = limit.side === 'upper' ? say.atMost : say.atLeast
    return `${valueName[limit.judges]} ${side} ${bound(limit.wear)} ${unit}`.trim()
  })
  const typed = typedLimits(characteristic)
  if (size === null && lines.length === 0) return <p className={styles.limits}>{say.noLimit}</p>
  return (
    <p className={styles.limits}>
      {size && (
        <span className="figure">
          {say.new} {whole.bound(size.lower)} … {whole.bound(size.upper)} {whole.unit}
        </span>
      )}
      {typed && !typed.check?.agrees && <span>{say.notChecked}</span>}
      {lines.map((line) => (
        <span key={line} className="figure">
          {line}
        </span>
      ))}
    </p>
  )
}
