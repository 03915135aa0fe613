import type { UnitSystem } from './unitSystem'

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
  'hardnessVickers',
  'hardnessRockwell',
  'percent',
  'count',
] as const
export type QuantityKind = (typeof quantityKinds)[number]

interface KindFacts {
  /** Unit a bare figure takes and results are shown in, per system; ids of `units.ts`. */
  readonly shownIn: Readonly<Record<UnitSystem, string>>
  /** Step its figures are shown to where nothing says otherwise, in the fixed unit. */
  readonly step: number
  /** Whether a value below zero can be meant without a sign being a deviation. */
  readonly signed: boolean
  /**
   * Steps of the fixed unit per one of it to which a value is rounded before it is compared with a limit: far below what
   * any gauge of the kind tells apart, far above what doubles get wrong. Stored results are ten times finer.
   */
  readonly comparedPer: number
}

const MILLIONTH = 1e6

const same = (unit: string): Readonly<Record<UnitSystem, string>> => ({ metric: unit, inch: unit })

export const quantityFacts: Readonly<Record<QuantityKind, KindFacts>> = {
  length: { shownIn: { metric: 'mm', inch: 'in' }, step: 0.001, signed: false, comparedPer: MILLIONTH },
  angle: { shownIn: same('°'), step: 0.1, signed: true, comparedPer: MILLIONTH },
  torque: { shownIn: { metric: 'N·m', inch: 'lbf·ft' }, step: 1, signed: false, comparedPer: MILLIONTH },
  force: { shownIn: { metric: 'N', inch: 'lbf' }, step: 1, signed: false, comparedPer: MILLIONTH },
  pressure: { shownIn: { metric: 'bar', inch: 'psi' }, step: 0.1, signed: true, comparedPer: 1e9 },
  stiffness: {
    shownIn: { metric: 'N/mm', inch: 'lbf/in' },
    step: 0.01,
    signed: false,
    comparedPer: MILLIONTH,
  },
  slope: { shownIn: same('mm/m'), step: 0.001, signed: true, comparedPer: MILLIONTH },
  temperature: { shownIn: { metric: '°C', inch: '°F' }, step: 0.1, signed: true, comparedPer: MILLIONTH },
  temperatureDifference: {
    shownIn: { metric: 'K', inch: '°F' },
    step: 0.1,
    signed: true,
    comparedPer: MILLIONTH,
  },
  mass: { shownIn: { metric: 'kg', inch: 'lb' }, step: 0.001, signed: false, comparedPer: 1e9 },
  resistance: { shownIn: same('MΩ'), step: 0.1, signed: false, comparedPer: 1e12 },
  velocity: {
    shownIn: { metric: 'mm/s', inch: 'in/s' },
    step: 0.1,
    signed: false,
    comparedPer: MILLIONTH,
  },
  flow: { shownIn: same('l/min'), step: 0.1, signed: false, comparedPer: MILLIONTH },
  time: { shownIn: same('s'), step: 0.1, signed: false, comparedPer: MILLIONTH },
  hardness: { shownIn: same('HB'), step: 1, signed: false, comparedPer: MILLIONTH },
  // Scales of hardness do not convert into each other: each is a quantity of its own.
  hardnessVickers: { shownIn: same('HV'), step: 1, signed: false, comparedPer: MILLIONTH },
  hardnessRockwell: { shownIn: same('HRC'), step: 0.5, signed: false, comparedPer: MILLIONTH },
  percent: { shownIn: same('%'), step: 0.1, signed: true, comparedPer: MILLIONTH },
  count: { shownIn: same(''), step: 1, signed: false, comparedPer: MILLIONTH },
}

/**
 * Kind of a difference of two values of a kind: a spread, a wear, a change, an error, a step. The same but for temperatures,
 * because the scale of °F does not begin where that of °C does: 1 K is 1.8 °F of difference, and a body at 1 °C has 33.8 °F.
 */
export const differenceOf = (kind: QuantityKind): QuantityKind => (kind === 'temperature' ? 'temperatureDifference' : kind)
