import { randomUUID } from 'node:crypto'
import { GAUGE_CHANNEL, sayToGauge } from '../db/queries/gauges'
import { findGauge } from '../db/queries/jobs'
import { authorise, type Context } from './context'
import { notices } from './live'
import { Refused } from './refused'

const ALIVE_MS = 20_000

/**
 * What a gauge says, as server-sent events, to the bench that holds it: `reading`, `here`, `gone`. Whoever listens last
 * holds the gauge; the bench before it is told `released` and hears no more, on whichever server it is.
 */
export async function gaugeEvents(context: Context, gaugeId: string): Promise<ReadableStream<Uint8Array>> {
  authorise(context, 'measure')
  if (!(await findGauge(context.db, gaugeId))) throw new Refused('notFound', `There is no gauge “${gaugeId}” in the store.`)
  await notices.hears()
  const holder = randomUUID()
  const encoder = new TextEncoder()
  let stop = (): void => {}
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string): void => controller.enqueue(encoder.encode(text))
      const unwatch = notices.watch(GAUGE_CHANNEL, gaugeId, (word) => {
        const said = JSON.parse(word ?? '{}') as { kind?: string; holder?: string }
        if (said.kind === 'held') {
          if (said.holder === holder) return
          say('event: released\ndata: {}\n\n')
          stop()
          controller.close()
        } else say(`event: ${said.kind}\ndata: ${word}\n\n`)
      })
      const alive = setInterval(() => say(': alive\n\n'), ALIVE_MS)
      stop = () => {
        unwatch()
        clearInterval(alive)
      }
      say('retry: 1000\n\nevent: listening\ndata: {}\n\n')
      sayToGauge(context.db, gaugeId, { kind: 'held', holder }).catch(() => {
        stop()
        controller.close()
      })
    },
    cancel: () => stop(),
  })
}
