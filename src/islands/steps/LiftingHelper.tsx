import { useState } from 'react'
import { identifyThread } from '../../core/identify/thread'
import { eyeForThread, type Lift, liftSum } from '../../core/lifting/lifting'
import { parseThreadPitch } from '../../core/notes/identity'
import { parseQuantity } from '../../core/quantity/quantity'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { liftFaultWords } from '../../core/words/lifting'
import { say } from '../../labels/steps'
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
      <h2 id="lifting">{say.liftingHelper}</h2>
      <div className={styles.pair}>
        <TextField
          label={say.threadMeasured}
          placeholder={units === 'metric' ? '19.8' : '0.748'}
          value={diameter}
          maxLength={30}
          onChange={(event) => setDiameter(event.currentTarget.value)}
        />
        <TextField
          label={say.pitch}
          placeholder={units === 'metric' ? '2.5' : '10 tpi'}
          value={pitch}
          maxLength={30}
          onChange={(event) => setPitch(event.currentTarget.value)}
        />
      </div>
      {thread && <p className={styles.thread}>{thread.says}</p>}
      {thread?.straightKg && markedKg !== null && markedKg > thread.straightKg && (
        <p className={styles.thread}>{say.markAboveStandards(thread.straightKg)}</p>
      )}
      <TextField
        label={say.markEyeKg}
        hint={say.asForgedStamped}
        value={mark}
        maxLength={20}
        onChange={(event) => setMark(event.currentTarget.value)}
      />
      <div className={styles.pair}>
        <TextField label={say.loadKg} value={load} maxLength={20} onChange={(event) => setLoad(event.currentTarget.value)} />
        <TextField
          label={say.slingOneLeg}
          value={sling}
          maxLength={20}
          onChange={(event) => setSling(event.currentTarget.value)}
        />
      </div>
      <Choice
        legend={say.legs}
        options={(['1', '2', '3', '4'] as const).map((value) => ({ value, label: value }))}
        value={legs}
        onChange={setLegs}
      />
      {legs !== '1' && (
        <label className={styles.angle}>
          <span>
            {say.legFromVertical} <b className="figure">{angle}°</b>
          </span>
          <input type="range" min={0} max={75} step={5} value={angle} onChange={(event) => setAngle(event.currentTarget.value)} />
        </label>
      )}
      <div className={styles.result} aria-live="polite">
        {!sum && <p>{say.typeLoadSling}</p>}
        {sum && !sum.ok && <p className={styles.refuse}>! {liftFaultWords(sum.fault)}</p>}
        {sum?.ok && (
          <dl>
            <dt>{say.factorAngle}</dt>
            <dd className="figure">{sum.value.angleFactor.toFixed(2)}</dd>
            <dt>{say.legsCounted}</dt>
            <dd className="figure">{sum.value.carrying}</dd>
            <dt>{say.eachLeg}</dt>
            <dd className="figure">{say.kg(ceiling(sum.value.perLegKg))}</dd>
            <dt>{say.eyeAngle}</dt>
            <dd className="figure" data-holds={sum.value.eyeHolds}>
              {say.kgOf(sum.value.eyeHolds ? '✓' : say.tooWeak, whole(sum.value.eyeKg))}
            </dd>
            <dt>{say.slingLeg}</dt>
            <dd className="figure" data-holds={sum.value.slingHolds}>
              {say.kgOf(sum.value.slingHolds ? '✓' : say.tooWeak, whole(slingKg ?? 0))}
            </dd>
            <dt>{say.mostMayHang}</dt>
            <dd className="figure">{say.kg2(whole(sum.value.mostKg))}</dd>
          </dl>
        )}
      </div>
      <p className={styles.caution}>{say.markedRatedEyes}</p>
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
      says: say.noStandardThread(identity.nearest.designation),
      metricMm: null,
      straightKg: null,
    }
  const coarse = identity.threads.find(({ series }) => series === 'isoCoarse')
  const eye = coarse && eyeForThread(coarse.diameterMm)
  const names = identity.threads.map(({ designation }) => designation).join(' or ')
  if (!coarse || !eye)
    return {
      says: say.eyeBoltTable(names),
      metricMm: null,
      straightKg: null,
    }
  return {
    says: say.takesEyeBolt(names, eye.thread, eye.straightKg, eye.slantedKg),
    metricMm: coarse.diameterMm,
    straightKg: eye.straightKg,
  }
}
