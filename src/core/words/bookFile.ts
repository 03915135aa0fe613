import type { CheckedBook } from '../book/checkBook'
import type { Path } from '../book/path'
import type { BookWarning } from '../book/warnings'
import type { UnitSystem } from '../quantity/unitSystem'
import { type Issue, issueWords } from './issues'
import { valueName } from './labels'
import { bookFaultWords } from './recordFaults'

/** What reads like a slip, and what to look at. */
export function bookWarningWords(warning: BookWarning): string {
  switch (warning.code) {
    case 'newBeyondLimit':
      return `a new part may already be ${warning.side === 'upper' ? 'above' : 'below'} this limit: compare it with the new size`
    case 'planInNew':
      return 'this plan limit lies within the new sizes: a new part would be past it'
    case 'neverReached':
      return `no reading of “${valueName[warning.judges]}” can tell sound from worn by this limit`
    case 'noStepMeasures':
      return 'no level and no step measures this'
    case 'mateWithoutLimits':
      return 'this fit has no limits: it judges nothing'
    case 'unlikeEqual':
      return `its limits differ from those of “${warning.other}”, which is of the same make`
    case 'notChecked':
      return 'no second person has held this limit against its page'
  }
}

export interface BookLine {
  readonly path: Path
  readonly says: string
}

/** Everything that is wrong with a book, by its place, in the order of the file; figures in the units of the book. */
export const bookFaultLines = (
  { shape, faults }: Pick<CheckedBook, 'shape' | 'faults'>,
  units: UnitSystem = 'metric',
): readonly BookLine[] => [
  ...shape.map(({ path, issue, found }) => ({ path, says: issueWords({ ...issue, found } as Issue) })),
  ...faults.map(({ path, fault }) => ({ path, says: bookFaultWords(fault, units) })),
]
