import { ownPasswordCheckBody } from '../../../../contract/bodies'
import { apiCall } from '../../../../server/edge/edge'
import { checkPassword, newFactor, sessionOf } from '../../../../server/people/auth'
import { beginFactor } from '../../../../server/people/secondFactor'

export const POST = apiCall(ownPasswordCheckBody, async (context, body, { request: { headers } }) =>
  beginFactor(context, body, {
    checkPassword: (password) => checkPassword(headers, password),
    sessionId: await sessionOf(headers),
    make: (password) => newFactor(headers, password),
  }),
)
