import { thingAdded, thingDropped } from './kinds/added'
import { complaintExplained, complaintGone } from './kinds/complaint'
import {
  causeRecorded,
  findingRecorded,
  findingWithdrawn,
  handTested,
  inspected,
  measurementPlanned,
  patternRecorded,
} from './kinds/findings'
import { pictureAdded, pictureMarked, pictureRemoved } from './kinds/pictures'
import { planTicked } from './kinds/plan'
import { readingNoted } from './kinds/readings'
import { sidesSaid } from './kinds/sides'
import { identified, thicknessTaken } from './kinds/sizes'
import {
  stepAdded,
  stepDone,
  stepMoved,
  stepNotApplicable,
  stepNotApplicableAgreed,
  stepReopened,
  stepSkipped,
  waitStarted,
} from './kinds/steps'
import { jointMarked, laidOut, positionAdded, positionMoved, putBack, tagWritten } from './kinds/strip'
import { putIn, takenOut } from './kinds/temporaries'
import { characteristicDropped, characteristicTyped, limitsChecked } from './kinds/typed'
import { variantSaid } from './kinds/variants'
import type { NoteKindOf } from './noteKind'

/** Every kind of note there is. One more is a module in `kinds` and a line here. */
export const noteKinds = {
  planTicked,
  stepDone,
  stepSkipped,
  stepNotApplicable,
  stepNotApplicableAgreed,
  stepReopened,
  stepAdded,
  stepMoved,
  waitStarted,
  tagWritten,
  laidOut,
  putBack,
  positionAdded,
  positionMoved,
  jointMarked,
  thicknessTaken,
  identified,
  putIn,
  takenOut,
  inspected,
  findingRecorded,
  findingWithdrawn,
  causeRecorded,
  measurementPlanned,
  patternRecorded,
  handTested,
  pictureAdded,
  pictureMarked,
  pictureRemoved,
  characteristicTyped,
  characteristicDropped,
  limitsChecked,
  thingAdded,
  thingDropped,
  variantSaid,
  sidesSaid,
  readingNoted,
  complaintExplained,
  complaintGone,
} as const

type Kinds = typeof noteKinds

/** What is noted, as it is written down. */
export type EntryBody = { [K in keyof Kinds]: Kinds[K] extends NoteKindOf<infer B> ? B : never }[keyof Kinds]
export type EntryKind = keyof Kinds

/** What belongs to the kind of a note. Each kind is asked only with notes of its own, which the union cannot say. */
export const noteKindOf = <B extends EntryBody>(body: B): NoteKindOf<B> => noteKinds[body.kind] as unknown as NoteKindOf<B>
