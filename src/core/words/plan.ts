import type { PlanDetail, PlanFault } from '../notes/plan'
import type { UnitSystem } from '../quantity/unitSystem'
import { licensedFieldName } from './cautions'
import { lengthWords } from './places'

/** What a line of the plan must be, or what of the store serves. */
export function planDetailWords(detail: PlanDetail, units: UnitSystem): string {
  switch (detail.code) {
    case 'licensed':
      return `licensed: ${licensedFieldName[detail.field].toLowerCase()}`
    case 'errorAtMost':
      return `error at most ${lengthWords(detail.error, units)}`
    case 'inHand':
      return detail.gauges
        .map(({ code, name, calibrationDue }) => `${code} ${name}, calibrated until ${calibrationDue}`)
        .join('; ')
  }
}

/** Why the store cannot give a gauge. */
export function planFaultWords(fault: PlanFault, units: UnitSystem): string {
  const reaching = 'sizeMm' in fault && fault.sizeMm !== null ? ` for ${lengthWords(fault.sizeMm, units)}` : ''
  switch (fault.code) {
    case 'lapsed':
      return `${fault.gauge} is out of calibration: due ${fault.due}, the job is on ${fault.date}`
    case 'tooCoarse':
      return `${fault.gauge} is not of the class asked${reaching}: its error is ${lengthWords(fault.error, units)}`
    case 'none':
      return `none of this kind in the store${reaching}`
  }
}
