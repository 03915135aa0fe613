/** Tarn End Waterworks and Yard: an invented place whose machines are in no book, each composed from the kit, each at another stage. */
import type { Meter } from '../../src/core/quantity/meter'
import { madeSafe, stageDone } from '../madeSafe'
import type { DemoGauge, DemoMachine, DemoNote, DemoOverhaul } from '../types'
import { composed } from './composed'

const STATION = 'Tarn End Waterworks and Yard'
const MM_PER_INCH = 25.4

const gauge = (
  id: string,
  name: string,
  kind: string,
  resolution: number,
  error: number,
  range: readonly [number, number] | null,
): DemoGauge => ({
  id,
  code: id.toUpperCase(),
  name,
  kind,
  resolution,
  maximumPermissibleError: error,
  range: range && { least: range[0], greatest: range[1] },
  calibrationDue: '2027-08-31',
})

const gauges = [
  gauge('te-om', 'Outside micrometers 0 to 150', 'outsideMicrometer', 0.001, 0.004, [0, 150]),
  gauge('te-bg', 'Bore gauge 35 to 160', 'boreGauge', 0.001, 0.004, [35, 160]),
  gauge('te-di', 'Dial indicator, 10 mm travel', 'dial', 0.01, 0.015, null),
  gauge('te-fg', 'Feeler gauges 0.05 to 1.00', 'feeler', 0.01, 0.005, null),
  gauge('te-ca', 'Caliper 0 to 300', 'caliper', 0.02, 0.03, [0, 300]),
]
const inchGauges = [
  gauge('te-ci', 'Caliper 0 to 12 in', 'caliper', 0.001 * MM_PER_INCH, 0.0015 * MM_PER_INCH, [0, 12 * MM_PER_INCH]),
  gauge('te-fi', 'Feeler gauges 0.002 to 0.040 in', 'feeler', 0.001 * MM_PER_INCH, 0.0005 * MM_PER_INCH, null),
]

const policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: true,
  clearanceBy: 'measuredParts',
} as const
const base = {
  runningHours: 0,
  mustRunHours: 0,
  level: 'full',
  returnBy: null,
  policy,
  installed: {},
  readings: null,
} satisfies Partial<DemoOverhaul>

const by = 'inspector'
const rigger = { name: 'Nora Fell', licence: 'TE-P 4' }
const done = (book: unknown, ...stages: Parameters<typeof stageDone>[2][]): DemoNote[] =>
  stages.flatMap((stage) => stageDone(book, 'full', stage, rigger))
const safe = (book: unknown): DemoNote[] => madeSafe(book, 'full', rigger)

const pump = composed({
  id: 'tarn-end-pump',
  title: 'Three-plunger pump, composed',
  units: 'metric',
  document: 'TE-P3',
  assemblies: [
    ['frameAndFeet', ['Bed']],
    ['crankshaftLine', ['Crankshaft'], { cranks: '3', mains: '4' }],
    ['connectingRod', ['Rod 1', 'Rod 2', 'Rod 3']],
    ['generalPart', ['Plunger 1', 'Plunger 2', 'Plunger 3'], { method: 'outside Ø' }],
    ['lipOrPackedSeal', ['Gland 1', 'Gland 2', 'Gland 3'], { kind: 'packing' }],
    ['valveAndSpring', ['Suction valve', 'Delivery valve']],
  ],
  rows: [
    ...[1, 2, 3].map((n) => [`plunger-${n}-outside`, 'minimum', 'lower', '49.975 … 50.000', '49.90', '49.85', '12'] as const),
    ['crankshaft-float', 'minimum', 'lower', '', '', '0.15', '9'],
    ['crankshaft-float', 'maximum', 'upper', '', '', '0.45', '9'],
  ],
  checked: 4,
})

