import type { ConfirmationBody } from '../../contract/bodies'
import { evaluate } from '../../core/evaluate/evaluate'
import { isMadeSafe, jobProgress } from '../../core/job/progress'
import { notSetYet } from '../../core/job/settings'
import { foldNotes } from '../../core/notes/fold'
import { stepName } from '../../core/words/labels'
import { insideWords } from '../../core/words/strip'
import type { Executor } from '../../db/client'
import { confirmationById, storeConfirmation } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { writeToJob } from './openForWriting'

/** Records that a step of the order of work is done, by name and time. Everything after “Make safe” waits for it. */
export function confirmStep(context: Context, jobId: string, body: ConfirmationBody): Promise<{ stored: boolean }> {
  const stored = async (db: Executor): Promise<{ stored: boolean } | null> => {
    const known = await confirmationById(db, body.id)
    if (!known) return null
    if (known.jobId === jobId && known.step === body.step && known.note === body.note) return { stored: false }
    throw new Refused('conflict', say.anotherConfirmationId)
  }
  return writeToJob(context, jobId, { action: 'confirm', duringReview: false, stored }, async (db, view) => {
    const inside = insideWords(foldNotes(view.record.book, view.record.job.entries))
    const before = view.confirmations.find(({ step }) => step === body.step)
    if (before) throw new Refused('conflict', say.confirmedAlready(stepName[body.step], before.by))
    const { stages } = jobProgress(view.record, evaluate(view.record), new Set(), false)
    if (stages[body.step]) throw new Refused('notPossible', say.limitBookHas(stepName[body.step]))
    if ((body.step === 'rebuild' || body.step === 'prove') && inside !== null)
      throw new Refused('notPossible', say.stillInsideCount(inside))
    const notSet = body.step === 'prove' ? notSetYet(view.record).filter(({ setting }) => !setting.isProving) : []
    if (notSet.length > 0) throw new Refused('notPossible', say.notSetYet(notSet.map(({ name }) => name).join(', ')))
    if (body.step !== 'makeSafe' && !isMadeSafe(view.record, view.confirmations))
      throw new Refused('conflict', say.staysClosedUntil(stepName[body.step]))
    await storeConfirmation(db, {
      id: body.id,
      jobId,
      step: body.step,
      note: body.note,
      confirmedBy: context.user.id,
      byName: context.user.name,
      confirmedAt: context.now(),
    })
    await appendLog(db, context, { verb: 'step.confirmed', subject: jobId, detail: { step: body.step, note: body.note } })
    return { stored: true }
  })
}
