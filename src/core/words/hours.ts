import type { HoursAnswer, HoursFault } from '../notes/runningHours'

/** Why running hours cannot be so. */
export function hoursFaultWords(fault: HoursFault, hours: number): string {
  switch (fault.code) {
    case 'falls':
      return `Running hours cannot fall: ${hours} h typed, the log has ${fault.before.hours} h on ${fault.before.date}. Read the meter again.`
    case 'moreThanTheClock':
      return `${hours} h is not possible: since ${fault.before.hours} h on ${fault.before.date} at most ${Math.floor(fault.most)} h have passed. Read the meter again.`
    case 'laterIsLess':
      return `${hours} h is not possible: the log already has ${fault.after.hours} h on the later day ${fault.after.date}. Check the date and the meter.`
  }
}

/** Running hours that are possible, and far from how the machine has run. */
export const hoursQuestion = (answer: Extract<HoursAnswer, { kind: 'jump' }>, hours: number): string =>
  `${hours} h would be ${answer.perDay.toFixed(1)} h a day since the last entry; this machine ran ${answer.usualPerDay.toFixed(1)} h a day before. Is the meter read right?`
