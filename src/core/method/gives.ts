import type { QuantityKind } from '../quantity/kind'
import { differenceOf, quantityFacts } from '../quantity/kind'
import { quantityAt } from './layout'
import type { Method } from './method'
import type { ReductionName } from './reduction'

type Gives = Partial<Record<ReductionName, QuantityKind>>

const points = (quantity: QuantityKind): Gives => ({ maximum: quantity, minimum: quantity, mean: quantity, median: quantity })
const repeats = (quantity: QuantityKind): Gives => ({ mean: quantity, maximum: quantity, minimum: quantity, range: quantity })

/** The values a method can reduce its readings to, each with its kind of quantity: what a limit of it may judge. */
export function givesOf(method: Method): Gives {
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
      return { damaged: 'count', adjacentDamaged: 'count', worstWorn: 'percent' }
    case 'benchTest':
      return { ...points(method.quantity), variation: differenceOf(method.quantity), failedPoints: 'count' }
    case 'lookedAt':
      return { notAsWanted: 'count' }
    case 'computed':
      return { result: method.quantity, wear: differenceOf(method.quantity) }
  }
}

/** Kind of quantity of the characteristic itself: that of its readings, its new size and its plain figures. */
export const quantityOf = (method: Method): QuantityKind => {
  if (method.kind === 'computed') return method.quantity
  return quantityAt(method, { station: '' })
}

/** Kind of quantity of one reduced value. */
export const quantityOfValue = (method: Method, name: ReductionName): QuantityKind => givesOf(method)[name] ?? quantityOf(method)

/** Step one reduced value is shown to: the characteristic's own where it is of the same kind as its readings. */
export function stepOf(method: Method, showTo: number, quantity: QuantityKind): number {
  const own = quantityOf(method)
  return quantity === own || quantity === differenceOf(own) ? showTo : quantityFacts[quantity].step
}
