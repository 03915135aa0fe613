import { useMemo, useRef } from 'react'
import { type Evaluation, startEvaluation } from '../../../core/evaluate/evaluate'
import type { InspectionRecord, Reading } from '../../../core/record/recordSchema'
import type { Stage } from '../../../core/record/stage'
import { standingReadings } from '../../../core/record/standing'
import { counting, type LocalReading } from './localReadings'

/** Standing readings of the job by characteristic, those of this device included, and what follows from them. */
export interface Standing {
  readonly of: (characteristic: string, stage: Stage) => readonly Reading[]
  /** Everything ever read at a characteristic, corrected and taken back too, oldest first. */
  readonly historyOf: (characteristic: string, stage: Stage) => readonly Reading[]
  readonly evaluation: Evaluation
}

const NONE: readonly Reading[] = []

/** What is read belongs to a characteristic at a stage. */
const keyOf = (characteristic: string, stage: Stage): string => `${stage} ${characteristic}`

function group(readings: readonly Reading[]): Map<string, Reading[]> {
  const by = new Map<string, Reading[]>()
  for (const reading of readings) {
    const key = keyOf(reading.characteristic, reading.stage)
    const list = by.get(key)
    if (list) list.push(reading)
    else by.set(key, [reading])
  }
  return by
}

/**
 * Carries the evaluation along with the readings accepted here or elsewhere since the page came: only the characteristics they belong to are
 * computed again. A record that comes anew from the server starts it afresh.
 */
export function useStanding(record: InspectionRecord, local: readonly LocalReading[]): Standing {
  const stored = useMemo(() => group(record.job.readings), [record])
  const base = useMemo(() => startEvaluation(record), [record])
  const carried = useRef<{ base: Evaluation; evaluation: Evaluation; applied: Map<string, readonly Reading[]> } | null>(null)
  return useMemo(() => {
    const known = new Set(record.job.readings.map(({ id }) => id))
    const added = group(counting(local).filter(({ id }) => !known.has(id)))
    const historyOf = (key: string): readonly Reading[] => {
      const [before, own] = [stored.get(key) ?? NONE, added.get(key)]
      return own ? [...before, ...own] : before
    }
    const standing = new Map<string, readonly Reading[]>()
    const of = (key: string): readonly Reading[] => {
      const found = standing.get(key)
      if (found) return found
      const made = standingReadings(historyOf(key))
      standing.set(key, made)
      return made
    }
    if (carried.current?.base !== base) carried.current = { base, evaluation: base, applied: new Map() }
    const state = carried.current
    for (const key of new Set([...added.keys(), ...state.applied.keys()])) {
      const now = of(key)
      if (sameReadings(state.applied.get(key), now)) continue
      state.applied.set(key, now)
      const [stage, characteristic] = key.split(' ') as [Stage, string]
      state.evaluation = state.evaluation.with(characteristic, now, stage)
    }
    return {
      of: (characteristic, stage) => of(keyOf(characteristic, stage)),
      historyOf: (characteristic, stage) => historyOf(keyOf(characteristic, stage)),
      evaluation: state.evaluation,
    }
  }, [record, local, stored, base])
}

const sameReadings = (a: readonly Reading[] | undefined, b: readonly Reading[]): boolean =>
  a !== undefined && a.length === b.length && a.every((reading, index) => reading.id === b[index]?.id)
