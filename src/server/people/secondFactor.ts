import { createOTP } from '@better-auth/utils/otp'
import qrcode from 'qrcode'
import type { SecondFactorView } from '../../contract/answers'
import type { CodeBody, EndFactorBody, OwnPasswordCheckBody } from '../../contract/bodies'
import type { Executor } from '../../db/client'
import { appendLog } from '../../db/queries/log'
import { enableFactor, endSessionsOf, factorOf, noteStep, removeFactor } from '../../db/queries/people'
import { say } from '../../labels/people'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { checkOwnPassword, type Own } from './ownPassword'
import { mayTry, noteTry } from './tries'

/** RFC 6238 with its usual figures: six digits, a step of 30 s, one step early or late. */
const STEP_S = 30
const WINDOW = 1

export type CodeOutcome = 'right' | 'wrong' | 'tooMany' | 'none'

/** What is needed to read a secret; the sign-in room knows. */
export type Decrypt = (secret: string) => Promise<string>

/**
 * Takes a code of a person's second factor, inside a transaction. Tries are counted under a lock of the person, five wrong ones
 * in a quarter of an hour, and no code is taken twice: the step of the last one is kept (RFC 6238, 5.2).
 */
export async function takeFactorCode(
  db: Executor,
  user: { readonly id: string; readonly name: string },
  typed: string,
  now: () => Date,
  decrypt: Decrypt,
): Promise<CodeOutcome> {
  const isLeft = await mayTry(db, { user, now }, 'person.wrongCode')
  const factor = await factorOf(db, user.id)
  if (!factor) return 'none'
  if (!isLeft) return 'tooMany'
  const step = await stepOf(typed.replace(/\s/g, ''), await decrypt(factor.secret), now())
  if (step !== null && step > factor.lastStep) {
    await noteStep(db, user.id, step)
    return 'right'
  }
  await noteTry(db, { user, now }, 'person.wrongCode')
  return 'wrong'
}

/** The time step of which this is the code, the latest of those that may be meant; null when it is none of theirs. */
async function stepOf(typed: string, secret: string, now: Date): Promise<number | null> {
  const current = Math.floor(now.getTime() / 1000 / STEP_S)
  const otp = createOTP(secret, { period: STEP_S, digits: 6 })
  for (let step = current + WINDOW; step >= current - WINDOW; step -= 1) if ((await otp.hotp(step)) === typed) return step
  return null
}

/** Whether another try is allowed with what is used once by itself: each counts before it is looked at. */
export async function countTry(
  db: Executor,
  user: { readonly id: string; readonly name: string },
  now: () => Date,
): Promise<boolean> {
  if (!(await mayTry(db, { user, now }, 'person.recoveryTried'))) return false
  await noteTry(db, { user, now }, 'person.recoveryTried')
  return true
}

/** What a code that was not taken is answered with, at the field it was typed in. */
export function codeRefused(outcome: Exclude<CodeOutcome, 'right'>): Refused {
  if (outcome === 'tooMany') return new Refused('tooMany', say.tooManyCodes)
  const message = outcome === 'none' ? say.noSecondFactor : say.codeNotTaken
  return new Refused('malformed', message, [{ path: 'code', message }])
}

/** Begins to set up a second factor: a secret for the device that makes codes, and ten to recover with. Nothing is asked before it is confirmed. */
export async function beginFactor(
  context: Context,
  body: OwnPasswordCheckBody,
  own: Own & {
    /** Makes and keeps a secret that is not confirmed yet. */
    readonly make: (password: string) => Promise<{ readonly uri: string; readonly codes: readonly string[] }>
  },
): Promise<SecondFactorView> {
  await checkOwnPassword(context, body.current, own.checkPassword)
  if (context.user.secondFactor === 'set') throw new Refused('conflict', say.factorIsSet)
  const { uri, codes } = await own.make(body.current)
  return {
    secret: new URL(uri).searchParams.get('secret') ?? '',
    picture: await qrcode.toString(uri, { type: 'svg', margin: 1 }),
    codes,
  }
}

/** Confirms it with a code of the device; every other session ends. */
export async function confirmFactor(
  context: Context,
  body: CodeBody,
  decrypt: Decrypt,
  sessionId: string | null,
): Promise<{ set: true }> {
  const outcome = await context.db.transaction(async (db) => {
    const taken = await takeFactorCode(db, context.user, body.code, context.now, decrypt)
    if (taken !== 'right') return taken
    await enableFactor(db, context.user.id)
    await endSessionsOf(db, context.user.id, sessionId)
    await appendLog(db, context, { verb: 'person.secondFactorSet', subject: context.user.id, detail: {} })
    return taken
  })
  if (outcome !== 'right') throw codeRefused(outcome)
  return { set: true }
}

/** A person gives up the own second factor, unless an administrator asks for one. */
export async function endOwnFactor(context: Context, body: EndFactorBody, own: Own, decrypt: Decrypt): Promise<{ ended: true }> {
  if (context.user.factorAsked) throw new Refused('notPossible', say.factorIsAsked)
  await checkOwnPassword(context, body.current, own.checkPassword)
  const outcome = await context.db.transaction(async (db) => {
    const taken = await takeFactorCode(db, context.user, body.code, context.now, decrypt)
    if (taken === 'right') await takeAway(context, db, context.user.id)
    return taken
  })
  if (outcome !== 'right') throw codeRefused(outcome)
  return { ended: true }
}

/** Takes a second factor away, as when its device is lost; whoever uses it is signed out. */
export async function takeAway(context: Context, db: Executor, id: string): Promise<void> {
  await removeFactor(db, id)
  await endSessionsOf(db, id)
  await appendLog(db, context, { verb: 'person.secondFactorTakenAway', subject: id, detail: {} })
}
