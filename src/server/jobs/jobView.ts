import { LRUCache } from 'lru-cache'
import type { JobView } from '../../contract/answers'
import type { Executor } from '../../db/client'
import { type JobStamp, jobStamps } from '../../db/queries/jobStamp'
import { confirmationsOf, findJob, reviewOf } from '../../db/queries/jobs'
import { entriesAfter, entriesOf } from '../../db/queries/notes'
import { reportOfJob } from '../../db/queries/reports'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { type Action, mayIn, sees } from '../people/roles'
import { buildRecord, confirmationOfRow, recordWithAdded, reviewStepOfRow } from './jobRecord'

/** Everything the pages of a job show. */
export async function jobView(context: Context, jobId: string): Promise<JobView> {
  authorise(context, 'read')
  return buildJobView(context, context.db, jobId)
}

/**
 * The same inside a transaction, before it writes: what it finds is kept for others, who must not see what may be rolled back.
 * `asked`: its stamp, where it was asked for with those of other jobs.
 */
export async function buildJobView({ user }: Context, db: Executor, jobId: string, asked?: JobStamp): Promise<JobView> {
  const { role } = user
  const facts = await jobFacts(db, jobId, asked)
  // What somebody may not see is not there: neither its name nor that it exists is told.
  if (!sees(user, facts.record.machine.station)) throw new Refused('notFound', say.thereNoJob(jobId))
  const may = (action: Action): boolean => mayIn(role, action, facts.practice)
  return {
    ...facts,
    may: {
      measure: may('measure'),
      confirm: may('confirm'),
      decide: may('decide'),
      send: may('send') && !facts.practice,
      review: may('review') && !facts.practice,
      note: may('note'),
      plan: may('plan'),
      check: may('check'),
    },
  }
}

/** What everybody sees of a job. */
type JobFacts = Omit<JobView, 'may'>

/** Jobs this server has shown, each under the stamp it had: as long as that stands, nothing is read, checked or evaluated again. */
const shown = new LRUCache<string, { readonly stamp: JobStamp; readonly facts: JobFacts }>({
  max: 100,
  // Readings and entries, a book counted as five hundred of them; with what follows from it one takes up to 4 kB.
  maxSize: 60_000,
  sizeCalculation: ({ facts: { record } }) =>
    [record.job, ...record.history].reduce((sum, { readings }) => sum + readings.length, 500 + record.job.entries.length),
})

async function jobFacts(db: Executor, jobId: string, asked?: JobStamp): Promise<JobFacts> {
  // Asked for before anything is read: what is added meanwhile makes the next stamp another one.
  const stamp = asked ?? (await jobStamps(db, [jobId])).get(jobId)
  if (stamp === undefined) throw new Refused('notFound', say.thereNoJob(jobId))
  const known = shown.get(jobId)
  const same = known?.stamp.rest === stamp.rest
  if (same && known.stamp.readings === stamp.readings && known.stamp.lastSeq === stamp.lastSeq) return known.facts
  const facts = (same ? await factsWithAdded(db, known.facts) : null) ?? (await readFacts(db, jobId))
  shown.set(jobId, { stamp, facts })
  return facts
}

/** What is known of a job with the readings and entries stored since; null when it has to be read anew. */
async function factsWithAdded(db: Executor, facts: JobFacts): Promise<JobFacts | null> {
  const added = await entriesAfter(db, facts.record.job.id, facts.lastSeq)
  const record = await recordWithAdded(db, facts.record, added)
  return record && { ...facts, record, lastSeq: added.at(-1)?.seq ?? facts.lastSeq }
}

async function readFacts(db: Executor, jobId: string): Promise<JobFacts> {
  const found = await findJob(db, jobId)
  if (!found) throw new Error(`job ${jobId} has a stamp and is not there`)
  const { entries, unreadable } = await entriesOf(db, jobId, 0)
  const read = await buildRecord(db, found, entries)
  return {
    title: found.job.title,
    reason: found.job.reason,
    openedBy: found.openedBy,
    record: read.record,
    unreadable: [...unreadable, ...read.unreadable],
    confirmations: (await confirmationsOf(db, jobId)).map(confirmationOfRow),
    review: (await reviewOf(db, jobId)).map(reviewStepOfRow),
    reportId: (await reportOfJob(db, jobId))?.id ?? null,
    importedFrom: found.job.importedFrom,
    practice: found.job.practice,
    lastSeq: entries.at(-1)?.seq ?? 0,
  }
}
