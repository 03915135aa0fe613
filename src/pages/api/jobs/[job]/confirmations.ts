import { confirmationBody } from '../../../../contract/bodies'
import { confirmStep } from '../../../../server/confirmStep'
import { apiCall, pathParameter } from '../../../../server/edge'

export const POST = apiCall(confirmationBody, (context, body, api) => confirmStep(context, pathParameter(api, 'job'), body))
