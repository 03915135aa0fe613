import type { HoursAnswer, HoursFault } from '../notes/runningHours'
import { formatHours } from '../quantity/format'

/** Why running hours cannot be so. */
export function hoursFaultWords(fault: HoursFault, hours: number): string {
  switch (fault.code) {
    case 'falls':
      return `Running hours cannot fall: ${formatHours(hours)} h typed, the log has ${formatHours(fault.before.hours)} h on ${fault.before.date}. Read the meter again.`
    case 'moreThanTheClock':
      return `${formatHours(hours)} h is not possible: since ${formatHours(fault.before.hours)} h on ${fault.before.date} at most ${formatHours(Math.floor(fault.most))} h have passed. Read the meter again.`
    case 'laterIsLess':
      return `${formatHours(hours)} h is not possible: the log already has ${formatHours(fault.after.hours)} h on the later day ${fault.after.date}. Check the date and the meter.`
  }
}

/** Running hours that are possible, and far from how the machine has run. */
export const hoursQuestion = (answer: Extract<HoursAnswer, { kind: 'jump' }>, hours: number): string =>
  `${formatHours(hours)} h would be ${answer.perDay.toFixed(1)} h a day since the last entry; this machine ran ${answer.usualPerDay.toFixed(1)} h a day before. Is the meter read right?`
