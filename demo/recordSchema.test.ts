/** Broken records are refused with the path of each fault; the shipped schemas and examples are up to date. */

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { formatSchemas } from '../scripts/lib/formatSchemas'
import type { Characteristic } from '../src/core/book/bookSchema'
import type { ReductionName } from '../src/core/method/reduction'
import { recordFaults } from '../src/core/record/recordFaults'
import { type InspectionRecord, recordSchema } from '../src/core/record/recordSchema'
import { issueWords } from '../src/core/words/issues'
import { unsettledFaultWords } from '../src/core/words/recordFaults'
import { demoRecord, foundNow } from './record'

/** Parsed JSON to be broken on purpose: any path may be followed. */
interface Json {
  [key: string | number]: Json | undefined
}
const cases: { name: string; breakIt: (record: Json) => void; path: string; says: RegExp }[] = [
  { name: 'another format', breakIt: (r) => void Object.assign(r, { format: 'sheet' }), path: 'format', says: /medida-record/ },
  {
    name: 'a field nobody knows',
    breakIt: (r) => void Object.assign(r.job ?? {}, { colour: 'blue' }),
    path: 'job',
    says: /colour/,
  },
  {
    name: 'a reading of nothing',
    breakIt: (r) => void Object.assign(r.job?.readings?.[0] ?? {}, { characteristic: 'nose' }),
    path: 'job.readings[0].characteristic',
    says: /no characteristic “nose”/,
  },
  {
    name: 'a text that says another value',
    breakIt: (r) => void Object.assign(r.job?.readings?.[0] ?? {}, { value: 219.914 }),
    path: 'job.readings[0].value',
    says: /text says 219.941/,
  },
  {
    name: 'an unknown gauge',
    breakIt: (r) => void Object.assign(r.job?.readings?.[0] ?? {}, { gauge: 'x-1' }),
    path: 'job.readings[0].gauge',
    says: /no gauge/,
  },
  {
    name: 'two readings at one place',
    breakIt: (r) => void Object.assign(r.job?.readings?.[1] ?? {}, { direction: '1' }),
    path: 'job.readings[1]',
    says: /one must correct the other/,
  },
  {
    name: 'a correction of nothing',
    breakIt: (r) =>
      void Object.assign(r.job?.readings?.[1] ?? {}, { supersedes: '01990000-0000-7000-9000-0000000000ff', reason: 'x' }),
    path: 'job.readings[1].supersedes',
    says: /not in this record/,
  },
  {
    name: 'hours that fell',
    breakIt: (r) => void Object.assign(r.history?.[1] ?? {}, { runningHours: 99_999 }),
    path: 'history[1].runningHours',
    says: /more running hours/,
  },
  {
    name: 'a plan limit behind the wear limit',
    breakIt: (r) => void Object.assign(r.book?.characteristics?.[1]?.limits?.[0] ?? {}, { plan: 221 }),
    path: 'book.characteristics[1].limits[0].plan',
    says: /before the wear limit/,
  },
  {
    name: 'a source in no document',
    breakIt: (r) => void Object.assign(r.book?.fits?.[0]?.new?.source ?? {}, { document: 'QM-X' }),
    path: 'book.fits[0].new.source.document',
    says: /no document “QM-X”/,
  },
  {
    name: 'a ring that runs in a float',
    breakIt: (r) => void Object.assign(r.book?.characteristics?.[5]?.method ?? {}, { runsIn: 'end-float' }),
    path: 'book.characteristics[5].method.runsIn',
    says: /not measured by boreDiameter or outsideDiameter/,
  },
  {
    name: 'a strip scale that turns back',
    breakIt: (r) => void Object.assign(r.book?.characteristics?.[2]?.method?.scale?.[1] ?? {}, { clearanceMm: 0.6 }),
    path: 'book.characteristics[2].method.scale',
    says: /wider strip must mean a smaller clearance/,
  },
]
test.each(cases)('$name is refused at $path', ({ breakIt, path, says }) => {
  const record = structuredClone(demoRecord(foundNow)) as unknown as Json
  breakIt(record)
  const parsed = recordSchema.safeParse(record)
  const faults = (parsed.error?.issues ?? []).map((issue) => ({ path: z.core.toDotPath(issue.path), message: issueWords(issue) }))
  expect(faults.find((fault) => fault.path === path)?.message).toMatch(says)
})