const fan = composed({
  id: 'tarn-end-fan',
  title: 'Ventilation fan, composed',
  units: 'metric',
  document: 'TE-F1',
  assemblies: [
    ['frameAndFeet', ['Frame']],
    ['shaftAssembly', ['Shaft']],
    ['rollingBearingSeat', ['Fixed bearing'], { boreMm: '60', outsideMm: '110' }],
    ['rollingBearingSeat', ['Free bearing'], { side: 'free', boreMm: '60', outsideMm: '110' }],
    ['impeller', ['Runner']],
    ['couplingOrBelt', ['Drive']],
  ],
  rows: [
    ...['fixed-bearing', 'free-bearing'].flatMap(
      (one) =>
        [
          [`${one}-seat`, 'minimum', 'lower', '60 k5', '', '60.000', '7'],
          [`${one}-seat`, 'maximum', 'upper', '', '', '60.021', '7'],
          [`${one}-seat`, 'outOfRound', 'upper', '', '', '0.008', '7'],
          [`${one}-seat`, 'taper', 'upper', '', '', '0.008', '7'],
          [`${one}-onShaft`, 'maximum', 'upper', '', '', '0.000', '7'],
        ] as const,
    ),
    ['shaft-runout', 'totalIndicated', 'upper', '', '0.04', '0.06', '8'],
  ],
  checked: 11,
})

const winch = composed({
  id: 'tarn-end-winch',
  title: 'Rope winch, composed',
  units: 'metric',
  document: 'TE-W4',
  assemblies: [
    ['frameAndFeet', ['Frame']],
    ['gearPair', ['First pair', 'Second pair']],
    ['splitSleeveBearing', ['Bearing 1', 'Bearing 2', 'Bearing 3', 'Bearing 4'], { thrust: 'one' }],
    ['frictionStack', ['Brake'], { springs: 'coil springs' }],
    ['lift', ['Lift of the drum']],
  ],
  rows: [1, 2, 3, 4].flatMap(
    (n) =>
      [
        [`bearing-${n}-bore`, 'maximum', 'upper', '80.03 … 80.06', '80.28', '80.35', '21'],
        [`bearing-${n}-journal`, 'minimum', 'lower', '80 f7', '79.85', '79.80', '21'],
        [`bearing-${n}-clearance`, 'maximum', 'upper', '', '0.35', '0.45', '22'],
      ] as const,
  ),
  checked: 9,
})

const chain = composed({
  id: 'tarn-end-chain',
  title: 'Bucket chain of the dredger, composed',
  units: 'inch',
  document: 'TE-D2',
  assemblies: [
    ['numberedElements', ['Pins, left row', 'Pins, right row'], { count: '12', what: 'diameter', renewed: 'as a set' }],
    ['numberedElements', ['Bucket lips'], { count: '12', what: 'thickness' }],
    ['solidBush', ['Top tumbler bush']],
    ['frictionStack', ['Drive clutch']],
  ],
  rows: [
    ['pins-left-row-diameter', 'minimum', 'lower', '', '1.700', '1.660', '5'],
    ['pins-right-row-diameter', 'minimum', 'lower', '', '1.700', '1.660', '5'],
    ['bucket-lips-thickness', 'minimum', 'lower', '', '0.400', '0.320', '6'],
  ],
  checked: 2,
})

const machine = (id: string, name: string, units: 'metric' | 'inch', meter: Meter) => ({
  id,
  station: STATION,
  name,
  units,
  meter,
})
const seat = (...sizes: string[]): readonly string[] => sizes

/** Being measured: one plunger is worn unlike its sisters. */
const pumpMachine: DemoMachine = {
  machine: machine('tarn-end-pump', 'Three-plunger pump', 'metric', 'hours'),
  book: pump,
  gauges,
  hours: [],
  overhauls: [
    {
      ...base,
      id: 'tarn-end-pump-2026',
      title: 'Overhaul at 18\u00a0400 h',
      date: '2026-11-11',
      runningHours: 18_400,
      mustRunHours: 6000,
      reason: 'Delivers less, third gland leaks',
      complaint: 'Pressure pulses, third gland drips however it is tightened',
      noted: [...safe(pump), ...done(pump, 'asFound', 'strip')],
      readings: {
        'plunger-1-outside': ['49.972', '49.970', '49.968', '49.969'],
        'plunger-2-outside': ['49.966', '49.968', '49.965', '49.967'],
        'plunger-3-outside': ['49.868', '49.861', '49.842', '49.851'],
        'crankshaft-float': ['0.28', '0.29', '0.28'],
      },
      partly: true,
      until: 'measured',
    },
  ],
}

