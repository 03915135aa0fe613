import type { QuantityKind } from '../quantity/kind'
import type { StripScalePoint } from './plasticStrip'

/** A place readings are taken at: a station along the part, a direction around it, a segment of a ring, a fastener. */
export interface Place {
  readonly id: string
  readonly label: string
}

/** A place at an angle, degrees clockwise from the top as seen from where the sheet says. */
export interface ClockPlace extends Place {
  readonly angleDeg: number
}

/** The order in which a person walks: turn the gauge at each station, or run along the part in each direction. */
export type Walk = 'stationFirst' | 'directionFirst'

interface DiameterLayout {
  readonly stations: readonly Place[]
  readonly directions: readonly Place[]
  readonly walk: Walk
}

/** Places read one after the other, each so many times; more repeats are allowed. */
interface PointsLayout {
  readonly points: readonly Place[]
  readonly repeatsAtLeast: number
  /** Greatest range of the repeats at a place for their mean to count; null where the method sets none. */
  readonly repeatabilityLimit: number | null
}

export type WearsTowards = 'larger' | 'smaller'

/** A measuring method as a limit book sets it up for one characteristic. Lengths in mm, other values in the fixed unit of their kind. */
export type Method =
  | ({ readonly kind: 'outsideDiameter' } & DiameterLayout)
  | ({
      readonly kind: 'boreDiameter'
      readonly masterMm: number | null
      /** The master may be off by so much, ±; common to all that is read on it. */
      readonly masterWithinMm?: number | undefined
      /** Station that nothing wears: wear is counted from it where it is read. */
      readonly unworn?: string | undefined
    } & DiameterLayout)
  | ({
      readonly kind: 'size'
      readonly what: 'length' | 'width' | 'thickness' | 'height' | 'depth'
      readonly wears: WearsTowards
    } & PointsLayout)
  | ({ readonly kind: 'grooveWidth' } & PointsLayout)
  | {
      readonly kind: 'ringEndGap'
      /** One segment for a plain ring; a segmented ring is closed up so that its gaps add. */
      readonly segments: readonly Place[]
      readonly springs: 'outward' | 'inward'
      /** Diameter of the ring gauge or unworn place in which the gap is taken. */
      readonly referenceDiameterMm: number
      /** Characteristic whose worn diameter the ring runs in. */
      readonly runsIn: string
    }
  | ({ readonly kind: 'sideClearance' } & PointsLayout)
  | {
      readonly kind: 'gapAtPositions'
      readonly positions: readonly ClockPlace[]
      readonly wears: WearsTowards
    }
  | { readonly kind: 'endFloat'; readonly repeatsAtLeast: number; readonly repeatabilityLimit: number }
  | {
      readonly kind: 'radialPlay'
      readonly repeatsAtLeast: number
      readonly repeatabilityLimit: number
      /** An overhung dial is scaled back to the bearing: distances from the fulcrum, mm. */
      readonly lever: { readonly dialMm: number; readonly bearingMm: number } | null
    }
  | {
      readonly kind: 'runout'
      /** Along the shaft, with the distance of each from the first where the bow is wanted. */
      readonly stations: readonly (Place & { readonly atMm: number | null })[]
      readonly angles: readonly ClockPlace[]
    }
  | {
      readonly kind: 'plasticStrip'
      readonly stations: readonly Place[]
      /** Direction the clearance lies in, as the bore and journal name it: the strip lies at the crown. */
      readonly direction: Place
      /** Widths also read at the strip's ends, besides the crown. */
      readonly sides?: readonly [Place, Place] | undefined
      /** Between the outer stations, mm: gives the tilt along. */
      readonly apartMm?: number | undefined
      readonly scale: readonly StripScalePoint[]
      readonly scaleUncertaintyMm: number
    }
  | {
      readonly kind: 'capPinch'
      readonly shims: readonly Place[]
      readonly wires: readonly Place[]
      /** Greatest difference of the shims for them to count as equal, mm. */
      readonly shimsWithinMm: number
    }
  | ({ readonly kind: 'shellCrush' } & PointsLayout)
  | {
      readonly kind: 'alignment'
      readonly positions: readonly ClockPlace[]
      /** Diameter of the circle on which the face dial runs, mm; null where only the rim is read. */
      readonly faceDiameterMm: number | null
    }
  | ({ readonly kind: 'setDimension' } & PointsLayout)
  | { readonly kind: 'contactPattern'; readonly rows: readonly Place[]; readonly columns: readonly Place[]; readonly walk: Walk }
  | ({ readonly kind: 'straightness' } & PointsLayout)
  | {
      readonly kind: 'spring'
      readonly longerMm: number
      readonly shorterMm: number
      readonly workingMm: number
      /** Load of a new spring at the working length, N. */
      readonly newLoadN: number
      readonly repeatsAtLeast: number
      readonly repeatabilityLimit: number | null
    }
  | {
      readonly kind: 'openingPressure'
      readonly setBar: number
      readonly repeatsAtLeast: number
      readonly repeatabilityLimit: number
      /** The fall of pressure is read after so many seconds; null where no leak test belongs to it. */
      readonly holdSeconds: number | null
      readonly looksForDrip: boolean
    }
  | {
      readonly kind: 'torque'
      readonly fasteners: readonly Place[]
      readonly arranged: 'circle' | 'rows'
      readonly taken: 'loosening' | 'tighteningFurther' | 'final'
      readonly targetNm: number
    }
  | ({ readonly kind: 'markAlignment' } & PointsLayout)
  | ({ readonly kind: 'backlash'; readonly what: 'backlash' | 'toothThickness' | 'span' } & PointsLayout)
  | {
      readonly kind: 'elements'
      /** Rings close on themselves; rows end. Each with its number of elements. */
      readonly groups: readonly (Place & { readonly count: number })[]
      readonly arranged: 'rings' | 'rows'
      readonly element: string
      /** From so much worn on, percent of its size, an element counts as damaged. */
      readonly damagedFromPercent: number
    }
  | ({ readonly kind: 'remaining'; readonly what: string } & PointsLayout)
  | ({ readonly kind: 'meter'; readonly quantity: QuantityKind; readonly wears: WearsTowards } & PointsLayout)
  | {
      readonly kind: 'benchTest'
      readonly quantity: QuantityKind
      readonly points: readonly (Place & { readonly least: number | null; readonly greatest: number | null })[]
    }
  | { readonly kind: 'lookedAt'; readonly points: readonly Place[]; readonly question: string; readonly wanted: 'yes' | 'no' }
  | {
      readonly kind: 'computed'
      readonly formula: string
      /** What each name in the formula stands for: a reduced value of another characteristic. */
      readonly names: Readonly<Record<string, { readonly characteristic: string; readonly value: string }>>
      readonly quantity: QuantityKind
      readonly wears: WearsTowards
    }

