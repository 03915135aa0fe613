import { apiRead, pathParameter } from '../../../../server/edge'
import { gaugeEvents } from '../../../../server/gaugeEvents'

/** Server-sent events of a gauge, for the bench that holds it. */
export const GET = apiRead(
  async (context, api) =>
    new Response(await gaugeEvents(context, pathParameter(api, 'gauge')), {
      headers: {
        'content-type': 'text/event-stream; charset=utf-8',
        'cache-control': 'no-store',
        'x-accel-buffering': 'no',
      },
    }),
)
