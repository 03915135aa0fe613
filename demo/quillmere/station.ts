/** Quillmere Power Station, unit 1: an invented station. Everything the demo database starts with, as data. */

import { madeSafe } from '../madeSafe'
import type { DemoMachine, DemoNote, DemoOverhaul, DemoPerson, DemoReadings } from '../types'
import bookJson from './book.json' with { type: 'json' }

export const machine = { id: 'quillmere-unit-1', station: 'Quillmere Power Station', name: 'Unit 1', units: 'metric' } as const

/** One person for each role. The pass phrase is printed at every start with demo data: these are no secrets. */
export const DEMO_PASSWORD = 'measure twice'
export const people: readonly DemoPerson[] = [
  { username: 'inspector', name: 'Mara Ellwood', role: 'inspector' },
  { username: 'reviewer', name: 'Tobias Renn', role: 'reviewer' },
  { username: 'planner', name: 'Ines Calder', role: 'planner' },
  { username: 'trainee', name: 'Jonah Pike', role: 'trainee' },
  { username: 'visitor', name: 'Agnes Thorley', role: 'visitor' },
  { username: 'admin', name: 'Felix Marsh', role: 'administrator' },
]

export const gauges = [
  {
    id: 'om-12',
    code: 'OM-12',
    name: 'Outside micrometer 200 to 225',
    kind: 'outsideMicrometer',
    resolution: 0.001,
    maximumPermissibleError: 0.004,
    range: { least: 200, greatest: 225 },
    calibrationDue: '2027-04-30',
  },
  {
    id: 'bg-04',
    code: 'BG-04',
    name: 'Bore gauge 150 to 250',
    kind: 'boreGauge',
    resolution: 0.001,
    maximumPermissibleError: 0.004,
    range: { least: 150, greatest: 250 },
    calibrationDue: '2027-02-28',
  },
  {
    id: 'bg-02',
    code: 'BG-02',
    name: 'Bore gauge 100 to 250',
    kind: 'boreGauge',
    resolution: 0.002,
    maximumPermissibleError: 0.006,
    range: { least: 100, greatest: 250 },
    calibrationDue: '2026-06-30',
  },
  {
    id: 'ps-01',
    code: 'PS-01',
    name: 'Strip, wide, with printed scale',
    kind: 'stripScale',
    resolution: 0.05,
    maximumPermissibleError: 0.05,
    range: null,
    calibrationDue: '2028-01-31',
  },
  {
    id: 'fg-02',
    code: 'FG-02',
    name: 'Feeler gauges 0.05 to 2.00',
    kind: 'feeler',
    resolution: 0.05,
    maximumPermissibleError: 0.01,
    range: null,
    calibrationDue: '2027-01-31',
  },
  {
    id: 'di-07',
    code: 'DI-07',
    name: 'Dial indicator, 5 mm travel',
    kind: 'dial',
    resolution: 0.005,
    maximumPermissibleError: 0.006,
    range: null,
    calibrationDue: '2027-03-31',
  },
] as const

const policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: true,
  clearanceBy: 'measuredParts',
} as const

/** Ring 2 was renewed at the overhaul of 2021. */
const installed = {
  shaft: 'QS-1107',
  shell: 'GB-31',
  'thrust-bearing': 'TB-8',
  'servo-cylinder': 'SC-204',
  'ring-1': 'R-61',
  'ring-2': 'R-62',
} as const

/** Readings in walking order; a leading sign is a deviation from the master. */
const firstOverhaul: DemoReadings = {
  journal: ['219.968', '219.966', '219.965', '219.964', '219.966', '219.967'],
  'bearing-bore': ['+0.012', '+0.026', '+0.036', '+0.008', '+0.020', '+0.028'],
  'bearing-strip': ['4.2', '3.8'],
  'end-float': ['0.260', '0.265', '0.260'],
  'servo-bore': ['+0.052', '+0.070', '+0.058', '+0.046', '+0.061', '+0.050'],
  'ring-gap-1': ['0.60'],
  'ring-gap-2': ['0.60'],
}
const secondOverhaul: DemoReadings = {
  journal: ['219.955', '219.953', '219.951', '219.952', '219.953', '219.954'],
  'bearing-bore': ['+0.072', '+0.098', '+0.118', '+0.064', '+0.090', '+0.106'],
  'bearing-strip': ['3.2', '2.85'],
  'end-float': ['0.290', '0.285', '0.290'],
  'servo-bore': ['+0.101', '+0.126', '+0.110', '+0.093', '+0.110', '+0.098'],
  'ring-gap-1': ['0.75'],
  'ring-gap-2': ['0.75'],
}

