import { and, eq, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { gauge } from '../schema'

/** Channel on which every server of this database hears what gauges say. */
export const GAUGE_CHANNEL = 'medida_gauge'

/** Passes a word of or about a gauge on to whoever listens to it. */
export const sayToGauge = (db: Executor, gaugeId: string, word: object) =>
  db.execute(sql`SELECT pg_notify(${GAUGE_CHANNEL}, ${`${gaugeId} ${JSON.stringify(word)}`})`)

export async function gaugeIdOf(db: Executor, code: string): Promise<string | null> {
  const rows = await db
    .select({ id: gauge.id })
    .from(gauge)
    .where(and(eq(gauge.code, code), eq(gauge.replaced, false)))
  return rows[0]?.id ?? null
}
