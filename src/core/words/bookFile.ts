import type { CheckedBook } from '../book/checkBook'
import { type Path, valueAt } from '../book/healed'
import type { BookWarning } from '../book/warnings'
import { type Issue, issueWords } from './issues'
import { valueName } from './labels'
import { bookFaultWords } from './recordFaults'

/** What the lists and fields of a book are called where one of them is wrong. */
const fieldWords: Readonly<Record<string, string>> = {
  documents: 'Documents',
  variants: 'Types that may be fitted',
  parts: 'Parts',
  characteristics: 'Characteristics',
  fits: 'Fits',
  equalParts: 'Equal parts',
  closings: 'Cross-checks',
  levels: 'Levels',
  cautions: 'Cautions',
  procedure: 'Steps',
  positions: 'Positions',
  joints: 'Joints',
  temporaries: 'Temporary items',
  findingRules: 'Rules for findings',
  patterns: 'Damage patterns',
  handTests: 'Hand tests',
  routes: 'Routes',
  service: 'Renewal rules',
  limits: 'Limits',
  limitsBy: 'Limits by table',
  changes: 'Limits of change',
  wants: 'Limits wanted',
  judges: 'value judged',
  wear: 'wear limit',
  plan: 'plan limit',
  lower: 'least',
  upper: 'greatest',
  new: 'new size',
  method: 'method',
  source: 'source',
  mends: 'brings back',
  showTo: 'shown to',
  gaugeKind: 'kind of gauge',
  whenPassed: 'when passed',
  mendOn: 'mended on',
  renewedAlways: 'renewed always',
}

/** Where in a book something stands, as its reader would find it: “Parts › Bearing shell › Routes › Re-line › cost”. */
export function bookPlaceWords(file: unknown, path: Path): string {
  const words = path.map((step, at) => {
    if (typeof step === 'string') return fieldWords[step] ?? step
    const entry = valueAt(file, path.slice(0, at + 1))
    const { name, title, id } = (typeof entry === 'object' && entry !== null ? entry : {}) as Readonly<Record<string, unknown>>
    const known = [name, title, id].find((text): text is string => typeof text === 'string' && text !== '')
    return known ?? `no. ${step + 1}`
  })
  return words.join(' › ') || 'The whole book'
}

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

/** Everything that is wrong with a book, by its place, in the order of the file. */
export const bookFaultLines = ({ shape, faults }: Pick<CheckedBook, 'shape' | 'faults'>): readonly BookLine[] => [
  ...shape.map(({ path, issue, found }) => ({ path, says: issueWords({ ...issue, found } as Issue) })),
  ...faults.map(({ path, fault }) => ({ path, says: bookFaultWords(fault) })),
]
