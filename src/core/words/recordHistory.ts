import { formatHours } from '../quantity/format'
import type { RecordHistoryFault } from '../record/recordHistory'
import { type Issue, issueWords } from './issues'

/** Why a record cannot join the history of a machine, by where. */
export function recordHistoryFaultWords(fault: RecordHistoryFault): { readonly where: string; readonly says: string } {
  const whole = (says: string) => ({ where: 'Record', says })
  switch (fault.code) {
    case 'shape':
      return { where: fault.path.join(' › ') || 'Record', says: issueWords(fault.issue as Issue) }
    case 'otherBook':
      return whole(
        `It was measured against the limit book “${fault.record}”, this machine against “${fault.machine}”. Take that book into use here first.`,
      )
    case 'otherUnits':
      return whole(`Its machine is ${fault.record}, this one ${fault.machine}: its readings as typed would be read wrongly here.`)
    case 'noPlaceHere':
      return {
        where: `${fault.overhaul}: ${fault.characteristic}`,
        says: `The limit book in use here takes no such reading at “${fault.place}”.`,
      }
    case 'laterThanNow':
      return {
        where: fault.overhaul,
        says: `${formatHours(fault.hours)} is more than the ${formatHours(fault.now)} the machine has now.`,
      }
    case 'nothingNew':
      return whole('All of its overhauls are on record here already, or none of them has a reading.')
  }
}
