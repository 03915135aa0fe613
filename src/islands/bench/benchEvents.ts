// What the bench holds in hand, what is done there, and what it must know for it.
import type { LimitBook } from '../../core/book/bookSchema'
import type { Slot } from '../../core/method/layout'
import type { ParsedReading } from '../../core/quantity/reading'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { Reading } from '../../core/record/recordSchema'
import type { Stage } from '../../core/record/stage'
import type { SlipQuestion } from '../../core/slip/slip'

/** What is being done at the place: reading it, correcting it, saying that it cannot be read, reading a whole set again. */
export type Mode =
  | { readonly kind: 'read' }
  | { readonly kind: 'correct'; readonly of: Reading; readonly reason: string }
  | { readonly kind: 'cannot'; readonly reason: string }
  | { readonly kind: 'retake'; readonly reason: string; readonly begun: boolean; readonly done: ReadonlySet<string> }

/** What a person has at hand at the bench. */
export interface AtHand {
  readonly stage: Stage
  readonly place: { readonly id: string; readonly slot: Slot }
  readonly text: string
  readonly mode: Mode
  /** A warning that is open: nothing is accepted until the suggestion is taken or what was typed is kept. */
  readonly question: SlipQuestion | null
  readonly fault: string | null
  /** A text kept once is not asked about again while its correction waits for a reason. */
  readonly kept: string | null
  /** A characteristic that was just typed, and comes with the next book. */
  readonly awaited: string | null
}

/** What a person, a gauge or the page does. */
export type BenchEvent =
  | { readonly kind: 'typed'; readonly text: string }
  | { readonly kind: 'accept' }
  | { readonly kind: 'acceptAt'; readonly slot: Slot; readonly text: string }
  | { readonly kind: 'sent'; readonly text: string }
  | { readonly kind: 'paint'; readonly slot: Slot; readonly text: string }
  | { readonly kind: 'leavePainted' }
  | { readonly kind: 'takeSuggestion' }
  | { readonly kind: 'keepTyped' }
  | { readonly kind: 'goTo'; readonly characteristic: string; readonly slot?: Slot | undefined }
  | { readonly kind: 'moveBy'; readonly steps: number; readonly from: Slot }
  | { readonly kind: 'step'; readonly parts: number }
  | { readonly kind: 'correct'; readonly slot: Slot }
  | { readonly kind: 'correctLast' }
  | { readonly kind: 'undo' }
  | { readonly kind: 'markCannot' }
  | { readonly kind: 'retake' }
  | { readonly kind: 'another' }
  | { readonly kind: 'setReason'; readonly reason: string }
  | { readonly kind: 'cancel' }
  | { readonly kind: 'gaugeTaken' }
  | { readonly kind: 'measureAt'; readonly stage: Stage }
  | { readonly kind: 'nextStage' }
  | { readonly kind: 'goWhenThere'; readonly characteristic: string }
  /** The book has changed: what was waited for may be in it. */
  | { readonly kind: 'bookCame' }
  /** What waited on this device was looked up, and may have filled the place the page opened at. */
  | { readonly kind: 'lookedUp' }
  | { readonly kind: 'restored'; readonly draft: Pick<AtHand, 'place' | 'stage' | 'text'> }
  | { readonly kind: 'said'; readonly sentence: string }

/** Which question was kept: it is not asked again. */
export type KeptQuestion = 'gauge' | 'clock'

/** What is known where something is done: nothing of it changes while it is done. */
export interface BenchKnown {
  readonly book: LimitBook
  readonly units: UnitSystem
  /** What waits on this device has been looked up; before that a place may seem open that is not. */
  readonly loaded: boolean
  /** Why nothing can be typed here; null when it can. */
  readonly closed: string | null
  readonly person: string
  /** Standing readings of a characteristic at a stage, what was taken back included. */
  standingOf(characteristic: string, stage: Stage): readonly Reading[]
  /** Everything ever read there, oldest first. */
  historyOf(characteristic: string, stage: Stage): readonly Reading[]
  /** What is asked before a reading is stored: about the clock, the gauge in hand, or the figure itself. */
  questionAt(
    slot: Slot,
    text: string,
    value: ParsedReading,
    asked: { readonly figure: boolean; readonly without: KeptQuestion | null },
  ): SlipQuestion | null
  /** What every reading taken now has in common. */
  taking(): Pick<Reading, 'id' | 'takenAt' | 'by' | 'gauge' | 'conditions'>
}

export interface Done {
  readonly state: AtHand
  /** Readings that were accepted, to be stored. */
  readonly keep: readonly Reading[]
  readonly keptQuestion: KeptQuestion | null
}