test('a record survives the way through JSON', () => {
  const record = demoRecord(foundNow)
  expect(recordSchema.parse(JSON.parse(JSON.stringify(record)))).toEqual(record)
})

test.each(formatSchemas())('docs/$file is what the Zod schema says', ({ file, text }) => {
  expect(readFileSync(join('docs', file), 'utf8')).toBe(text)
})

test('the example record is valid', () => {
  expect(recordSchema.safeParse(JSON.parse(readFileSync('docs/examples/quillmere-unit-1.json', 'utf8'))).success).toBe(true)
})

describe('what can never be settled is a fault, with its path', () => {
  type Breaking = (record: InspectionRecord) => InspectionRecord
  const faultsOf = (breaking: Breaking): string[] =>
    recordFaults(breaking(demoRecord(foundNow))).map(
      ({ path, fault }) => `${z.core.toDotPath([...path])}: ${unsettledFaultWords(fault, (id) => id)}`,
    )
  const withCharacteristic =
    (at: number, change: (own: Characteristic) => Characteristic): Breaking =>
    (record) => ({
      ...record,
      book: {
        ...record.book,
        characteristics: record.book.characteristics.map((own, index) => (index === at ? change(own) : own)),
      },
    })
  const limited = (own: Characteristic, judges: ReductionName): Characteristic => ({
    ...own,
    limits: own.limits.map((limit, index) => (index === 0 ? { ...limit, judges } : limit)),
  })

  test('the demo has none', () => {
    expect(faultsOf((record) => record)).toEqual([])
  })
  test.each<[what: string, breaking: Breaking, fault: RegExp]>([
    [
      'a text that no reading says',
      (record) => ({
        ...record,
        job: { ...record.job, readings: record.job.readings.map((own, at) => (at === 0 ? { ...own, text: 'about' } : own)) },
      }),
      /^job\.readings\[0\]\.text: “about” is not a reading of/,
    ],
    [
      'out-of-round in one direction',
      withCharacteristic(0, (own) => ({
        ...own,
        method: { ...own.method, directions: [{ id: '1', label: 'vertical' }] } as Characteristic['method'],
      })),
      /^book\.characteristics\[0\]\.limits\[1\]\.judges: “Out-of-round” can never be worked out/,
    ],
    [
      'wear from nothing',
      (record) => withCharacteristic(3, (own) => ({ ...limited(own, 'wear'), new: null }))({ ...record, history: [] }),
      /^book\.characteristics\[3\]\.limits\[0\]\.judges: Wear is counted from a new size, an unworn station or an earlier overhaul/,
    ],
    [
      'formulas that need each other',
      (record) => {
        const [first, second, ...others] = record.book.characteristics
        if (!first || !second) throw new Error('the demo measures more than two')
        const from = (own: Characteristic, of: string): Characteristic => ({
          ...own,
          limits: [],
          method: {
            kind: 'computed',
            formula: 'x',
            names: { x: { characteristic: of, value: 'result' } },
            quantity: 'length',
            wears: 'larger',
          },
        })
        return {
          ...record,
          book: { ...record.book, characteristics: [from(first, second.id), from(second, first.id), ...others] },
        }
      },
      /^book\.characteristics\[0\]\.method: These need each other and can never be worked out: journal, bearing-bore, journal/,
    ],
  ])('%s', (_what, breaking, fault) => {
    expect(faultsOf(breaking).join('\n')).toMatch(fault)
  })

  test('wear without a new size is counted from the earlier overhauls, where there are any', () => {
    expect(faultsOf(withCharacteristic(3, (own) => ({ ...limited(own, 'wear'), new: null })))).toEqual([])
  })
})
