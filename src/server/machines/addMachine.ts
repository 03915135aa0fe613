import { and, eq, sql } from 'drizzle-orm'
import type { MachineBody } from '../../contract/bodies'
import { appendLog } from '../../db/queries/log'
import { findMachine } from '../../db/queries/work'
import { machine } from '../../db/schema/index'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'

/** Puts a machine on record that is in no limit book: its limits are typed while it is measured. */
export function addMachine(context: Context, body: MachineBody): Promise<{ id: string; stored: boolean }> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    // Of two who name a machine alike at the same moment, the second finds the first one's.
    await db.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${`machine ${body.station} ${body.name}`.toLowerCase()}))`)
    const known = await findMachine(db, body.id)
    if (known) {
      if (known.name === body.name && known.station === body.station && known.units === body.units)
        return { id: body.id, stored: false }
      throw new Refused('conflict', 'Another machine with this id is on record. Reload the page and enter it again.')
    }
    const namesake = await db
      .select({ id: machine.id })
      .from(machine)
      .where(
        and(
          eq(sql`lower(${machine.station})`, body.station.toLowerCase()),
          eq(sql`lower(${machine.name})`, body.name.toLowerCase()),
        ),
      )
    if (namesake.length > 0) {
      const message = `${body.station} has a machine named “${body.name}” already. Open a job on it from the shop floor, or give this one another name.`
      throw new Refused('conflict', message, [{ path: 'name', message }])
    }
    await db.insert(machine).values({ id: body.id, station: body.station, name: body.name, units: body.units })
    await appendLog(db, context, { verb: 'machine.added', subject: body.id, detail: { station: body.station, name: body.name } })
    return { id: body.id, stored: true }
  })
}

/** Places that machines stand at, to choose from. */
export async function machineStations(context: Context): Promise<readonly string[]> {
  authorise(context, 'read')
  const rows = await context.db.selectDistinct({ station: machine.station }).from(machine).orderBy(machine.station)
  return rows.map(({ station }) => station)
}
