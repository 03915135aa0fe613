import { pictureFields } from '../../../../../contract/bodies'
import { apiUpload, pathParameter } from '../../../../../server/edge/edge'
import { addPicture, MOST_PICTURE_BYTES } from '../../../../../server/notes/addPicture'

export const POST = apiUpload(pictureFields, MOST_PICTURE_BYTES, (context, fields, file, api) =>
  addPicture(context, pathParameter(api, 'job'), fields, file),
)
