import { readingBody } from '../../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'
import { acceptReading } from '../../../../../server/readings/acceptReading'

export const POST = apiCall(readingBody, (context, body, api) => acceptReading(context, pathParameter(api, 'job'), body))
