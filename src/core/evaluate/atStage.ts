/** What follows for one thing at one stage of a job, from everything that was taken. */
import { type Cell, lookup } from '../base/cell'
import type { Characteristic, CrossCheckSpec, FitSpec } from '../book/bookSchema'
import { readBy, stripOf } from '../fit/kinds'
import { quantityOf } from '../method/gives'
import type { Reductions } from '../method/reduction'
import { meterOf } from '../quantity/meter'
import { reduce } from '../record/reduce'
import { type LaterStage, laterStages, type Stage, stages } from '../record/stage'
import { NOTHING_TAKEN, type TakenSet } from '../record/standing'
import type { LinesByValue } from '../trend/earlier'
import type { SinceNew } from '../trend/forecast'
import type { RouteContext } from '../verdict/mending'
import { ageOf } from '../verdict/serviceVote'
import { type ChangeOutcome, changeOutcome } from './changes'
import { type CrossCheckResult, crossCheckOf } from './crossChecks'
import { evaluateCharacteristic } from './evaluateCharacteristic'
import { evaluateFit } from './fits/evaluateFit'
import { type LaterSets, valuesAt } from './laterStages'
import { characteristicAt, type Index, mustGet, reduceBy } from './recordIndex'
import type { FitMeasured, FitResult, Measured, StageResult } from './results'
import { rounded, roundForRecord } from './rounding'

/** Everything that was taken, and what it reduces to. */
export interface Taken {
  readonly sets: ReadonlyMap<string, Cell<TakenSet>>
  readonly reductions: ReadonlyMap<string, Cell<Reductions>>
  readonly later: LaterSets
}

export const setAt = ({ sets, later }: Taken, id: string, stage: Stage): TakenSet =>
  (stage === 'asFound' ? sets.get(id)?.() : later[stage].get(id)?.set) ?? NOTHING_TAKEN

/** What routes are tried on at a stage: the latest that is known by then. */
export function routesAt(fixed: Index, taken: Taken, stage: Stage): RouteContext {
  const { book } = fixed.record
  return {
    characteristicOf: (id) => characteristicAt(fixed, id),
    reductionsOf: valuesAt(stage, taken.later, lookup(taken.reductions)),
    fitsOf: (id) => (fixed.fitsOf.get(id) ?? []).flatMap((index) => book.fits[index] ?? []),
    ringsIn: (id) => fixed.ringsIn.get(id) ?? [],
    sidesUsed: (part) => fixed.noted.sides.get(part)?.used ?? null,
  }
}

/** Everything that follows for one characteristic at one stage. Wear is counted from what was found. */
export function judge(fixed: Index, taken: Taken, characteristic: Characteristic, stage: Stage): Measured {
  const { job } = fixed.record
  const { id } = characteristic
  const set = setAt(taken, id, stage)
  const routes = routesAt(fixed, taken, stage)
  // Nothing taken at this stage is nothing known there, whatever was found before.
  const reductionsOf = (of: string): Reductions | undefined =>
    of === id && stage !== 'asFound' && !taken.later[stage].has(id)
      ? reduce(characteristic, set, routes.reductionsOf, reduceBy(fixed, id))
      : routes.reductionsOf(of)
  return rounded(
    evaluateCharacteristic({
      characteristic,
      part: mustGet(fixed.parts, characteristic.part),
      stage,
      set,
      routes: { ...routes, reductionsOf },
      earlier: stage === 'asFound' ? (fixed.earlier.lines.get(id) ?? NO_LINES) : null,
      leftBefore: fixed.earlier.lastLeft.get(id)?.reductions ?? null,
      sisters: (line) => fixed.earlier.spreadOf(characteristic, line),
      hoursInPlace: hoursInPlace(fixed, characteristic.part),
      routesChosen: fixed.routesChosen.get(characteristic.part) ?? NO_ROUTES,
      isWorked: taken.later.afterWork.has(id),
      now: job,
      policy: job.policy,
    }),
    quantityOf(characteristic.method),
  )
}

/** Hours a part has run in its place, by its marks on record; the most that they can be where none tells. */
function hoursInPlace({ record }: Index, part: string): Pick<SinceNew, 'hours' | 'isCounted'> | null {
  if (meterOf(record.machine) === 'none') return null
  const age = ageOf(record, part)
  return { hours: age?.hours ?? record.job.runningHours, isCounted: age?.isCounted ?? false }
}

const NO_LINES: LinesByValue = new Map()
const NO_ROUTES: ReadonlySet<string> = new Set()

