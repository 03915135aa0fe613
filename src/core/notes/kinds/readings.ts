import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

/** A note at one reading. */
const readingNotedShape = ({ z, words }: NoteShaping) =>
  z.strictObject({ kind: z.literal('readingNoted'), reading: z.uuid(), note: words(400) })
export type ReadingNoted = Noting<typeof readingNotedShape>
export const readingNoted: NoteKindOf<ReadingNoted> = {
  shape: readingNotedShape,
  subject: ({ reading }) => `note:${reading}`,
  refuse: ({ reading }, { readings }) => (readings.has(reading) ? null : { code: 'noReading' }),
  apply: ({ reading, note }, noted, { readingNotes }) => {
    if (note === '') readingNotes.delete(reading)
    else readingNotes.set(reading, { note, ...noted })
  },
}
