import { apiRead, pathParameter } from '../../../../server/edge/edge'
import { gaugeEvents } from '../../../../server/gauges/gaugeEvents'

/** Server-sent events of a gauge, for the bench that holds it. */
export const GET = apiRead((context, api) => gaugeEvents(context, pathParameter(api, 'gauge')))
