import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import { and, asc, count, eq, gt, isNotNull, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { eventLog } from '../schema'

export interface LogEntry {
  readonly verb: string
  /** Job, machine or gauge it is about. */
  readonly subject: string
  readonly detail: Record<string, unknown>
}

interface Author {
  readonly user: { readonly id: string; readonly name: string }
  readonly now: () => Date
}

/** What the hash of an event is over, besides the hash of the one before it in its chain. */
interface Hashed extends LogEntry {
  readonly at: string
  readonly userId: string
  readonly byName: string
}

const lineOf = (event: Hashed): string => canonicalize(event) ?? ''

/** Hash of an event that follows another in its chain; of the first, null. */
export const eventHash = (before: string | null, event: Hashed): string =>
  createHash('sha256')
    .update(`${before ?? ''}\n${lineOf(event)}`, 'utf8')
    .digest('hex')

/**
 * Adds an event to the chain of its subject. Whoever writes holds the lock of the subject, so no two take the same place;
 * the database hashes it over the one before, which costs no question more.
 */
export function appendLog(db: Executor, { user, now }: Author, { verb, subject, detail }: LogEntry) {
  const at = now()
  const line = lineOf({ at: at.toISOString(), userId: user.id, byName: user.name, verb, subject, detail })
  return db.execute(sql`
    INSERT INTO event_log (at, user_id, by_name, verb, subject, detail, chain, number, sha256)
    SELECT ${at.toISOString()}::timestamptz, ${user.id}, ${user.name}, ${verb}, ${subject}, ${JSON.stringify(detail)}::jsonb, ${subject},
      coalesce(last.number, 0) + 1,
      encode(sha256(convert_to(coalesce(last.sha256, '') || E'\n' || ${line}, 'UTF8')), 'hex')
    FROM (SELECT 1) AS one
    LEFT JOIN (SELECT number, sha256 FROM event_log WHERE chain = ${subject} ORDER BY number DESC LIMIT 1) AS last ON true`)
}

/** Notes an event that belongs to no chain: what was tried and came to nothing. */
export const noteAttempt = (db: Executor, { user, now }: Author, { verb, subject, detail }: LogEntry) =>
  db.insert(eventLog).values({ at: now(), userId: user.id, byName: user.name, verb, subject, detail })

/** Holds the tries of a person until the transaction ends. */
export const lockTries = (db: Executor, userId: string) =>
  db.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${`tries ${userId}`}))`)

/** How often a person did something since a moment. */
export async function countLogged(db: Executor, userId: string, verb: string, since: Date): Promise<number> {
  const rows = await db
    .select({ times: count() })
    .from(eventLog)
    .where(and(eq(eventLog.userId, userId), eq(eventLog.verb, verb), gt(eventLog.at, since)))
  return rows[0]?.times ?? 0
}

/** The end of a chain: how many events it has, and the hash of the last. */
export interface ChainHead {
  readonly number: number
  readonly sha256: string
}

/** Head of one chain; null when nothing was ever added to it. */
export async function chainHead(db: Executor, chain: string): Promise<ChainHead | null> {
  const { rows } = await db.execute<{ number: number; sha256: string }>(
    sql`SELECT number, sha256 FROM event_log WHERE chain = ${chain} ORDER BY number DESC LIMIT 1`,
  )
  return rows[0] ?? null
}

/** Heads of all chains. */
export async function chainHeads(db: Executor): Promise<ReadonlyMap<string, ChainHead>> {
  const { rows } = await db.execute<{ chain: string; number: number; sha256: string }>(
    sql`SELECT DISTINCT ON (chain) chain, number, sha256 FROM event_log WHERE chain IS NOT NULL ORDER BY chain, number DESC`,
  )
  return new Map(rows.map(({ chain, number, sha256 }) => [chain, { number, sha256 }]))
}

/** Every chained event, chain by chain, in order. */
export const chainedEvents = (db: Executor) =>
  db.select().from(eventLog).where(isNotNull(eventLog.chain)).orderBy(asc(eventLog.chain), asc(eventLog.number))

/** Every name under which a person has done anything that is chained to a subject. */
export async function namesOn(db: Executor, subject: string, userId: string): Promise<string[]> {
  const { rows } = await db.execute<{ name: string }>(
    sql`SELECT DISTINCT by_name AS name FROM event_log WHERE chain = ${subject} AND user_id = ${userId}`,
  )
  return rows.map(({ name }) => name)
}
