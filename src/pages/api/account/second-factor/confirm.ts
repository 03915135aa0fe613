import { codeBody } from '../../../../contract/bodies'
import { apiCall } from '../../../../server/edge/edge'
import { decrypted, sessionOf } from '../../../../server/people/auth'
import { confirmFactor } from '../../../../server/people/secondFactor'

export const POST = apiCall(codeBody, async (context, body, { request: { headers } }) =>
  confirmFactor(context, body, decrypted, await sessionOf(headers)),
)
