import type { TableFault } from '../limit/limitTable'
import { twoUnitsFaultWords } from './quantities'

const EXAMPLE = '≤ 50: 0.10; ≤ 80: 0.15; above: 0.20'

/** What is wrong with a table of limits as it is typed, and what to do. */
export function tableFaultWords(which: 'plan' | 'wear', fault: TableFault): string {
  const table = which === 'plan' ? 'Plan table' : 'Table'
  switch (fault.code) {
    case 'row':
      return `${table}: “${fault.text}” is no row. Type it like ${EXAMPLE}.`
    case 'figure':
      return `${table}, row “${fault.text}”: ${twoUnitsFaultWords(fault.why)}`
    case 'notRising':
      return `${table}: “${fault.text}” comes after a row that holds further. Put the rows in rising order.`
    case 'mixed':
      return `${table}: all rows go by size, or all by hours.`
    case 'otherSteps':
      return 'The plan limits need the same steps as the wear limits, or one figure for all.'
    case 'noSize':
      return `${table}: nothing here has a size to go by. Use hours, ≤ 2000 h: 0.10, or one figure.`
  }
}
