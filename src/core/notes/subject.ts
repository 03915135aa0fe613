import type { EntryBody } from './entrySchema'

/**
 * What an entry is about. Two people who write about the same subject without having seen each other's entry are in
 * conflict: the second is told and chooses.
 */
export function subjectOf(body: EntryBody): string {
  switch (body.kind) {
    case 'planTicked':
      return `plan:${body.item}`
    case 'stepDone':
    case 'stepSkipped':
    case 'stepNotApplicable':
    case 'stepNotApplicableAgreed':
    case 'stepReopened':
    case 'stepAdded':
      return `step:${body.step}`
    case 'stepMoved':
      return `order:${body.step}`
    case 'waitStarted':
      return `wait:${body.step}`
    case 'tagWritten':
      return `tag:${body.position}`
    case 'laidOut':
    case 'putBack':
      return `place:${body.position}`
    case 'positionAdded':
    case 'positionMoved':
      return `position:${body.position}`
    case 'jointMarked':
      return `joint:${body.joint}`
    case 'thicknessTaken':
      return `thickness:${body.position}`
    case 'identified':
      return `identity:${body.position}`
    case 'putIn':
    case 'takenOut':
      return `temporary:${body.temporary}`
    case 'lookedAt':
      return `looked:${body.part}`
    case 'findingRecorded':
    case 'findingWithdrawn':
      return `finding:${body.finding}`
    case 'causeRecorded':
      return `cause:${body.finding}`
    case 'measurementPlanned':
      return `measurement:${body.characteristic}`
    case 'patternRecorded':
      return `pattern:${body.pattern}`
    case 'handTested':
      return `handTest:${body.test}`
    case 'pictureAdded':
    case 'pictureRemoved':
      return `picture:${body.picture}`
    case 'pictureMarked':
      return `marks:${body.picture}`
    case 'characteristicTyped':
    case 'characteristicDropped':
      return `characteristic:${body.characteristic}`
    case 'limitsChecked':
      return `check:${body.characteristic}`
    case 'readingNoted':
      return `note:${body.reading}`
    case 'complaintExplained':
    case 'complaintGone':
      return 'complaint'
  }
}

/** Counting in and out adds up, so two people counting the same thing do not overwrite each other. */
export const addsUp = (body: EntryBody): boolean =>
  body.kind === 'putIn' || body.kind === 'takenOut' || body.kind === 'pictureAdded' || body.kind === 'waitStarted'

/** Id of the entry that stands on each subject: the last one. */
export function standingOn(entries: readonly { readonly id: string; readonly body: EntryBody }[]): Map<string, string> {
  return new Map(entries.map(({ id, body }) => [subjectOf(body), id]))
}
