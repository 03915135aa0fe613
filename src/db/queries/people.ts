/** Accounts: who may sign in, as what, and with which one-time codes. */
import { and, asc, count, eq, gt, isNull, ne, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { account, eventLog, session, twoFactor, user, verification } from '../schema'

/** Of the person in the row, inside a query of another table: a bare “id” would be that table’s own. */
const own = sql.raw('"user"."id"')

export const allPeople = (db: Executor, now: Date) =>
  db
    .select({
      person: user,
      hasPassword: sql<boolean>`EXISTS (SELECT 1 FROM ${account} WHERE ${account.userId} = ${own} AND ${account.password} IS NOT NULL)`,
      sessions: sql<number>`(SELECT count(*)::int FROM ${session} WHERE ${session.userId} = ${own} AND ${session.expiresAt} > ${now.toISOString()}::timestamptz)`,
      lastSignIn: sql<string | null>`(SELECT max(at)::text FROM event_log WHERE user_id = ${own} AND verb = 'person.signedIn')`,
    })
    .from(user)
    .orderBy(asc(user.name))

export async function findPerson(db: Executor, id: string) {
  const rows = await db.select().from(user).where(eq(user.id, id))
  return rows[0]
}

export async function findPersonByName(db: Executor, username: string) {
  const rows = await db.select().from(user).where(eq(user.username, username))
  return rows[0]
}

export async function findPersonByEmail(db: Executor, email: string) {
  const rows = await db.select().from(user).where(eq(user.email, email))
  return rows[0]
}

export async function countPeople(db: Executor): Promise<number> {
  const rows = await db.select({ all: count() }).from(user)
  return rows[0]?.all ?? 0
}

/** Administrators who may sign in. */
export async function administrators(db: Executor): Promise<readonly string[]> {
  const rows = await db
    .select({ id: user.id })
    .from(user)
    .where(and(eq(user.role, 'administrator'), isNull(user.disabledAt)))
  return rows.map(({ id }) => id)
}

/** Of two who change accounts at the same moment, the second sees what the first did. */
export const lockPeople = (db: Executor) => db.execute(sql`SELECT pg_advisory_xact_lock(hashtext('people'))`)

export const storePerson = (db: Executor, row: typeof user.$inferInsert) => db.insert(user).values(row)

export const changePersonRow = (
  db: Executor,
  id: string,
  change: Pick<typeof user.$inferInsert, 'name' | 'role' | 'station' | 'disabledAt' | 'secondFactorAsked' | 'updatedAt'>,
) => db.update(user).set(change).where(eq(user.id, id))

/** Gives a person a password, the first one or another. */
export async function storePassword(db: Executor, userId: string, id: string, password: string, at: Date): Promise<void> {
  const changed = await db
    .update(account)
    .set({ password, updatedAt: at })
    .where(and(eq(account.userId, userId), eq(account.providerId, 'credential')))
    .returning({ id: account.id })
  if (changed.length === 0)
    await db
      .insert(account)
      .values({ id, accountId: userId, providerId: 'credential', userId, password, createdAt: at, updatedAt: at })
}

/** The second factor of a person, confirmed or not; undefined where there is none. */
export async function factorOf(db: Executor, userId: string) {
  const rows = await db.select().from(twoFactor).where(eq(twoFactor.userId, userId))
  return rows[0]
}

export const noteStep = (db: Executor, userId: string, lastStep: number) =>
  db.update(twoFactor).set({ lastStep }).where(eq(twoFactor.userId, userId))

export async function enableFactor(db: Executor, userId: string): Promise<void> {
  await db.update(twoFactor).set({ verified: true }).where(eq(twoFactor.userId, userId))
  await db.update(user).set({ twoFactorEnabled: true }).where(eq(user.id, userId))
}

export async function removeFactor(db: Executor, userId: string): Promise<void> {
  await db.delete(twoFactor).where(eq(twoFactor.userId, userId))
  await db.update(user).set({ twoFactorEnabled: false }).where(eq(user.id, userId))
}

/** Ends the sessions of a person, all but one where one is to go on; how many there were. */
export async function endSessionsOf(db: Executor, userId: string, but: string | null = null): Promise<number> {
  const ended = await db
    .delete(session)
    .where(and(eq(session.userId, userId), but === null ? undefined : ne(session.id, but)))
    .returning({ id: session.id })
  return ended.length
}

const codeOf = (userId: string): string => `set-password:${userId}`

/** Keeps the hash of a one-time code; what was given out before for this person is void. */
export async function storeCode(
  db: Executor,
  userId: string,
  id: string,
  hash: string,
  at: Date,
  expiresAt: Date,
): Promise<void> {
  await db.delete(verification).where(eq(verification.identifier, codeOf(userId)))
  await db.insert(verification).values({ id, identifier: codeOf(userId), value: hash, expiresAt, createdAt: at, updatedAt: at })
}

/** Person whose one-time code this is the hash of, while it holds; the code is used up. */
export async function takeCode(db: Executor, hash: string, now: Date): Promise<string | null> {
  const taken = await db
    .delete(verification)
    .where(
      and(eq(verification.value, hash), gt(verification.expiresAt, now), sql`${verification.identifier} LIKE 'set-password:%'`),
    )
    .returning({ identifier: verification.identifier })
  return taken[0]?.identifier.slice(codeOf('').length) ?? null
}

/** Events of the log, latest first: of a person, of a kind, since a day. */
export async function eventsOf(
  db: Executor,
  asked: { readonly by: string | null; readonly verb: string | null; readonly from: string | null; readonly to: string | null },
  most: number,
) {
  const day = (column: typeof eventLog.at) => sql<string>`to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD')`
  return db
    .select({
      id: eventLog.id,
      at: sql<string>`to_char(${eventLog.at} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`,
      by: sql<string>`coalesce(${eventLog.byName}, ${eventLog.userId})`,
      verb: eventLog.verb,
      subject: eventLog.subject,
      detail: eventLog.detail,
    })
    .from(eventLog)
    .where(
      and(
        asked.by === null
          ? undefined
          : sql`coalesce(${eventLog.byName}, ${eventLog.userId}) ILIKE ${`%${asked.by.replace(/[%_\\]/g, '\\$&')}%`}`,
        asked.verb === null ? undefined : eq(eventLog.verb, asked.verb),
        asked.from === null ? undefined : sql`${day(eventLog.at)} >= ${asked.from}`,
        asked.to === null ? undefined : sql`${day(eventLog.at)} <= ${asked.to}`,
      ),
    )
    .orderBy(sql`${eventLog.id} DESC`)
    .limit(most)
}

/** Kinds of event there are. */
export async function verbsLogged(db: Executor): Promise<readonly string[]> {
  const rows = await db.selectDistinct({ verb: eventLog.verb }).from(eventLog).orderBy(eventLog.verb)
  return rows.map(({ verb }) => verb)
}
