import { formatHours } from '../quantity/format'
import type { HistoryColumn, HistoryFault } from '../record/historyTable'
import { readingFaultWords } from './quantities'

/** What stands in each column of a table of earlier readings. */
export const historyColumnWords: Readonly<Record<HistoryColumn, string>> = {
  overhaul: 'what the overhaul was called',
  date: 'day it was opened: 2019-05-14',
  running_hours: 'hours of the machine then',
  characteristic: 'id or name as the limit book has it',
  station: 'place along, by its id',
  direction: 'place around, by its id',
  repeat: '1, 2, 3',
  stage: 'as found, after work, as left; as found when empty',
  reading: 'as it was written down, with its unit',
  gauge: 'code of the gauge in the store',
  part_mark: 'mark of the part that was fitted then; empty: the one that is fitted now',
}

/** Why a table of earlier readings, or a row of it, cannot be read. */
export function historyFaultWords(fault: HistoryFault): string {
  switch (fault.code) {
    case 'headLacks':
      return `The head of the table lacks: ${fault.columns.join(', ')}.`
    case 'notAColumn':
      return `Not a column of this table: ${fault.columns.join(', ')}.`
    case 'onlyAHead':
      return 'The table has a head and no readings.'
    case 'noCharacteristic':
      return `The limit book has no characteristic “${fault.text}”.`
    case 'noStage':
      return `“${fault.text}” is not a stage: as found, after work or as left.`
    case 'reading':
      return readingFaultWords(fault.why)
    case 'placeTwice':
      return `The same place is read in line ${fault.line} already.`
    case 'markTooLong':
      return `The mark of the part is longer than ${fault.most} characters.`
    case 'otherMark':
      return `The part is marked “${fault.before}” further up and “${fault.here}” here.`
    case 'tooManyReadings':
      return `More than ${fault.most} readings of one overhaul: leave some out.`
    case 'noName':
      return 'The overhaul has no name.'
    case 'nameTooLong':
      return `The name of the overhaul is longer than ${fault.most} characters.`
    case 'tooManyOverhauls':
      return `More than ${fault.most} overhauls: import the latest ones.`
    case 'noDay':
      return `“${fault.text}” is not a date. Write it as 2019-05-14.`
    case 'liesAhead':
      return `${fault.date} is in the future: today is ${fault.today}.`
    case 'noHours':
      return `“${fault.text}” is not a number of running hours. Write whole hours.`
    case 'notEarlier':
      return `${fault.hours} h is not earlier than the ${formatHours(fault.now)} h the machine has now.`
    case 'twoDates':
      return `${fault.overhaul} is given with two dates or hours: ${fault.one.date} at ${formatHours(fault.one.hours)} h, and ${fault.other.date} at ${formatHours(fault.other.hours)} h.`
    case 'hoursFall':
      return `Hours cannot fall: ${fault.one.overhaul} on ${fault.one.date} at ${formatHours(fault.one.hours)} h, ${fault.other.overhaul} on ${fault.other.date} at ${formatHours(fault.other.hours)} h.`
    case 'noPlace':
      return `${fault.characteristic} has no place “${fault.text}”.`
    case 'noGauge':
      return `There is no gauge “${fault.gauge}” in the store. Leave it empty where it is not known.`
    case 'otherKindOfGauge':
      return `${fault.gauge} is not the kind of gauge that ${fault.characteristic} is measured with.`
  }
}
