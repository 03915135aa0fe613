import { madeSafe, stageDone } from '../madeSafe'
import type { DemoMachine, DemoNote, DemoOverhaul, DemoReadings } from '../types'
import bookJson from './book.json' with { type: 'json' }

/** Sister units, one at each stage of its overhaul: measured and being decided, being rebuilt, with the reviewer, just opened. */
const station = 'Quillmere Power Station'
const electrician = { name: 'Rufus Dane', licence: 'QPS-E 14' }
const policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: true,
  clearanceBy: 'measuredParts',
} as const

interface Sister {
  readonly number: number
  readonly marks: string
  readonly before: { readonly date: string; readonly hours: number; readonly readings: DemoReadings }
  readonly now: {
    readonly date: string
    readonly hours: number
    readonly reason: string
    readonly returnBy: string
    readonly readings: DemoReadings
    readonly until: NonNullable<DemoOverhaul['until']>
  }
}

const grouped = (hours: number): string => String(hours).replace(/\B(?=(\d{3})+$)/g, '\u00a0')

/** Opened in full: the rod seals are pictured before they are cut out. */
const openedUp: readonly DemoNote[] = [
  ...madeSafe(bookJson, 'full', electrician),
  ...stageDone(bookJson, 'full', 'asFound', electrician),
  {
    by: 'inspector',
    minutes: 3,
    what: {
      kind: 'drawnPicture',
      draw: 'gasket',
      caption: 'Rod seal set as found',
      subject: { kind: 'position', id: 'sv-rod-seals' },
      marks: [],
    },
  },
  ...stageDone(bookJson, 'full', 'strip', electrician),
  ...stageDone(bookJson, 'full', 'look', electrician),
]

function sister({ number, marks, before, now }: Sister): DemoMachine {
  const installed = {
    shaft: `QS-${marks}`,
    shell: `GB-${marks}`,
    'thrust-bearing': `TB-${marks}`,
    'servo-cylinder': `SC-${marks}`,
    'ring-1': `R-${marks}1`,
    'ring-2': `R-${marks}2`,
  }
  // One and two readings show no band yet: these are judged by their limits alone.
  const common = { mustRunHours: 8_000, complaint: '', policy: { ...policy, mustLastTheInterval: false }, installed }
  return {
    machine: { id: `quillmere-unit-${number}`, station, name: `Unit ${number}`, units: 'metric' },
    book: bookJson,
    gauges: [],
    hours: [{ date: '2025-11-03', hours: now.hours - 900 }],
    overhauls: [
      {
        ...common,
        id: `quillmere-u${number}-${before.date.slice(0, 4)}`,
        title: `Overhaul at ${grouped(before.hours)} h`,
        date: before.date,
        runningHours: before.hours,
        reason: 'Hours due',
        level: null,
        returnBy: null,
        noted: [],
        readings: before.readings,
      },
      {
        ...common,
        id: `quillmere-u${number}-2026`,
        title: `Overhaul at ${grouped(now.hours)} h`,
        date: now.date,
        runningHours: now.hours,
        reason: now.reason,
        level: 'full',
        returnBy: now.returnBy,
        noted: openedUp,
        readings: now.readings,
        until: now.until,
      },
    ],
  }
}

/** Nothing is known of it but its name: opened, and the meter read. */
const opened: DemoMachine = {
  machine: { id: 'quillmere-unit-6', station, name: 'Unit 6', units: 'metric' },
  book: bookJson,
  gauges: [],
  hours: [{ date: '2026-11-25', hours: 7_960 }],
  overhauls: [
    {
      id: 'quillmere-u6-2026',
      title: `Bearing check at ${grouped(7_960)} h`,
      date: '2026-11-25',
      runningHours: 7_960,
      reason: 'Bearing runs warm',
      mustRunHours: 8_000,
      level: 'bearing-check',
      complaint: 'Guide bearing 6 °C warmer than in summer',
      returnBy: '2026-12-04',
      noted: [],
      policy,
      installed: {},
      readings: null,
    },
  ],
}

