import type { SchemaFault } from '../base/schemaFault'
import type { BookFault } from '../book/bookFault'
import type { RecordFault } from '../record/recordFault'
import { bookFaultWords, recordFaultWords } from './recordFaults'

export const schemaFaultWords: Readonly<Record<SchemaFault, string>> = {
  noId: 'an id has letters, digits, dots, colons and hyphens only',
  noDayOfOurTime: 'a day between 1850 and 2200',
  noTimeOfOurTime: 'a time between 1850 and 2200',
  newSizeSwapped: 'the least new size is larger than the greatest one',
  limitsSameId: 'two limits have the same id',
  changesSameId: 'two change limits have the same id',
  placesSameId: 'two places have the same id',
  crossChecksSameId: 'two cross-checks have the same id',
  stationsSameId: 'two stations have the same id',
  placesSameAngle: 'two places are at the same angle',
  scaleSameWidth: 'two scale points have the same width',
  scaleNotFalling: 'a wider strip must mean a smaller clearance',
  changeUnbounded: 'a change limit has a least or a greatest change',
  changeEndsSwapped: 'the least change is larger than the greatest one',
  changeBackwards: 'a change goes forward: from an earlier stage to a later one',
  rangeSwapped: 'the range ends before it begins',
  rowsNotRising: 'the rows must rise, and only the last may hold for all above',
  planAfterWear: 'the plan limit must come before the wear limit',
  settingWithoutMeans: 'say what sets it, or that it is wear',
  sayWhy: 'say why, in a few words',
  sayHowProved: 'say how it was proved',
  typeASize: 'type a size',
  typeAFigure: 'type a figure',
  nameGaugeKind: 'say which kind of gauge it is',
  nameWhatItMends: 'name what it mends',
  nameThePage: 'name the page',
}

/** What a schema reports, whatever makes its schemas: a code, bounds, and the fault itself where one was found. */
export interface Issue {
  readonly code?: string
  readonly message: string
  readonly params?: Readonly<Record<string, unknown>>
  readonly expected?: string
  readonly origin?: string
  readonly minimum?: number | bigint
  readonly maximum?: number | bigint
  readonly inclusive?: boolean
  readonly values?: readonly unknown[]
  readonly keys?: readonly string[]
  /** What stands there; left out where nobody looked. */
  readonly found?: unknown
}

/** What is wrong there, in a few words, after the place where it is. */
export function issueWords(issue: Issue): string {
  const { message, params } = issue
  if (params?.bookFault !== undefined) return bookFaultWords(params.bookFault as BookFault)
  if (params?.recordFault !== undefined) return recordFaultWords(params.recordFault as RecordFault)
  const own = (schemaFaultWords as Readonly<Record<string, string>>)[message]
  return own ?? (SCHEMAS_OWN.test(message) ? shapeWords(issue) : message)
}

/** A sentence of the schema's own, which speaks to who wrote it. */
const SCHEMAS_OWN = /^(Invalid|Too (small|big)|Unrecognized key)/

const kindWords: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'an entry with its fields',
  record: 'a list of names',
  null: 'empty',
}
const MOST_NAMED = 40

/** What is wrong with the shape of something, and what belongs there. */
function shapeWords(issue: Issue): string {
  const { code, expected, origin, minimum, maximum, inclusive, values, keys, found } = issue
  const isMissing = 'found' in issue && found === undefined
  switch (code) {
    case 'invalid_type':
      return isMissing
        ? `is missing: ${kindWords[expected ?? ''] ?? 'a value'} belongs here`
        : `must be ${kindWords[expected ?? ''] ?? 'another kind of value'}`
    case 'invalid_value': {
      const named = (values ?? []).map((value) => String(value))
      const list = named.length > MOST_NAMED ? `${named.slice(0, MOST_NAMED).join(', ')} …` : named.join(', ')
      return `${isMissing ? 'is missing' : 'is not known here'}: ${named.length === 1 ? list : `one of ${list}`}`
    }
    case 'unrecognized_keys':
      return `not known here: ${(keys ?? []).join(', ')}`
    case 'invalid_union':
      return isMissing
        ? 'is missing'
        : typeof found === 'string'
          ? `“${found}” is not known here`
          : 'is not of the form that belongs here'
    case 'too_small':
      if (origin === 'string') return 'must not be empty'
      if (origin === 'array') return `needs ${minimum} at least`
      return inclusive === false ? `must be more than ${minimum}` : `must be ${minimum} or more`
    case 'too_big':
      if (origin === 'string') return `is too long: ${maximum} letters at most`
      if (origin === 'array') return `has too many: ${maximum} at most`
      return `must be ${maximum} or less`
    default:
      return 'is not written as it should be'
  }
}
