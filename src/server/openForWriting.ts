import type { JobSummary, JobView } from '../contract/answers'
import type { Executor } from '../db/client'
import { lockJob } from '../db/queries/jobs'
import { announce } from '../db/queries/work'
import { authorise, type Context } from './context'
import { buildJobView } from './jobView'
import { Refused } from './refused'
import type { Action } from './roles'

/** Where a job stands with the reviewer. */
export function reviewState(view: JobView): JobSummary['state'] {
  if (view.importedFrom !== null) return 'imported'
  if (view.reportId !== null) return 'signed'
  const last = view.review.at(-1)
  if (last?.kind === 'sent') return 'withReviewer'
  return last?.kind === 'returned' ? 'returned' : 'open'
}

/** Refuses a write to a job that is signed or lies with the reviewer. */
export function refuseClosed(state: ReturnType<typeof reviewState>): void {
  if (state === 'imported')
    throw new Refused('conflict', 'This overhaul was taken over from earlier records: nothing in it can be changed.')
  if (state === 'signed')
    throw new Refused('conflict', 'This job is signed: nothing in it can be changed. A correction is a new job.')
  if (state === 'withReviewer')
    throw new Refused('conflict', 'This job lies with the reviewer. Ask for it to be returned before changing anything.')
}

/**
 * Runs a write on a job: authorised, under the job's lock, refused once the job is signed or (unless `duringReview`)
 * while it lies with the reviewer. What `write` throws rolls everything back.
 */
export async function writeToJob<T>(
  context: Context,
  jobId: string,
  options: { readonly action: Action; readonly duringReview: boolean },
  write: (db: Executor, view: JobView) => Promise<T>,
): Promise<T> {
  authorise(context, options.action)
  return context.db.transaction(async (db) => {
    if (!(await lockJob(db, jobId))) throw new Refused('notFound', `There is no job “${jobId}”. Open one from the shop floor.`)
    const view = await buildJobView(context, db, jobId)
    const state = reviewState(view)
    refuseClosed(state === 'withReviewer' && options.duringReview ? 'open' : state)
    const written = await write(db, view)
    await announce(db, jobId) // heard when this transaction is committed, and only then
    return written
  })
}
