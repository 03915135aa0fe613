/** The store of gauges and their pairings. */
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { gauge, gaugePairing } from '../schema'

export const allGauges = (db: Executor) => db.select().from(gauge).orderBy(asc(gauge.id))

export async function findGauge(db: Executor, id: string) {
  const rows = await db.select().from(gauge).where(eq(gauge.id, id))
  return rows[0]
}

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

/** The gauge in use that is paired by a secret of this hash, with the name of the pairing. */
export async function gaugePairedBy(
  db: Executor,
  code: string,
  secretSha256: string,
): Promise<{ gaugeId: string; pairing: string } | null> {
  const rows = await db
    .select({ gaugeId: gauge.id, pairing: gaugePairing.name })
    .from(gaugePairing)
    .innerJoin(gauge, and(eq(gauge.code, gaugePairing.code), eq(gauge.replaced, false)))
    .where(and(eq(gaugePairing.code, code), eq(gaugePairing.secretSha256, secretSha256), isNull(gaugePairing.endedAt)))
  return rows[0] ?? null
}

export const storePairing = (db: Executor, row: typeof gaugePairing.$inferInsert) => db.insert(gaugePairing).values(row)

export async function findPairing(db: Executor, id: string) {
  const rows = await db.select().from(gaugePairing).where(eq(gaugePairing.id, id))
  return rows[0]
}

/** False where it was ended before. */
export async function endPairing(db: Executor, id: string, at: Date): Promise<boolean> {
  const ended = await db
    .update(gaugePairing)
    .set({ endedAt: at })
    .where(and(eq(gaugePairing.id, id), isNull(gaugePairing.endedAt)))
    .returning({ id: gaugePairing.id })
  return ended.length > 0
}

/** Pairings that hold, gauge by gauge. */
export const pairingsInForce = (db: Executor) =>
  db
    .select({
      id: gaugePairing.id,
      code: gaugePairing.code,
      name: gaugePairing.name,
      by: gaugePairing.byName,
      at: gaugePairing.madeAt,
    })
    .from(gaugePairing)
    .where(isNull(gaugePairing.endedAt))
    .orderBy(asc(gaugePairing.code), asc(gaugePairing.madeAt))

export const storeGaugeRow = (db: Executor, row: typeof gauge.$inferInsert) => db.insert(gauge).values(row)

/** Notes that a gauge was calibrated anew: nothing is read with this row of it any more. False when there is none. */
export async function replaceGauge(db: Executor, id: string): Promise<boolean> {
  const rows = await db.update(gauge).set({ replaced: true }).where(eq(gauge.id, id)).returning({ was: gauge.id })
  return rows.length > 0
}
