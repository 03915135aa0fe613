import { negate } from '../../quantity/interval'
import { absoluteOf, exactly, type Known, largestOf, over } from '../known'
import { slotKey, slotLabel, slotsOf } from '../layout'
import type { Method } from '../method'
import type { MethodFault, Reduced, Reductions } from '../reduction'
import { reduceAlignment, reduceGapAtPositions, reduceRunout } from './around'
import { reduceCapPinch, reduceRingGap, reduceStrip } from './bearing'
import { reduceComputed } from './computed'
import { reduceBenchTest, reduceContact, reduceElements, reduceLookedAt, reduceMarks, reduceTorque } from './counted'
import { reduceDiameter } from './diameter'
import { type Sheet, sheetOf } from './places'
import { type PointsOptions, pointValues, quantityOfPoints } from './points'
import { reduceEndFloat, reduceOpeningPressure, reduceRadialPlay, reduceSpring } from './repeated'
import {
  give,
  giveWear,
  holderOf,
  type Outcome,
  type ReduceInput,
  type TakenReading,
  taken,
  term,
  type Values,
  wornFrom,
} from './taken'

export { stripClearanceOf } from './bearing'
export type { TakenReading } from './taken'

export interface ReduceContext {
  /** New size, exact; or how an earlier overhaul left it, with its doubt. */
  readonly nominal: number | Known | null
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
  readonly resultOf?: (characteristic: string, value: string) => Reduced | null
  /** Places that cannot be measured, and those to which nothing applies. */
  readonly marked?: { readonly cannot: readonly string[]; readonly notApplicable: readonly string[] }
  /** Standard uncertainties the guard band is wide; 0 under simple acceptance. */
  readonly guard?: number
}

/** Reduces the standing readings of one characteristic by its method. No readings give no values. */
export function reduceReadings(method: Method, readings: readonly TakenReading[], context: ReduceContext): Reductions {
  const all = slotsOf(method)
  const read = new Set(readings.map(slotKey))
  const cannot = context.marked?.cannot ?? []
  const notApplicable = new Set(context.marked?.notApplicable)
  const slots = all.filter((slot) => !notApplicable.has(slotKey(slot)))
  const input = {
    method,
    readings: inWalkingOrder(readings, all),
    slots,
    nominal: typeof context.nominal === 'number' ? exactly(context.nominal) : context.nominal,
    runsIn: context.runsIn,
    resultOf: context.resultOf ?? (() => null),
    guard: context.guard ?? 0,
  }
  const { values, faults } =
    readings.length === 0 && method.kind !== 'computed' ? { values: {}, faults: [] } : reduceByKind(input)
  return {
    values,
    faults: [...doubtFaults(method, input.readings), ...faults],
    taken: slots.filter((slot) => read.has(slotKey(slot))).length,
    needed: slots.length,
    cannot: cannot.length,
  }
}

/** Readings that nothing says the doubt of: they are kept, and settle nothing. */
function doubtFaults(method: Method, readings: readonly TakenReading[]): MethodFault[] {
  return (['noGauge', 'otherGauge', 'notUnderstood'] as const).flatMap((code): MethodFault[] => {
    const slots = readings.filter(({ doubt }) => doubt === code).map((reading) => slotLabel(method, reading))
    return slots.length === 0 ? [] : [{ code, slots }]
  })
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
  const { method, readings, nominal, guard } = input
  const sheet = sheetOf(input, limit)
  const quantity = quantityOfPoints(method, readings)
  const { values, ...extremes } = pointValues(sheet.places, sheet.taken, { quantity, guard, spread })
  if (method.kind === 'straightness') giveFarthest(values, sheet, nominal, guard)
  else giveWear(values, method, extremes, nominal, guard)
  return { values, faults: sheet.faults }
}

/** A line is left to either side: what lies below it is as far off as what stands above. */
function giveFarthest(values: Values, { places, taken: read }: Sheet, nominal: Known | null, guard: number): void {
  if (nominal === null || read.length === 0) return
  const off = read.map((place) => ({ place, interval: taken(absoluteOf(place.known)) }))
  const { place, interval } = holderOf(off, 'largest')
  const farthest = over(
    places.map(({ known }) => absoluteOf(known)),
    largestOf,
  )
  give(values, 'wear', farthest && wornFrom(farthest, nominal, 'larger', guard), {
    quantity: 'length',
    where: place.label,
    sum: [term('farthest off', interval, 'length'), term('less new', negate(taken(nominal)), 'length')],
  })
}
