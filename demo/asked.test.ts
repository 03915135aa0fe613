import { expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { InspectionRecord, Reading } from '../src/core/record/recordSchema'
import { demoRecord } from './record'

/** The demo record with one characteristic that its book limits by nothing, read so. */
function with_(method: unknown, read: Readonly<Record<string, number>>): InspectionRecord {
  const record = demoRecord({ 'end-float': ['0.31'] })
  const [template] = record.job.readings
  const of = record.book.characteristics.find(({ id }) => id === 'end-float')
  if (!template || !of) throw new Error('the demo measures its end float')
  const own = { ...of, id: 'own', name: 'Oil ways free', method, limits: [], new: null, gaugeKind: 'eye', changes: [] }
  const readings = Object.entries(read).map(
    ([station, value], index): Reading => ({
      ...template,
      id: `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      characteristic: 'own',
      station,
      direction: '-',
      repeat: 1,
      text: String(value),
      value,
      gauge: null,
    }),
  )
  return {
    ...record,
    book: { ...record.book, characteristics: [...record.book.characteristics, own] },
    job: { ...record.job, readings },
  } as unknown as InspectionRecord
}

const place = (id: string, over: object = {}) => ({ id, label: id, ...over })
const looked = (wanted: 'yes' | 'no') => ({
  kind: 'visualCheck',
  points: [place('A'), place('B')],
  question: 'Free?',
  wanted,
})
const bench = {
  kind: 'benchTest',
  quantity: 'pressure',
  points: [place('A', { least: 10, greatest: 12 }), place('B', { least: null, greatest: 2 })],
}

interface Case {
  readonly name: string
  readonly method: unknown
  readonly read: Readonly<Record<string, number>>
  readonly mild: string
  readonly strong: string
}
const cases: readonly Case[] = [
  { name: 'nothing answered', method: looked('yes'), read: {}, mild: 'reuse', strong: 'replace' },
  { name: 'one not answered yet', method: looked('yes'), read: { A: 1 }, mild: 'reuse', strong: 'replace' },
  { name: 'all as wanted', method: looked('yes'), read: { A: 1, B: 1 }, mild: 'reuse', strong: 'reuse' },
  { name: 'no is what is wanted', method: looked('no'), read: { A: 0, B: 0 }, mild: 'reuse', strong: 'reuse' },
  {
    name: 'one against what is wanted, the other open',
    method: looked('yes'),
    read: { B: 0 },
    mild: 'replace',
    strong: 'replace',
  },
  { name: 'a point of a test not run', method: bench, read: { A: 11 }, mild: 'reuse', strong: 'replace' },
  { name: 'every point in its band', method: bench, read: { A: 11, B: 1 }, mild: 'reuse', strong: 'reuse' },
  { name: 'one point far out of its band', method: bench, read: { A: 8 }, mild: 'replace', strong: 'replace' },
]
test.each(cases)('without limits of its book: $name', ({ method, read, mild, strong }) => {
  const own = evaluate(with_(method, read)).characteristics.find(({ id }) => id === 'own')
  expect(own).toMatchObject({ mild, strong })
})
