import { endPairingBody } from '../../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'
import { unpairGauge } from '../../../../../server/gauges/pairGauge'

export const POST = apiCall(endPairingBody, (context, body, api) => unpairGauge(context, pathParameter(api, 'gauge'), body))
