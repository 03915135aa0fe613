import { z } from 'zod'
import { apiRead, checked, pathParameter } from '../../../../server/edge/edge'
import { entryEvents } from '../../../../server/jobs/jobEvents'

const afterSchema = z.coerce.number().int().min(0)

/** Server-sent events of a job. A browser that connects again names the last entry it has. */
export const GET = apiRead((context, api) => {
  const after = checked(afterSchema, api.request.headers.get('last-event-id') ?? api.url.searchParams.get('after') ?? '0')
  return entryEvents(context, pathParameter(api, 'job'), after)
})
