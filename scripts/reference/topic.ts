/** What the topics have in common. Field names are those of the files. */
import type { z } from 'zod'
import { BY_EYE, type Gauge } from '../../src/core/gauge/gauge'
import { slotKey, slotsOf } from '../../src/core/method/layout'
import type { Method } from '../../src/core/method/method'
import type { TakenReading } from '../../src/core/method/reduce/reduce'
import type { ReductionName, Reductions } from '../../src/core/method/reduction'

export type Topic = (input: unknown) => Record<string, unknown>

export const topic =
  <S extends z.ZodType>(schema: S, compute: (input: z.infer<S>) => Record<string, unknown>): Topic =>
  (input) =>
    compute(schema.parse(input))

/** Readings as the bench hands them to the reducers; the vectors know no gauge. */
const exact: Gauge = { ...BY_EYE, kind: 'boreGauge' }
export const takenAt = (method: Method, values: ReadonlyMap<string, number>): TakenReading[] =>
  slotsOf(method).flatMap((slot): TakenReading[] => {
    const value = values.get(slotKey(slot))
    return value === undefined ? [] : [{ ...slot, interval: { low: value, high: value }, errors: [], gauge: exact, doubt: null }]
  })
export const figureOf = (reductions: Reductions, name: ReductionName): number | null => reductions.values[name]?.value ?? null
