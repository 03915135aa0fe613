import { createHash, randomInt } from 'node:crypto'
import type { EndPairingBody, PairingBody } from '../../contract/bodies'
import { PAIRING_LENGTH, PAIRING_SIGNS } from '../../core/gauge/lineProtocol'
import { endPairing, findGauge, findPairing, storePairing } from '../../db/queries/gauges'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'

const secretHash = (secret: string): string => createHash('sha256').update(secret).digest('hex')

const newSecret = (): string =>
  Array.from({ length: PAIRING_LENGTH }, () => PAIRING_SIGNS[randomInt(PAIRING_SIGNS.length)]).join('')

/** Pairs a gauge that sends its readings itself: its code is answered once, typed into the adapter, and kept nowhere. */
export function pairGauge(context: Context, gaugeId: string, body: PairingBody): Promise<{ id: string; secret: string }> {
  authorise(context, 'measure', true)
  return context.db.transaction(async (db) => {
    const gauge = await findGauge(db, gaugeId)
    if (!gauge || gauge.replaced) throw new Refused('notFound', say.thereNoGauge(gaugeId))
    if (await findPairing(db, body.id)) throw new Refused('conflict', say.pairingMadeAlready)
    const secret = newSecret()
    const { user, now } = context
    await storePairing(db, {
      id: body.id,
      code: gauge.code,
      name: body.name,
      secretSha256: secretHash(secret),
      madeBy: user.id,
      byName: user.name,
      madeAt: now(),
    })
    await appendLog(db, context, { verb: 'gauge.paired', subject: body.id, detail: { code: gauge.code, name: body.name } })
    return { id: body.id, secret }
  })
}

/** Ends a pairing: what says its code from now on is not heard. */
export function unpairGauge(context: Context, gaugeId: string, { pairing }: EndPairingBody): Promise<{ id: string }> {
  authorise(context, 'measure', true)
  return context.db.transaction(async (db) => {
    const [gauge, found] = [await findGauge(db, gaugeId), await findPairing(db, pairing)]
    if (!gauge || found?.code !== gauge.code) throw new Refused('notFound', say.thereNoSuchPairing)
    if (await endPairing(db, pairing, context.now()))
      await appendLog(db, context, { verb: 'gauge.unpaired', subject: pairing, detail: { code: gauge.code } })
    return { id: pairing }
  })
}

/** Whether a secret is the one of a pairing, as its hash tells. */
export const pairingHash = secretHash
