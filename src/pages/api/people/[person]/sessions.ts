import { nothingBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { endSessions } from '../../../../server/people/people'

export const POST = apiCall(nothingBody, (context, _body, api) => endSessions(context, pathParameter(api, 'person')))
