/** A table of earlier readings, as a person keeps it in a spreadsheet. */

import { expect, test } from 'vitest'
import { type HistoryColumn, historyColumnNames, readHistory } from '../src/core/record/historyTable'
import { historyFaultWords } from '../src/core/words/history'
import { demoRecord } from './record'

const { book, gauges, job } = demoRecord({})
const context = {
  book,
  units: 'metric' as const,
  gauges,
  installed: { shaft: 'S-1', shell: 'B-4' },
  mostHours: job.runningHours,
  today: '2026-11-25',
}
const HEAD = historyColumnNames
const row = (over: Partial<Record<HistoryColumn, string>> = {}): string[] =>
  HEAD.map(
    (name) =>
      ({
        overhaul: 'Second overhaul',
        date: '2012-05-14',
        running_hours: '9 800',
        characteristic: 'journal',
        station: 'A',
        direction: '1',
        repeat: '',
        stage: '',
        reading: '219.97',
        gauge: 'OM-12',
        part_mark: '',
        ...over,
      })[name],
  )

test('a table becomes overhauls with their readings, exactly as they were written down', () => {
  const read = readHistory(
    [
      HEAD,
      row(),
      row({ characteristic: 'Bearing bore Ø', reading: '+0,12', gauge: '', stage: 'as left', part_mark: 'B-3' }),
      ['', ''],
      row({
        overhaul: 'First overhaul',
        date: '2006-01-01',
        running_hours: '100',
        characteristic: 'end-float',
        station: '',
        direction: '',
        repeat: '2',
        reading: '14 thou',
        gauge: '',
      }),
    ],
    context,
  )
  expect(read).toMatchObject({
    ok: true,
    value: [
      {
        overhaul: 'Second overhaul',
        runningHours: 9800,
        installed: { shaft: 'S-1', shell: 'B-3' },
        readings: [
          {
            characteristic: 'journal',
            station: 'A',
            direction: '1',
            repeat: 1,
            stage: 'asFound',
            text: '219.97',
            exact: { value: '219.97' },
          },
          { characteristic: 'bearing-bore', stage: 'asLeft', text: '+0,12', gauge: null, exact: { value: '220.32' } },
        ],
      },
      { overhaul: 'First overhaul', readings: [{ station: '-', direction: '-', repeat: 2, exact: { value: '0.3556' } }] },
    ],
  })
})

const faults: [over: Parameters<typeof row>[0], says: RegExp][] = [
  [{ overhaul: '' }, /has no name/],
  [{ date: '14.5.2012' }, /is not a date/],
  [{ date: '2011-02-29' }, /is not a date/],
  [{ date: '2030-01-01' }, /is in the future/],
  [{ running_hours: 'many' }, /is not a number of running hours/],
  [{ running_hours: '99999' }, /not earlier/],
  [{ characteristic: 'piston' }, /no characteristic “piston”/],
  [{ station: 'Z' }, /no place “Z, 1”/],
  [{ stage: 'new' }, /is not a stage/],
  [{ reading: '219.9.1' }, /219\.9\.1/],
  [{ reading: '3 bar' }, /bar/],
  [{ gauge: 'XX-1' }, /no gauge “XX-1”/],
  [{ gauge: 'FG-02' }, /not the kind of gauge/],
]
test.each(faults)('%j is refused with its line', (over, says) => {
  const read = readHistory([HEAD, row({ direction: '2' }), row(over)], context)
  // What the first row says of the overhaul stands; the second is at fault.
  const told = read.ok ? [] : read.fault.map(({ line, fault }) => ({ line, says: historyFaultWords(fault) }))
  expect(told).toEqual([{ line: 3, says: expect.stringMatching(says) }])
})

test('what contradicts itself is refused', () => {
  const says = (rows: string[][]) => {
    const read = readHistory([HEAD, ...rows], context)
    return read.ok ? [] : read.fault.map(({ fault }) => historyFaultWords(fault))
  }
  expect(says([row(), row()])).toEqual(['The same place is read in line 2 already.'])
  expect(says([row(), row({ overhaul: 'Third', date: '2014-01-01', running_hours: '5000' })])[0]).toMatch(/Hours cannot fall/)
  expect(says([row(), row({ date: '2013-01-01', running_hours: '9900' })])[0]).toMatch(/two dates or hours/)
  expect(says([row({ part_mark: 'S-0' }), row({ direction: '2', part_mark: 'S-1' })])[0]).toMatch(/marked “S-0”/)
  expect(readHistory([['overhaul', 'date']], context)).toMatchObject({ ok: false, fault: [{ line: 1 }] })
  expect(readHistory([[...HEAD, 'colour'], row()], context)).toMatchObject({ ok: false, fault: [{ line: 1 }] })
  expect(readHistory([HEAD], context)).toMatchObject({ ok: false, fault: [{ line: 0 }] })
})