export type MethodKind = Method['kind']
export type MethodOf<K extends MethodKind> = Extract<Method, { kind: K }>

export const methodName: Record<MethodKind, string> = {
  outsideDiameter: 'Outside diameter',
  boreDiameter: 'Bore diameter',
  size: 'Length, width, thickness or height',
  grooveWidth: 'Groove width',
  ringEndGap: 'Ring end gap',
  sideClearance: 'Side clearance of ring in groove',
  gapAtPositions: 'Gap at positions',
  endFloat: 'End float',
  radialPlay: 'Radial play',
  runout: 'Runout',
  plasticStrip: 'Clearance by plastic strip',
  capPinch: 'Cap pinch by soft wire',
  shellCrush: 'Shell crush',
  alignment: 'Alignment',
  setDimension: 'Set dimension',
  contactPattern: 'Contact pattern',
  straightness: 'Straightness or squareness',
  spring: 'Spring',
  openingPressure: 'Opening pressure and leak',
  torque: 'Torque of fasteners',
  markAlignment: 'Alignment of marks',
  backlash: 'Backlash, tooth thickness or span',
  elements: 'Pattern of damage',
  remaining: 'Least remaining',
  meter: 'Reading of a meter',
  benchTest: 'Test on a rig',
  lookedAt: 'Go or no-go, looked at',
  computed: 'Computed from other results',
}

/** Which way the judged value moves as the part wears; either where it is set and not worn. */
export function wearsTowards(method: Method): WearsTowards | 'either' {
  switch (method.kind) {
    case 'outsideDiameter':
    case 'spring':
    case 'remaining':
    case 'capPinch':
    case 'shellCrush':
    case 'contactPattern':
      return 'smaller'
    case 'ringEndGap':
      return method.springs === 'outward' ? 'larger' : 'smaller'
    case 'backlash':
      return method.what === 'backlash' ? 'larger' : 'smaller'
    case 'size':
    case 'gapAtPositions':
    case 'meter':
    case 'computed':
      return method.wears
    case 'setDimension':
    case 'openingPressure':
    case 'torque':
    case 'markAlignment':
    case 'benchTest':
    case 'lookedAt':
      return 'either'
    case 'boreDiameter':
    case 'grooveWidth':
    case 'sideClearance':
    case 'plasticStrip':
    case 'endFloat':
    case 'radialPlay':
    case 'runout':
    case 'alignment':
    case 'straightness':
    case 'elements':
      return 'larger'
  }
}
