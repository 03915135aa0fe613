import type { QuantityKind } from '../quantity/kind'
import { differenceOf, quantityFacts } from '../quantity/kind'
import { harmonicWeights } from './harmonics'
import { quantityAt } from './layout'
import type { Method } from './method'
import type { ReductionName } from './reduction'

type Gives = Partial<Record<ReductionName, QuantityKind>>

const points = (quantity: QuantityKind): Gives => ({ maximum: quantity, minimum: quantity, mean: quantity, median: quantity })
const repeats = (quantity: QuantityKind): Gives => ({ mean: quantity, maximum: quantity, minimum: quantity, range: quantity })

/** The values a method can reduce its readings to, whatever its set-up. */
function everyValueOf(method: Method): Gives {
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return {
        maximum: 'length',
        minimum: 'length',
        mean: 'length',
        wear: 'length',
        outOfRound: 'length',
        taper: 'length',
        barrel: 'length',
      }
    case 'size':
      return { ...points('length'), parallelism: 'length', wear: 'length' }
    case 'grooveWidth':
    case 'sideClearance':
    case 'shellCrush':
    case 'backlash':
    case 'remaining':
      return { ...points('length'), variation: 'length', wear: 'length' }
    case 'setDimension':
      return { ...points('length'), variation: 'length' }
    case 'straightness':
      return { ...points('length'), totalIndicated: 'length', wear: 'length' }
    case 'markAlignment':
      return { ...points('angle'), variation: 'angle', largestAngle: 'angle' }
    case 'meter':
      return { ...points(method.quantity), variation: differenceOf(method.quantity), wear: differenceOf(method.quantity) }
    case 'gapAtPositions':
      return {
        ...points('length'),
        variation: 'length',
        wear: 'length',
        oppositeDifference: 'length',
        eccentricity: 'length',
        eccentricityAngle: 'angle',
      }
    case 'ringEndGap':
      return { total: 'length', gapAtWornDiameter: 'length', wear: 'length' }
    case 'endFloat':
      return { ...repeats('length'), wear: 'length' }
    case 'radialPlay':
      return repeats('length')
    case 'runout':
      return {
        totalIndicated: 'length',
        eccentricity: 'length',
        eccentricityAngle: 'angle',
        secondHarmonic: 'length',
        bow: 'length',
      }
    case 'plasticStrip':
      return {
        maximum: 'length',
        minimum: 'length',
        mean: 'length',
        wear: 'length',
        stripTaper: 'length',
        tilt: 'slope',
        sideDifference: 'length',
      }
    case 'capPinch':
      return { maximum: 'length', minimum: 'length', mean: 'length', variation: 'length' }
    case 'alignment':
      return { offset: 'length', offsetAngle: 'angle', angularity: 'slope', angularityAngle: 'angle' }
    case 'contactPattern':
      return { contactPercent: 'percent', contactEnds: 'percent', contactSides: 'percent' }
    case 'spring':
      return { springRate: 'stiffness', loadAtWorking: 'force', loadLoss: 'percent', freeLength: 'length', lean: 'length' }
    case 'openingPressure':
      return { ...repeats('pressure'), adjustment: 'pressure', drips: 'count', pressureFall: 'pressure' }
    case 'torque':
      return { ...points('torque'), variation: 'torque', lowestOfTarget: 'percent', highestOfTarget: 'percent' }
    case 'elements':
      return { damaged: 'count', adjacentDamaged: 'count', worstWorn: 'percent', broken: 'count', worstOfRest: 'percent' }
    case 'benchTest':
      return { ...points(method.quantity), variation: differenceOf(method.quantity), failedPoints: 'count' }
    case 'lookedAt':
      return { notAsWanted: 'count' }
    case 'computed':
      return { result: method.quantity, wear: differenceOf(method.quantity) }
  }
}

