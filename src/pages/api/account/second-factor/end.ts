import { endFactorBody } from '../../../../contract/bodies'
import { apiCall } from '../../../../server/edge/edge'
import { checkPassword, decrypted, sessionOf } from '../../../../server/people/auth'
import { endOwnFactor } from '../../../../server/people/secondFactor'

export const POST = apiCall(endFactorBody, async (context, body, { request: { headers } }) => {
  const own = { checkPassword: (password: string) => checkPassword(headers, password), sessionId: await sessionOf(headers) }
  return endOwnFactor(context, body, own, decrypted)
})
