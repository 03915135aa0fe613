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

/** One place for one reading. */
export interface Slot {
  readonly station: string
  readonly direction: string
  readonly repeat: number
}

export const slotOf = ({ station, direction, repeat }: Slot): Slot => ({ station, direction, repeat })

export const slotKey = (slot: Slot): string => `${slot.station}/${slot.direction}/${slot.repeat}`

/** Stands where a method has no station or no direction. */
export const NO_PLACE = '-'
