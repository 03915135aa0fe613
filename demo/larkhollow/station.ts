/** Larkhollow Railway, engine No. 3: an invented heritage line, measured in inches. */
import { stageDone } from '../madeSafe'
import type { DemoGauge, DemoMachine, DemoNote, DemoOverhaul } from '../types'
import bookJson from './book.json' with { type: 'json' }

const MM_PER_INCH = 25.4
const gauge = (
  id: string,
  name: string,
  kind: string,
  resolutionIn: number,
  errorIn: number,
  rangeIn: readonly [number, number] | null,
): DemoGauge => ({
  id,
  code: id.toUpperCase(),
  name,
  kind,
  resolution: Number((resolutionIn * MM_PER_INCH).toFixed(6)),
  maximumPermissibleError: Number((errorIn * MM_PER_INCH).toFixed(6)),
  range: rangeIn && { least: rangeIn[0] * MM_PER_INCH, greatest: rangeIn[1] * MM_PER_INCH },
  calibrationDue: '2027-05-31',
})

const gauges = [
  gauge('bg-31', 'Bore gauge 4 to 10 in', 'boreGauge', 0.0001, 0.0003, [4, 10]),
  gauge('di-31', 'Dial indicator, 0.2 in travel', 'dial', 0.0005, 0.0005, null),
  gauge('fg-31', 'Feeler gauges 0.002 to 0.080 in', 'feeler', 0.001, 0.0005, null),
  gauge('om-31', 'Outside micrometers 1 to 5 in', 'outsideMicrometer', 0.0001, 0.0002, [1, 5]),
]

const policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: true,
  clearanceBy: 'measuredParts',
} as const

const installed = {
  axle: 'DA-3',
  'box-l': 'AB-5L',
  'box-r': 'AB-5R',
  'cyl-l': 'CY-3L',
  'cyl-r': 'CY-3R',
  'rod-l': 'PR-11',
  'rod-r': 'PR-12',
  'ring-l': 'R-40',
  'ring-r': 'R-41',
}

const boiler = { name: 'Edwin Marlow', licence: 'LR-B 7' }
const by = 'inspector'
const out = (position: string, tray: string, after: string | null): DemoNote => ({
  by,
  minutes: 3,
  what: { kind: 'laidOut', position, tray, after },
})
const tag = (
  position: string,
  number: string,
  over: Partial<{ face: string; clock: number | null; matchMark: string; keptWith: string[]; count: number; note: string }> = {},
): DemoNote => ({
  by,
  minutes: 2,
  what: {
    kind: 'tagWritten',
    position,
    tag: { number, face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '', ...over },
  },
})
const slinger = { name: 'Hetty Crane', licence: 'LR-L 22' }
const done = (step: string, licensed: typeof slinger | null = null): DemoNote => ({
  by,
  minutes: 6,
  what: { kind: 'stepDone', step, note: '', licensed },
})

const LEFT = 'Tray 1, left cylinder'
const stripped: readonly DemoNote[] = [
  { by, minutes: 5, what: { kind: 'putIn', temporary: 'tmp-wood', name: 'Wooden plug', where: 'steam ports', count: 4 } },
  {
    by,
    minutes: 1,
    what: { kind: 'putIn', temporary: 'tmp-wire', name: 'Wire on the drain cocks', where: 'cylinders', count: 2 },
  },
  { by, minutes: 4, what: { kind: 'jointMarked', joint: 'j-l', mark: 'one punch mark at the top' } },
  out('cy-l-cover', LEFT, null),
  tag('cy-l-cover', '1', { face: 'stamp out', clock: 6, matchMark: 'one punch mark at the top' }),
  out('cy-l-joint', LEFT, 'cy-l-cover'),
  tag('cy-l-joint', '2'),
  { by, minutes: 2, what: { kind: 'thicknessTaken', position: 'cy-l-joint', text: '0.031"' } },
  out('cy-l-studs', LEFT, 'cy-l-joint'),
  tag('cy-l-studs', '3', { count: 9, note: 'One nut missing when the cover came off' }),
  {
    by,
    minutes: 2,
    what: {
      kind: 'identified',
      position: 'cy-l-studs',
      sizes: { kind: 'thread', diameter: '0.748', pitch: '10 tpi', flank: 55 },
    },
  },
  done('st-cover-l'),
  out('cy-l-cotter', LEFT, 'cy-l-studs'),
  tag('cy-l-cotter', '4', { face: 'head to the left' }),
  out('cy-l-piston', LEFT, 'cy-l-cotter'),
  tag('cy-l-piston', '5', { face: 'number to the front', keptWith: ['cy-l-ring', 'cy-l-rod'] }),
  out('cy-l-ring', LEFT, 'cy-l-piston'),
  tag('cy-l-ring', '6', { clock: 7 }),
  out('cy-l-rod', LEFT, 'cy-l-ring'),
  done('st-piston-l', slinger),
]

