import type { Characteristic } from '../book/bookSchema'
import { type Corrected, correctReading } from '../gauge/correction'
import { BY_EYE, type Gauge } from '../gauge/gauge'
import { gaugeKindFacts } from '../gauge/gaugeKinds'
import { beyondRange } from '../gauge/reach'
import { readingErrors, readingUncertainty } from '../gauge/uncertainty'
import { formAt, quantityAt, slotKey } from '../method/layout'
import type { TakenReading } from '../method/reduce/reduce'
import { intervalOfReading } from '../quantity/extent'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import type { Reading } from './recordSchema'
import type { Stage } from './stage'
import { gaugeKindAt } from './typedReading'

/** The readings that stand: those no other reading corrects, and none that was taken back. */
export function standingReadings(readings: readonly Reading[]): Reading[] {
  const superseded = new Set(readings.map((reading) => reading.supersedes))
  return readings.filter((reading) => !superseded.has(reading.id))
}

/** A standing reading with its correction, as the trace tells it. */
export interface Taken extends TakenReading {
  readonly reading: Reading
  readonly corrected: Corrected
}

/** Standing readings of one characteristic and stage: those that measure, and the places marked otherwise. */
export interface TakenSet {
  readonly taken: readonly Taken[]
  readonly standing: readonly Reading[]
  readonly cannot: readonly string[]
  readonly notApplicable: readonly string[]
}

export const NOTHING_TAKEN: TakenSet = { taken: [], standing: [], cannot: [], notApplicable: [] }

/** Gauges of a record by id; what is looked at is taken without one. */
export const gaugesById = (gauges: readonly Gauge[]): ReadonlyMap<string, Gauge> =>
  new Map(gauges.map((gauge) => [gauge.id, gauge]))

/** Corrects the standing readings of one characteristic. */
export function takenOf(characteristic: Measurable, standing: readonly Reading[], gauges: ReadonlyMap<string, Gauge>): TakenSet {
  const taken: Taken[] = []
  const cannot: string[] = []
  const notApplicable: string[] = []
  for (const reading of standing) {
    if (reading.kind === 'cannot') cannot.push(slotKey(reading))
    else if (reading.kind === 'notApplicable') notApplicable.push(slotKey(reading))
    else if (reading.kind !== 'withdrawn') taken.push(correct(characteristic, reading, gauges))
  }
  return { taken, standing, cannot, notApplicable }
}

/** What of a characteristic says how its readings are taken. */
export type Measurable = Pick<Characteristic, 'method' | 'gaugeKind' | 'otherGauges' | 'expansionPerK'>

function correct(characteristic: Measurable, reading: Reading, gauges: ReadonlyMap<string, Gauge>): Taken {
  const gauge = reading.gauge === null ? BY_EYE : gauges.get(reading.gauge)
  if (!gauge) throw new Error(`record has no gauge ${reading.gauge}`)
  const { method, expansionPerK } = characteristic
  const corrected = correctReading({
    reading: reading.id,
    indicated: intervalOfReading(reading),
    master: masterOf(characteristic, reading),
    // What is answered by eye has no doubt of a gauge that was in hand.
    gauge: formAt(method, reading).kind === 'answer' ? BY_EYE : gauge,
    conditions: reading.conditions,
    partPerK: expansionPerK ?? null,
    isLength: quantityAt(method, reading) === 'length',
  })
  const { station, direction, repeat } = reading
  return {
    station,
    direction,
    repeat,
    interval: corrected.interval,
    errors: corrected.errors,
    gauge,
    doubt: doubtOf(characteristic, reading, gauge),
    reading,
    corrected,
  }
}

/** The master a comparator was set on: whether a deviation was typed or the size, it showed the deviation. */
function masterOf({ method }: Measurable, { masterMm }: Reading) {
  if (masterMm === null) return null
  return { sizeMm: masterMm, withinMm: method.kind === 'boreDiameter' ? (method.masterWithinMm ?? 0) : 0 }
}

/** A share typed as a fraction, or a hardness of another scale: stored before they were refused, as a figure they do not say. */
function mayBeMisread({ method }: Measurable, { station, text }: Reading): boolean {
  const form = formAt(method, { station })
  if (form.kind === 'element') return text.includes('/')
  return form.kind === 'quantity' && form.quantity === 'hardness' && /H(RC|V)/i.test(text)
}

/** Why a reading settles nothing; null where it does. */
function doubtOf(characteristic: Measurable, reading: Reading, gauge: Gauge): Taken['doubt'] {
  if (mayBeMisread(characteristic, reading)) return 'notUnderstood'
  const doubt = doubtOfGauge(characteristic, reading, gauge)
  if (doubt !== null || gauge.kind === 'eye') return doubt
  const { method } = characteristic
  const isOwnFigure =
    formAt(method, reading).kind === 'quantity' && gaugeKindFacts[gauge.kind].quantity === quantityAt(method, reading)
  if (isOwnFigure && beyondRange(gauge, intervalOfReading(reading), reading.masterMm) !== null) return 'beyondRange'
  return gauge.calibrationDue < reading.takenAt.slice(0, 10) ? 'lapsed' : null
}

/** Whether nothing says how well a figure is known: nobody knows the gauge, or it measures another quantity. */
export function doubtOfGauge(characteristic: Measurable, slot: Pick<Reading, 'station'>, gauge: Gauge): Taken['doubt'] {
  const { method } = characteristic
  if (formAt(method, slot).kind !== 'quantity') return null
  const kind = gaugeKindAt(characteristic, slot)
  if (gauge.kind === kind) return null // the book says so
  if (gauge.kind === 'eye') return 'noGauge'
  return measures(gauge, quantityAt(method, slot)) ? null : 'otherGauge'
}

/** A set of which nobody wrote down the gauge, read as well as the worst gauge of its kind on record. */
export function trustingGauges(characteristic: Measurable, set: TakenSet, gauges: ReadonlyMap<string, Gauge>): TakenSet {
  if (set.taken.every(({ doubt }) => doubt === null)) return set
  const worstOf = (kind: Gauge['kind']): Gauge | null =>
    [...gauges.values()]
      .filter((gauge) => gauge.kind === kind)
      .reduce<Gauge | null>(
        (worst, gauge) => (worst && readingUncertainty(worst) >= readingUncertainty(gauge) ? worst : gauge),
        null,
      )
  return {
    ...set,
    taken: set.taken.map((taken): Taken => {
      if (taken.doubt === null) return taken
      const gauge = worstOf(gaugeKindAt(characteristic, taken))
      return { ...taken, doubt: null, errors: gauge ? readingErrors(gauge, taken.reading.id, taken.interval) : taken.errors }
    }),
  }
}

/** Whether a gauge measures a quantity; a difference is read with the gauge of what differs. */
function measures({ kind }: Gauge, quantity: QuantityKind): boolean {
  const own = gaugeKindFacts[kind].quantity
  return own === quantity || differenceOf(own) === quantity || (isHardness(own) && isHardness(quantity))
}
const isHardness = (kind: QuantityKind): boolean => kind.startsWith('hardness')

/** Standing readings of one overhaul and stage, by characteristic. */
export function standingByCharacteristic(readings: readonly Reading[], stage: Stage): ReadonlyMap<string, readonly Reading[]> {
  const by = new Map<string, Reading[]>()
  for (const reading of standingReadings(readings)) {
    if (reading.stage !== stage) continue
    const list = by.get(reading.characteristic)
    if (list) list.push(reading)
    else by.set(reading.characteristic, [reading])
  }
  return by
}
