import type { BookFaultAt } from './bookFault'
import type { LimitBook } from './bookShapeSchema'
import { faultsOf } from './faults'
import { healed, type ShapeIssue } from './healed'
import { isUnder, valueAt } from './path'
import { type BookWarningAt, bookWarnings } from './warnings'

export interface CheckedBook {
  /** The book, where nothing is wrong with it. */
  readonly book: LimitBook | null
  /** Places whose shape is wrong: missing, of another kind, beyond its bounds. */
  readonly shape: readonly ShapeIssue[]
  /** What does not hold together. */
  readonly faults: readonly BookFaultAt[]
  /** What may be meant so, and most often is not. */
  readonly warnings: readonly BookWarningAt[]
}

/**
 * Checks a limit book as it was written, all of it at once: a place whose shape is wrong hides nothing that is wrong
 * elsewhere. A book with neither shape nor faults can be read, and every limit of it can be settled.
 */
export function checkBook(file: unknown): CheckedBook {
  const { book, issues, stoodIn, placeOf } = healed(file)
  if (book === null) return { book: null, shape: issues, faults: [], warnings: [] }
  // Nothing is said of what stands in for something else, nor of names that were there and could not be read.
  const unread = new Set(stoodIn.flatMap((path) => idsIn(valueAt(file, path))))
  const isSure = ({ path, fault }: BookFaultAt): boolean =>
    !stoodIn.some((one) => isUnder(path, one) || isUnder(one, path)) && !textsIn(fault).some((text) => unread.has(text))
  const faults = faultsOf(book)
    .map(({ path, fault }) => ({ path: placeOf(path), fault }))
    .filter((one) => issues.length === 0 || isSure(one))
  const isRight = issues.length === 0 && faults.length === 0
  return { book: isRight ? book : null, shape: issues, faults, warnings: isRight ? bookWarnings(book) : [] }
}

/** Ids in something that could not be read as it stands. */
function idsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  const id = typeof value === 'object' && value !== null ? (value as { readonly id?: unknown }).id : undefined
  return typeof id === 'string' ? [id] : []
}

function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(textsIn) : []
}
