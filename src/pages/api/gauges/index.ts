import { gaugeBody } from '../../../contract/bodies'
import { apiCall } from '../../../server/edge/edge'
import { storeGauge } from '../../../server/gauges/storeGauge'

export const POST = apiCall(gaugeBody, storeGauge)
