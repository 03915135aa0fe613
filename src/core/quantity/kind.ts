import type { UnitSystem } from './format'

/** What is measured. Every kind is computed and stored in one fixed unit, the first of its list in `units.ts`. */
export const quantityKinds = [
  'length',
  'angle',
  'torque',
  'force',
  'pressure',
  'stiffness',
  'slope',
  'temperature',
  'temperatureDifference',
  'mass',
  'resistance',
  'velocity',
  'flow',
  'time',
  'hardness',
  'percent',
  'count',
] as const
export type QuantityKind = (typeof quantityKinds)[number]

interface KindFacts {
  readonly name: string
  /** Unit a bare figure takes and results are shown in, per system; ids of `units.ts`. */
  readonly shownIn: Readonly<Record<UnitSystem, string>>
  /** Step its figures are shown to where nothing says otherwise, in the fixed unit. */
  readonly step: number
  /** Whether a value below zero can be meant without a sign being a deviation. */
  readonly signed: boolean
}

const same = (unit: string): Readonly<Record<UnitSystem, string>> => ({ metric: unit, inch: unit })

export const quantityFacts: Readonly<Record<QuantityKind, KindFacts>> = {
  length: { name: 'length', shownIn: { metric: 'mm', inch: 'in' }, step: 0.001, signed: false },
  angle: { name: 'angle', shownIn: same('°'), step: 0.1, signed: true },
  torque: { name: 'torque', shownIn: { metric: 'N·m', inch: 'lbf·ft' }, step: 1, signed: false },
  force: { name: 'force', shownIn: { metric: 'N', inch: 'lbf' }, step: 1, signed: false },
  pressure: { name: 'pressure', shownIn: { metric: 'bar', inch: 'psi' }, step: 0.1, signed: true },
  stiffness: { name: 'spring rate', shownIn: { metric: 'N/mm', inch: 'lbf/in' }, step: 0.01, signed: false },
  slope: { name: 'slope', shownIn: same('mm/m'), step: 0.001, signed: true },
  temperature: { name: 'temperature', shownIn: { metric: '°C', inch: '°F' }, step: 0.1, signed: true },
  temperatureDifference: {
    name: 'temperature difference',
    shownIn: { metric: 'K', inch: '°F' },
    step: 0.1,
    signed: true,
  },
  mass: { name: 'mass', shownIn: { metric: 'kg', inch: 'lb' }, step: 0.001, signed: false },
  resistance: { name: 'resistance', shownIn: same('MΩ'), step: 0.1, signed: false },
  velocity: { name: 'vibration velocity', shownIn: { metric: 'mm/s', inch: 'in/s' }, step: 0.1, signed: false },
  flow: { name: 'flow', shownIn: same('l/min'), step: 0.1, signed: false },
  time: { name: 'time', shownIn: same('s'), step: 0.1, signed: false },
  hardness: { name: 'hardness', shownIn: same('HB'), step: 1, signed: false },
  percent: { name: 'share', shownIn: same('%'), step: 0.1, signed: true },
  count: { name: 'count', shownIn: same(''), step: 1, signed: false },
}

/**
 * Kind of a difference of two values of a kind: a spread, a wear, a change, an error, a step. The same but for temperatures,
 * because the scale of °F does not begin where that of °C does: 1 K is 1.8 °F of difference, and a body at 1 °C has 33.8 °F.
 */
export const differenceOf = (kind: QuantityKind): QuantityKind => (kind === 'temperature' ? 'temperatureDifference' : kind)
