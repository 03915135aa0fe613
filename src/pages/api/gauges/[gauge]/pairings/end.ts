import { endPairingBody } from '../../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../../server/edge'
import { unpairGauge } from '../../../../../server/pairGauge'

export const POST = apiCall(endPairingBody, (context, body, api) => unpairGauge(context, pathParameter(api, 'gauge'), body))
