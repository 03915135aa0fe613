import type { Gauge } from '../../../core/gauge/gauge'
import { gaugeKindFacts } from '../../../core/gauge/gaugeKinds'
import { figuresOf } from '../../../core/quantity/figures'
import { gaugeKindName } from '../../../core/words/gauges'
import { say } from '../../../labels/bench'
import { Button } from '../../../ui/Button'
import type { Bench } from '../benchState'
import styles from './GaugeInHand.module.css'
import { NO_GAUGE } from './useGaugeInHand'

/** The gauge readings are taken with, remembered for its kind; a lapsed calibration is said plainly. */
export function GaugeInHand({ bench, today }: { readonly bench: Bench; readonly today: string }) {
  const { gauge, inHand } = bench
  const { wanted, ofKind, others } = inHand
  return (
    <div className={styles.hand}>
      <label className={styles.handLabel} htmlFor="gauge">
        {say.hand}
      </label>
      {wanted === 'eye' ? (
        <span>{gaugeKindName.eye}</span>
      ) : (
        <>
          <select
            id="gauge"
            className={styles.handSelect}
            value={gauge?.id ?? NO_GAUGE}
            onChange={(event) => bench.acts.takeInHand(event.currentTarget.value)}
          >
            <GaugeOptions gauges={ofKind} />
            {others.length > 0 && (
              <optgroup label={say.anotherKind}>
                <GaugeOptions gauges={others} />
              </optgroup>
            )}
            <option value={NO_GAUGE}>{say.noGauge}</option>
          </select>
          {gauge ? (
            <GaugeFacts gauge={gauge} bench={bench} today={today} />
          ) : (
            ofKind.length === 0 && <b className={styles.lapsed}>{say.noStore(gaugeKindName[wanted].toLowerCase())}</b>
          )}
        </>
      )}
    </div>
  )
}

const GaugeOptions = ({ gauges }: { readonly gauges: readonly Gauge[] }) =>
  gauges.map(({ id, code, name }) => (
    <option key={id} value={id}>
      {code} · {name}
    </option>
  ))

function GaugeFacts({ gauge, bench, today }: { readonly gauge: Gauge; readonly bench: Bench; readonly today: string }) {
  const { difference } = figuresOf(gaugeKindFacts[gauge.kind].quantity, bench.system, errorStep(gauge))
  return (
    <span className={styles.handFacts}>
      <span className="figure">± {difference(gauge.maximumPermissibleError)}</span>,{' '}
      {gauge.calibrationDue < today ? (
        <b className={styles.lapsed}>{say.calibrationLapsed(gauge.calibrationDue)}</b>
      ) : (
        <span>
          {say.calibratedUntil} <span className="figure">{gauge.calibrationDue}</span>
        </span>
      )}
      <ConditionsNote bench={bench} />
      <span className={styles.links}>
        <GaugeLinkNote bench={bench} />
        <CableNote bench={bench} />
      </span>
    </span>
  )
}

/** Errors are said one place finer than the gauge shows. */
const errorStep = (gauge: Gauge): number => Math.min(gauge.resolution, gauge.maximumPermissibleError || gauge.resolution)

/** What is taken off or corrected with this gauge, so that nobody forgets that it is. */
function ConditionsNote({ bench }: { readonly bench: Bench }) {
  const { gauge, conditions, record } = bench
  const zero = gauge ? (conditions.conditions.zeroOf[gauge.id] ?? 0) : 0
  const warm = conditions.conditions.temperature
  if (!gauge || (zero === 0 && warm === null)) return null
  const units = record.machine.units
  const { difference } = figuresOf(gaugeKindFacts[gauge.kind].quantity, units, gauge.resolution)
  const temperature = figuresOf('temperature', units, 0.1)
  return (
    <span className={styles.lapsed}>
      {' '}
      {zero !== 0 && say.zeroTakenOff(difference(zero))}
      {warm && say.partGauge(temperature.figure(warm.partC), temperature.figure(warm.scaleC), temperature.unit)}
    </span>
  )
}

const linkWords = {
  off: '',
  asking: say.askingServer,
  unpaired: say.notPairedYet,
  waiting: say.listeningNoGauge,
  here: say.sendsReadingsHere,
  gone: say.gaugeHasStopped,
  taken: say.anotherBenchHas,
  unreachable: say.noServerType,
} as const

/** Whether the gauge sends its readings to this bench by itself. */
function GaugeLinkNote({ bench }: { readonly bench: Bench }) {
  const { word } = bench
  const wrong = word.link === 'gone' || word.link === 'taken' || word.link === 'unreachable'
  return (
    <span className={styles.link}>
      <Button kind="quiet" aria-pressed={word.listening} onClick={word.toggle}>
        {word.listening ? say.stopListening : say.listen}
      </Button>
      <span role="status" className={wrong ? styles.lapsed : undefined}>
        {word.link === 'here' && word.pairing !== null ? say.sendsItsReadingsHere(word.pairing) : linkWords[word.link]}
      </span>
    </span>
  )
}

const cableWords = {
  off: '',
  waiting: say.cableOpenNo,
  here: say.sendsReadingsCable,
  otherGauge: '',
  gone: say.gaugeCableHas,
  refused: say.noCableChosen,
} as const

/** Where the browser can: the gauge on a serial cable of this device. */
function CableNote({ bench: { cable } }: { readonly bench: Bench }) {
  if (!cable.possible) return null
  const { link, code } = cable
  const open = link === 'waiting' || link === 'here' || link === 'otherGauge'
  const says = link === 'otherGauge' ? say.cableTakeHand(code ?? say.anotherGauge) : cableWords[link]
  return (
    <span className={styles.link}>
      <Button kind="quiet" aria-pressed={open} onClick={open ? cable.disconnect : cable.connect}>
        {open ? say.closeCable : say.cable}
      </Button>
      <span role="status" className={says.startsWith('!') ? styles.lapsed : undefined}>
        {says}
      </span>
    </span>
  )
}
