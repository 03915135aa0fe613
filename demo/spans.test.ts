/** What is missing leaves a span of verdicts: whatever is read in the end, its verdict was in it; and worse is never milder. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import { type Disposition, dispositionRank } from '../src/core/policy/disposition'
import { forRecord } from '../src/core/quantity/decimal'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { pastOverhauls } from './pastOverhauls.fixture'
import { demoRecord, foundNow } from './record'

interface Span {
  readonly mild: Disposition
  readonly strong: Disposition
}

type Reading = InspectionRecord['job']['readings'][number]

const withReadings = (record: InspectionRecord, readings: Reading[]): InspectionRecord => ({
  ...record,
  job: { ...record.job, readings },
})

const movedBy = (reading: Reading, by: number): Reading =>
  reading.value === null ? reading : { ...reading, value: forRecord(reading.value + by) }

const spansOf = (record: InspectionRecord): Map<string, Span> => {
  const { characteristics, fits, parts } = evaluate(record)
  return new Map<string, Span>([
    ...characteristics.map((result) => [`characteristic ${result.id}`, result] as const),
    ...fits.flatMap(({ id, votes }) =>
      votes.flatMap((vote) => (vote.rule === 'fit' ? [[`fit ${id} ${vote.facts.limit.id}`, vote] as const] : [])),
    ),
    ...parts.map((result) => [`part ${result.id}`, result] as const),
  ])
}

/** A second way to know the same thing may be left out where the book does not demand it: then nothing said it disagrees. */
const isToldTwice = (record: InspectionRecord): boolean => {
  const { parts } = evaluate(record)
  return parts.some(({ votes }) => votes.some(({ rule, strong }) => rule === 'crossCheck' && dispositionRank[strong] > 0))
}

/** Answers, cells and elements have no figures between them. */
const ANSWERS: ReadonlySet<string> = new Set(['contactPattern', 'elementPattern', 'visualCheck'])

test.each(pastOverhauls)('$id: a verdict never leaves the span that missing readings left', ({ record }) => {
  const { readings } = record.job
  const of = new Map(record.book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const each = <T>(one: fc.Arbitrary<T>): fc.Arbitrary<T[]> =>
    fc.array(one, { minLength: readings.length, maxLength: readings.length })
  // As they were read, and so many steps of their figures away.
  const steps = fc.oneof(each(fc.constant(0)), each(fc.integer({ min: -8, max: 30 })))
  fc.assert(
    fc.property(steps, each(fc.boolean()), (away, keep) => {
      const all = readings.map((reading, index) => {
        const characteristic = of.get(reading.characteristic)
        if (!characteristic || ANSWERS.has(characteristic.method.kind)) return reading
        return movedBy(reading, (away[index] ?? 0) * characteristic.showTo)
      })
      fc.pre(!isToldTwice(withReadings(record, all)))
      const end = spansOf(withReadings(record, all))
      const some = all.filter((_, index) => keep[index])
      for (const [name, before] of spansOf(withReadings(record, some))) {
        const after = end.get(name)
        if (!after) throw new Error(`${name} is gone`)
        const told = `${name}: ${before.mild} to ${before.strong}, then ${after.mild} to ${after.strong}`
        expect(dispositionRank[after.mild], told).toBeGreaterThanOrEqual(dispositionRank[before.mild])
        expect(dispositionRank[after.strong], told).toBeLessThanOrEqual(dispositionRank[before.strong])
      }
    }),
    { numRuns: 25 },
  )
})

test('a bore that wears further is never judged milder, its part neither', () => {
  // Without its strip: strip and parts that no longer agree say nothing of the bore.
  const found = demoRecord({ ...foundNow, 'bearing-strip': [] })
  const wornBy = (mm: number): InspectionRecord =>
    withReadings(
      found,
      found.job.readings.map((reading) => (reading.characteristic === 'bearing-bore' ? movedBy(reading, mm) : reading)),
    )
  const size = fc.integer({ min: -100, max: 300 }).map((steps) => steps / 1000)
  fc.assert(
    fc.property(size, size, (one, other) => {
      const less = spansOf(wornBy(Math.min(one, other)))
      const more = spansOf(wornBy(Math.max(one, other)))
      for (const name of ['characteristic bearing-bore', 'part shell']) {
        const [before, after] = [less.get(name), more.get(name)]
        if (!before || !after) throw new Error(`the demo judges ${name}`)
        const told = `${name}: ${before.mild} to ${before.strong}, then ${after.mild} to ${after.strong}`
        expect(dispositionRank[after.mild], told).toBeGreaterThanOrEqual(dispositionRank[before.mild])
        expect(dispositionRank[after.strong], told).toBeGreaterThanOrEqual(dispositionRank[before.strong])
      }
    }),
    { numRuns: 60 },
  )
})