const SCORED = '01994f00-0000-7000-8000-000000000001'
const RUSTED = '01994f00-0000-7000-8000-000000000002'
const looked: readonly DemoNote[] = [
  {
    by,
    minutes: 9,
    what: {
      kind: 'findingRecorded',
      finding: SCORED,
      value: {
        part: 'cyl-l',
        kind: 'scoring',
        severity: 'marked',
        since: 'service',
        station: 'B',
        clock: 7,
        extent: '3 in long, catches a nail',
        note: 'In line with the ring gap',
      },
    },
  },
  {
    by,
    minutes: 3,
    what: {
      kind: 'drawnPicture',
      draw: 'scoredBore',
      caption: 'Left bore from the front',
      subject: { kind: 'finding', id: SCORED },
      marks: [
        { kind: 'ring', at: [0.4, 0.68], radius: [0.07, 0.09] },
        { kind: 'arrow', from: [0.2, 0.9], to: [0.35, 0.74] },
        { kind: 'text', at: [0.06, 0.93], text: '3 in' },
      ],
    },
  },
  {
    by,
    minutes: 4,
    what: {
      kind: 'findingRecorded',
      finding: RUSTED,
      value: {
        part: 'rod-l',
        kind: 'rust',
        severity: 'light',
        since: 'service',
        station: 'M',
        clock: null,
        extent: 'all round, 1 in',
        note: '',
      },
    },
  },
  {
    by,
    minutes: 1,
    what: { kind: 'causeRecorded', finding: RUSTED, cause: { family: 'moisture', text: 'Stood wet in the gland over winter' } },
  },
  {
    by,
    minutes: 2,
    what: {
      kind: 'drawnPicture',
      draw: 'gasket',
      caption: 'Joint, weeping at the bottom',
      subject: { kind: 'position', id: 'cy-l-joint' },
      marks: [],
    },
  },
  {
    by,
    minutes: 3,
    what: {
      kind: 'patternRecorded',
      pattern: 'pt-studs-l',
      elements: Array.from({ length: 10 }, (_, index) => ({
        element: index + 1,
        state:
          index === 0 || index === 9
            ? { kind: 'broken' as const }
            : index === 4
              ? { kind: 'worn' as const, fraction: 0.08 }
              : { kind: 'sound' as const },
      })),
    },
  },
]

const plan: readonly DemoNote[] = [
  'ro-hoist',
  'ro-jacks',
  'ro-puller',
  'ro-stands',
  'ro-rings',
  'ro-packing',
  'ro-boards',
  'ro-blank',
  'ro-boiler',
].map((item) => ({ by: 'planner', minutes: 1, what: { kind: 'planTicked', item, state: 'there' } }))

const overhauls: readonly DemoOverhaul[] = [
  {
    id: 'larkhollow-3-2019',
    title: 'Running overhaul at 6\u00a0810 h',
    date: '2019-03-04',
    runningHours: 6_810,
    reason: 'Winter overhaul',
    mustRunHours: 3_000,
    level: null,
    complaint: '',
    returnBy: null,
    noted: [],
    policy,
    installed,
    readings: {
      'cyl-l-bore': ['+0.018', '+0.016', '+0.024', '+0.021', '+0.019', '+0.017'],
      'ring-l-gap': ['0.045'],
      'rod-l-size': ['1.7462', '1.7460', '1.7450', '1.7452', '1.7461', '1.7463'],
      'cyl-r-bore': ['+0.017', '+0.015', '+0.022', '+0.020', '+0.018', '+0.016'],
      'ring-r-gap': ['0.043'],
      'rod-r-size': ['1.7464', '1.7463', '1.7455', '1.7453', '1.7462', '1.7464'],
      'journal-l': ['4.4950', '4.4945', '4.4948', '4.4946'],
      'box-l-bore': ['+0.0105', '+0.0110', '+0.0108', '+0.0106'],
      'journal-r': ['4.4952', '4.4948', '4.4950', '4.4947'],
      'box-r-bore': ['+0.0104', '+0.0107', '+0.0106', '+0.0103'],
      'axle-float': ['0.052', '0.053', '0.052'],
    },
  },
  {
    id: 'larkhollow-3-2026',
    title: 'Running overhaul at 9\u00a0640 h',
    date: '2026-11-09',
    runningHours: 9_640,
    reason: 'Winter overhaul',
    mustRunHours: 3_000,
    level: 'running-overhaul',
    complaint: 'Knock at the left side when drifting',
    returnBy: '2027-03-20',
    noted: [
      ...plan,
      ...stageDone(bookJson, 'running-overhaul', 'makeSafe', boiler),
      ...stageDone(bookJson, 'running-overhaul', 'asFound', boiler),
      ...stripped,
      ...looked,
    ],
    policy,
    installed,
    readings: null,
  },
]

export const larkhollow: DemoMachine = {
  machine: { id: 'larkhollow-3', station: 'Larkhollow Railway', name: 'Engine No. 3', units: 'inch' },
  book: bookJson,
  gauges,
  hours: [
    { date: '2022-10-30', hours: 8_020 },
    { date: '2025-11-02', hours: 9_290 },
  ],
  overhauls,
}
