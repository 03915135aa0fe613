import { dayOf } from '../../clock/clock'
import type { Gauge } from '../../core/gauge/gauge'
import { gaugeSchema } from '../../core/gauge/gaugeSchema'
import { allGauges, pairingsInForce } from '../../db/queries/gauges'
import { authorise, type Context } from '../edge/context'
import { gaugeOfRow } from '../jobs/jobRecord'

export interface GaugesView {
  readonly gauges: readonly Gauge[]
  /** Where each is kept, by its id. */
  readonly places: Readonly<Record<string, string>>
  /** Pairings by which gauges send their readings themselves. */
  readonly pairings: readonly {
    readonly id: string
    readonly code: string
    readonly name: string
    readonly by: string
    readonly at: string
  }[]
  /** Codes of gauges whose figures cannot be read. */
  readonly unreadable: readonly string[]
  /** Date of today, ISO: gauges lapse by it. */
  readonly today: string
}

/** The store: every gauge with what is known of it, those whose calibration lapses first on top. */
export async function gaugesView(context: Context): Promise<GaugesView> {
  authorise(context, 'read')
  const rows = (await allGauges(context.db)).filter(({ replaced }) => !replaced)
  const { gauges, unreadable } = readGauges(rows)
  return {
    gauges: gauges.sort((a, b) =>
      a.calibrationDue < b.calibrationDue ? -1 : a.calibrationDue > b.calibrationDue ? 1 : a.code < b.code ? -1 : 1,
    ),
    places: Object.fromEntries(rows.map(({ id, place }) => [id, place])),
    unreadable,
    pairings: (await pairingsInForce(context.db)).map((pairing) => ({ ...pairing, at: pairing.at.toISOString() })),
    today: dayOf(context.now()),
  }
}

/** Gauges of the store; one whose figures cannot be read is named and hides no other. */
export function readGauges(rows: Awaited<ReturnType<typeof allGauges>>): { gauges: Gauge[]; unreadable: string[] } {
  const gauges: Gauge[] = []
  const unreadable: string[] = []
  for (const row of rows) {
    const read = gaugeSchema.safeParse(gaugeOfRow(row))
    if (read.success) gauges.push(read.data)
    else unreadable.push(row.code)
  }
  return { gauges, unreadable }
}
