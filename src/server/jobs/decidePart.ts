import type { DecisionBody } from '../../contract/bodies'
import { evaluate } from '../../core/evaluate/evaluate'
import { verdictName } from '../../core/words/labels'
import type { Executor } from '../../db/client'
import { decisionById, storeDecision } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { writeToJob } from './openForWriting'

/** Records the inspector's verdict on a part: the recommended one, or a departure with its reason. */
export function decidePart(context: Context, jobId: string, body: DecisionBody): Promise<{ stored: boolean }> {
  const stored = async (db: Executor): Promise<{ stored: boolean } | null> => {
    const known = await decisionById(db, body.id)
    if (!known) return null
    const same = known.part === body.part && known.decided === body.decided && known.reason === body.reason
    if (known.jobId === jobId && same && known.recommended === body.recommended) return { stored: false }
    throw new Refused('conflict', 'A different verdict with this id is stored already. Reload the page and decide again.')
  }
  return writeToJob(context, jobId, { action: 'decide', duringReview: false, stored }, async (db, { record }) => {
    const part = record.book.parts.find(({ id }) => id === body.part)
    if (!part) throw new Refused('notFound', `The limit book has no part “${body.part}”.`)
    const recommended = evaluate(record).parts.find(({ id }) => id === body.part)?.verdict
    if (recommended !== body.recommended)
      throw new Refused(
        'conflict',
        `The recommended verdict on ${part.name} has changed to ${recommended ? verdictName[recommended] : 'none'}. Look at it again, then decide.`,
      )
    if (body.decided !== recommended && body.reason === null)
      throw new Refused(
        'malformed',
        `${part.name}: the recommended verdict is ${verdictName[body.recommended]}. Say why you depart from it.`,
        [{ path: 'reason', message: 'say why you depart from the recommended verdict' }],
      )
    const { id: decidedBy, name: byName } = context.user
    await storeDecision(db, { ...body, jobId, decidedBy, byName, decidedAt: context.now() })
    await appendLog(db, context, {
      verb: 'part.decided',
      subject: jobId,
      detail: { part: body.part, recommended, decided: body.decided },
    })
    return { stored: true }
  })
}
