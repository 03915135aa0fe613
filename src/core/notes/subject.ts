import { type EntryBody, noteKindOf } from './kinds'

/** What an entry is about: two people who write about the same subject without having seen each other's are in conflict. */
export const subjectOf = (body: EntryBody): string => noteKindOf(body).subject(body)

/** It adds to what others note on the same subject, so two people counting the same thing do not overwrite each other. */
export const addsUp = (body: EntryBody): boolean => noteKindOf(body).addsUp ?? false

/** Id of the entry that stands on each subject: the last one. */
export function standingOn(entries: readonly { readonly id: string; readonly body: EntryBody }[]): Map<string, string> {
  return new Map(entries.map(({ id, body }) => [subjectOf(body), id]))
}
