import type { Gauge } from '../core/gauge/gauge'
import { gaugeSchema } from '../core/record/recordSchema'
import { allGauges } from '../db/queries/jobs'
import { authorise, type Context } from './context'
import { gaugeOfRow } from './jobRecord'

export interface GaugesView {
  readonly gauges: readonly Gauge[]
  /** Date of today, ISO: gauges lapse by it. */
  readonly today: string
}

/** The store: every gauge with what is known of it, those whose calibration lapses first on top. */
export async function gaugesView(context: Context): Promise<GaugesView> {
  authorise(context, 'read')
  const gauges = (await allGauges(context.db))
    .filter(({ replaced }) => !replaced)
    .map((row) => gaugeSchema.parse(gaugeOfRow(row)))
  return {
    gauges: gauges.sort((a, b) =>
      a.calibrationDue < b.calibrationDue ? -1 : a.calibrationDue > b.calibrationDue ? 1 : a.code < b.code ? -1 : 1,
    ),
    today: context.now().toISOString().slice(0, 10),
  }
}
