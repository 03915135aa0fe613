import type { JobView } from '../../contract/answers'
import type { Characteristic } from '../../core/book/bookSchema'
import type { CrossCheckResult } from '../../core/evaluate/crossChecks'
import type { Doubt } from '../../core/evaluate/doubtful'
import type { CharacteristicResult, FitResult, Measured, Results } from '../../core/evaluate/results'
import type { Slot } from '../../core/method/layout'
import type { TakenReading } from '../../core/method/reduce/reduce'
import type { NotesState } from '../../core/notes/state'
import type { ParsedReading } from '../../core/quantity/reading'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { Stage } from '../../core/record/stage'
import type { Need } from '../../core/scope/need'
import type { SlipQuestion } from '../../core/slip/slip'
import type { Speaker } from '../../core/words/speaker'
import type { Entries } from '../notes/useEntries'
import type { BenchEvent, Mode } from './benchEvents'
import type { Gauge } from './benchRecord'
import type { useConditions } from './gauge/useConditions'
import type { InHand } from './gauge/useGaugeInHand'
import type { GaugeWord } from './gauge/useGaugeWord'
import type { Cable } from './gauge/useSerialGauge'
import type { Delivery } from './typing/localReadings'
import type { Readings } from './typing/useReadings'

export interface BenchProps {
  readonly view: JobView
  /** What is noted around the job from this bench: notes at readings, limits from the manual. */
  readonly notes: Entries
  readonly person: { readonly id: string; readonly name: string }
  /** Date of today, ISO, from the server: gauges lapse by it. */
  readonly today: string
  /** When the server began to read the job, ISO: what was stored since arrives by itself. */
  readonly madeAt: string
  /** Characteristic named in the address, if any. */
  readonly opened: string | null
  /** Stage named in the address, if any. */
  readonly openedStage: string | null
  /** The job comes from this device: no server was reached. */
  readonly offline?: boolean
}

/** What can be done at the bench. Each keeps its identity: what only takes these is not drawn again at a key. */
export interface BenchActs {
  /** Typing, going, correcting, reading again: everything that the reducer decides. */
  does(event: BenchEvent): void
  takeInHand(gaugeId: string): void
  /** A reading refused because somebody read there meanwhile: it is put over theirs, and says so. */
  insist(reading: Reading): Promise<void>
  toggleUnits(): void
  /** Notes something at a reading; a sentence when that cannot be. */
  noteReading(reading: Reading, note: string): Promise<string | null>
}

export interface Bench {
  readonly record: InspectionRecord
  readonly noted: NotesState
  readonly today: string
  readonly stage: Stage
  /** Results with what is typed taken as accepted, so that they move with each key. */
  results(): Results
  /** Whether a characteristic of the book, by its place there, is asked for. */
  needAt(index: number): Need | undefined
  /** What follows for a fit or a cross-check of the book, by its place there. */
  fitAt(index: number): FitResult | undefined
  crossCheckAt(index: number): CrossCheckResult | undefined
  readonly characteristic: Characteristic
  /** Readings that do not go with what is known otherwise. */
  doubts(): readonly Doubt[]
  /** Of the stage that is measured now. */
  readonly result: Measured
  /** As found, with the later stages and what changed between them. */
  readonly whole: CharacteristicResult
  /** Of any characteristic at the stage that is measured now. */
  resultAt(index: number): Measured | undefined
  readonly slots: readonly Slot[]
  readonly repeats: number
  readonly active: Slot
  readonly standing: readonly Reading[]
  /** Standing readings corrected, what is typed included, for drawings. */
  readonly taken: readonly TakenReading[]
  readonly text: string
  readonly fault: string | null
  readonly parsed: ParsedReading | null
  readonly mode: Mode
  /** A warning that is open: Enter accepts nothing until the suggestion is taken or what was typed is kept. */
  readonly question: SlipQuestion | null
  readonly readings: Readings
  readonly gauge: Gauge | undefined
  readonly inHand: InHand
  readonly conditions: ReturnType<typeof useConditions>
  readonly word: GaugeWord
  readonly cable: Cable
  readonly system: UnitSystem
  /** Says reasons and places in the units shown. */
  readonly speaker: Speaker
  /** Why nothing can be typed here; null when it can. */
  readonly closed: string | null
  /** The reading of this characteristic that was taken last. */
  readonly lastTaken: Reading | undefined
  standingAt(slot: Slot): Reading | undefined
  deliveryOf(id: string): Delivery | null
  /** Who took a reading elsewhere since this page came; null for one's own, and for what the page came with. */
  arrivedFrom(id: string): string | null
  /** Readings that cannot be shown before the page comes anew: they need a gauge or a limit that was added since. */
  readonly awaitingReload: number
  /** What is noted at a reading; empty when nothing is. */
  noteAt(reading: Reading): string
  /** What can be done, as one object that stays the same. */
  readonly acts: BenchActs
}
