import { historyFields } from '../../../../contract/bodies'
import { apiUpload, pathParameter } from '../../../../server/edge/edge'
import { importHistory, MOST_HISTORY_BYTES } from '../../../../server/machines/history/importHistory'

export const POST = apiUpload(historyFields, MOST_HISTORY_BYTES, (context, fields, file, api) =>
  importHistory(context, pathParameter(api, 'machine'), fields, file),
)