/** Everything that follows for a fit at one stage. */
function judgeFit(fixed: Index, taken: Taken, fit: FitSpec, stage: Stage): FitMeasured {
  const { job } = fixed.record
  const routes = routesAt(fixed, taken, stage)
  return rounded(
    evaluateFit({
      fit,
      part: mustGet(fixed.parts, fit.mendOn),
      stage,
      characteristic: (id) => characteristicAt(fixed, id),
      setOf: (id) => latestSet(taken, id, stage),
      stripCounts: stage === 'asFound' || taken.later[stage].has(stripOf(fit) ?? ''),
      routes,
      reductionsOf: routes.reductionsOf,
      policy: job.policy,
      foretelling: stage === 'asFound' ? { lines: fixed.earlier.fitLines.get(fit.id) ?? NO_LINES, now: job } : null,
    }),
    'length',
  )
}

/** What was taken of a characteristic by a stage, the latest of it. */
function latestSet(taken: Taken, id: string, stage: Stage): TakenSet {
  for (const known of [...laterStages].reverse())
    if (stages.indexOf(known) <= stages.indexOf(stage)) {
      const own = taken.later[known].get(id)?.set
      if (own) return own
    }
  return taken.sets.get(id)?.() ?? NOTHING_TAKEN
}

/** The last stage at which one of these has readings that stand, or follows from such. */
export const latestOf = ({ sets, reductions, later }: Taken, ids: readonly string[]): Stage | null =>
  [...laterStages].reverse().find((stage) => ids.some((id) => later[stage].has(id))) ??
  (ids.some((id) => (sets.get(id)?.().standing.length ?? 0) > 0 || (reductions.get(id)?.().taken ?? 0) > 0) ? 'asFound' : null)

export const fitResult = (fixed: Index, taken: Taken, fit: FitSpec): FitResult => ({
  ...judgeFit(fixed, taken, fit, 'asFound'),
  latest: latestOf(taken, readBy(fit)),
  stages: laterStages.flatMap((stage) => {
    return readBy(fit).some((id) => taken.later[stage].has(id)) ? [{ ...judgeFit(fixed, taken, fit, stage), stage }] : []
  }),
})

/** The stages after it was found at which it was measured. */
export const stagesOf = (fixed: Index, taken: Taken, characteristic: Characteristic): readonly StageResult[] =>
  laterStages.flatMap((stage) =>
    taken.later[stage].has(characteristic.id) ? [{ ...judge(fixed, taken, characteristic, stage), stage }] : [],
  )

/** Something known twice, as it was found and at each later stage by which all of it was read again. */
export function crossCheckResult(fixed: Index, taken: Taken, crossCheck: CrossCheckSpec): CrossCheckResult {
  const named = [...new Set(Object.values(crossCheck.names).map(({ characteristic }) => characteristic))]
  const at = (stage: Stage): CrossCheckResult =>
    roundForRecord(
      crossCheckOf({
        crossCheck,
        characteristicOf: (id) => characteristicAt(fixed, id),
        setOf: (id) => latestSet(taken, id, stage),
        reductionsOf: valuesAt(stage, taken.later, lookup(taken.reductions)),
        system: fixed.record.machine.units,
      }),
      crossCheck.quantity,
    )
  const readAgain = (stage: LaterStage): boolean => {
    const upTo = laterStages.slice(0, laterStages.indexOf(stage) + 1)
    return named.some((id) => taken.later[stage].has(id)) && named.every((id) => upTo.some((one) => taken.later[one].has(id)))
  }
  const stages = laterStages.filter(readAgain).map((stage) => ({ ...at(stage), stage }))
  return { ...at('asFound'), ...(stages.length > 0 ? { stages } : {}) }
}

export function changesOf(fixed: Index, taken: Taken, characteristic: Characteristic): readonly ChangeOutcome[] {
  const { id, changes, method } = characteristic
  const at = (stage: Stage | 'lastOverhaul') => {
    if (stage === 'lastOverhaul') return fixed.earlier.lastLeft.get(id)
    if (stage !== 'asFound') return taken.later[stage as LaterStage].get(id)
    const [set, reductions] = [taken.sets.get(id)?.(), taken.reductions.get(id)?.()]
    return set && reductions && { set, reductions }
  }
  return (changes ?? []).map((limit) =>
    roundForRecord(changeOutcome(characteristic, limit, at(limit.from), at(limit.to), fixed.guard), quantityOf(method)),
  )
}
