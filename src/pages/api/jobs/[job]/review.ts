import { reviewBody } from '../../../../contract/bodies'
import { checkPassword } from '../../../../server/auth'
import { apiCall, pathParameter } from '../../../../server/edge'
import { review } from '../../../../server/review'
import { signingKey } from '../../../../server/runtime'

export const POST = apiCall(reviewBody, (context, body, api) =>
  review(context, pathParameter(api, 'job'), body, {
    checkPassword: (password) => checkPassword(api.request.headers, password),
    key: signingKey,
  }),
)
