import { nothingBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { makeCode } from '../../../../server/people/people'

export const POST = apiCall(nothingBody, (context, _body, api) => makeCode(context, pathParameter(api, 'person')))
