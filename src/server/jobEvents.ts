import type { StoredEntry } from '../contract/answers'
import { findJob } from '../db/queries/jobs'
import { entriesAfter, JOB_CHANNEL } from '../db/queries/work'
import { authorise, type Context } from './context'
import { notices } from './live'
import { Refused } from './refused'
import { logger } from './runtime'

const ALIVE_MS = 20_000

/**
 * A stream of server-sent events of one job: `entry` for each entry after a place in its list, in order, and `changed`
 * when anything was written, so that a page can ask for what it shows.
 */
export async function jobEvents(context: Context, jobId: string, after: number): Promise<ReadableStream<Uint8Array>> {
  authorise(context, 'read')
  if (!(await findJob(context.db, jobId))) throw new Refused('notFound', `There is no job “${jobId}”.`)
  await notices.hears()
  const encoder = new TextEncoder()
  let stop = (): void => {}
  return new ReadableStream<Uint8Array>({
    start(controller) {
      let seen = after
      let reading = false
      let again = false
      const say = (text: string): void => controller.enqueue(encoder.encode(text))
      const sendNew = async (): Promise<void> => {
        if (reading) {
          again = true
          return
        }
        reading = true
        try {
          do {
            again = false
            const fresh: StoredEntry[] = await entriesAfter(context.db, jobId, seen)
            for (const item of fresh) {
              seen = item.seq
              say(`id: ${item.seq}\nevent: entry\ndata: ${JSON.stringify(item)}\n\n`)
            }
            say('event: changed\ndata: {}\n\n')
          } while (again)
        } catch (error) {
          // The browser connects again by itself and asks from the last entry it has.
          logger.warn({ err: error instanceof Error ? error.message : String(error) }, 'event stream ended')
          stop()
          controller.close()
        } finally {
          reading = false
        }
      }
      const unwatch = notices.watch(JOB_CHANNEL, jobId, () => void sendNew())
      const alive = setInterval(() => say(': alive\n\n'), ALIVE_MS)
      stop = () => {
        unwatch()
        clearInterval(alive)
      }
      say('retry: 1000\n\n')
      void sendNew()
    },
    cancel: () => stop(),
  })
}
