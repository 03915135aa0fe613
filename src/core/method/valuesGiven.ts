import type { QuantityKind } from '../quantity/kind'
import type { Gives } from './methodKind'
import type { ReductionName } from './reduction'

/** Values of places read one after the other. */
export const pointsGive = (quantity: QuantityKind): Gives => ({
  maximum: quantity,
  minimum: quantity,
  mean: quantity,
  median: quantity,
})
/** Values of repeats of one thing. */
export const repeatsGive = (quantity: QuantityKind): Gives => ({
  mean: quantity,
  maximum: quantity,
  minimum: quantity,
  range: quantity,
})

const SPREADS: ReadonlySet<ReductionName> = new Set(['parallelism', 'variation', 'totalIndicated'])

/** Whether so many places are enough for a value. */
export const enoughPoints = (name: ReductionName, points: number): boolean =>
  name === 'median' ? points >= 3 : !SPREADS.has(name) || points >= 2

export const always = (): boolean => true

const OF_READINGS: ReadonlySet<ReductionName> = new Set(['maximum', 'minimum', 'mean', 'median', 'total', 'gapAtWornDiameter'])
const SHAPES: ReadonlySet<ReductionName> = new Set([
  'outOfRound',
  'taper',
  'parallelism',
  'variation',
  'oppositeDifference',
  'stripTaper',
])

/** Whether a value is a figure like those that are read, so that a reading can be held against its limit. */
export const isOfReadings = (name: ReductionName): boolean => OF_READINGS.has(name)
/** Whether a value is a difference of the places of one set. */
export const isShape = (name: ReductionName): boolean => SHAPES.has(name)
