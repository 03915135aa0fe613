import { reviewBody } from '../../../../contract/bodies'
import { checkPassword } from '../../../../server/auth'
import { apiCall, pathParameter } from '../../../../server/edge'
import { review } from '../../../../server/review'

export const POST = apiCall(reviewBody, (context, body, api) =>
  review(context, pathParameter(api, 'job'), body, (password) => checkPassword(api.request.headers, password)),
)
