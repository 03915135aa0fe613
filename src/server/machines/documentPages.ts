import type { DocumentPage } from '../../contract/answers'
import type { PageFields } from '../../contract/bodies'
import { appendLog } from '../../db/queries/log'
import { findMachine, findPage, lockMachine, pageById, pagesOf, storePage } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { checkPicture } from '../notes/addPicture'
import { sees } from '../people/roles'
import { sha256OfBytes } from '../reports/canonical'

/** Stores a page of a machine's document as a picture, to be held against what was typed from it. Sent twice it is stored once. */
export async function addDocumentPage(
  context: Context,
  machineId: string,
  { id, document, page }: PageFields,
  file: Uint8Array,
): Promise<{ pages: readonly DocumentPage[] }> {
  authorise(context, 'note')
  const checked = await checkPicture(file)
  const sha256 = sha256OfBytes(checked.bytes)
  return context.db.transaction(async (db) => {
    const machine = await findMachine(db, machineId)
    if (!machine || !sees(context.user, machine.station)) throw new Refused('notFound', say.thereNoMachine(machineId))
    await lockMachine(db, machineId)
    const known = await pageById(db, id)
    const isSame = known?.machineId === machineId && known.document === document && known.page === page && known.sha256 === sha256
    if (known && !isSame) throw new Refused('conflict', say.anotherPictureId)
    if (!known) {
      const by = { addedBy: context.user.id, byName: context.user.name, addedAt: context.now() }
      await storePage(db, { id, machineId, document, page, ...checked, sha256, ...by })
      await appendLog(db, context, { verb: 'document.page', subject: machineId, detail: { page: id, document, at: page } })
    }
    return { pages: await pagesOf(db, machineId) }
  })
}

/** The picture of a page. */
export async function documentPageOf(context: Context, machineId: string, id: string, size: 'whole' | 'small') {
  authorise(context, 'read')
  const machine = await findMachine(context.db, machineId)
  const found = /^[0-9a-f-]{36}$/i.test(id) ? await findPage(context.db, machineId, id, size) : undefined
  if (!found || !machine || !sees(context.user, machine.station)) throw new Refused('notFound', say.pageNotMachine)
  return found
}
