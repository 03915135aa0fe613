/** Larkhollow, engine No. 3: motion, springs and valves, in inches. */
import type { DemoMachine, DemoOverhaul, DemoReadings } from '../../types'
import bookJson from './book.json' with { type: 'json' }
import readingsJson from './readings.json' with { type: 'json' }

const MM_PER_INCH = 25.4
const NM_PER_LBF_FT = 1.35581794833
const BAR_PER_PSI = 0.068947572932
const N_PER_LBF = 4.4482216152605
const rounded = (value: number): number => Number(value.toFixed(6))

const gauge = (
  code: string,
  name: string,
  kind: string,
  unit: number,
  resolution: number,
  error: number,
  range: readonly [number, number] | null,
) => ({
  id: code.toLowerCase(),
  code,
  name,
  kind,
  resolution: rounded(resolution * unit),
  maximumPermissibleError: rounded(error * unit),
  range: range && { least: rounded(range[0] * unit), greatest: rounded(range[1] * unit) },
  calibrationDue: '2027-05-31',
})

const gauges = [
  gauge('OM-33', 'Outside micrometers 0 to 2 in', 'outsideMicrometer', MM_PER_INCH, 0.0001, 0.0002, [0, 2]),
  gauge('DI-33', 'Dial indicator, 0.5 in travel', 'dial', MM_PER_INCH, 0.0005, 0.0005, null),
  gauge('TW-33', 'Torque wrench 40 to 250 lbf ft', 'torqueWrench', NM_PER_LBF_FT, 1, 4, [40, 250]),
  gauge('ST-33', 'Spring press 0 to 4 000 lbf', 'springTester', N_PER_LBF, 5, 15, [0, 4000]),
  gauge('RU-33', 'Steel rule 12 in', 'rule', MM_PER_INCH, 0.02, 0.01, [0, 12]),
  gauge('TP-33', 'Test pump 0 to 300 psi', 'testPump', BAR_PER_PSI, 1, 2, [0, 300]),
]

const policy = { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' } as const
const installed = Object.fromEntries(bookJson.parts.map(({ id }, index) => [id, `MO-${31 + index}`]))

const overhaul = (id: string, date: string, runningHours: number, readings: DemoReadings | null): DemoOverhaul => ({
  id,
  title: `Motion at ${runningHours}\u00a0h`,
  date,
  runningHours,
  reason: 'Hours due',
  mustRunHours: 900,
  level: null,
  complaint: '',
  returnBy: null,
  noted: [],
  policy,
  installed,
  readings,
  ...(readings === null ? { confirmed: true } : {}),
})

export const motion: DemoMachine = {
  machine: { id: 'larkhollow-motion-3', station: 'Larkhollow Railway', name: 'Engine No. 3, motion and springs', units: 'inch' },
  book: bookJson,
  gauges,
  hours: [],
  overhauls: [
    overhaul('larkhollow-m3-2013', '2013-02-11', 640, readingsJson['larkhollow-m3-2013'] as DemoReadings),
    overhaul('larkhollow-m3-2019', '2019-02-18', 980, readingsJson['larkhollow-m3-2019'] as DemoReadings),
    overhaul('larkhollow-m3-2026', '2026-11-12', 1_410, null),
  ],
}
