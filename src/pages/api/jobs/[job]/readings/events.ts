import { z } from 'zod'
import { apiRead, checked, pathParameter } from '../../../../../server/edge/edge'
import { readingEvents } from '../../../../../server/jobs/jobEvents'

const sinceSchema = z.iso.datetime()

/** Server-sent events of readings of a job. A browser that connects again says how far it has come. */
export const GET = apiRead((context, api) => {
  const since = checked(sinceSchema, api.request.headers.get('last-event-id') ?? api.url.searchParams.get('since'))
  return readingEvents(context, pathParameter(api, 'job'), new Date(since))
})
