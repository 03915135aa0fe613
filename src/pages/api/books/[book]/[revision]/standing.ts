import { standingBody } from '../../../../../contract/bodies'
import { setStanding } from '../../../../../server/books/bookStanding'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'

export const POST = apiCall(standingBody, (context, body, api) =>
  setStanding(context, pathParameter(api, 'book'), pathParameter(api, 'revision'), body),
)
