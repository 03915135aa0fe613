import type { JobView } from '../../contract/answers'
import type { BlankSheet } from '../../contract/sheetChoice'
import { blankSheets } from '../books/blankSheets'
import type { Context } from '../edge/context'
import { publicUrl } from '../edge/runtime'
import { jobView } from './jobView'

/** Blank sheets of a job: of one part where it is named, of all that its level needs otherwise. Their codes open the bench. */
export async function recordSheets(
  context: Context,
  jobId: string,
  part: string | null,
  needed: (view: JobView) => ReadonlySet<string>,
): Promise<{ readonly view: JobView; readonly sheets: readonly BlankSheet[] }> {
  const view = await jobView(context, jobId)
  const ids = needed(view)
  const sheets = await blankSheets(
    view.record.book,
    part,
    ({ id }) => ids.has(id),
    ({ id }) => `${publicUrl()}/jobs/${encodeURIComponent(jobId)}/bench?c=${encodeURIComponent(id)}`,
  )
  return { view, sheets }
}