export const sisters: readonly DemoMachine[] = [
  sister({
    number: 3,
    marks: '310',
    before: {
      date: '2020-05-18',
      hours: 12_340,
      readings: {
        journal: ['219.966', '219.964', '219.965', '219.964', '219.966', '219.965'],
        'bearing-bore': ['+0.030', '+0.041', '+0.048', '+0.026', '+0.036', '+0.042'],
        'bearing-strip': ['3.9', '3.65'],
        'end-float': ['0.255', '0.260', '0.255'],
        'servo-bore': ['+0.050', '+0.062', '+0.054', '+0.047', '+0.058', '+0.051'],
        'ring-gap-1': ['0.55'],
        'ring-gap-2': ['0.60'],
      },
    },
    now: {
      date: '2026-11-10',
      hours: 20_180,
      reason: 'Hours due',
      returnBy: '2026-12-11',
      until: 'measured',
      readings: {
        journal: ['219.958', '219.955', '219.956', '219.955', '219.957', '219.956'],
        'bearing-bore': ['+0.066', '+0.082', '+0.094', '+0.058', '+0.074', '+0.086'],
        'bearing-strip': ['3.3', '3.05'],
        'end-float': ['0.280', '0.285', '0.280'],
        'servo-bore': ['+0.074', '+0.098', '+0.082', '+0.068', '+0.088', '+0.075'],
        'ring-gap-1': ['0.70'],
        'ring-gap-2': ['0.75'],
      },
    },
  }),
  sister({
    number: 4,
    marks: '410',
    before: {
      date: '2019-09-02',
      hours: 9_870,
      readings: {
        journal: ['219.970', '219.968', '219.969', '219.968', '219.970', '219.969'],
        'bearing-bore': ['+0.016', '+0.024', '+0.030', '+0.012', '+0.020', '+0.026'],
        'bearing-strip': ['4.2', '3.95'],
        'end-float': ['0.245', '0.250', '0.245'],
        'servo-bore': ['+0.040', '+0.050', '+0.044', '+0.038', '+0.046', '+0.041'],
        'ring-gap-1': ['0.50'],
        'ring-gap-2': ['0.50'],
      },
    },
    now: {
      date: '2026-10-27',
      hours: 18_020,
      reason: 'Hours due',
      returnBy: '2026-11-30',
      until: 'rebuilding',
      readings: {
        journal: ['219.961', '219.959', '219.960', '219.958', '219.960', '219.959'],
        'bearing-bore': ['+0.048', '+0.058', '+0.066', '+0.042', '+0.052', '+0.060'],
        'bearing-strip': ['3.6', '3.3'],
        'end-float': ['0.270', '0.275', '0.270'],
        'servo-bore': ['+0.062', '+0.080', '+0.068', '+0.058', '+0.072', '+0.063'],
        'ring-gap-1': ['0.65'],
        'ring-gap-2': ['0.65'],
      },
    },
  }),
  sister({
    number: 5,
    marks: '510',
    before: {
      date: '2021-03-15',
      hours: 14_610,
      readings: {
        journal: ['219.964', '219.962', '219.963', '219.962', '219.964', '219.963'],
        'bearing-bore': ['+0.034', '+0.046', '+0.054', '+0.030', '+0.042', '+0.049'],
        'bearing-strip': ['3.8', '3.55'],
        'end-float': ['0.260', '0.265', '0.260'],
        'servo-bore': ['+0.056', '+0.072', '+0.060', '+0.050', '+0.064', '+0.056'],
        'ring-gap-1': ['0.60'],
        'ring-gap-2': ['0.60'],
      },
    },
    now: {
      date: '2026-10-12',
      hours: 21_950,
      reason: 'Hours due',
      returnBy: '2026-11-25',
      until: 'sent',
      readings: {
        journal: ['219.957', '219.954', '219.955', '219.954', '219.956', '219.955'],
        'bearing-bore': ['+0.060', '+0.076', '+0.088', '+0.054', '+0.070', '+0.080'],
        'bearing-strip': ['3.35', '3.1'],
        'end-float': ['0.280', '0.285', '0.280'],
        'servo-bore': ['+0.072', '+0.094', '+0.080', '+0.066', '+0.084', '+0.073'],
        'ring-gap-1': ['0.70'],
        'ring-gap-2': ['0.70'],
      },
    },
  }),
  opened,
]
