/** Quillmere, cooling water pump 2: rolling bearings, a hub, a key and a neck ring, so that fits of every kind are met. */

import { gauge } from '../../gauge'
import type { DemoGauge, DemoMachine, DemoOverhaul, DemoReadings } from '../../types'
import bookJson from './book.json' with { type: 'json' }

const STEEL = { expansionPerK: 1.15e-5 }
const gauges: readonly DemoGauge[] = [
  gauge('OM-30', 'Outside micrometers 0 to 175', 'outsideMicrometer', 0.001, 0.002, [0, 175], STEEL),
  gauge('BG-30', 'Bore gauge 35 to 180', 'boreGauge', 0.001, 0.002, [35, 180], STEEL),
  gauge('DG-30', 'Depth gauge 0 to 100', 'depthGauge', 0.01, 0.01, [0, 100], STEEL),
  gauge('FG-30', 'Feeler gauges 0.05 to 1', 'feeler', 0.01, 0.005, [0.05, 1], STEEL),
  gauge('CA-30', 'Caliper 0 to 150', 'caliper', 0.01, 0.02, [0, 150], STEEL),
]

/** Seats of rolling bearings are held to micrometres: what doubt reaches across is measured better. */
const policy = {
  acceptance: { kind: 'guarded', guardFactor: 1.65 },
  mustLastTheInterval: false,
  clearanceBy: 'measuredParts',
} as const

const installed = Object.fromEntries(bookJson.parts.map(({ id }, index) => [id, `CP-${201 + index}`]))

const then: DemoReadings = {
  'seat-fixed': ['45.011', '45.010', '45.010', '45.010'],
  'seat-free': ['45.010', '45.009', '45.010', '45.009'],
  'shaft-end': ['38.044', '38.043', '38.044', '38.043'],
  'housing-fixed': ['+0.012', '+0.014', '+0.011', '+0.013'],
  'housing-free': ['+0.018', '+0.020', '+0.017', '+0.019'],
  'space-free': ['25.68', '25.69', '25.68'],
  'ring-free': ['24.95', '24.95', '24.95'],
  'hub-bore': ['+0.010', '+0.011', '+0.009', '+0.010'],
  keyway: ['10.00', '10.01'],
  key: ['9.985', '9.984'],
  'front-gap': ['0.42', '0.42', '0.43', '0.42'],
  'back-gap': ['0.38', '0.39', '0.38', '0.38'],
  'neck-bore': ['+0.06', '+0.07', '+0.06', '+0.06'],
  eye: ['159.47', '159.46', '159.46', '159.46'],
}

const now: DemoReadings = {
  'seat-fixed': ['45.009', '45.008', '45.008', '45.007'],
  'seat-free': ['45.003', '44.999', '45.002', '44.996'],
  'shaft-end': ['38.042', '38.041', '38.042', '38.041'],
  'housing-fixed': ['+0.038', '+0.041', '+0.036', '+0.039'],
  'housing-free': ['+0.024', '+0.027', '+0.023', '+0.025'],
  'space-free': ['25.68', '25.69', '25.68'],
  'ring-free': ['24.94', '24.94', '24.94'],
  'hub-bore': ['+0.012', '+0.013', '+0.011', '+0.012'],
  keyway: ['10.03', '10.04'],
  key: ['9.972', '9.970'],
  'front-gap': ['0.57', '0.58', '0.58', '0.57'],
  'back-gap': ['0.23', '0.24', '0.23', '0.23'],
  'neck-bore': ['+0.34', '+0.41', '+0.36', '+0.43'],
  eye: ['159.38', '159.37', '159.38', '159.36'],
}

const noted: DemoOverhaul['noted'] = [
  { by: 'inspector', minutes: 4, what: { kind: 'variantSaid', variant: 'seal', option: 'faces' } },
  { by: 'inspector', minutes: 9, what: { kind: 'inspected', part: 'casing', note: 'Washed out, no cracks' } },
]

const at = (
  id: string,
  date: string,
  runningHours: number,
  readings: DemoReadings,
  over: Partial<DemoOverhaul> = {},
): DemoOverhaul => ({
  id,
  title: `Overhaul at ${Math.floor(runningHours / 1000)}\u00a0${String(runningHours % 1000).padStart(3, '0')} h`,
  date,
  runningHours,
  reason: 'Hours due',
  mustRunHours: 6_000,
  level: null,
  complaint: '',
  returnBy: null,
  noted,
  policy,
  installed,
  readings,
  ...over,
})

export const pump: DemoMachine = {
  machine: { id: 'quillmere-pump-2', station: 'Quillmere Power Station', name: 'Cooling water pump 2', units: 'metric' },
  book: bookJson,
  gauges,
  hours: [{ date: '2026-05-04', hours: 33_100 }],
  overhauls: [
    at('quillmere-p2-2021', '2021-06-14', 21_400, then, { starts: 2_380 }),
    at('quillmere-p2-2026', '2026-11-16', 34_050, now, {
      starts: 4_120,
      complaint: 'Bearing noise on the coupling side',
      returnBy: '2026-12-07',
      until: 'measured',
    }),
  ],
}
