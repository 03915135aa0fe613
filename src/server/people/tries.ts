import type { Executor } from '../../db/client'
import { countLogged, lockTries, noteAttempt } from '../../db/queries/log'

/** So many wrong passwords or codes of a person are borne in so many minutes, wherever they are typed. */
const TRIES = 5
export const WITHIN_MINUTES = 15

/** What is counted, by the name it has in the event log. */
type Tried = 'report.wrongPassword' | 'person.wrongPassword' | 'person.wrongCode' | 'person.recoveryTried'

interface Trying {
  readonly user: { readonly id: string; readonly name: string }
  readonly now: () => Date
}

/**
 * Whether a person may try once more, inside a transaction that holds their tries until it ends: of many sent at once each waits
 * for the one before it, so that none slips through between the count and its note.
 */
export async function mayTry(db: Executor, { user, now }: Trying, verb: Tried): Promise<boolean> {
  await lockTries(db, user.id)
  const since = new Date(now().getTime() - WITHIN_MINUTES * 60_000)
  return (await countLogged(db, user.id, verb, since)) < TRIES
}

/** Counts one that was wrong. */
export const noteTry = (db: Executor, who: Trying, verb: Tried, subject = who.user.id) =>
  noteAttempt(db, who, { verb, subject, detail: {} })
