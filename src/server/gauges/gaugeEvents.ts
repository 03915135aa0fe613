import { randomUUID } from 'node:crypto'
import { findGauge, GAUGE_CHANNEL, pairingsInForce, sayToGauge } from '../../db/queries/gauges'
import { authorise, type Context } from '../edge/context'
import { answerEvents } from '../edge/eventStream'
import { notices } from '../edge/live'
import { Refused } from '../edge/refused'

/**
 * What a gauge says, as server-sent events, to the bench that holds it: `reading`, `here`, `gone`. Whoever listens last
 * holds the gauge; the bench before it is told `released` and hears no more, on whichever server it is.
 */
export async function gaugeEvents(context: Context, gaugeId: string): Promise<Response> {
  authorise(context, 'measure', true)
  const gauge = await findGauge(context.db, gaugeId)
  if (!gauge) throw new Refused('notFound', `There is no gauge “${gaugeId}” in the store.`)
  const paired = (await pairingsInForce(context.db)).some(({ code }) => code === gauge.code)
  await notices.hears()
  const holder = randomUUID()
  return answerEvents(context.user.id, ({ say, end }) => {
    const unwatch = notices.watch(GAUGE_CHANNEL, gaugeId, (word) => {
      const said = JSON.parse(word ?? '{}') as { kind?: string; holder?: string }
      if (said.kind !== 'held') say({ event: String(said.kind), data: said })
      else if (said.holder !== holder) {
        say({ event: 'released', data: {} })
        end()
      }
    })
    say({ event: 'listening', data: { paired } })
    sayToGauge(context.db, gaugeId, { kind: 'held', holder }).catch(end)
    return unwatch
  })
}