/** What a value needs of the set-up to exist at all; values not named here need nothing. */
function canBeGiven(method: Method, name: ReductionName): boolean {
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      if (name === 'outOfRound') return method.directions.length >= 2
      if (name === 'taper') return method.stations.length >= 2
      return name !== 'barrel' || method.stations.length >= 3
    case 'gapAtPositions': {
      const angles = method.positions.map(({ angleDeg }) => angleDeg)
      if (name === 'eccentricity' || name === 'eccentricityAngle') return harmonicWeights(angles) !== null
      if (name === 'oppositeDifference') return angles.some((a) => angles.some((b) => Math.abs(b - a - 180) < SAME_PLACE_DEG))
      return enoughPoints(name, angles.length)
    }
    case 'runout': {
      const weights = harmonicWeights(method.angles.map(({ angleDeg }) => angleDeg))
      if (name === 'totalIndicated') return method.angles.length >= 2
      if (name === 'secondHarmonic') return weights?.second != null
      if (name === 'bow') return weights !== null && new Set(method.stations.flatMap(({ atMm }) => atMm ?? [])).size >= 3
      return weights !== null
    }
    case 'plasticStrip':
      if (name === 'stripTaper') return method.stations.length >= 2
      if (name === 'tilt') return method.stations.length >= 2 && method.apartMm !== undefined
      return name !== 'sideDifference' || method.sides !== undefined
    case 'capPinch':
      return enoughPoints(name, method.wires.length)
    case 'alignment': {
      const isFace = name === 'angularity' || name === 'angularityAngle'
      return (
        harmonicWeights(method.positions.map(({ angleDeg }) => angleDeg)) !== null && (!isFace || method.faceDiameterMm !== null)
      )
    }
    case 'contactPattern':
      if (name === 'contactEnds') return method.columns.length >= 2
      return name !== 'contactSides' || method.rows.length >= 2
    case 'openingPressure':
      if (name === 'drips') return method.looksForDrip
      return name !== 'pressureFall' || method.holdSeconds !== null
    case 'torque':
      return enoughPoints(name, method.fasteners.length)
    case 'elements':
      return name !== 'adjacentDamaged' || method.groups.some(({ count }) => count >= 2)
    default:
      return 'points' in method ? enoughPoints(name, method.points.length) : true
  }
}

/** Angles computed from a count of places are off by rounding. */
const SAME_PLACE_DEG = 1e-6
const SPREADS: ReadonlySet<ReductionName> = new Set(['parallelism', 'variation', 'totalIndicated'])

const enoughPoints = (name: ReductionName, points: number): boolean =>
  name === 'median' ? points >= 3 : !SPREADS.has(name) || points >= 2

const givesByMethod = new WeakMap<Method, Gives>()

/**
 * The values a method, as it is set up, can reduce its readings to, each with its kind of quantity: what a limit of it may
 * judge. Wear is among them where the method wears; whether there is a size to count it from, the characteristic says.
 */
export function givesOf(method: Method): Gives {
  const known = givesByMethod.get(method)
  if (known) return known
  const all = Object.entries(everyValueOf(method)) as [ReductionName, QuantityKind][]
  const made = Object.fromEntries(all.filter(([name]) => canBeGiven(method, name))) as Gives
  givesByMethod.set(method, made)
  return made
}

/** Whether a value exists for a method at all, so that its set-up is what is wrong where it is not given. */
export const isValueOf = (method: Method, name: string): boolean => name in everyValueOf(method)

/** Kind of quantity of the characteristic itself: that of its readings, its new size and its plain figures. */
export const quantityOf = (method: Method): QuantityKind => {
  if (method.kind === 'computed') return method.quantity
  return quantityAt(method, { station: '' })
}

/** Kind of quantity of one reduced value. */
export const quantityOfValue = (method: Method, name: ReductionName): QuantityKind =>
  everyValueOf(method)[name] ?? quantityOf(method)

/** Step one reduced value is shown to: the characteristic's own where it is of the same kind as its readings. */
export function stepOf(method: Method, showTo: number, quantity: QuantityKind): number {
  const own = quantityOf(method)
  return quantity === own || quantity === differenceOf(own) ? showTo : quantityFacts[quantity].step
}
