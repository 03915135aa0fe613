import { bookDocument } from '../../db/queries/books'
import { allMachines } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'

/** A limit book revision as it is stored, with a name for its file. */
export async function storedBook(context: Context, id: string, revision: string): Promise<{ document: unknown; name: string }> {
  authorise(context, 'read')
  const document: unknown = await bookDocument(context.db, id, revision)
  const shown = (await allMachines(context.db)).some(({ bookId, station }) => bookId === id && sees(context.user, station))
  if (!document || (context.user.role === 'visitor' && !shown)) throw new Refused('notFound', say.thereNoLimit(id, revision))
  return { document, name: `${id}-${revision}`.replace(/[^A-Za-z0-9._-]+/g, '-') }
}
