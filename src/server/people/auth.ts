import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { username } from 'better-auth/plugins'
import * as schema from '../../db/schema/index'
import { CLIENT_ADDRESS_HEADER } from '../edge/clientAddress'
import type { Context } from '../edge/context'
import { authSecret, database, publicUrl } from '../edge/runtime'
import { isRole } from './roles'

const loopbackOrigins = (port: string): string[] =>
  ['http', 'https'].flatMap((scheme) => [`${scheme}://127.0.0.1:${port}`, `${scheme}://localhost:${port}`])

function createAuth() {
  const url = new URL(publicUrl())
  return betterAuth({
    secret: authSecret(),
    baseURL: url.origin,
    trustedOrigins: [url.origin, ...loopbackOrigins(url.port)],
    database: drizzleAdapter(database().db, { provider: 'pg', schema }),
    emailAndPassword: { enabled: true, disableSignUp: true },
    user: { additionalFields: { role: { type: 'string', required: true, defaultValue: 'visitor', input: false } } },
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
  return { id, name, role }
}

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
