import { issueBody } from '../../../../../contract/bodies'
import { issueBook } from '../../../../../server/books/issueBook'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'

export const POST = apiCall(issueBody, (context, body, api) =>
  issueBook(context, pathParameter(api, 'book'), pathParameter(api, 'revision'), body),
)
