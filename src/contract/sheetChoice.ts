import type { Characteristic } from '../core/book/bookSchema'

/** One measurement to be written down at the bench, and the code that opens the place to type it into, as SVG. */
export interface BlankSheet {
  readonly characteristic: Characteristic
  readonly part: string
  readonly code: string
}

/** What is chosen of record sheets, in their address. */
export interface SheetChoice {
  /** Of one part; null: of all. */
  readonly part: string | null
  readonly size: 'a4' | 'a5'
  readonly limits: boolean
}

export const sheetChoice = (asked: URLSearchParams): SheetChoice => ({
  part: asked.get('part') || null,
  size: asked.get('size') === 'a5' ? 'a5' : 'a4',
  limits: asked.get('limits') !== 'no',
})
