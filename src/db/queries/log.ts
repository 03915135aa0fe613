import { and, count, eq, gt } from 'drizzle-orm'
import type { Executor } from '../client'
import { eventLog } from '../schema'

export interface LogEntry {
  readonly userId: string
  readonly verb: string
  readonly subject: string
  readonly detail: Record<string, unknown>
}

export const appendLog = (db: Executor, entry: LogEntry) => db.insert(eventLog).values(entry)

/** How often a person did something since a moment. */
export async function countLogged(db: Executor, userId: string, verb: string, since: Date): Promise<number> {
  const rows = await db
    .select({ times: count() })
    .from(eventLog)
    .where(and(eq(eventLog.userId, userId), eq(eventLog.verb, verb), gt(eventLog.at, since)))
  return rows[0]?.times ?? 0
}
