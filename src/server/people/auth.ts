import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { APIError, createAuthMiddleware } from 'better-auth/api'
import { symmetricDecrypt } from 'better-auth/crypto'
import { twoFactor, username } from 'better-auth/plugins'
import { now } from '../../clock/clock'
import { USER_NAME } from '../../contract/bodies'
import { noteAttempt } from '../../db/queries/log'
import { findPerson, findPersonByEmail, findPersonByName } from '../../db/queries/people'
import * as schema from '../../db/schema/index'
import { CLIENT_ADDRESS_HEADER } from '../edge/clientAddress'
import type { Context } from '../edge/context'
import { authSecret, database, publicUrl } from '../edge/runtime'
import { isRole } from './roles'
import { countTry, takeFactorCode } from './secondFactor'

const loopbackOrigins = (port: string): string[] =>
  ['http', 'https'].flatMap((scheme) => [`${scheme}://127.0.0.1:${port}`, `${scheme}://localhost:${port}`])

/** What a hook of the library is told. */
type AuthCall = Parameters<Parameters<typeof createAuthMiddleware>[0]>[0]

const SIGN_IN = /^\/sign-in\//
interface Call {
  readonly path: string
  readonly body?: unknown
  readonly context: {
    readonly returned?: unknown
    readonly newSession?: { readonly user: { readonly id: string; readonly name: string } } | null
  }
}

/** Who is meant by what was typed as a name: a user name or an address. */
async function personMeant(body: unknown) {
  const { username, email } = (body ?? {}) as { username?: unknown; email?: unknown }
  const { db } = database()
  if (typeof username === 'string') return findPersonByName(db, username.trim().toLowerCase())
  return typeof email === 'string' ? findPersonByEmail(db, email.trim().toLowerCase()) : undefined
}

/** An account that is disabled answers like a wrong password: whether it is there is nobody's business. */
async function refuseDisabled({ path, body }: Call): Promise<void> {
  if (!SIGN_IN.test(path)) return
  const person = await personMeant(body)
  if (person?.disabledAt != null) throw new APIError('UNAUTHORIZED', { message: 'Invalid username or password' })
}

/** Who a code is about: the cookie that the password left names them. Null where there is none, or it has run out. */
async function personOfChallenge(ctx: AuthCall): Promise<{ readonly id: string; readonly name: string } | null> {
  const { context } = ctx
  const cookie = await ctx.getSignedCookie(context.createAuthCookie('two_factor').name, context.secret)
  const found = cookie ? await context.internalAdapter.findVerificationValue(cookie) : null
  return (found && (await findPerson(database().db, found.value))) ?? null
}

/**
 * A code at sign-in is taken by our own count and once: the library takes one twice, and counts by challenge. It looks at the
 * code again afterwards and makes the session.
 */
async function takeCodeOfSignIn(ctx: AuthCall): Promise<void> {
  const isCode = ctx.path === '/two-factor/verify-totp'
  if (!isCode && ctx.path !== '/two-factor/verify-backup-code') return
  const { code, trustDevice } = (ctx.body ?? {}) as { code?: unknown; trustDevice?: unknown }
  if (trustDevice !== undefined || typeof code !== 'string' || code.length > 20)
    throw new APIError('BAD_REQUEST', { message: 'code' })
  const person = await personOfChallenge(ctx)
  if (!person) throw new APIError('UNAUTHORIZED', { message: 'No sign-in is waiting for a code.' })
  const outcome = await database().db.transaction(async (db) =>
    isCode ? takeFactorCode(db, person, code, now, decrypted) : (await countTry(db, person, now)) ? 'right' : 'tooMany',
  )
  if (outcome === 'tooMany') throw new APIError('TOO_MANY_REQUESTS', { message: 'Too many codes.' })
  if (outcome !== 'right') throw new APIError('UNAUTHORIZED', { message: 'Invalid code' })
}

async function beforeCall(ctx: AuthCall): Promise<void> {
  await refuseDisabled(ctx)
  await takeCodeOfSignIn(ctx)
}

