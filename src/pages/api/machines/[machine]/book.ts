import { machineBookBody } from '../../../../contract/bodies'
import { takeIntoUse } from '../../../../server/books/takeIntoUse'
import { apiCall, pathParameter } from '../../../../server/edge/edge'

export const POST = apiCall(machineBookBody, (context, body, api) => takeIntoUse(context, pathParameter(api, 'machine'), body))
