import { expect, test } from 'vitest'
import { demoRecord } from '../../../demo/record'
import { evaluate } from '../../core/evaluate/evaluate'
import { readRecord } from './readRecord'

const demo = () => structuredClone(demoRecord({ 'ring-gap-1': ['0.95'], 'end-float': ['0.31', '0.31', '0.32'] }))
type Draft = ReturnType<typeof demo>

test('a record as it should be is read whole', () => {
  const read = readRecord(demo())
  expect(read.ok && read.value.unreadable).toEqual([])
})

test.each<[what: string, spoil: (record: Draft) => void, named: RegExp[]]>([
  [
    'a reading',
    ({ job }) => void (job.readings[1] as { value: number }).value++,
    [/^A reading .* cannot be read and is left out: the text says/],
  ],
  [
    'a gauge, with what was read with it',
    ({ gauges, job }) => {
      const used = gauges.find(({ id }) => job.readings.some(({ gauge }) => gauge === id))
      Object.assign(used ?? {}, { resolution: 1e7 })
    },
    [/^A gauge /, /^A reading .*no gauge/],
  ],
  [
    'an earlier overhaul',
    ({ history }) => void Object.assign(history[0] ?? {}, { date: '0000-01-01' }),
    [/^An earlier overhaul /],
  ],
  [
    'a reading of an earlier overhaul',
    ({ history }) => void Object.assign(history[0]?.readings[0] ?? {}, { by: '' }),
    [/^A reading of an earlier overhaul /],
  ],
  [
    'an earlier overhaul beside a reading of another',
    ({ history }) => {
      Object.assign(history[0] ?? {}, { date: '0000-01-01' })
      Object.assign(history[1]?.readings[0] ?? {}, { by: '' })
    },
    [/^An earlier overhaul /, /^A reading of an earlier overhaul /],
  ],
  ['a mark', ({ job }) => void Object.assign(job.installed, { nowhere: 'X' }), [/^The mark of part “nowhere”/]],
])('%s that cannot be read is left out alone', (_what, spoil, named) => {
  const raw = demo()
  spoil(raw)
  const read = readRecord(raw)
  if (!read.ok) throw new Error(read.fault)
  for (const sentence of named) expect(read.value.unreadable.join('\n')).toMatch(new RegExp(sentence.source, 'm'))
  expect(evaluate(read.value.record).parts).toHaveLength(evaluate(demo()).parts.length)
})

test('what stands above everything cannot be left out: a sentence says what is wrong', () => {
  const raw = demo()
  Object.assign(raw.machine, { name: '' })
  const read = readRecord(raw)
  expect(read.ok ? '' : read.fault).toMatch(/^machine.name: /)
})
