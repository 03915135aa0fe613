import { ownPasswordBody } from '../../../contract/bodies'
import { apiCall } from '../../../server/edge/edge'
import { checkPassword, sessionOf } from '../../../server/people/auth'
import { changeOwnPassword } from '../../../server/people/ownPassword'

export const POST = apiCall(ownPasswordBody, async (context, body, { request: { headers } }) =>
  changeOwnPassword(context, body, {
    checkPassword: (password) => checkPassword(headers, password),
    sessionId: await sessionOf(headers),
  }),
)
