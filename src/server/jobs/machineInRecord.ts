import type { InspectionRecord } from '../../core/record/recordSchema'
import type { machine } from '../../db/schema'

/** A machine as records have it: one that counts hours says nothing of it, as before there was anything else. */
export const machineInRecord = ({
  id,
  station,
  name,
  units,
  meter,
}: typeof machine.$inferSelect): InspectionRecord['machine'] => ({
  id,
  station,
  name,
  units,
  ...(meter === 'hours' ? {} : { meter }),
})
