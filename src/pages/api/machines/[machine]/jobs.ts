import { openJobBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { openJob } from '../../../../server/jobs/openJob'

export const POST = apiCall(openJobBody, (context, body, api) => openJob(context, pathParameter(api, 'machine'), body))
