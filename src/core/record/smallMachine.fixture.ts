/**
 * A machine small enough to hold in mind: a journal of two stations, a float read three times, and what is looked at. For
 * tests that need a record and no demo.
 */

import type { Characteristic, LimitBook } from '../book/bookSchema'
import { noBook } from '../book/noBook'
import type { Gauge } from '../gauge/gauge'
import type { Slot } from '../method/layout'
import type { Method } from '../method/method'
import { recordFormat } from './recordFormat'
import { type InspectionRecord, type Reading, recordSchema } from './recordSchema'
import type { Stage } from './stage'
import { readTyped } from './typedReading'

const source = { document: 'D1', page: '3' }
const place = (id: string, label: string) => ({ id, label })

const characteristic = (id: string, name: string, method: Method, over: Partial<Characteristic> = {}): Characteristic => ({
  id,
  part: 'shaft',
  name,
  how: '',
  pose: '',
  trap: '',
  method,
  gaugeKind: 'outsideMicrometer',
  showTo: 0.001,
  new: null,
  limits: [],
  safety: false,
  ...over,
})

export const smallBook: LimitBook = {
  ...noBook('small', 'Small pump'),
  documents: [{ id: 'D1', title: 'Manual', revision: '' }],
  parts: [
    {
      id: 'shaft',
      name: 'Shaft',
      assembly: 'Rotor',
      position: 'middle',
      renewedAlways: false,
      replacement: { cost: 400, days: 5 },
      routes: [],
    },
  ],
  characteristics: [
    characteristic(
      'journal',
      'Journal Ø',
      {
        kind: 'outsideDiameter',
        stations: [place('A', 'drive side'), place('B', 'other side')],
        directions: [place('1', 'level')],
        walk: 'stationFirst',
      },
      {
        new: { nominal: 40, lower: 39.98, upper: 40, source },
        limits: [
          {
            id: 'worn',
            judges: 'minimum',
            side: 'lower',
            plan: 39.9,
            wear: 39.85,
            whenPassed: 'replace',
            instruction: '',
            source,
          },
        ],
      },
    ),
    characteristic(
      'float',
      'End float',
      { kind: 'endFloat', repeatsAtLeast: 2, repeatabilityLimit: 0.05 },
      { gaugeKind: 'dial', showTo: 0.01 },
    ),
    characteristic(
      'turns',
      'Turns freely',
      { kind: 'visualCheck', points: [place('1', 'by hand')], question: 'Does it turn freely?', wanted: 'yes' },
      { gaugeKind: 'eye' },
    ),
  ],
}

/** A sound gauge of a kind. */
export const gauge = (id: string, kind: Gauge['kind']): Gauge => ({
  id,
  code: id.toUpperCase(),
  name: kind,
  kind,
  resolution: 0.001,
  maximumPermissibleError: 0.002,
  calibration: null,
  corrections: [],
  expansionPerK: null,
  range: null,
  calibrationDue: '2030-01-01',
})

/** The job of the small machine with these readings. */
export const smallRecord = (readings: readonly Reading[] = []): InspectionRecord =>
  recordSchema.parse({
    ...recordFormat,
    machine: { id: 'pump', station: 'Test', name: 'Small pump', units: 'metric' },
    job: {
      id: 'job',
      overhaul: 'Overhaul',
      date: '2026-06-01',
      runningHours: 8_000,
      installed: {},
      mustRunHours: 8_000,
      policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
      readings,
    },
    book: smallBook,
    gauges: [gauge('mic', 'outsideMicrometer'), gauge('dial', 'dial')],
    history: [],
    decisions: [],
  })

/** A reading of the small machine as a person would have typed it. */
export function smallReading(
  number: number,
  id: string,
  slot: Slot,
  text: string,
  over: Partial<Reading> = {},
  stage: Stage = 'asFound',
): Reading {
  const of = smallBook.characteristics.find((candidate) => candidate.id === id)
  const typed = of && readTyped(of, slot, text, 'metric')
  if (!typed?.ok) throw new Error(`${id} cannot be read as ${text}`)
  return {
    id: `01990000-0000-7000-8000-${String(number).padStart(12, '0')}`,
    characteristic: id,
    ...slot,
    stage,
    text,
    ...typed.value.fields,
    conditions: null,
    gauge: id === 'journal' ? 'mic' : id === 'float' ? 'dial' : null,
    by: 'Ann',
    takenAt: `2026-06-01T09:00:${String(number).padStart(2, '0')}Z`,
    supersedes: null,
    reason: null,
    ...over,
  }
}
