import { nothingBody } from '../../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'
import { endFactor } from '../../../../../server/people/people'

export const POST = apiCall(nothingBody, (context, _body, api) => endFactor(context, pathParameter(api, 'person')))
