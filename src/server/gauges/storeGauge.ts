import type { GaugeBody } from '../../contract/bodies'
import { readTypedGauge } from '../../core/gauge/typedGauge'
import { gaugeFaultWords } from '../../core/words/gauges'
import { findGauge, gaugeIdOf, replaceGauge, storeGaugeRow } from '../../db/queries/gauges'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { gaugeOfRow } from '../jobs/jobRecord'
import { canonicalJson } from '../reports/canonical'
import { rowOfGauge } from './rowOfGauge'

/**
 * Puts a gauge into the store, or a new calibration of one that is there: the old figures stay with what was read under
 * them, and the new ones count from now on. Sent twice, it is stored once.
 */
export function storeGauge(
  context: Context,
  { id, replaces, place, ...typed }: GaugeBody,
): Promise<{ id: string; stored: boolean }> {
  authorise(context, 'plan')
  const read = readTypedGauge(typed)
  if (!read.ok) {
    const issues = read.fault.map(({ at, fault }) => ({ path: at, message: gaugeFaultWords(fault) }))
    throw new Refused('malformed', issues.map(({ message }) => message).join(' '), issues)
  }
  const figures = read.value
  return context.db.transaction(async (db) => {
    const known = await findGauge(db, id)
    if (known) {
      const { id: _, replaced: __, ...stored } = gaugeOfRow(known)
      if (canonicalJson(stored) !== canonicalJson(JSON.parse(JSON.stringify(figures))))
        throw new Refused('conflict', say.anotherGaugeId)
      return { id, stored: false }
    }
    if (replaces !== null) {
      const before = await findGauge(db, replaces)
      if (!before) throw new Refused('notFound', say.thereNoGaugeStore(replaces))
      if (before.kind !== figures.kind || before.code !== figures.code)
        throw new Refused('notPossible', say.newCalibrationKeeps(before.code))
      const isReplaced = await replaceGauge(db, replaces)
      if (before.replaced || !isReplaced) throw new Refused('conflict', say.calibratedAnewMeanwhile(before.code))
    }
    const inUse = await gaugeIdOf(db, figures.code)
    if (inUse !== null) {
      const message = say.storeAlreadyEnter(figures.code)
      throw new Refused('conflict', message, [{ path: 'code', message }])
    }
    await storeGaugeRow(db, { ...rowOfGauge(figures), id, place })
    await appendLog(db, context, {
      verb: replaces === null ? 'gauge.added' : 'gauge.calibrated',
      subject: id,
      detail: { code: figures.code, replaces },
    })
    return { id, stored: true }
  })
}
