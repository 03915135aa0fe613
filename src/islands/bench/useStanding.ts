import { useMemo, useRef } from 'react'
import { type Evaluation, startEvaluation } from '../../core/record/evaluate'
import type { InspectionRecord, Reading, Stage } from '../../core/record/recordSchema'
import { standingReadings } from '../../core/record/standing'
import type { LocalReading } from './useOutbox'

/** Standing readings of the job by characteristic, those of this device included, and what follows from them. */
export interface Standing {
  readonly of: (characteristic: string) => readonly Reading[]
  /** Everything ever read at a characteristic, corrected and taken back too, oldest first. */
  readonly historyOf: (characteristic: string) => readonly Reading[]
  readonly evaluation: Evaluation
}

const NONE: readonly Reading[] = []

type ByCharacteristic = ReadonlyMap<string, readonly Reading[]>

function group(readings: readonly Reading[], stage: Stage): Map<string, Reading[]> {
  const by = new Map<string, Reading[]>()
  for (const reading of readings) {
    if (reading.stage !== stage) continue
    const list = by.get(reading.characteristic)
    if (list) list.push(reading)
    else by.set(reading.characteristic, [reading])
  }
  return by
}

/**
 * Carries the evaluation along with the readings accepted on this device: only the characteristics they belong to are
 * computed again. A record that comes anew from the server starts it afresh.
 */
export function useStanding(record: InspectionRecord, local: readonly LocalReading[], stage: Stage): Standing {
  const stored = useMemo(() => group(record.job.readings, stage), [record, stage])
  const base = useMemo(() => startEvaluation(record), [record])
  const carried = useRef<{ base: Evaluation; evaluation: Evaluation; applied: Map<string, readonly Reading[]> } | null>(null)
  return useMemo(() => {
    const known = new Set(record.job.readings.map(({ id }) => id))
    const added = local
      .filter(({ reading, delivery }) => delivery.kind !== 'refused' && !known.has(reading.id))
      .map(({ reading }) => reading)
    const all: ByCharacteristic = merged(stored, group(added, stage))
    const standing = new Map<string, readonly Reading[]>()
    const of = (characteristic: string): readonly Reading[] => {
      const found = standing.get(characteristic)
      if (found) return found
      const made = standingReadings(all.get(characteristic) ?? NONE)
      standing.set(characteristic, made)
      return made
    }
    if (carried.current?.base !== base) carried.current = { base, evaluation: base, applied: new Map() }
    const state = carried.current
    if (stage === 'asFound')
      for (const characteristic of new Set([...group(added, stage).keys(), ...state.applied.keys()])) {
        const now = of(characteristic)
        if (sameReadings(state.applied.get(characteristic), now)) continue
        state.applied.set(characteristic, now)
        state.evaluation = state.evaluation.with(characteristic, now)
      }
    return { of, historyOf: (characteristic) => all.get(characteristic) ?? NONE, evaluation: state.evaluation }
  }, [record, local, stage, stored, base])
}

function merged(stored: ByCharacteristic, added: ByCharacteristic): ByCharacteristic {
  if (added.size === 0) return stored
  const all = new Map(stored)
  for (const [characteristic, readings] of added) all.set(characteristic, [...(stored.get(characteristic) ?? NONE), ...readings])
  return all
}

const sameReadings = (a: readonly Reading[] | undefined, b: readonly Reading[]): boolean =>
  a !== undefined && a.length === b.length && a.every((reading, index) => reading.id === b[index]?.id)
