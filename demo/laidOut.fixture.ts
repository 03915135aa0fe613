/** What the first pages show of a demo, with every day counted from today, whichever day that is. */
import { dayOf } from '../src/clock/clock'
import { daysBetween } from '../src/core/base/day'
import { allMachines } from '../src/db/queries/machines'
import type { Context } from '../src/server/edge/context'
import { gaugesView } from '../src/server/gauges/gauges'
import { openJobView } from '../src/server/jobs/openJob'
import { shopFloor } from '../src/server/jobs/shopFloor'
import { machineView } from '../src/server/machines/machineView'

/** Days from today; ids that are made anew each time are left out, and so is what a maker dates. */
function fromToday(value: unknown, today: string): unknown {
  if (typeof value === 'string')
    return value
      .replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f-]{22}/g, 'id')
      .replace(/\d{4}-\d{2}-\d{2}/g, (day) => `${daysBetween(today, day)} d`)
  if (Array.isArray(value)) return value.map((one) => fromToday(one, today))
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => key !== 'issued')
      .map(([key, of]) => [key, fromToday(of, today)]),
  )
}

export async function firstPages(context: Context) {
  const floor = await shopFloor(context)
  const machines = (await allMachines(context.db)).map(({ id }) => id).sort()
  const pages = {
    floor,
    gauges: await gaugesView(context),
    machines: await Promise.all(machines.map(async (id) => [await machineView(context, id), await openJobView(context, id)])),
  }
  return { floor, pages: fromToday(pages, dayOf(context.now())) }
}
