import { z } from 'zod'
import type { LogView } from '../../contract/answers'
import { daySchema } from '../../core/base/idSchema'
import { appendLog, noteAttempt } from '../../db/queries/log'
import { eventsOf, verbsLogged } from '../../db/queries/people'
import { authorise, type Context } from '../edge/context'
import { csvOf } from '../edge/csv'

/** So many events are shown at once; the export has more. */
const MOST_SHOWN = 300
const MOST_EXPORTED = 50_000

const askedSchema = z.object({
  by: z.string().trim().min(1).max(120).nullable().catch(null),
  verb: z.string().trim().min(1).max(80).nullable().catch(null),
  from: daySchema.nullable().catch(null),
  to: daySchema.nullable().catch(null),
})
export type Asked = z.infer<typeof askedSchema>

/** What is asked of the log, from an address; what cannot be read asks for nothing. */
export const askedOf = (query: URLSearchParams): Asked =>
  askedSchema.parse({ by: query.get('by'), verb: query.get('verb'), from: query.get('from'), to: query.get('to') })

/** The event log, for the administrator. */
export async function logView(context: Context, asked: Asked): Promise<LogView> {
  authorise(context, 'administer')
  const [events, verbs] = await Promise.all([eventsOf(context.db, asked, MOST_SHOWN), verbsLogged(context.db)])
  return { events: events.map((event) => ({ ...event, detail: JSON.stringify(event.detail) })), verbs, most: MOST_SHOWN }
}

/** The same as a table for a spreadsheet; that it was exported is an event itself. */
export async function logCsv(context: Context, asked: Asked): Promise<string> {
  authorise(context, 'administer')
  const events = await eventsOf(context.db, asked, MOST_EXPORTED)
  await appendLog(context.db, context, { verb: 'log.exported', subject: 'log', detail: { ...asked, events: events.length } })
  const rows = events.map(({ at, by, verb, subject, detail }) => [at, by, verb, subject, JSON.stringify(detail)])
  return csvOf([['at', 'by', 'what', 'about', 'detail'], ...rows])
}

/** That something was taken out as a file, by whom: a report, a record, a limit book, the heads of the chains. */
export const noteExport = (context: Context, what: 'report' | 'record' | 'book' | 'heads', subject: string) =>
  noteAttempt(context.db, context, { verb: `${what}.exported`, subject, detail: {} })
