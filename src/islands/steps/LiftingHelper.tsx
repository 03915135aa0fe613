import { useState } from 'react'
import { identifyThread } from '../../core/identify/thread'
import { eyeForThread, type Lift, liftSum } from '../../core/lifting/lifting'
import { parseThreadPitch } from '../../core/notes/identity'
import { parseQuantity } from '../../core/quantity/quantity'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { liftFaultWords } from '../../core/words/lifting'
import { Choice } from '../../ui/Choice'
import { TextField } from '../../ui/Field'
import styles from './LiftingHelper.module.css'

const KG_PER_LB = 0.45359237

/** A mass as typed, kg unless lb is written; null when it is none. */
function kilograms(text: string): number | null {
  const found = /^(\d+(?:[.,]\d+)?)\s*(kg|t|lb)?$/i.exec(text.trim())
  if (!found?.[1]) return null
  const figure = Number(found[1].replace(',', '.'))
  const unit = found[2]?.toLowerCase()
  return unit === 't' ? figure * 1000 : unit === 'lb' ? figure * KG_PER_LB : figure
}

const whole = (value: number): string => String(Math.floor(value))
const ceiling = (value: number): string => String(Math.ceil(value))

/** Eye bolts and slings: what hangs on each leg against what is marked on it. It advises; a competent person decides. */
export function LiftingHelper({ units }: { readonly units: UnitSystem }) {
  const [diameter, setDiameter] = useState('')
  const [pitch, setPitch] = useState('')
  const [load, setLoad] = useState('')
  const [mark, setMark] = useState('')
  const [sling, setSling] = useState('')
  const [legs, setLegs] = useState<'1' | '2' | '3' | '4'>('2')
  const [angle, setAngle] = useState('30')
  const thread = threadFound(diameter, pitch, units)
  const loadKg = kilograms(load)
  const slingKg = kilograms(sling)
  const markedKg = mark.trim() === '' ? null : kilograms(mark)
  const angleDegrees = Number(angle)
  const typed = loadKg !== null && slingKg !== null && (mark.trim() === '' || markedKg !== null)
  const lift: Lift | null = typed
    ? {
        loadKg,
        legs: Number(legs) as Lift['legs'],
        angleDegrees,
        markedKg,
        threadMm: thread?.metricMm ?? null,
        slingLegKg: slingKg,
      }
    : null
  const sum = lift && liftSum(lift)
  return (
    <section className={styles.helper} aria-labelledby="lifting">
      <h2 id="lifting">Lifting helper</h2>
      <div className={styles.pair}>
        <TextField
          label="Thread Ø measured"
          placeholder={units === 'metric' ? '19.8' : '0.748'}
          value={diameter}
          maxLength={30}
          onChange={(event) => setDiameter(event.currentTarget.value)}
        />
        <TextField
          label="Pitch"
          placeholder={units === 'metric' ? '2.5' : '10 tpi'}
          value={pitch}
          maxLength={30}
          onChange={(event) => setPitch(event.currentTarget.value)}
        />
      </div>
      {thread && <p className={styles.thread}>{thread.says}</p>}
      {thread?.straightKg && markedKg !== null && markedKg > thread.straightKg && (
        <p className={styles.thread}>
          The mark is above the standard’s figure for this thread: counted with {thread.straightKg} kg. Go by the maker’s sheet of
          this eye.
        </p>
      )}
      <TextField
        label="Mark on the eye, kg"
        hint="As forged or stamped on it, for a straight pull. Empty: no mark."
        value={mark}
        maxLength={20}
        onChange={(event) => setMark(event.currentTarget.value)}
      />
      <div className={styles.pair}>
        <TextField label="Load, kg" value={load} maxLength={20} onChange={(event) => setLoad(event.currentTarget.value)} />
        <TextField
          label="Sling, one leg, kg"
          value={sling}
          maxLength={20}
          onChange={(event) => setSling(event.currentTarget.value)}
        />
      </div>
      <Choice
        legend="Legs"
        options={(['1', '2', '3', '4'] as const).map((value) => ({ value, label: value }))}
        value={legs}
        onChange={setLegs}
      />
      {legs !== '1' && (
        <label className={styles.angle}>
          <span>
            Leg from the vertical <b className="figure">{angle}°</b>
          </span>
          <input type="range" min={0} max={75} step={5} value={angle} onChange={(event) => setAngle(event.currentTarget.value)} />
        </label>
      )}
      <div className={styles.result} aria-live="polite">
        {!sum && <p>Type load, sling and mark; the sum appears here.</p>}
        {sum && !sum.ok && <p className={styles.refuse}>! {liftFaultWords(sum.fault)}</p>}
        {sum?.ok && (
          <dl>
            <dt>Factor for the angle</dt>
            <dd className="figure">{sum.value.angleFactor.toFixed(2)}</dd>
            <dt>Legs counted on</dt>
            <dd className="figure">{sum.value.carrying}</dd>
            <dt>On each leg</dt>
            <dd className="figure">{ceiling(sum.value.perLegKg)} kg</dd>
            <dt>Eye at this angle</dt>
            <dd className="figure" data-holds={sum.value.eyeHolds}>
              {sum.value.eyeHolds ? '✓' : '! too weak:'} {whole(sum.value.eyeKg)} kg
            </dd>
            <dt>Sling leg</dt>
            <dd className="figure" data-holds={sum.value.slingHolds}>
              {sum.value.slingHolds ? '✓' : '! too weak:'} {whole(slingKg ?? 0)} kg
            </dd>
            <dt>Most that may hang</dt>
            <dd className="figure">{whole(sum.value.mostKg)} kg</dd>
          </dl>
        )}
      </div>
      <p className={styles.caution}>
        Marked and rated eyes and slings only; home-made eyes are refused. The mark on the gear, its inspection and local rules
        come first: a competent person decides on every lift.
      </p>
    </section>
  )
}

interface FoundThread {
  readonly says: string
  /** Nominal size of a metric coarse thread, for which eye bolts exist. */
  readonly metricMm: number | null
  /** The standard's load for it, straight, kg. */
  readonly straightKg: number | null
}

function threadFound(diameter: string, pitch: string, units: UnitSystem): FoundThread | null {
  const unit = units === 'metric' ? 'mm' : 'in'
  const size = parseQuantity(diameter, 'length', unit)
  const rise = parseThreadPitch(pitch, unit)
  if (!size.ok || !rise.ok || size.value.value <= 0) return null
  const identity = identifyThread({ diameterMm: size.value.value, pitchMm: rise.value, flankDegrees: null })
  if (identity.kind === 'none')
    return {
      says: `No standard thread: nearest ${identity.nearest.designation}. Find the right eye before lifting.`,
      metricMm: null,
      straightKg: null,
    }
  const coarse = identity.threads.find(({ series }) => series === 'isoCoarse')
  const eye = coarse && eyeForThread(coarse.diameterMm)
  const names = identity.threads.map(({ designation }) => designation).join(' or ')
  if (!coarse || !eye)
    return {
      says: `${names}. The eye-bolt table here is for metric coarse threads only; go by the mark and its maker.`,
      metricMm: null,
      straightKg: null,
    }
  return {
    says: `${names}: takes an ${eye.thread} eye bolt. Where so marked (DIN 580): ${eye.straightKg} kg straight, ${eye.slantedKg} kg at up to 45°. The thread size alone gives no rating.`,
    metricMm: coarse.diameterMm,
    straightKg: eye.straightKg,
  }
}
