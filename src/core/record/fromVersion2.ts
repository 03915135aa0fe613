/**
 * Books, records and results of version 2 as version 3 has them. Version 2 called a hold point of the procedure a gate and its
 * phase a stage, cross-checks closings, and some methods and notes by names that said something else. Nothing but these names
 * changed: no figure is touched, and what has today's names already stays as it is.
 */
import { isPlainObject } from '../base/plainObject'

type Fields = Readonly<Record<string, unknown>>

const METHODS: Readonly<Record<string, string>> = {
  alignment: 'shaftAlignment',
  elements: 'elementPattern',
  lookedAt: 'visualCheck',
  markAlignment: 'markShift',
  remaining: 'remainingThickness',
}

/** The method of version 3 that one of version 2 is called; itself where its name stayed. */
export const methodNow = (kind: string): string => METHODS[kind] ?? kind

const each = (list: unknown, now: (one: Fields) => Fields): unknown =>
  Array.isArray(list) ? list.map((one: unknown) => (isPlainObject(one) ? now(one) : one)) : list

/** The same fields in the same order, some by another name. */
const named = (fields: Fields, names: Readonly<Record<string, string>>): Fields =>
  Object.keys(names).some((name) => name in fields)
    ? Object.fromEntries(Object.entries(fields).map(([key, value]) => [names[key] ?? key, value]))
    : fields

/** What has a method: a characteristic of a book, and one that was typed in a job. */
const withMethod = (of: Fields): Fields =>
  isPlainObject(of.method) && typeof of.method.kind === 'string' && of.method.kind in METHODS
    ? { ...of, method: { ...of.method, kind: methodNow(of.method.kind) } }
    : of

const STEP = { stage: 'phase', gate: 'holdPoint' }
const CHECKS = { closings: 'crossChecks' }

export function bookFromVersion2(stored: object): object {
  const book = named(stored as Fields, CHECKS)
  return {
    ...book,
    version: 3,
    ...('procedure' in book ? { procedure: each(book.procedure, (step) => named(step, STEP)) } : {}),
    ...('characteristics' in book ? { characteristics: each(book.characteristics, withMethod) } : {}),
  }
}

/**
 * What was noted, as it is noted today. Notes carry no version: a row of any age, and what a device that was long without the
 * network still has to send, is read through here.
 */
export function noteNow(body: unknown): unknown {
  if (!isPlainObject(body)) return body
  switch (body.kind) {
    case 'lookedAt':
      return { ...body, kind: 'inspected' }
    case 'stepAdded': {
      const step = named(body, { stage: 'phase' })
      return isPlainObject(step.has) ? { ...step, has: named(step.has, STEP) } : step
    }
    case 'characteristicTyped':
      return isPlainObject(body.value) ? { ...body, value: withMethod(body.value) } : body
    default:
      return body
  }
}

export function recordFromVersion2(stored: object): object {
  const record = stored as Fields
  const { job, book } = record
  return {
    ...record,
    version: 3,
    ...(isPlainObject(book) ? { book: bookFromVersion2(book) } : {}),
    ...(isPlainObject(job) && 'entries' in job
      ? { job: { ...job, entries: each(job.entries, (entry) => ({ ...entry, body: noteNow(entry.body) })) } }
      : {}),
  }
}

/** The last stage of a measurement or a fit, which results said only by the stages they had. */
function withLatest(of: Fields): Fields {
  const last: unknown = Array.isArray(of.stages) ? of.stages.at(-1) : undefined
  if (isPlainObject(last)) return { ...of, latest: last.stage }
  const isRead = Array.isArray(of.readings) ? of.readings.length > 0 : (of.minimum ?? of.maximum ?? null) !== null
  return { ...of, latest: isRead ? 'asFound' : null }
}

/** Results keep the version they were signed with: it says how they are read and compared. */
export function resultsFromVersion2(results: unknown): unknown {
  if (!isPlainObject(results)) return results
  return {
    ...named(results, CHECKS),
    characteristics: each(results.characteristics, withLatest),
    fits: each(results.fits, withLatest),
  }
}
