import type { StripScalePoint } from './plasticStrip'

/** A place readings are taken at: a station along the part, a direction around it, a segment of a ring. */
export interface Place {
  readonly id: string
  readonly label: string
}

interface DiameterLayout {
  readonly stations: readonly Place[]
  readonly directions: readonly Place[]
  /** The order in which a person walks: turn the gauge at each station, or run along the part in each direction. */
  readonly walk: 'stationFirst' | 'directionFirst'
}

/** A measuring method as a limit book sets it up for one characteristic. Lengths in mm. */
export type Method =
  | ({ readonly kind: 'outsideDiameter' } & DiameterLayout)
  | ({ readonly kind: 'boreDiameter'; readonly masterMm: number | null } & DiameterLayout)
  | {
      readonly kind: 'plasticStrip'
      readonly stations: readonly Place[]
      /** Direction the clearance lies in, as the bore and journal name it: the strip lies at the crown. */
      readonly direction: Place
      readonly scale: readonly StripScalePoint[]
      readonly scaleUncertaintyMm: number
    }
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
  | { readonly kind: 'endFloat'; readonly repeatsAtLeast: number; readonly repeatabilityLimitMm: number }

export type MethodKind = Method['kind']

/** One place for one reading. */
export interface Slot {
  readonly station: string
  readonly direction: string
  readonly repeat: number
}

export const slotKey = (slot: Slot): string => `${slot.station}/${slot.direction}/${slot.repeat}`

const NO_PLACE = '-'

/** The slots a method asks for, in walking order. Repeats beyond the least number are allowed and not listed. */
export function layoutOf(method: Method): readonly Slot[] {
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return method.walk === 'stationFirst'
        ? method.stations.flatMap((s) => method.directions.map((d) => ({ station: s.id, direction: d.id, repeat: 1 })))
        : method.directions.flatMap((d) => method.stations.map((s) => ({ station: s.id, direction: d.id, repeat: 1 })))
    case 'plasticStrip':
      return method.stations.map((s) => ({ station: s.id, direction: method.direction.id, repeat: 1 }))
    case 'ringEndGap':
      return method.segments.map((s) => ({ station: s.id, direction: NO_PLACE, repeat: 1 }))
    case 'endFloat':
      return Array.from({ length: method.repeatsAtLeast }, (_, index) => ({
        station: NO_PLACE,
        direction: NO_PLACE,
        repeat: index + 1,
      }))
  }
}

/** Most repeats one set may hold; more is a sign that the set should be taken anew. */
const MOST_REPEATS = 12

/** Whether a reading may be taken at this slot under this method. */
export function acceptsSlot(method: Method, slot: Slot): boolean {
  if (method.kind === 'endFloat')
    return slot.station === NO_PLACE && slot.direction === NO_PLACE && slot.repeat >= 1 && slot.repeat <= MOST_REPEATS
  return layoutOf(method).some((wanted) => slotKey(wanted) === slotKey(slot))
}

/** What a person calls the slot: “B · middle, 2 level”, “repeat 3”. */
export function slotLabel(method: Method, slot: Slot): string {
  const labelOf = (places: readonly Place[], id: string): string => places.find((place) => place.id === id)?.label ?? id
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return `${slot.station} ${labelOf(method.stations, slot.station)}, ${slot.direction} ${labelOf(method.directions, slot.direction)}`
    case 'plasticStrip':
      return `${slot.station} ${labelOf(method.stations, slot.station)}`
    case 'ringEndGap':
      return labelOf(method.segments, slot.station)
    case 'endFloat':
      return `repeat ${slot.repeat}`
  }
}

/** Which way the judged size moves as the part wears. */
export function wearsTowards(method: Method): 'larger' | 'smaller' {
  switch (method.kind) {
    case 'outsideDiameter':
      return 'smaller'
    case 'ringEndGap':
      return method.springs === 'outward' ? 'larger' : 'smaller'
    case 'boreDiameter':
    case 'plasticStrip':
    case 'endFloat':
      return 'larger'
  }
}

export const methodName: Record<MethodKind, string> = {
  outsideDiameter: 'Outside diameter',
  boreDiameter: 'Bore diameter',
  plasticStrip: 'Clearance by plastic strip',
  ringEndGap: 'Ring end gap',
  endFloat: 'End float',
}
