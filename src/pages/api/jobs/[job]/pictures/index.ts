import { pictureFields } from '../../../../../contract/bodies'
import { addPicture, MOST_PICTURE_BYTES } from '../../../../../server/addPicture'
import { apiUpload, pathParameter } from '../../../../../server/edge'

export const POST = apiUpload(pictureFields, MOST_PICTURE_BYTES, (context, fields, file, api) =>
  addPicture(context, pathParameter(api, 'job'), fields, file),
)
