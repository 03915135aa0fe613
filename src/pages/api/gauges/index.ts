import { gaugeBody } from '../../../contract/bodies'
import { apiCall } from '../../../server/edge'
import { storeGauge } from '../../../server/storeGauge'

export const POST = apiCall(gaugeBody, storeGauge)
