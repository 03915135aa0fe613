import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { APIError, createAuthMiddleware } from 'better-auth/api'
import { username } from 'better-auth/plugins'
import { noteAttempt } from '../../db/queries/log'
import { findPersonByEmail, findPersonByName } from '../../db/queries/people'
import * as schema from '../../db/schema/index'
import { CLIENT_ADDRESS_HEADER } from '../edge/clientAddress'
import type { Context } from '../edge/context'
import { authSecret, database, publicUrl } from '../edge/runtime'
import { isRole } from './roles'

const loopbackOrigins = (port: string): string[] =>
  ['http', 'https'].flatMap((scheme) => [`${scheme}://127.0.0.1:${port}`, `${scheme}://localhost:${port}`])

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

/** Sign-ins, those that failed, and changed passwords stand in the event log. */
async function noteSignIn({ path, body, context }: Call): Promise<void> {
  const { db } = database()
  const now = (): Date => new Date()
  if (SIGN_IN.test(path)) {
    const signed = context.newSession?.user
    if (signed)
      return void (await noteAttempt(db, { user: signed, now }, { verb: 'person.signedIn', subject: signed.id, detail: {} }))
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
    hooks: { before: createAuthMiddleware(refuseDisabled), after: createAuthMiddleware(noteSignIn) },
    user: {
      additionalFields: {
        role: { type: 'string', required: true, defaultValue: 'visitor', input: false },
        station: { type: 'string', required: false, input: false },
      },
    },
    session: { expiresIn: 60 * 60 * 14, updateAge: 60 * 60 },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 120,
      customRules: { '/sign-in/*': { window: 60, max: 20 } },
    },
    advanced: { ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] }, cookiePrefix: 'medida' },
    telemetry: { enabled: false },
    plugins: [username()],
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
  return { id, name, role, station: (session.user as { station?: string | null }).station ?? null }
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
