import { hashPassword } from 'better-auth/crypto'
import type { OwnPasswordBody } from '../../contract/bodies'
import { appendLog, countLogged, lockTries, noteAttempt } from '../../db/queries/log'
import { endSessionsOf, storePassword } from '../../db/queries/people'
import { say } from '../../labels/people'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'

const TRIES = 5
const WITHIN_MINUTES = 15

/** What changing takes besides the body; the sign-in room knows. */
export interface Own {
  readonly checkPassword: (password: string) => Promise<boolean>
  /** Session of the device it is done on: it goes on, all others end. */
  readonly sessionId: string | null
}

/** A person changes the own password, and is signed out on every other device. */
export async function changeOwnPassword(context: Context, body: OwnPasswordBody, own: Own): Promise<{ ended: number }> {
  const { user, now } = context
  // Of many tries sent at once each waits for the one before it.
  const done = await context.db.transaction(async (db) => {
    await lockTries(db, user.id)
    const since = new Date(now().getTime() - WITHIN_MINUTES * 60_000)
    if ((await countLogged(db, user.id, 'person.wrongPassword', since)) >= TRIES) return 'tooMany'
    if (!(await own.checkPassword(body.current))) {
      await noteAttempt(db, context, { verb: 'person.wrongPassword', subject: user.id, detail: {} })
      return 'wrong'
    }
    await storePassword(db, user.id, `${user.id}-password`, await hashPassword(body.password), now())
    const ended = await endSessionsOf(db, user.id, own.sessionId)
    await appendLog(db, context, { verb: 'person.passwordChanged', subject: user.id, detail: { ended } })
    return ended
  })
  if (done === 'tooMany') throw new Refused('tooMany', say.tooManyTries)
  if (done === 'wrong') throw new Refused('malformed', say.notYourPassword, [{ path: 'current', message: say.notYourPassword }])
  return { ended: done }
}
