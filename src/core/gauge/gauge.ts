import type { QuantityKind } from '../quantity/kind'

interface GaugeKindFacts {
  readonly label: string
  readonly quantity: QuantityKind
  /** Reads differences from where it was set or zeroed: its range is a travel, not a size. */
  readonly comparator: boolean
}

/** Kinds of measuring instruments. The eye is one: what is looked at needs nothing from the store. */
export const gaugeKindFacts = {
  outsideMicrometer: { label: 'Outside micrometer', quantity: 'length', comparator: false },
  insideMicrometer: { label: 'Inside micrometer', quantity: 'length', comparator: false },
  boreGauge: { label: 'Bore gauge', quantity: 'length', comparator: false },
  depthGauge: { label: 'Depth gauge', quantity: 'length', comparator: false },
  caliper: { label: 'Caliper', quantity: 'length', comparator: false },
  rule: { label: 'Rule', quantity: 'length', comparator: false },
  stripScale: { label: 'Strip with its printed scale', quantity: 'length', comparator: false },
  feeler: { label: 'Feeler gauges', quantity: 'length', comparator: false },
  dial: { label: 'Dial indicator', quantity: 'length', comparator: true },
  torqueWrench: { label: 'Torque wrench', quantity: 'torque', comparator: false },
  protractor: { label: 'Protractor', quantity: 'angle', comparator: false },
  springTester: { label: 'Spring tester', quantity: 'force', comparator: false },
  testPump: { label: 'Test pump with gauge', quantity: 'pressure', comparator: false },
  thermometer: { label: 'Thermometer', quantity: 'temperature', comparator: false },
  balance: { label: 'Balance', quantity: 'mass', comparator: false },
  insulationTester: { label: 'Insulation tester', quantity: 'resistance', comparator: false },
  hardnessTester: { label: 'Hardness tester', quantity: 'hardness', comparator: false },
  vibrationMeter: { label: 'Vibration meter', quantity: 'velocity', comparator: false },
  flowMeter: { label: 'Flow meter', quantity: 'flow', comparator: false },
  stopwatch: { label: 'Stopwatch', quantity: 'time', comparator: false },
  eye: { label: 'By eye', quantity: 'count', comparator: false },
} as const satisfies Record<string, GaugeKindFacts>
export type GaugeKind = keyof typeof gaugeKindFacts
export const gaugeKinds = Object.keys(gaugeKindFacts) as [GaugeKind, ...GaugeKind[]]

export const gaugeKindLabel = Object.fromEntries(
  Object.entries(gaugeKindFacts).map(([kind, { label }]) => [kind, label]),
) as Readonly<Record<GaugeKind, string>>

/** One line of a calibration certificate: what the gauge shows too much (+) or too little (−) at an indicated value. */
export interface CalibrationPoint {
  readonly at: number
  readonly error: number
}

/** A measuring instrument as the store knows it, in the fixed unit of its kind's quantity. */
export interface Gauge {
  readonly id: string
  readonly code: string
  readonly name: string
  readonly kind: GaugeKind
  readonly resolution: number
  /** Maximum permissible error, ±. */
  readonly maximumPermissibleError: number
  /** Expanded uncertainty of its calibration and the coverage factor; null where only the permissible error is known. */
  readonly calibration: { readonly expanded: number; readonly coverage: number } | null
  /** Errors found by calibration, by indicated value; empty where the certificate gives none. */
  readonly corrections: readonly CalibrationPoint[]
  /** Standard deviation of its repeats where that is known; then one reading carries it, and few repeats need not show it. */
  readonly repeatability?: number | undefined
  /** Linear expansion of its scale, or of the master it is set on, per K; null where it is not known. */
  readonly expansionPerK: number | null
  /** Values it reaches; null where that is not on record. */
  readonly range: { readonly least: number; readonly greatest: number } | null
  /** Date until which its calibration holds, ISO 8601. */
  readonly calibrationDue: string
  /** Calibrated anew since: what was read with it keeps these figures, nothing is read with it any more. */
  readonly replaced?: true | undefined
}

/** What is looked at is judged without an instrument. */
export const BY_EYE: Gauge = {
  id: 'eye',
  code: 'eye',
  name: 'Looked at',
  kind: 'eye',
  resolution: 0,
  maximumPermissibleError: 0,
  calibration: null,
  corrections: [],
  expansionPerK: null,
  range: null,
  calibrationDue: '9999-12-31',
}
