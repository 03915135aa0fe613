import type { JobView } from '../../contract/answers'
import { type JobState, jobState, whyClosed } from '../../core/job/standing'
import { closedWords } from '../../core/words/ready'
import type { Executor } from '../../db/client'
import { announce, lockJob } from '../../db/queries/jobs'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import type { Action } from '../people/roles'
import { buildJobView } from './jobView'

/** Refuses a write to a job that stands so that nothing may be changed. */
export function refuseClosed(standing: JobState): void {
  const why = whyClosed(standing)
  if (why !== null) throw new Refused('conflict', closedWords[why])
}

/**
 * Runs a write on a job: authorised, under the job's lock, refused once the job is signed or (unless `duringReview`)
 * while it is with the reviewer. What `write` throws rolls everything back. What is stored already (sent again because
 * the answer was lost) is answered as `stored` finds it, whatever has become of the job since.
 */
export async function writeToJob<T>(
  context: Context,
  jobId: string,
  options: {
    readonly action: Action
    readonly duringReview: boolean
    readonly stored?: (db: Executor) => Promise<T | null>
  },
  write: (db: Executor, view: JobView) => Promise<T>,
): Promise<T> {
  // Whether it is a practice job is known when it is read.
  authorise(context, options.action, true)
  return context.db.transaction(async (db) => {
    const job = await lockJob(db, jobId)
    if (!job) throw new Refused('notFound', say.thereNoJob(jobId))
    authorise(context, options.action, job.practice)
    const stored = (await options.stored?.(db)) ?? null
    if (stored !== null) return stored
    const view = await buildJobView(context, db, jobId)
    const state = jobState(view)
    refuseClosed(state === 'withReviewer' && options.duringReview ? 'open' : state)
    const written = await write(db, view)
    await announce(db, jobId) // heard when this transaction is committed, and only then
    return written
  })
}
