import { NO_PLACE, type Place, type Slot, type Walk } from './slot'

/** Columns, rows and repeats in which a method's readings stand on the sheet. */
export interface Layout {
  readonly stations: readonly Place[]
  readonly directions: readonly Place[]
  readonly repeats: number
  /** More repeats than the least may be taken. */
  readonly moreRepeats: boolean
  readonly walk: Walk
  /** Places that are not read: a ring of fewer elements than the longest one. */
  readonly without: (slot: Slot) => boolean
}

const nowhere: readonly Place[] = [{ id: NO_PLACE, label: '' }]
const never = (): boolean => false

/** A sheet of one place, read once, but for what is said. */
export const sheet = (part: Partial<Layout>): Layout => ({
  stations: nowhere,
  directions: nowhere,
  repeats: 1,
  moreRepeats: false,
  walk: 'stationFirst',
  without: never,
  ...part,
})

/** A sheet of places read one after the other, each so many times; more repeats are allowed where there are repeats. */
export const sheetOfPoints = (places: readonly Place[], repeats = 1): Layout =>
  sheet({ stations: places, repeats, moreRepeats: repeats > 1 })

export const numbered = (count: number, label: string): Place[] =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: `${label} ${index + 1}` }))
