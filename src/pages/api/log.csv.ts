import { apiRead } from '../../server/edge/edge'
import { askedOf, logCsv } from '../../server/people/eventLog'

/** The event log, or what is asked of it, as a table for a spreadsheet. */
export const GET = apiRead(
  async (context, { url }) =>
    new Response(await logCsv(context, askedOf(url.searchParams)), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="event-log.csv"',
        'cache-control': 'no-store',
      },
    }),
)
