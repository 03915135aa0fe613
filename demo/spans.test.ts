/** What is missing leaves a span of verdicts: whatever is read in the end, its verdict was in it; and worse is never milder. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { forRecord } from '../src/core/decimal'
import { type Level, levelRank } from '../src/core/decision/level'
import { evaluate } from '../src/core/record/evaluate'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { demoRecord, foundNow } from './record'

interface Span {
  readonly mild: Level
  readonly strong: Level
}

const found = demoRecord(foundNow)
const { readings } = found.job
const each = <T>(of: fc.Arbitrary<T>): fc.Arbitrary<T[]> =>
  fc.array(of, { minLength: readings.length, maxLength: readings.length })
const hundredths = (least: number, most: number): fc.Arbitrary<number> =>
  fc.integer({ min: least, max: most }).map((steps) => steps / 100)

/** What was found, each reading so many mm away. */
const movedBy = (away: (reading: InspectionRecord['job']['readings'][number], index: number) => number): InspectionRecord => ({
  ...found,
  job: {
    ...found.job,
    readings: readings.map((reading, index) =>
      reading.value === null ? reading : { ...reading, value: forRecord(reading.value + away(reading, index)) },
    ),
  },
})

const only = (record: InspectionRecord, keep: readonly boolean[]): InspectionRecord => ({
  ...record,
  job: { ...record.job, readings: record.job.readings.filter((_, index) => keep[index]) },
})

const spansOf = (record: InspectionRecord): Map<string, Span> => {
  const { characteristics, fits, parts } = evaluate(record)
  return new Map<string, Span>([
    ...characteristics.map((result) => [`characteristic ${result.id}`, result] as const),
    ...fits.flatMap(({ id, votes }) => votes.map((vote) => [`fit ${id} ${vote.subject}`, vote] as const)),
    ...parts.map((result) => [`part ${result.id}`, result] as const),
  ])
}

test('a verdict never leaves the span that missing readings left', () => {
  fc.assert(
    fc.property(each(hundredths(-15, 60)), each(fc.boolean()), (away, keep) => {
      const whole = movedBy((_, index) => away[index] ?? 0)
      const end = spansOf(whole)
      for (const [name, before] of spansOf(only(whole, keep))) {
        const after = end.get(name)
        if (!after) throw new Error(`${name} is gone`)
        const told = `${name}: ${before.mild} to ${before.strong}, then ${after.mild} to ${after.strong}`
        expect(levelRank[after.mild], told).toBeGreaterThanOrEqual(levelRank[before.mild])
        expect(levelRank[after.strong], told).toBeLessThanOrEqual(levelRank[before.strong])
      }
    }),
    { numRuns: 60 },
  )
})

test('a bore that wears further is never judged milder, its part neither', () => {
  const wornBy = (mm: number): InspectionRecord => movedBy(({ characteristic }) => (characteristic === 'bearing-bore' ? mm : 0))
  const size = hundredths(-10, 30)
  fc.assert(
    fc.property(size, size, (one, other) => {
      const less = spansOf(wornBy(Math.min(one, other)))
      const more = spansOf(wornBy(Math.max(one, other)))
      for (const name of ['characteristic bearing-bore', 'part shell']) {
        const [before, after] = [less.get(name), more.get(name)]
        if (!before || !after) throw new Error(`the demo judges ${name}`)
        const told = `${name}: ${before.mild} to ${before.strong}, then ${after.mild} to ${after.strong}`
        expect(levelRank[after.mild], told).toBeGreaterThanOrEqual(levelRank[before.mild])
        expect(levelRank[after.strong], told).toBeGreaterThanOrEqual(levelRank[before.strong])
      }
    }),
    { numRuns: 60 },
  )
})
