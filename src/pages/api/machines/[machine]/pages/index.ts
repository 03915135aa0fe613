import { pageFields } from '../../../../../contract/bodies'
import { apiUpload, pathParameter } from '../../../../../server/edge/edge'
import { addDocumentPage } from '../../../../../server/machines/documentPages'
import { MOST_PICTURE_BYTES } from '../../../../../server/notes/addPicture'

export const POST = apiUpload(pageFields, MOST_PICTURE_BYTES, (context, fields, file, api) =>
  addDocumentPage(context, pathParameter(api, 'machine'), fields, file),
)
