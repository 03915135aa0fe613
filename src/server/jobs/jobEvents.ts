import { findJob, JOB_CHANNEL } from '../../db/queries/jobs'
import { entriesAfter } from '../../db/queries/notes'
import { readingsById, readingsReceivedAfter } from '../../db/queries/readings'
import { say as labels } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { answerEvents, type StreamedEvent } from '../edge/eventStream'
import { MISSED, notices } from '../edge/live'
import { Refused } from '../edge/refused'
import { logger } from '../edge/runtime'
import { sees } from '../people/roles'
import { readingOfRow } from './jobRecord'

/** `entry` for each entry of a job after a place in its list, in order, and `changed` when anything was written. */
export function entryEvents(context: Context, jobId: string, after: number): Promise<Response> {
  let seen = after
  return jobEvents(context, jobId, async () => {
    const fresh = await entriesAfter(context.db, jobId, seen)
    seen = fresh.at(-1)?.seq ?? seen
    return [...fresh.map((item) => ({ id: String(item.seq), event: 'entry', data: item })), { event: 'changed', data: {} }]
  })
}

/** So far the clocks of two servers, and a reading's stamp and its being seen, may lie apart, ms. */
const APART_MS = 60_000

/** `readings` that were stored in a job since, by whichever server, as many as there are at once; those of the last minute may come again. */
export function readingEvents(context: Context, jobId: string, since: Date): Promise<Response> {
  let latest = since.getTime()
  const sent = new Map<string, number>()
  return jobEvents(context, jobId, async (said) => {
    const ids = said === 'unknown' ? null : [...said].filter((id) => !sent.has(id))
    const rows =
      ids === null
        ? await readingsReceivedAfter(context.db, jobId, new Date(latest - APART_MS))
        : ids.length > 0
          ? await readingsById(context.db, ids)
          : []
    const fresh = rows.filter(({ reading: { id } }) => !sent.has(id))
    for (const { reading } of fresh) {
      sent.set(reading.id, reading.receivedAt.getTime())
      latest = Math.max(latest, reading.receivedAt.getTime())
    }
    for (const [id, received] of sent) if (received < latest - APART_MS) sent.delete(id)
    const id = new Date(latest).toISOString()
    return fresh.length === 0 ? [] : [{ id, event: 'readings', data: fresh.map(readingOfRow) }]
  })
}

/** Ids of readings that were announced since the look before; unknown at first, and after the connection was lost. */
type Said = ReadonlySet<string> | 'unknown'

/** Looks for what is new in a job once, and again whenever something was written to it, by any server. */
async function jobEvents(
  context: Context,
  jobId: string,
  look: (said: Said) => Promise<readonly StreamedEvent[]>,
): Promise<Response> {
  authorise(context, 'read')
  const found = await findJob(context.db, jobId)
  if (!found || !sees(context.user, found.machine.station)) throw new Refused('notFound', labels.thereNoJob(jobId))
  await notices.hears()
  return answerEvents(context.user.id, ({ say, end }) => {
    let looking = false
    let next: Said | null = 'unknown'
    const sayNew = async (): Promise<void> => {
      if (looking) return
      looking = true
      try {
        while (next !== null) {
          const said = next
          next = null
          for (const event of await look(said)) say(event)
        }
      } catch (error) {
        // The browser connects again by itself and goes on from the last event it has.
        logger.warn({ err: error instanceof Error ? error.message : String(error) }, 'event stream ended')
        end()
      } finally {
        looking = false
      }
    }
    void sayNew()
    return notices.watch(JOB_CHANNEL, jobId, (word) => {
      const ids = word === null ? [] : [word]
      next = word === MISSED || next === 'unknown' ? 'unknown' : new Set([...(next ?? []), ...ids])
      void sayNew()
    })
  })
}