/** Sign-ins, those that failed, and changed passwords stand in the event log. */
async function noteSignIn({ path, body, context }: Call): Promise<void> {
  const isSecond = path.startsWith('/two-factor/verify-')
  const { db } = database()
  if (SIGN_IN.test(path) || isSecond) {
    const signed = context.newSession?.user
    // With a second factor the password alone signs nobody in.
    if (signed && !isSecond && (await findPerson(db, signed.id))?.twoFactorEnabled) return
    if (signed)
      return void (await noteAttempt(db, { user: signed, now }, { verb: 'person.signedIn', subject: signed.id, detail: {} }))
    if (isSecond) return
    const person = await personMeant(body)
    const user = person ?? { id: 'nobody', name: 'nobody' }
    await noteAttempt(db, { user, now }, { verb: 'person.signInFailed', subject: user.id, detail: {} })
  }
}

function createAuth() {
  const url = new URL(publicUrl())
  return betterAuth({
    secret: authSecret(),
    baseURL: url.origin,
    trustedOrigins: [url.origin, ...loopbackOrigins(url.port)],
    database: drizzleAdapter(database().db, { provider: 'pg', schema }),
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    // A password is checked where something is signed, under its own count of tries.
    disabledPaths: ['/verify-password'],
    hooks: { before: createAuthMiddleware(beforeCall), after: createAuthMiddleware(noteSignIn) },
    user: {
      additionalFields: {
        role: { type: 'string', required: true, defaultValue: 'visitor', input: false },
        station: { type: 'string', required: false, input: false },
        secondFactorAsked: { type: 'boolean', required: false, defaultValue: false, input: false },
      },
    },
    session: { expiresIn: 60 * 60 * 14, updateAge: 60 * 60 },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 120,
      customRules: { '/sign-in/*': { window: 60, max: 20 }, '/two-factor/*': { window: 60, max: 30 } },
    },
    advanced: { ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] }, cookiePrefix: 'medida' },
    telemetry: { enabled: false },
    plugins: [
      username({ usernameValidator: (name) => USER_NAME.test(name.toLowerCase()) }),
      twoFactor({ issuer: 'Medida', backupCodeOptions: { storeBackupCodes: 'encrypted' } }),
    ],
  })
}

let auth: ReturnType<typeof createAuth> | undefined

/** Sign-in and sessions; made at the first call, because a build imports this file without a database. */
export function getAuth(): ReturnType<typeof createAuth> {
  auth ??= createAuth()
  return auth
}

/** The person of a request, or null when nobody is signed in. */
export async function signedIn(headers: Headers): Promise<Context['user'] | null> {
  const session = await getAuth().api.getSession({ headers })
  if (!session) return null
  const { id, name, role } = session.user
  if (!isRole(role)) throw new Error(`user ${id} has the unknown role ${role}`)
  const { station, twoFactorEnabled, secondFactorAsked } = session.user as {
    station?: string | null
    twoFactorEnabled?: boolean | null
    secondFactorAsked?: boolean | null
  }
  const factorAsked = secondFactorAsked === true
  return {
    id,
    name,
    role,
    station: station ?? null,
    secondFactor: twoFactorEnabled ? 'set' : factorAsked ? 'asked' : 'none',
    factorAsked,
  }
}

/** A secret of a second factor, as it is kept. */
export async function decrypted(data: string): Promise<string> {
  return symmetricDecrypt({ key: (await getAuth().$context).secretConfig, data })
}

/** Makes a secret and the codes to recover with, not confirmed yet, for the person whose session the headers carry. */
export async function newFactor(headers: Headers, password: string): Promise<{ uri: string; codes: readonly string[] }> {
  const made = await getAuth().api.enableTwoFactor({ body: { password }, headers })
  if (made.method !== 'totp') throw new Error('a second factor of another kind was made')
  return { uri: made.totpURI, codes: made.backupCodes }
}

/** Session that the headers carry; null where there is none. */
export const sessionOf = async (headers: Headers): Promise<string | null> =>
  (await getAuth().api.getSession({ headers }))?.session.id ?? null

/** Whether this is the password of the person whose session the headers carry. */
export async function checkPassword(headers: Headers, password: string): Promise<boolean> {
  try {
    const answer = await getAuth().api.verifyPassword({ body: { password }, headers })
    return answer.status
  } catch (error) {
    // better-auth answers a wrong password by throwing; anything else is a fault of ours.
    if (error instanceof Error && 'statusCode' in error && error.statusCode === 400) return false
    throw error
  }
}
