import { z } from 'zod'
import { apiRead, checked, pathParameter } from '../../../../server/edge'
import { jobEvents } from '../../../../server/jobEvents'

const afterSchema = z.coerce.number().int().min(0)

/** Server-sent events of a job. A browser that connects again names the last entry it has. */
export const GET = apiRead(async (context, api) => {
  const after = checked(afterSchema, api.request.headers.get('last-event-id') ?? api.url.searchParams.get('after') ?? '0')
  return new Response(await jobEvents(context, pathParameter(api, 'job'), after), {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    },
  })
})
