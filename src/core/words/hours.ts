import type { HoursAnswer, HoursFault } from '../notes/runningHours'
import type { Meter } from '../quantity/meter'
import { ranWords } from './meter'

/** Why what a machine's meter is said to show cannot be so. */
export function hoursFaultWords(fault: HoursFault, hours: number, meter: Meter = 'hours'): string {
  const ran = (count: number): string => ranWords(count, meter)
  switch (fault.code) {
    case 'falls':
      return `The meter cannot fall: ${ran(hours)} typed, the log has ${ran(fault.before.hours)} on ${fault.before.date}. Read the meter again.`
    case 'moreThanTheClock':
      return `${ran(hours)} is not possible: since ${ran(fault.before.hours)} on ${fault.before.date} at most ${ran(Math.floor(fault.most))} have passed. Read the meter again.`
    case 'laterIsLess':
      return `${ran(hours)} is not possible: the log already has ${ran(fault.after.hours)} on the later day ${fault.after.date}. Check the date and the meter.`
  }
}

/** A count that is possible, and far from how the machine has run. */
export const hoursQuestion = (answer: Extract<HoursAnswer, { kind: 'jump' }>, hours: number, meter: Meter = 'hours'): string => {
  const unit = ranWords(0, meter).replace(/^0 /, '')
  return `${ranWords(hours, meter)} would be ${answer.perDay.toFixed(1)} ${unit} a day since the last entry; this machine ran ${answer.usualPerDay.toFixed(1)} ${unit} a day before. Is the meter read right?`
}
