import type { EntryContext } from './noteKind'
import { standingFindings } from './state'

/** Sentences for what a note names and this job does not have; null where it has. */
export const unknownPosition = (id: string, { work }: EntryContext): string | null =>
  work.positions.some((position) => position.id === id)
    ? null
    : `This machine has no position “${id}”. Reload the page; the part may belong to another job.`
export const unknownPart = (id: string, { book }: EntryContext): string | null =>
  book.parts.some((part) => part.id === id) ? null : `The limit book has no part “${id}”.`
export const unknownCharacteristic = (id: string, { book }: EntryContext): string | null =>
  book.characteristics.some((item) => item.id === id) ? null : `The limit book has no characteristic “${id}”.`
export const unknownFinding = (id: string, { work }: EntryContext): string | null =>
  standingFindings(work).some((finding) => finding.id === id) ? null : 'That finding is not on record, or was withdrawn.'

/** The first sentence that one of several gives. */
export const firstOf = <T>(items: readonly T[], check: (item: T) => string | null): string | null =>
  items.map(check).find((sentence) => sentence !== null) ?? null
