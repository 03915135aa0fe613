import { type Corrected, correctReading } from '../gauge/correction'
import { BY_EYE, type Gauge } from '../gauge/gauge'
import { differenceUncertainty } from '../gauge/uncertainty'
import { slotKey } from '../method/layout'
import type { TakenReading } from '../method/reduce/reduce'
import type { Interval } from '../quantity/interval'
import { signedFromMaster } from '../quantity/reading'
import type { Characteristic } from './bookSchema'
import type { Reading } from './recordSchema'
import type { Stage } from './stage'

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

const intervalIn = ({ value, low, high }: Reading): Interval =>
  value !== null ? { low: value, high: value } : { low: low ?? Number.NEGATIVE_INFINITY, high: high ?? Number.POSITIVE_INFINITY }

/** Corrects the standing readings of one characteristic. */
export function takenOf(
  characteristic: Pick<Characteristic, 'expansionPerK'>,
  standing: readonly Reading[],
  gauges: ReadonlyMap<string, Gauge>,
): TakenSet {
  const taken: Taken[] = []
  const cannot: string[] = []
  const notApplicable: string[] = []
  for (const reading of standing) {
    if (reading.kind === 'cannot') cannot.push(slotKey(reading))
    else if (reading.kind === 'notApplicable') notApplicable.push(slotKey(reading))
    else if (reading.kind !== 'withdrawn') taken.push(correct(reading, gauges, characteristic.expansionPerK ?? null))
  }
  return { taken, standing, cannot, notApplicable }
}

function correct(reading: Reading, gauges: ReadonlyMap<string, Gauge>, partPerK: number | null): Taken {
  const gauge = reading.gauge === null ? BY_EYE : gauges.get(reading.gauge)
  if (!gauge) throw new Error(`record has no gauge ${reading.gauge}`)
  const master = signedFromMaster(reading.text) ? reading.masterMm : null
  const corrected = correctReading({ indicated: intervalIn(reading), master, gauge, conditions: reading.conditions, partPerK })
  const { station, direction, repeat } = reading
  return {
    station,
    direction,
    repeat,
    interval: corrected.interval,
    sizeUncertainty: corrected.uncertainty,
    differenceUncertainty: differenceUncertainty(gauge),
    gauge,
    reading,
    corrected,
  }
}

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
