import type { LimitBook } from '../book/bookSchema'
import { evaluate } from '../evaluate/evaluate'
import { bookOfJob } from '../notes/jobBook'
import type { Verdict } from '../policy/disposition'
import type { InspectionRecord } from '../record/recordSchema'

/** What another book would make of a job. */
export interface UnderBook {
  /** Parts whose recommended verdict would change; null: the part is only in the other book. */
  readonly verdicts: readonly {
    readonly part: string
    readonly name: string
    readonly from: Verdict | null
    readonly to: Verdict | null
  }[]
  /** What was measured or decided in the job, and is not in the book: the job cannot take it. */
  readonly lost: readonly string[]
}

/** A job as another book would judge it, beside how its own does. */
export function underBook(record: InspectionRecord, book: LimitBook): UnderBook {
  const { job, machine } = record
  const other = bookOfJob(book, job.entries, machine.units, job)
  const measured = new Set(job.readings.map(({ characteristic }) => characteristic))
  const has = new Set(other.characteristics.map(({ id }) => id))
  const lost = record.book.characteristics.filter(({ id }) => measured.has(id) && !has.has(id)).map(({ name }) => name)
  if (lost.length > 0) return { verdicts: [], lost }
  const [before, after] = [evaluate(record).parts, evaluate({ ...record, book: other }).parts]
  const verdictIn = (parts: typeof before, id: string): Verdict | null => parts.find((part) => part.id === id)?.verdict ?? null
  const names = new Map([...record.book.parts, ...other.parts].map(({ id, name }) => [id, name]))
  const verdicts = [...names].flatMap(([part, name]) => {
    const [from, to] = [verdictIn(before, part), verdictIn(after, part)]
    return from === to ? [] : [{ part, name, from, to }]
  })
  return { verdicts, lost }
}
