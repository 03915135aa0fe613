import type { MachineBody } from '../../contract/bodies'
import { appendLog } from '../../db/queries/log'
import { findMachine, hasNamesake, lockMachineName, stationsOf, storeMachine } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'

/** Puts a machine on record that is in no limit book: its limits are typed while it is measured. */
export function addMachine(context: Context, body: MachineBody): Promise<{ id: string; stored: boolean }> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    // Of two who name a machine alike at the same moment, the second finds the first one's.
    await lockMachineName(db, body.station, body.name)
    const known = await findMachine(db, body.id)
    if (known) {
      if (known.name === body.name && known.station === body.station && known.units === body.units && known.meter === body.meter)
        return { id: body.id, stored: false }
      throw new Refused('conflict', say.anotherMachineId)
    }
    if (await hasNamesake(db, body.station, body.name)) {
      const message = say.hasMachineNamed(body.station, body.name)
      throw new Refused('conflict', message, [{ path: 'name', message }])
    }
    await storeMachine(db, { id: body.id, station: body.station, name: body.name, units: body.units, meter: body.meter })
    await appendLog(db, context, { verb: 'machine.added', subject: body.id, detail: { station: body.station, name: body.name } })
    return { id: body.id, stored: true }
  })
}

/** Places that machines stand at, to choose from. */
export async function machineStations(context: Context): Promise<readonly string[]> {
  authorise(context, 'read')
  return stationsOf(context.db)
}
