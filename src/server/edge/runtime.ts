import { pino } from 'pino'
import { type Connection, connect } from '../../db/client'
import { type SigningKey, signingKeyIn } from '../reports/signingKey'

/** What the server is started with; the start command sets these before it loads the server. */
function setting(name: 'DATABASE_URL' | 'BETTER_AUTH_SECRET' | 'MEDIDA_SIGNING_KEY'): string {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is not set: start the server with npm start`)
  return value
}

export const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' })

let key: SigningKey | undefined

/** The key that reports are signed with, from its file; made at the first signature of a new installation. */
export function signingKey(): SigningKey {
  key ??= signingKeyIn(setting('MEDIDA_SIGNING_KEY'))
  return key
}

let connection: Connection | undefined

/** The pool of this process, opened at the first call. */
export function database(): Connection {
  connection ??= connect(databaseUrl())
  return connection
}

/** Hash of the code with which the first administrator is made; null where the start gave none. */
export const firstCode = (): string | null => process.env.MEDIDA_FIRST_CODE ?? null

export const databaseUrl = (): string => setting('DATABASE_URL')
export const authSecret = (): string => setting('BETTER_AUTH_SECRET')
export const publicUrl = (): string => process.env.PUBLIC_URL ?? 'http://127.0.0.1:4321'
