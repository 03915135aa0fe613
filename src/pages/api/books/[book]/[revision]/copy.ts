import { copyBody } from '../../../../../contract/bodies'
import { copyBook } from '../../../../../server/books/copyBook'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'

export const POST = apiCall(copyBody, (context, body, api) =>
  copyBook(context, pathParameter(api, 'book'), pathParameter(api, 'revision'), body),
)
