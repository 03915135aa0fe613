/** Broken records are refused with the path of each fault; the shipped schemas and examples are up to date. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { z } from 'zod'
import { formatSchemas } from '../scripts/lib/formatSchemas'
import { recordSchema } from '../src/core/record/recordSchema'
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
    name: 'a text that is no reading',
    breakIt: (r) => void Object.assign(r.job?.readings?.[0] ?? {}, { text: 'about' }),
    path: 'job.readings[0].text',
    says: /not a reading/,
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
  const faults = (parsed.error?.issues ?? []).map((issue) => ({ path: z.core.toDotPath(issue.path), message: issue.message }))
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
