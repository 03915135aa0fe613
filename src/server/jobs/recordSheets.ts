import QRCode from 'qrcode'
import type { JobView } from '../../contract/answers'
import type { Characteristic } from '../../core/book/bookSchema'
import { slotsOf } from '../../core/method/layout'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { publicUrl } from '../edge/runtime'
import { jobView } from './jobView'

/** One measurement to be written down at the bench, and the code that opens the place to type it into, as SVG. */
export interface BlankSheet {
  readonly characteristic: Characteristic
  readonly part: string
  readonly code: string
}

/** Blank sheets of a job: of one part where it is named, of all that its level needs otherwise. */
export async function recordSheets(
  context: Context,
  jobId: string,
  part: string | null,
  needed: (view: JobView) => ReadonlySet<string>,
): Promise<{ readonly view: JobView; readonly sheets: readonly BlankSheet[] }> {
  const view = await jobView(context, jobId)
  const { book } = view.record
  if (part !== null && !book.parts.some(({ id }) => id === part)) throw new Refused('notFound', say.machineHasNo(part))
  const ids = needed(view)
  const chosen = book.characteristics.filter(
    ({ id, part: own, method }) => slotsOf(method).length > 0 && (part === null ? ids.has(id) : own === part),
  )
  const sheets = await Promise.all(
    chosen.map(
      async (characteristic): Promise<BlankSheet> => ({
        characteristic,
        part: book.parts.find(({ id }) => id === characteristic.part)?.name ?? characteristic.part,
        code: await QRCode.toString(
          `${publicUrl()}/jobs/${encodeURIComponent(jobId)}/bench?c=${encodeURIComponent(characteristic.id)}`,
          { type: 'svg', margin: 0, errorCorrectionLevel: 'M' },
        ),
      }),
    ),
  )
  return { view, sheets }
}
