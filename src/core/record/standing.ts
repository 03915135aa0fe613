import type { Gauge } from '../gauge/uncertainty'
import type { TakenReading } from '../method/reduce'
import type { Overhaul, Reading, Stage } from './recordSchema'

/** The readings that stand: those no other reading corrects. */
export function standingReadings(readings: readonly Reading[]): Reading[] {
  const superseded = new Set(readings.map((reading) => reading.supersedes))
  return readings.filter((reading) => !superseded.has(reading.id))
}

/** Readings of one overhaul and stage, by characteristic, each with its gauge. */
export function takenByCharacteristic(
  overhaul: Pick<Overhaul, 'readings'>,
  stage: Stage,
  gauges: ReadonlyMap<string, Gauge>,
): Map<string, (TakenReading & { readonly reading: Reading })[]> {
  const byCharacteristic = new Map<string, (TakenReading & { readonly reading: Reading })[]>()
  for (const reading of standingReadings(overhaul.readings)) {
    if (reading.stage !== stage) continue
    const gauge = gauges.get(reading.gauge)
    if (!gauge) throw new Error(`record has no gauge ${reading.gauge}`)
    const list = byCharacteristic.get(reading.characteristic) ?? []
    list.push({ ...reading, gauge, reading })
    byCharacteristic.set(reading.characteristic, list)
  }
  return byCharacteristic
}
