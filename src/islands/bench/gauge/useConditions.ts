import { useEffect, useState } from 'react'
import type { Reading } from '../../../core/record/recordSchema'

type Temperature = NonNullable<NonNullable<Reading['conditions']>['temperature']>

/** What was noted at this bench before measuring: each gauge's zero, and the temperatures. */
export interface Conditions {
  /** What each gauge showed at zero or at its master, by gauge id, in its fixed unit. */
  readonly zeroOf: Readonly<Record<string, number>>
  readonly temperature: Temperature | null
}

const NOTHING: Conditions = { zeroOf: {}, temperature: null }

/** Zero checks and temperatures, remembered for the job on this device until they are changed. */
export function useConditions(jobId: string) {
  const key = `medida-conditions:${jobId}`
  const [conditions, setConditions] = useState<Conditions>(NOTHING)
  useEffect(() => setConditions(saved(key)), [key])
  const save = (next: Conditions): void => {
    setConditions(next)
    localStorage.setItem(key, JSON.stringify(next))
  }
  return {
    conditions,
    /** Notes both at once; null takes a note back. */
    note: (gaugeId: string | null, zero: number | null, temperature: Temperature | null) => {
      const { [gaugeId ?? '']: _before, ...others } = conditions.zeroOf
      save({ zeroOf: gaugeId === null || zero === null || zero === 0 ? others : { ...others, [gaugeId]: zero }, temperature })
    },
    /** Conditions of a reading taken now with this gauge; null where none are noted. */
    at: (gaugeId: string | null, isLength: boolean): Reading['conditions'] => {
      const zero = gaugeId === null ? 0 : (conditions.zeroOf[gaugeId] ?? 0)
      const temperature = isLength ? conditions.temperature : null
      return zero === 0 && temperature === null ? null : { zero, temperature }
    },
  }
}

function saved(key: string): Conditions {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? 'null')
    return value !== null && typeof value === 'object' ? { ...NOTHING, ...(value as Partial<Conditions>) } : NOTHING
  } catch {
    return NOTHING
  }
}
