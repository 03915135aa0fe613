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
