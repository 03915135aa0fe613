import { reviewBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { signingKey } from '../../../../server/edge/runtime'
import { checkPassword, decrypted } from '../../../../server/people/auth'
import { takeFactorCode } from '../../../../server/people/secondFactor'
import { review } from '../../../../server/reports/review'

export const POST = apiCall(reviewBody, (context, body, api) =>
  review(context, pathParameter(api, 'job'), body, {
    checkPassword: (password) => checkPassword(api.request.headers, password),
    takeCode: (db, code) => takeFactorCode(db, context.user, code, context.now, decrypted),
    key: signingKey,
  }),
)
