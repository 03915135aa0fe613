/** Quillmere, unit 1: gate gear, generator and auxiliaries, a machine of its own with its own limit book. */

import { gauge } from '../../gauge'
import type { DemoGauge, DemoMachine, DemoNote, DemoOverhaul, DemoReadings } from '../../types'
import bookJson from './book.json' with { type: 'json' }
import readingsJson from './readings.json' with { type: 'json' }

const STEEL_PER_K = 1.15e-5

const gauges: readonly DemoGauge[] = [
  gauge('OM-20', 'Outside micrometers 0 to 75', 'outsideMicrometer', 0.001, 0.003, [0, 75], {
    calibration: { expanded: 0.0024, coverage: 2 },
    corrections: [
      { at: 0, error: 0 },
      { at: 25, error: 0.001 },
      { at: 60, error: 0.001 },
      { at: 75, error: 0.002 },
    ],
    expansionPerK: STEEL_PER_K,
  }),
  gauge('BG-20', 'Bore gauge 50 to 150', 'boreGauge', 0.001, 0.004, [50, 150], { expansionPerK: STEEL_PER_K }),
  gauge('FG-20', 'Feeler gauges 0.02 to 10', 'feeler', 0.01, 0.005, [0.02, 10]),
  gauge('DI-20', 'Dial indicator, 10 mm travel', 'dial', 0.005, 0.006, [0, 10]),
  gauge('CA-20', 'Caliper 0 to 200', 'caliper', 0.01, 0.02, [0, 200]),
  gauge('RU-20', 'Steel rule 300', 'rule', 0.5, 0.2, [0, 300]),
  gauge('IM-20', 'Inside micrometer 150 to 300', 'insideMicrometer', 0.01, 0.01, [150, 300]),
  gauge('TW-20', 'Torque wrench 80 to 500', 'torqueWrench', 1, 12, [80, 500]),
  gauge('PR-20', 'Protractor', 'protractor', 0.5, 0.3, [-180, 180]),
  gauge('ST-20', 'Spring tester 0 to 2 000 N', 'springTester', 1, 4, [0, 2000]),
  gauge('TP-20', 'Test pump 0 to 60 bar', 'testPump', 0.1, 0.3, [0, 60]),
  gauge('IT-20', 'Insulation tester 1 kV', 'insulationTester', 1, 20, [0, 5000]),
  gauge('DG-20', 'Depth gauge 0 to 150', 'depthGauge', 0.01, 0.02, [0, 150]),
  gauge('TH-20', 'Thermometer −20 to 120', 'thermometer', 0.1, 0.3, [-20, 120]),
  gauge('FM-20', 'Flow meter 10 to 80', 'flowMeter', 0.1, 0.3, [10, 80]),
]

const policy = { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' } as const

const installed = Object.fromEntries(bookJson.parts.map(({ id }, index) => [id, `QG-${101 + index}`]))

const capPicture: DemoNote = {
  by: 'inspector',
  minutes: 3,
  what: { kind: 'drawnPicture', draw: 'cap', caption: 'Cap as it came off', subject: { kind: 'part', id: 'cap' }, marks: [] },
}

const signed = (id: 'quillmere-g1-2016' | 'quillmere-g1-2021', date: string, runningHours: number): DemoOverhaul => ({
  id,
  title: `Gate gear at ${Math.floor(runningHours / 1000)}\u00a0${String(runningHours % 1000).padStart(3, '0')} h`,
  date,
  runningHours,
  reason: 'Hours due',
  mustRunHours: 8_000,
  level: null,
  complaint: '',
  returnBy: null,
  noted: id === 'quillmere-g1-2021' ? [capPicture] : [],
  policy,
  installed,
  readings: readingsJson[id] as DemoReadings,
  ...(id === 'quillmere-g1-2021' ? { asLeft: readingsJson['quillmere-g1-2021 as left'] } : {}),
})

const overhauls: readonly DemoOverhaul[] = [
  signed('quillmere-g1-2016', '2016-09-20', 15_180),
  signed('quillmere-g1-2021', '2021-10-12', 23_260),
  {
    ...signed('quillmere-g1-2021', '2026-11-18', 31_240),
    noted: [],
    id: 'quillmere-g1-2026',
    title: 'Gate gear at 31\u00a0240 h',
    returnBy: '2026-12-18',
    readings: null,
    // What would not last until the next overhaul counts as worn from now on.
    policy: { ...policy, mustLastTheInterval: true },
    confirmed: true,
  },
]

export const gates: DemoMachine = {
  machine: {
    id: 'quillmere-gates-1',
    station: 'Quillmere Power Station',
    name: 'Gate gear and generator, unit 1',
    units: 'metric',
  },
  book: bookJson,
  gauges,
  hours: [{ date: '2025-11-03', hours: 29_940 }],
  overhauls,
}
