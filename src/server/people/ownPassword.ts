import { hashPassword } from 'better-auth/crypto'
import type { OwnPasswordBody } from '../../contract/bodies'
import type { Executor } from '../../db/client'
import { appendLog } from '../../db/queries/log'
import { endSessionsOf, storePassword } from '../../db/queries/people'
import { say } from '../../labels/people'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { mayTry, noteTry } from './tries'

/** What changing takes besides the body; the sign-in room knows. */
export interface Own {
  readonly checkPassword: (password: string) => Promise<boolean>
  /** Session of the device it is done on: it goes on, all others end. */
  readonly sessionId: string | null
}

/** Asks a person for their own password, under a lock and a count of their tries; refuses unless it is right. */
export async function checkOwnPassword(
  context: Context,
  typed: string,
  check: Own['checkPassword'],
  then: (db: Executor) => Promise<void> = async () => {},
): Promise<void> {
  const done = await context.db.transaction(async (db) => {
    if (!(await mayTry(db, context, 'person.wrongPassword'))) return 'tooMany'
    if (await check(typed)) {
      await then(db)
      return 'right'
    }
    await noteTry(db, context, 'person.wrongPassword')
    return 'wrong'
  })
  if (done === 'tooMany') throw new Refused('tooMany', say.tooManyTries)
  if (done === 'wrong') throw new Refused('malformed', say.notYourPassword, [{ path: 'current', message: say.notYourPassword }])
}

/** A person changes the own password, and is signed out on every other device. */
export async function changeOwnPassword(context: Context, body: OwnPasswordBody, own: Own): Promise<{ ended: number }> {
  const { user, now } = context
  let ended = 0
  await checkOwnPassword(context, body.current, own.checkPassword, async (db) => {
    await storePassword(db, user.id, `${user.id}-password`, await hashPassword(body.password), now())
    ended = await endSessionsOf(db, user.id, own.sessionId)
    await appendLog(db, context, { verb: 'person.passwordChanged', subject: user.id, detail: { ended } })
  })
  return { ended }
}
