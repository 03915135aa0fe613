import type { QuantityKind } from '../quantity/kind'

interface GaugeKindFacts {
  readonly quantity: QuantityKind
  /** Reads differences from where it was set or zeroed: its range is a travel, not a size. */
  readonly comparator: boolean
}

/** Kinds of measuring instruments. The eye is one: what is looked at needs nothing from the store. */
export const gaugeKindFacts = {
  outsideMicrometer: { quantity: 'length', comparator: false },
  insideMicrometer: { quantity: 'length', comparator: false },
  boreGauge: { quantity: 'length', comparator: false },
  depthGauge: { quantity: 'length', comparator: false },
  caliper: { quantity: 'length', comparator: false },
  rule: { quantity: 'length', comparator: false },
  stripScale: { quantity: 'length', comparator: false },
  feeler: { quantity: 'length', comparator: false },
  dial: { quantity: 'length', comparator: true },
  torqueWrench: { quantity: 'torque', comparator: false },
  protractor: { quantity: 'angle', comparator: false },
  springTester: { quantity: 'force', comparator: false },
  testPump: { quantity: 'pressure', comparator: false },
  thermometer: { quantity: 'temperature', comparator: false },
  balance: { quantity: 'mass', comparator: false },
  insulationTester: { quantity: 'resistance', comparator: false },
  hardnessTester: { quantity: 'hardness', comparator: false },
  vibrationMeter: { quantity: 'velocity', comparator: false },
  flowMeter: { quantity: 'flow', comparator: false },
  stopwatch: { quantity: 'time', comparator: false },
  eye: { quantity: 'count', comparator: false },
} as const satisfies Record<string, GaugeKindFacts>
export type GaugeKind = keyof typeof gaugeKindFacts
export const gaugeKinds = Object.keys(gaugeKindFacts) as [GaugeKind, ...GaugeKind[]]