/** At the verdicts: the inner ring of the free bearing has crept on its seat. */
const fanMachine: DemoMachine = {
  machine: machine('tarn-end-fan', 'Ventilation fan', 'metric', 'none'),
  book: fan,
  gauges: [],
  hours: [],
  overhauls: [
    {
      ...base,
      id: 'tarn-end-fan-2026',
      title: 'Bearings',
      date: '2026-11-10',
      reason: 'Free bearing runs warm and rough',
      complaint: 'Free bearing warm, a rumble when it runs down',
      noted: [
        ...safe(fan),
        ...done(fan, 'asFound', 'strip', 'look'),
        {
          by,
          minutes: 6,
          what: {
            kind: 'findingRecorded',
            finding: '01a20000-0000-7000-8000-00000000f001',
            value: {
              part: 'free-bearing-shaft',
              kind: 'creepMarks',
              severity: 'marked',
              since: 'service',
              station: null,
              clock: null,
              extent: 'whole seat',
              note: 'Polished bands around',
            },
          },
        },
        { by, minutes: 3, what: { kind: 'inspected', part: 'shaft-shaft', note: '' } },
      ],
      readings: {
        'fixed-bearing-seat': seat('60.011', '60.010', '60.012', '60.011'),
        'free-bearing-seat': seat('59.982', '59.979', '59.984', '59.981'),
        'shaft-runout': Array.from({ length: 36 }, (_, at) => (at % 3 === 1 ? '0.02' : '0.01')),
      },
      partly: true,
      until: 'measured',
    },
  ],
}

/** Being stripped: two bearings are open. */
const winchMachine: DemoMachine = {
  machine: machine('tarn-end-winch', 'Rope winch', 'metric', 'starts'),
  book: winch,
  gauges: [],
  hours: [],
  overhauls: [
    {
      ...base,
      id: 'tarn-end-winch-2026',
      title: 'Overhaul at 3\u00a0120 starts',
      date: '2026-11-12',
      runningHours: 3120,
      mustRunHours: 1500,
      reason: 'Knocks under load',
      complaint: '',
      noted: [
        ...safe(winch),
        ...done(winch, 'asFound'),
        ...['bearing-1-cap', 'bearing-1-upper', 'bearing-2-cap'].map(
          (position, at): DemoNote => ({
            by,
            minutes: 5,
            what: { kind: 'laidOut', position, tray: 'Bench 1', after: at === 0 ? null : 'bearing-1-cap' },
          }),
        ),
      ],
    },
  ],
}

/** Just received: the list is being laid out, in inches. */
const chainMachine: DemoMachine = {
  machine: machine('tarn-end-chain', 'Bucket chain', 'inch', 'tonnes'),
  book: chain,
  gauges: inchGauges,
  hours: [],
  overhauls: [
    {
      ...base,
      id: 'tarn-end-chain-2026',
      title: 'Winter overhaul',
      date: '2026-11-13',
      runningHours: 48_000,
      mustRunHours: 20_000,
      reason: 'Season over',
      complaint: '',
      noted: [
        {
          by,
          minutes: 2,
          what: {
            kind: 'thingAdded',
            id: 'a-chain-tool',
            what: { of: 'need', group: 'tools', name: 'Pin drift and bottle jack', quantity: '' },
          },
        },
      ],
    },
  ],
}

export const tarnEnd: readonly DemoMachine[] = [pumpMachine, fanMachine, winchMachine, chainMachine]
