/** A machine as large as they come: a thousand characteristics with ten readings each. Made, not measured: only its size matters. */

import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import { recordFormat } from '../src/core/record/recordFormat'
import type { InspectionRecord, Reading } from '../src/core/record/recordSchema'

export const CHARACTERISTICS = 1_000
const PER_PART = 4
const STATIONS = ['A', 'B', 'C', 'D', 'E']
const DIRECTIONS = ['1', '2']
const READINGS_EACH = STATIONS.length * DIRECTIONS.length

const source = { document: 'BM', page: 'p. 1' }
const place = (id: string) => ({ id, label: `place ${id}` })

/** `fits` of them, each of two characteristics one after the other. */
export function largeBook(characteristics = CHARACTERISTICS, perPart = PER_PART, fits = 0): LimitBook {
  const parts = Array.from({ length: Math.ceil(characteristics / perPart) }, (_, index) => ({
    id: `part-${index + 1}`,
    name: `Part ${index + 1}`,
    assembly: `Assembly ${Math.floor(index / 25) + 1}`,
    position: 'in its place',
    renewedAlways: false,
    replacement: { cost: 100, days: 2 },
    routes: [],
  }))
  return bookSchema.parse({
    format: 'medida-limit-book',
    version: 3,
    id: `bench-large-${characteristics}-${perPart}-${fits}`,
    title: 'A large machine',
    revision: '1',
    issued: '2026-01-01',
    currency: 'EUR',
    documents: [{ id: 'BM', title: 'Bench machine', revision: '1' }],
    parts,
    characteristics: Array.from({ length: characteristics }, (_, index) => ({
      id: `c-${index + 1}`,
      part: `part-${Math.floor(index / perPart) + 1}`,
      name: `Journal ${index + 1}`,
      how: 'Outside micrometer',
      pose: 'Lying',
      trap: 'A wear step between stations',
      method: { kind: 'outsideDiameter', stations: STATIONS.map(place), directions: DIRECTIONS.map(place), walk: 'stationFirst' },
      gaugeKind: 'outsideMicrometer',
      showTo: 0.001,
      new: { nominal: 60, lower: 59.97, upper: 60, source },
      safety: false,
      limits: [
        {
          id: `size-${index}`,
          judges: 'minimum',
          side: 'lower',
          plan: 59.9,
          wear: 59.85,
          whenPassed: 'mend',
          instruction: '',
          source,
        },
        {
          id: `round-${index}`,
          judges: 'outOfRound',
          side: 'upper',
          plan: null,
          wear: 0.05,
          whenPassed: 'mend',
          instruction: '',
          source,
        },
      ],
    })),
    fits: Array.from({ length: fits }, (_, index) => ({
      id: `fit-${index + 1}`,
      kind: 'chain',
      name: `Journal ${2 * index + 1} less journal ${2 * index + 2}`,
      links: [
        { characteristic: `c-${2 * index + 1}`, does: 'opens' },
        { characteristic: `c-${2 * index + 2}`, does: 'closes' },
      ],
      stated: [],
      new: null,
      limits: [
        {
          id: `fit-${index}`,
          judges: 'maximum',
          side: 'upper',
          plan: 0.02,
          wear: 0.03,
          whenPassed: 'mend',
          instruction: '',
          source,
        },
      ],
      mendOn: `part-${Math.floor((2 * index) / perPart) + 1}`,
      showTo: 0.001,
    })),
    levels: [],
    cautions: [],
    procedure: [],
    positions: [],
    joints: [],
    temporaries: [],
    findingRules: [],
    patterns: [],
    handTests: [],
  })
}

const idOf = (index: number): string => `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`

/** Readings of all places, but the last `leftOpen` ones of the first characteristic. */
export function largeReadings(book: LimitBook, leftOpen = 0, from = 0): Reading[] {
  const readings: Reading[] = []
  for (const [index, { id }] of book.characteristics.entries())
    for (const [at, station] of STATIONS.entries())
      for (const [around, direction] of DIRECTIONS.entries()) {
        const nth = at * DIRECTIONS.length + around
        if (index === 0 && nth >= READINGS_EACH - leftOpen) continue
        const value = Number((59.96 - 0.001 * ((index * 7 + nth * 3) % 40)).toFixed(3))
        readings.push({
          id: idOf(from + index * READINGS_EACH + nth + 1),
          characteristic: id,
          station,
          direction,
          repeat: 1,
          stage: 'asFound',
          text: value.toFixed(3),
          kind: 'point',
          defaultUnit: 'mm',
          masterMm: null,
          value,
          low: null,
          high: null,
          conditions: null,
          gauge: 'om-20',
          by: 'Mara Ellwood',
          takenAt: '2026-11-02T08:00:00Z',
          supersedes: null,
          reason: null,
        })
      }
  return readings
}

export function largeRecord(characteristics = CHARACTERISTICS): InspectionRecord {
  const book = largeBook(characteristics)
  return {
    ...recordFormat,
    machine: { id: 'bench-large', station: 'Bench', name: 'A large machine', units: 'metric' },
    job: {
      id: 'bench-large',
      overhaul: 'Large',
      date: '2026-11-01',
      runningHours: 1_000,
      installed: {},
      readings: largeReadings(book),
      mustRunHours: 1_000,
      level: null,
      complaint: '',
      returnBy: null,
      policy: { acceptance: { kind: 'guarded', guardFactor: 1.65 }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
      entries: [],
    },
    book,
    gauges: [
      {
        id: 'om-20',
        code: 'OM-20',
        name: 'Outside micrometer',
        kind: 'outsideMicrometer',
        resolution: 0.001,
        maximumPermissibleError: 0.004,
        calibration: null,
        corrections: [],
        expansionPerK: null,
        range: null,
        calibrationDue: '2030-01-01',
      },
    ],
    history: [],
    decisions: [],
  }
}
