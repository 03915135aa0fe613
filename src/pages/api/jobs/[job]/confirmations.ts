import { confirmationBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { confirmStep } from '../../../../server/jobs/confirmStep'

export const POST = apiCall(confirmationBody, (context, body, api) => confirmStep(context, pathParameter(api, 'job'), body))
