import { slotKey, slotsOf } from '../layout'
import type { Method } from '../method'
import type { Reduced, Reductions } from '../reduction'
import { reduceAlignment, reduceGapAtPositions, reduceRunout } from './around'
import { reduceCapPinch, reduceRingGap, reduceStrip } from './bearing'
import { reduceComputed } from './computed'
import { reduceBenchTest, reduceContact, reduceElements, reduceLookedAt, reduceMarks, reduceTorque } from './counted'
import { reduceDiameter } from './diameter'
import { type PointsOptions, placeMeans, pointValues, quantityOfPoints } from './points'
import { reduceEndFloat, reduceOpeningPressure, reduceRadialPlay, reduceSpring } from './repeated'
import { type Outcome, type ReduceInput, type TakenReading, wearOf } from './taken'

export { stripClearanceOf } from './bearing'
export type { TakenReading } from './taken'

export interface ReduceContext {
  readonly nominal: number | null
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
  readonly resultOf?: (characteristic: string, value: string) => Reduced | null
  readonly commonOf?: ReduceInput['commonOf']
  /** Places that cannot be measured, and those to which nothing applies. */
  readonly marked?: { readonly cannot: readonly string[]; readonly notApplicable: readonly string[] }
}

/** Reduces the standing readings of one characteristic by its method. No readings give no values. */
export function reduceReadings(method: Method, readings: readonly TakenReading[], context: ReduceContext): Reductions {
  const slots = slotsOf(method)
  const taken = new Set(readings.map(slotKey))
  const cannot = context.marked?.cannot ?? []
  const notApplicable = new Set(context.marked?.notApplicable)
  const needed = slots.filter((slot) => !notApplicable.has(slotKey(slot)))
  const done = needed.filter((slot) => taken.has(slotKey(slot))).length
  const input = {
    method,
    readings: inWalkingOrder(readings, slots),
    complete: done === needed.length,
    nominal: context.nominal,
    runsIn: context.runsIn,
    resultOf: context.resultOf ?? (() => null),
    commonOf: context.commonOf ?? (() => null),
  }
  const { values, faults } =
    readings.length === 0 && method.kind !== 'computed' ? { values: {}, faults: [] } : reduceByKind(input)
  return { values, faults, taken: done, needed: needed.length, cannot: cannot.length }
}

/** Results must not depend on the order in which readings came in, not even in the last digit of a sum. */
function inWalkingOrder(readings: readonly TakenReading[], slots: ReturnType<typeof slotsOf>): readonly TakenReading[] {
  const order = new Map(slots.map((slot, index) => [slotKey(slot), index]))
  const rank = (reading: TakenReading): number => order.get(slotKey(reading)) ?? slots.length + reading.repeat
  return [...readings].sort((a, b) => rank(a) - rank(b))
}

interface AnyInput extends Omit<ReduceInput, 'method'> {
  readonly method: Method
}

function reduceByKind(input: AnyInput): Outcome {
  const { method } = input
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return reduceDiameter({ ...input, method })
    case 'size':
      return reducePoints(input, method.repeatabilityLimit, 'parallelism')
    case 'grooveWidth':
    case 'sideClearance':
    case 'shellCrush':
    case 'backlash':
    case 'remaining':
    case 'meter':
      return reducePoints(input, method.repeatabilityLimit, 'variation')
    case 'straightness':
      return reducePoints(input, method.repeatabilityLimit, 'totalIndicated')
    case 'setDimension':
      return reducePoints(input, method.repeatabilityLimit, 'variation')
    case 'ringEndGap':
      return reduceRingGap({ ...input, method })
    case 'gapAtPositions':
      return reduceGapAtPositions({ ...input, method })
    case 'endFloat':
      return reduceEndFloat({ ...input, method })
    case 'radialPlay':
      return reduceRadialPlay({ ...input, method })
    case 'runout':
      return reduceRunout({ ...input, method })
    case 'plasticStrip':
      return reduceStrip({ ...input, method })
    case 'capPinch':
      return reduceCapPinch({ ...input, method })
    case 'alignment':
      return reduceAlignment({ ...input, method })
    case 'contactPattern':
      return reduceContact({ ...input, method })
    case 'spring':
      return reduceSpring({ ...input, method })
    case 'openingPressure':
      return reduceOpeningPressure({ ...input, method })
    case 'torque':
      return reduceTorque({ ...input, method })
    case 'markAlignment':
      return reduceMarks({ ...input, method })
    case 'elements':
      return reduceElements({ ...input, method })
    case 'benchTest':
      return reduceBenchTest({ ...input, method })
    case 'lookedAt':
      return reduceLookedAt({ ...input, method })
    case 'computed':
      return reduceComputed({ ...input, method })
  }
}

/** Methods that read points one after the other: extremes, mean, median, spread, wear of the judged extreme. */
function reducePoints(input: AnyInput, limit: number | null, spread: PointsOptions['spread']): Outcome {
  const { method, readings, complete, nominal } = input
  const { places, faults } = placeMeans(method, readings, limit)
  const values = pointValues(places, readings, { complete, quantity: quantityOfPoints(method, readings), spread })
  return { values: { ...values, ...wearOf(method, values, nominal) }, faults }
}
