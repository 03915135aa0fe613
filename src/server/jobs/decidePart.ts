import type { DecisionBody } from '../../contract/bodies'
import type { Part } from '../../core/book/bookSchema'
import { evaluate } from '../../core/evaluate/evaluate'
import { OWN_WAY } from '../../core/record/ownWay'
import { departs } from '../../core/verdict/decidedWay'
import { verdictName } from '../../core/words/labels'
import type { Executor } from '../../db/client'
import { decisionById, storeDecision } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { writeToJob } from './openForWriting'

/** Records the inspector's verdict on a part: the recommended one, or a departure with its reason. */
export function decidePart(context: Context, jobId: string, body: DecisionBody): Promise<{ stored: boolean }> {
  const stored = async (db: Executor): Promise<{ stored: boolean } | null> => {
    const known = await decisionById(db, body.id)
    if (!known) return null
    const same =
      known.part === body.part && known.decided === body.decided && known.reason === body.reason && known.route === body.route
    if (known.jobId === jobId && same && known.recommended === body.recommended) return { stored: false }
    throw new Refused('conflict', 'A different verdict with this id is stored already. Reload the page and decide again.')
  }
  return writeToJob(context, jobId, { action: 'decide', duringReview: false, stored }, async (db, { record }) => {
    const part = record.book.parts.find(({ id }) => id === body.part)
    if (!part) throw new Refused('notFound', say.limitBookHasNo(body.part))
    const result = evaluate(record).parts.find(({ id }) => id === body.part)
    const recommended = result?.verdict
    if (body.route !== null && (body.decided !== 'recondition' || !isRouteOf(part, body.route)))
      throw new Refused('malformed', say.routeNotThere(part.name), [{ path: 'route', message: say.chooseRoute }])
    if (!result || recommended !== body.recommended)
      throw new Refused('conflict', say.recommendedVerdictHas(part.name, recommended ? verdictName[recommended] : 'none'))
    if (departs(result, body) && body.reason === null)
      throw new Refused('malformed', say.recommendedVerdictSay(part.name, verdictName[body.recommended]), [
        { path: 'reason', message: say.sayWhyYou },
      ])
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

const isRouteOf = (part: Part, route: string): boolean => route === OWN_WAY || part.routes.some(({ id }) => id === route)
