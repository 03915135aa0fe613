import { type EntryBody, noteKindOf } from './kinds'
import type { NoteFault } from './noteFault'
import type { EntryContext } from './noteKind'

export type { EntryContext } from './noteKind'

/**
 * Why an entry cannot be taken as things stand: it names something this job does not have, or a gate, a
 * wait, a licence or saved evidence stands before it. Null when it can be.
 */
export const refuseEntry = (body: EntryBody, context: EntryContext): NoteFault | null => noteKindOf(body).refuse(body, context)
