import type { Slot } from '../../core/method/layout'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { MarkState } from './drawing'

export interface SketchProps {
  /** The slot to be read now. */
  readonly active: Slot | null
  /** Places read already: “station/direction”, and “station/direction/repeat” for repeats. */
  readonly taken: ReadonlySet<string>
  /** Units the machine is measured in. */
  readonly system: UnitSystem
  /** What was read, by “station/direction/repeat”. */
  readonly values: ReadonlyMap<string, number>
}

/** How a station stands, whatever its direction. */
export function stationMark({ active, taken }: SketchProps, station: string): MarkState {
  if (active?.station === station) return 'now'
  return [...taken].some((key) => key.startsWith(`${station}/`)) ? 'taken' : 'open'
}

/** How one place stands. */
export function placeMark({ active, taken }: SketchProps, station: string, direction = '-'): MarkState {
  if (active?.station === station && active.direction === direction) return 'now'
  return taken.has(`${station}/${direction}`) ? 'taken' : 'open'
}

export const repeatMark = ({ active, taken }: SketchProps, repeat: number): MarkState =>
  active?.repeat === repeat
    ? 'now'
    : [...taken].some((key) => key.endsWith(`/${repeat}`) && key.split('/').length === 3)
      ? 'taken'
      : 'open'

export const valueAt = ({ values }: SketchProps, station: string, direction = '-', repeat = 1): number | undefined =>
  values.get(`${station}/${direction}/${repeat}`)

/** Evenly spread x positions between two ends. */
export const spread = (count: number, from: number, to: number): number[] =>
  Array.from({ length: count }, (_, index) => (count === 1 ? (from + to) / 2 : from + ((to - from) * index) / (count - 1)))

/** A point on a circle, for an angle clockwise from the top. */
export const onCircle = (cx: number, cy: number, radius: number, angleDeg: number): { x: number; y: number } => {
  const turn = (angleDeg * Math.PI) / 180
  return { x: cx + radius * Math.sin(turn), y: cy - radius * Math.cos(turn) }
}
