/** What must be set in a job, and until when it keeps it from going on. */
import { expect, test } from 'vitest'
import { evaluate } from '../evaluate/evaluate'
import type { InspectionRecord } from '../record/recordSchema'
import { type Given, SHIMS, shimmed } from '../record/shimmedFloat.fixture'
import { readiness } from './ready'
import { settingsAsked } from './settings'

const asked = (record: InspectionRecord) =>
  settingsAsked(record).map(({ subject, isSet, isAgain, found }) => [
    subject,
    isSet ? 'set' : 'open',
    found ? 'out' : 'mended',
    isAgain,
  ])

const decide = (record: InspectionRecord, part: string, decided: 'reuse' | 'replace'): InspectionRecord => ({
  ...record,
  decisions: [
    {
      id: '01990000-0000-7000-8000-0000000000d1',
      part,
      recommended: 'reuse',
      decided,
      reason: null,
      by: 'M',
      at: '2026-06-01T10:00:00Z',
    },
  ],
})
const before = (float: number): InspectionRecord['history'] => [
  {
    overhaul: 'before',
    date: '2020-01-01',
    runningHours: 4_000,
    installed: {},
    readings: shimmed({ float }).job.readings.map((one, index) => ({
      ...one,
      id: `01980000-0000-7000-8000-00000000000${index}`,
    })),
  },
]

const cases: readonly (readonly [string, InspectionRecord, readonly unknown[]])[] = [
  ['inside, nothing is asked', shimmed({ float: 0.2 }), []],
  ['out', shimmed({}), [['float', 'open', 'out', false]]],
  ['taken as left and inside', shimmed({ left: 0.2 }), [['float', 'set', 'out', false]]],
  ['taken as left and still out', shimmed({ left: 0.4 }), [['float', 'open', 'out', false]]],
  [
    'inside, and the shaft it rests on renewed',
    decide(shimmed({ float: 0.2 }), 'shaft', 'replace'),
    [['float', 'open', 'mended', false]],
  ],
  ['out, and the plate itself renewed', decide(shimmed({}), 'plate', 'replace'), [['float', 'open', 'out', false]]],
  ['a part it rests on kept', decide(shimmed({ float: 0.2 }), 'shaft', 'reuse'), []],
  ['the same way out at the last overhaul', { ...shimmed({}), history: before(0.5) }, [['float', 'open', 'out', true]]],
  ['the other way out at the last overhaul', { ...shimmed({}), history: before(0.05) }, [['float', 'open', 'out', false]]],
]
test.each(cases)('%s', (_, record, says) => {
  expect(asked(record)).toEqual(says)
})

const codesOf = (given: Given, isSafety: boolean) => {
  const record = shimmed(given)
  const { characteristics } = record.book
  const book = {
    ...record.book,
    characteristics: characteristics.map((of) => (of.id === 'float' ? { ...of, safety: isSafety } : of)),
  }
  const { blocks, exceptions } = readiness({ ...record, book }, evaluate({ ...record, book }), new Set())
  return { blocks: blocks.map(({ code }) => code), exceptions: exceptions.map(({ code }) => code) }
}

test('what is not set is an exception with a reason; by what somebody may be hurt it is never one alone', () => {
  expect(codesOf({}, false).exceptions).toContain('notSet')
  expect(codesOf({}, false).blocks).not.toContain('notSet')
  expect(codesOf({}, true).blocks).toContain('notSet')
  expect(codesOf({ left: 0.2 }, true).blocks).not.toContain('notSet')
})

test('a protective device found out of setting wants its cause, though it is set again', () => {
  const given: Given = { left: 0.2, setting: { ...SHIMS, protective: true } }
  expect(codesOf(given, false).exceptions).toContain('wantsCause')
  expect(codesOf({ left: 0.2 }, false).exceptions).not.toContain('wantsCause')
})
