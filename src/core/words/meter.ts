import { dayAfter } from '../base/day'
import { formatHours } from '../quantity/format'
import { DAY_ZERO, type Meter } from '../quantity/meter'

/** What a machine's running is counted in, as one chooses it. */
export const meterName: Readonly<Record<Meter, string>> = {
  hours: 'running hours',
  starts: 'starts',
  cycles: 'cycles',
  kilometres: 'kilometres',
  tonnes: 'tonnes',
  days: 'dates',
  none: 'nothing: unknown',
}

const unitOfMeter: Readonly<Record<Meter, string>> = {
  hours: 'h',
  starts: 'starts',
  cycles: 'cycles',
  kilometres: 'km',
  tonnes: 't',
  days: 'days',
  none: '',
}

/** How far: “8 000 h”, “400 starts”. */
export const ranWords = (count: number, meter: Meter): string =>
  meter === 'none' ? 'not counted' : `${formatHours(count)} ${unitOfMeter[meter]}`

/** Where its meter stands: “31 240 h”; of dates the day. */
export const ranAtWords = (count: number, meter: Meter): string =>
  meter === 'days' ? dayAfter(DAY_ZERO, Math.round(count)) : ranWords(count, meter)

/** “per 1 000 h” behind a rate. */
export const perThousandWords = (meter: Meter): string => `per 1\u00a0000 ${unitOfMeter[meter] || 'h'}`

/** Head of a column or an axis. */
export const meterHead = (meter: Meter): string => (meter === 'none' ? '–' : meterName[meter])
