import { z } from 'zod'
import { historyFields } from '../../../../contract/bodies'
import { answerJson, apiRead, apiUpload, checked, pathParameter } from '../../../../server/edge/edge'
import { importedBy, importHistory, MOST_HISTORY_BYTES } from '../../../../server/machines/history/importHistory'

export const POST = apiUpload(historyFields, MOST_HISTORY_BYTES, (context, fields, file, api, long) =>
  importHistory(context, pathParameter(api, 'machine'), fields, file, long),
)

/** What became of an import, by its id. */
export const GET = apiRead(async (context, api) => {
  const id = checked(z.uuid(), api.url.searchParams.get('import'))
  return answerJson({ import: await importedBy(context, pathParameter(api, 'machine'), id) })
})