const beforeLevels = { level: null, complaint: '', returnBy: null, noted: [] } as const
const electrician = { name: 'Rufus Dane', licence: 'QPS-E 14' }
const planned: readonly DemoNote[] = [
  'ov-puller',
  'ov-eyes',
  'ov-stands',
  'ov-gaskets',
  'ov-seals',
  'ov-locks',
  'ov-goggles',
].map((item) => ({ by: 'planner', minutes: 1, what: { kind: 'planTicked', item, state: 'there' } }))

/** Two earlier overhauls, signed, and the one that is open, with nothing measured yet. */
export const overhauls: readonly DemoOverhaul[] = [
  {
    id: 'quillmere-u1-2016',
    title: 'Overhaul at 15\u00a0180 h',
    date: '2016-09-14',
    runningHours: 15_180,
    reason: 'Hours due',
    mustRunHours: 8_000,
    ...beforeLevels,
    policy,
    installed: { ...installed, 'ring-2': 'R-60' },
    readings: firstOverhaul,
  },
  {
    id: 'quillmere-u1-2021',
    title: 'Overhaul at 23\u00a0260 h',
    date: '2021-10-05',
    runningHours: 23_260,
    reason: 'Hours due',
    mustRunHours: 8_000,
    ...beforeLevels,
    // Two readings show no band yet: it is judged by its limits alone.
    policy: { ...policy, mustLastTheInterval: false },
    installed: { ...installed, 'ring-2': 'R-60' },
    readings: secondOverhaul,
  },
  {
    id: 'quillmere-u1-2026',
    title: 'Overhaul at 31\u00a0240 h',
    date: '2026-11-16',
    runningHours: 31_240,
    reason: 'Hours due',
    complaint: 'Governor slower to close than last winter',
    level: 'full',
    returnBy: '2026-12-18',
    mustRunHours: 8_000,
    noted: [...planned, ...madeSafe(bookJson, 'full', electrician)],
    policy,
    installed,
    readings: null,
  },
]

/** Unit 2: overdue, last opened long ago, nothing open now. */
const unit2: readonly DemoOverhaul[] = [
  {
    id: 'quillmere-u2-2018',
    title: 'Overhaul at 18\u00a0420 h',
    date: '2018-06-11',
    runningHours: 18_420,
    reason: 'Hours due',
    mustRunHours: 8_000,
    ...beforeLevels,
    policy,
    installed: { ...installed, shaft: 'QS-1108', shell: 'GB-28', 'servo-cylinder': 'SC-205' },
    readings: {
      journal: ['219.962', '219.960', '219.961', '219.961', '219.960', '219.962'],
      'bearing-bore': ['+0.040', '+0.052', '+0.060', '+0.036', '+0.048', '+0.055'],
      'bearing-strip': ['3.75', '3.4'],
      'end-float': ['0.270', '0.275', '0.270'],
      'servo-bore': ['+0.060', '+0.080', '+0.066', '+0.055', '+0.071', '+0.060'],
      'ring-gap-1': ['0.65'],
      'ring-gap-2': ['0.65'],
    },
  },
]

export const quillmere: readonly DemoMachine[] = [
  { machine, book: bookJson, gauges, hours: [{ date: '2025-11-03', hours: 29_940 }], overhauls },
  {
    machine: { id: 'quillmere-unit-2', station: machine.station, name: 'Unit 2', units: 'metric' },
    book: bookJson,
    gauges: [],
    hours: [
      { date: '2022-04-19', hours: 22_610 },
      { date: '2025-11-03', hours: 26_890 },
    ],
    overhauls: unit2,
  },
]
