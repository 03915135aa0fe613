import { readingBody } from '../../../../../contract/bodies'
import { acceptReading } from '../../../../../server/acceptReading'
import { apiCall, pathParameter } from '../../../../../server/edge'

export const POST = apiCall(readingBody, (context, body, api) => acceptReading(context, pathParameter(api, 'job'), body))
