/** What was stored by an earlier release, in today's version. What is of no version we know is left for the schema to refuse. */
import { isPlainObject } from '../base/plainObject'
import { bookFromVersion1, recordFromVersion1, resultsFromVersion1 } from './fromVersion1'
import { bookFromVersion2, recordFromVersion2, resultsFromVersion2 } from './fromVersion2'

type Step = (stored: object) => object

/** Brings something stored from the version it says to today's, a version at a time. */
function upgraded(stored: unknown, steps: Readonly<Record<number, Step>>): unknown {
  let now: unknown = stored
  for (;;) {
    const step = isPlainObject(now) && typeof now.version === 'number' ? steps[now.version] : undefined
    if (!step) return now
    now = step(now as object)
  }
}

/** A limit book as stored. */
export const upgradeBook = (stored: unknown): unknown => upgraded(stored, { 1: bookFromVersion1, 2: bookFromVersion2 })

/** A record as stored, with the book in it. */
export const upgradeRecord = (stored: unknown): unknown => upgraded(stored, { 1: recordFromVersion1, 2: recordFromVersion2 })

/** Results signed with a record, with the names of today. */
export function upgradeResults(results: unknown, record: unknown): unknown {
  const version = isPlainObject(record) ? record.version : null
  if (version === 1) return resultsFromVersion2(resultsFromVersion1(results))
  return version === 2 ? resultsFromVersion2(results) : results
}
