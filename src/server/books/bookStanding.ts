import type { StandingBody } from '../../contract/bodies'
import { lockBook, standingById, storeStanding } from '../../db/queries/books'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { familyOf } from './family'

/** Retires an issued revision, or offers it again: jobs that are measured against it go on. */
export function setStanding(context: Context, id: string, revision: string, body: StandingBody): Promise<{ retired: boolean }> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    await lockBook(db, id)
    if (await standingById(db, body.id)) return { retired: body.retired }
    const family = await familyOf(db, id)
    const found = family?.revisions.find((one) => one.revision === revision)
    if (!found) throw new Refused('notFound', say.thereNoLimit(id, revision))
    if (found.issued === null) throw new Refused('notPossible', say.draftNotRetired)
    const { retired, reason } = body
    await storeStanding(db, {
      id: body.id,
      bookId: id,
      revision,
      retired,
      reason,
      saidBy: context.user.id,
      byName: context.user.name,
      saidAt: context.now(),
    })
    await appendLog(db, context, {
      verb: retired ? 'book.retired' : 'book.offered',
      subject: `book ${id}`,
      detail: { book: id, revision, reason },
    })
    return { retired }
  })
}
