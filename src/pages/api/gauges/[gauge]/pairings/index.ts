import { pairingBody } from '../../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../../server/edge/edge'
import { pairGauge } from '../../../../../server/gauges/pairGauge'

export const POST = apiCall(pairingBody, (context, body, api) => pairGauge(context, pathParameter(api, 'gauge'), body))
