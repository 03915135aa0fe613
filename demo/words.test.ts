/** What results say of every record the core is held to: codes and facts in them, sentences in the units shown beside them. */
import { describe, expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { Results } from '../src/core/evaluate/results'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import type { Vote } from '../src/core/verdict/vote'
import { leftOutWords } from '../src/core/words/scope'
import { gateWords } from '../src/core/words/signed'
import { type Speaker, speakerOf } from '../src/core/words/speaker'
import { traceWords } from '../src/core/words/trace'
import { reasonOf, settledBy, wayWords } from '../src/core/words/votes'
import { everyRecord } from './everyRecord.fixture'

const evaluated = everyRecord.map(([name, record]) => ({ name, record, results: evaluate(record) }))

function* stringsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value
  else if (typeof value === 'object' && value !== null) for (const inner of Object.values(value)) yield* stringsIn(inner)
}

test('results hold no sentence: what has a space in it was written by a person', () => {
  for (const { name, record, results } of evaluated) {
    const written = new Set(stringsIn(record))
    const english = [...stringsIn(results)].filter((text) => text.includes(' ') && !written.has(text))
    expect(english, name).toEqual([])
  }
})

const votesOf = (results: Results): Vote[] => [
  ...results.parts.flatMap(({ votes, stages }) => [...votes, ...stages.flatMap((stage) => stage.votes)]),
  ...results.characteristics.flatMap(({ votes }) => votes),
  ...results.fits.flatMap(({ votes }) => votes),
]
const saidBy = (speaker: Speaker, vote: Vote): string[] => [
  reasonOf(speaker, vote),
  ...(settledBy(speaker, vote) === null ? [] : [settledBy(speaker, vote) as string]),
  ...vote.trace.map((step) => traceWords(speaker, vote, step)),
]
const everythingSaid = (record: InspectionRecord, results: Results, speaker: Speaker): string[] => [
  ...votesOf(results).flatMap((vote) => saidBy(speaker, vote)),
  ...results.parts.flatMap(({ id, way }) => (way ? [wayWords(speaker, id, way)] : [])),
  ...(results.scope.leftOut ? [leftOutWords(speaker, results.scope.leftOut)] : []),
  ...gateWords(speaker, results),
  ...record.book.parts.slice(0, 0).map(({ name }) => name),
]

describe('what is said of them', () => {
  // An id that could be a word is no sign of anything.
  const tellingIds = ({ book }: InspectionRecord): string[] =>
    [...book.parts, ...book.characteristics, ...book.fits, ...book.levels, ...book.findingRules]
      .filter(({ id, ...of }) => /[-\d]/.test(id) && id.length > 3 && !JSON.stringify(Object.values(of)).includes(`${id} `))
      .map(({ id }) => id)

  test('is whole: no id, nothing undefined, nothing said twice over', () => {
    for (const { name, record, results } of evaluated) {
      const ids = tellingIds(record)
      const names = [...stringsIn(record.book)].filter((text) => text.includes(' ')).join('\n')
      for (const text of everythingSaid(record, results, speakerOf(record.book, record.machine.units))) {
        expect(text, name).not.toMatch(/undefined|null|NaN|Infinity|\[object|“”| {2}|, ,|: :|\.\.$|\(\)| -,|, -$/)
        const shown = ids.filter((id) => new RegExp(`(^|[\\s“(])${id}($|[\\s”),.:;])`).test(text) && !names.includes(id))
        expect(shown, `${name}: ${text}`).toEqual([])
      }
    }
  })

  test('follows the units that are shown, and never lacks them', () => {
    let lengths = 0
    for (const { name, record, results } of evaluated)
      for (const vote of votesOf(results)) {
        if (vote.rule !== 'limit' && vote.rule !== 'fit' && vote.rule !== 'forecast') continue
        if (vote.facts.quantity !== 'length' || (vote.rule !== 'forecast' && vote.code === 'notAsAsked')) continue
        if (vote.rule !== 'forecast' && vote.code === 'withinStep') continue
        const [metric, inch] = (['metric', 'inch'] as const).map((units) => reasonOf(speakerOf(record.book, units), vote))
        lengths += 1
        expect(metric, name).toMatch(/\d mm\b/)
        expect(inch, name).toMatch(/\d in\b/)
        expect(inch).not.toMatch(/\d mm\b/)
      }
    expect(lengths).toBeGreaterThan(1000)
  })

  test('counts as a person counts', () => {
    for (const { name, record, results } of evaluated)
      for (const text of everythingSaid(record, results, speakerOf(record.book, 'metric')))
        expect(text, name).not.toMatch(
          /(^|[^\d., {2}])1 (readings|places|repeats|strips|wires|cells|directions|pairs|overhauls|adjacent pairs)\b/,
        )
  })
})
