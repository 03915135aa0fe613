import type { z } from 'zod'
import type { LimitBook } from '../book/bookSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Added } from './additions'
import type { NotesDraft } from './draft'
import type { NoteFault } from './noteFault'
import type { NoteShaping } from './noteShapingSchema'
import type { OpenSetting } from './settingsBefore'
import type { Noted, NotesState } from './state'
import type { JobStep } from './steps'
import type { Typed } from './typedCharacteristic'

/** What is known where a note is to be taken. */
export interface EntryContext {
  readonly book: LimitBook
  readonly noted: NotesState
  readonly steps: readonly JobStep[]
  readonly planItems: ReadonlySet<string>
  readonly system: UnitSystem
  readonly nowMs: number
  /** Making safe was confirmed as a whole, where the book has no steps for it. */
  readonly confirmedSafe: boolean
  /** Every name under which who writes has noted anything in this job: nobody checks what they typed themselves. */
  readonly author: ReadonlySet<string>
  /** What is typed in this job so far. */
  readonly typed: readonly Typed[]
  /** Fits, routes, rules and lines of the plan added in this job so far. */
  readonly added: readonly Added[]
  /** Routes that a verdict names: they stay. */
  readonly decidedRoutes: ReadonlySet<string>
  readonly settings: readonly OpenSetting[]
  /** Readings of the job by id, with the characteristic they belong to. */
  readonly readings: ReadonlyMap<string, string>
}

/** Everything that belongs to one kind of note. `B` is the note as it is written down. */
export interface NoteKindOf<B> {
  readonly shape: (of: NoteShaping) => z.ZodType<B, unknown>
  /**
   * What it is about. Two people who write about the same subject without having seen each other's note are in conflict:
   * the second is told and chooses.
   */
  subject(body: B): string
  /** It adds to what others note on the same subject, and overwrites nothing of it. */
  readonly addsUp?: true
  /** Why it cannot be taken as things stand; null when it can. */
  refuse(body: B, context: EntryContext): NoteFault | null
  /** What it changes. A note about nothing known changes nothing. */
  apply(body: B, noted: Noted, draft: NotesDraft): void
}
