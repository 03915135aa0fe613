/** What the server answers about limit books. */

import type { LimitBook } from '../core/book/bookSchema'
import type { ChangedEntry } from '../core/book/compare'
import type { Field, ListFields } from '../core/book/shape'
import type { UnderBook } from '../core/job/underBook'
import type { UnitSystem } from '../core/quantity/unitSystem'

/** A book that was taken from a file, with what reads like a slip in it. */
export interface ImportedBook {
  readonly id: string
  readonly revision: string
  readonly stored: boolean
  readonly warnings: readonly BookNote[]
}

/** Something to look at in a book, where it stands. */
export interface BookNote {
  readonly place: string
  readonly says: string
}

interface MachineName {
  readonly id: string
  readonly name: string
  readonly station: string
}

interface RevisionLine {
  readonly revision: string
  /** Null for a draft. */
  readonly issued: string | null
  readonly retired: boolean
  readonly storedAt: string
}

export interface BookLineView {
  readonly id: string
  readonly title: string
  /** Oldest first. */
  readonly revisions: readonly RevisionLine[]
  readonly machines: readonly MachineName[]
}

/** Every family of limit books. */
export interface BooksView {
  readonly books: readonly BookLineView[]
  readonly mayImport: boolean
  /** Machines that are in no book yet. */
  readonly machines: readonly MachineName[]
}

/** One revision of a limit book as it is read. */
export interface BookPage {
  readonly book: LimitBook
  readonly units: UnitSystem
  readonly revisions: readonly RevisionLine[]
  readonly retired: boolean
  readonly machines: readonly MachineName[]
  /** Jobs that are open on a revision of it. */
  readonly jobs: readonly {
    readonly id: string
    readonly title: string
    readonly machine: string
    readonly revision: string | null
  }[]
  readonly faults: readonly BookNote[]
  readonly warnings: readonly BookNote[]
  /** Limits that no second person has agreed to. */
  readonly toCheck: number
  readonly drafters: readonly string[]
  readonly isLatestDraft: boolean
  readonly may: { readonly issue: boolean; readonly change: boolean }
}

/** The draft that is written on: the latest, or what was issued last where nothing is drafted. */
export interface BookEditView {
  readonly book: LimitBook
  readonly revision: string
  readonly units: UnitSystem
  /** What each of its lists, and the book itself, may say. */
  readonly lists: readonly ListFields[]
  readonly about: readonly Field[]
}

/** What another revision would make of a job. */
export interface BookUse extends UnderBook {
  readonly machine: { readonly id: string; readonly name: string }
  readonly job: { readonly id: string; readonly title: string; readonly revision: string }
  /** The last signed one, not one that is open. */
  readonly isLast: boolean
}

export interface ComparisonView {
  readonly from: LimitBook
  readonly to: LimitBook
  readonly units: UnitSystem
  readonly revisions: readonly string[]
  /** It was started from a book of another family. */
  readonly hasOrigin: boolean
  readonly changes: readonly ChangedEntry[]
  readonly uses: readonly BookUse[]
  readonly mayUse: boolean
}
