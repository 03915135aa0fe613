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
}

/** What is wrong there, in a few words, after the place where it is. */
export function issueWords({ message, params }: Issue): string {
  if (params?.bookFault !== undefined) return bookFaultWords(params.bookFault as BookFault)
  if (params?.recordFault !== undefined) return recordFaultWords(params.recordFault as RecordFault)
  return (schemaFaultWords as Readonly<Record<string, string>>)[message] ?? message
}
