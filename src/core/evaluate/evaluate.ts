import { type Cell, cell, lookup } from '../base/cell'
import { CORE_VERSION } from '../base/version'
import type { Characteristic, FitSpec } from '../book/bookSchema'
import { quantityOf } from '../method/gives'
import type { Reductions } from '../method/reduction'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { reduce } from '../record/reduce'
import { type LaterStage, laterStages, type Stage, stages } from '../record/stage'
import { NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf } from '../record/standing'
import { gateOutcome } from '../scope/gate'
import { levelOf, type Need, needOf, type Scope, scopeOf } from '../scope/need'
import type { LinesByValue } from '../trend/earlier'
import type { RouteContext } from '../verdict/mending'
import type { PartResult } from '../verdict/partVerdict'
import { type ChangeOutcome, changeOutcome } from './changes'
import { type CrossCheckResult, crossCheckOf } from './crossChecks'
import { evaluateCharacteristic } from './evaluateCharacteristic'
import { evaluateFit } from './evaluateFit'
import { asGateMeasurement, judgePart } from './judgePart'
import { type LaterSets, laterSetsOf, laterSetsWith, valuesAt } from './laterStages'
import { characteristicAt, type Index, indexRecord, mustGet, reduceBy, withEntries } from './recordIndex'
import type { CharacteristicResult, FitMeasured, FitResult, Measured, Results, StageResult } from './results'
import { rounded, roundForRecord } from './rounding'

/**
 * Everything that follows from a record: reductions, limits, fits, wear lines, the gate and what it leaves out, verdicts
 * and their traces. Every stage is judged, and the last one measured decides what leaves the shop. The record must have passed its schema. The same record always gives the same results, to the byte.
 */
export const evaluate = (record: InspectionRecord): Results => startEvaluation(record).results

/**
 * Results of a record that can be carried on: with other readings at one characteristic, only what depends on it is
 * computed. Each thing is computed when it is first asked for, so that a page that shows twenty of a thousand waits for twenty.
 */
export interface Evaluation {
  readonly results: Results
  readonly scope: Scope
  /** Whether a characteristic of the book, by its place there, is asked for. */
  needAt(index: number): Need | undefined
  /** Everything that follows for a characteristic of the book, by its place there. */
  characteristicAt(index: number): CharacteristicResult | undefined
  fitAt(index: number): FitResult | undefined
  crossCheckAt(index: number): CrossCheckResult | undefined
  /** How many characteristics, fits and parts were computed to get here. */
  readonly touched: number
  /** Standing readings of a characteristic at a stage, corrected. */
  takenOf(characteristic: string, stage: Stage): TakenSet['taken']
  /** What follows for a characteristic at a stage, though nothing be taken there yet. */
  at(characteristic: string, stage: Stage): Measured
  /** The evaluation with these as the standing readings of one characteristic at one stage. */
  with(characteristic: string, standing: readonly Reading[], stage: Stage): Evaluation
  /** The evaluation of the same record with more entries, none of which changes its book: nothing measured is computed again. */
  noting(record: InspectionRecord): Evaluation
}

/** Everything that was taken, and what it reduces to. */
interface Taken {
  readonly sets: ReadonlyMap<string, Cell<TakenSet>>
  readonly reductions: ReadonlyMap<string, Cell<Reductions>>
  readonly later: LaterSets
}

interface State extends Taken {
  readonly scope: Scope
  readonly needs: readonly Need[]
  readonly measured: readonly Cell<Measured>[]
  readonly characteristics: readonly Cell<CharacteristicResult>[]
  readonly fits: readonly Cell<FitResult>[]
  readonly closings: readonly Cell<CrossCheckResult>[]
  readonly parts: readonly Cell<PartResult>[]
}

/** A record never changes; whoever asks for the same one again gets what was worked out before. */
const evaluations = new WeakMap<InspectionRecord, Evaluation>()

export function startEvaluation(record: InspectionRecord): Evaluation {
  const known = evaluations.get(record)
  if (known) return known
  const made = evaluateAll(record)
  evaluations.set(record, made)
  return made
}

/**
 * Takes what is known of a record over to one that holds more readings of these characteristics, more entries, and is
 * otherwise the same: only what depends on them is computed.
 */
export function carryEvaluation(from: InspectionRecord, to: InspectionRecord, characteristics: ReadonlySet<string>): void {
  const known = evaluations.get(from)
  if (!known || evaluations.has(to) || from.book !== to.book) return
  const readings = to.job.readings.filter(({ characteristic }) => characteristics.has(characteristic))
  let carried = from.job.entries.length === to.job.entries.length ? known : known.noting(to)
  for (const stage of stages)
    for (const [characteristic, standing] of standingByCharacteristic(readings, stage))
      carried = carried.with(characteristic, standing, stage)
  evaluations.set(to, carried)
}

/** What is to be done at the job's level; only a gate makes it depend on what was measured. */
export const scopeOfRecord = (record: InspectionRecord): Scope =>
  levelOf(record.book, record.job.level)?.gate ? startEvaluation(record).scope : scopeOf(record.book, record.job.level, null)

function evaluateAll(record: InspectionRecord): Evaluation {
  const fixed = indexRecord(record)
  const standing = standingByCharacteristic(record.job.readings, 'asFound')
  const sets = new Map(
    record.book.characteristics.map((characteristic) => [
      characteristic.id,
      cell(() => takenOf(characteristic, standing.get(characteristic.id) ?? [], fixed.gauges)),
    ]),
  )
  const reductions = new Map<string, Cell<Reductions>>()
  for (const { id } of fixed.order) reductions.set(id, reducing(fixed, sets, reductions, id))
  const later = laterSetsOf(fixed, record.job.readings, lookup(reductions))
  const state = settle(fixed, null, { sets, reductions, later }, 'all')
  return evaluationOf(fixed, state, record.book.characteristics.length + record.book.fits.length + record.book.parts.length)
}

/** What a characteristic reduces to. Of what it is computed from only that counts which comes before it: a chain that bites its tail ends. */
const reducing = (fixed: Index, sets: Taken['sets'], reductions: Taken['reductions'], id: string): Cell<Reductions> =>
  cell(() => {
    const before = (of: string): boolean => (fixed.turn.get(of) ?? 0) < (fixed.turn.get(id) ?? 0)
    const at = (of: string): Reductions | undefined => (before(of) ? reductions.get(of)?.() : undefined)
    return reduce(characteristicAt(fixed, id), sets.get(id)?.() ?? NOTHING_TAKEN, at, reduceBy(fixed, id))
  })

function evaluationOf(fixed: Index, state: State, touched: number): Evaluation {
  const results = cell(() => resultsOf(state))
  return {
    get results() {
      return results()
    },
    scope: state.scope,
    touched,
    needAt: (index) => state.needs[index],
    characteristicAt: (index) => state.characteristics[index]?.(),
    fitAt: (index) => state.fits[index]?.(),
    crossCheckAt: (index) => state.closings[index]?.(),
    takenOf: (id, stage) => setAt(state, id, stage).taken,
    at: (id, stage) => {
      const index = fixed.index.get(id) ?? -1
      const known =
        stage === 'asFound'
          ? state.characteristics[index]?.()
          : state.characteristics[index]?.().stages.find((other) => other.stage === stage)
      return known ?? judge(fixed, state, characteristicAt(fixed, id), stage)
    },
    with: (id, standing, stage) => {
      const characteristic = characteristicAt(fixed, id)
      const again = [id, ...(fixed.dependents.get(id) ?? [])]
      let { sets, reductions, later } = state
      if (stage === 'asFound') {
        const own = new Map(sets).set(
          id,
          cell(() => takenOf(characteristic, standing, fixed.gauges)),
        )
        const values = new Map(reductions)
        for (const next of again) values.set(next, reducing(fixed, own, values, next))
        sets = own
        reductions = values
      }
      const changed = stage === 'asFound' ? null : { stage, characteristic, standing }
      later = laterSetsWith(fixed, later, changed, new Set(again), lookup(reductions))
      const characteristics = new Set(again.flatMap((next) => [next, ...(fixed.readers.get(next) ?? [])]))
      const fits = new Set(again.flatMap((next) => fixed.fitReaders.get(next) ?? []))
      const settled = settle(fixed, state, { sets, reductions, later }, { characteristics, fits })
      return evaluationOf(fixed, settled, characteristics.size + fits.size + settled.partsAgain)
    },
    noting: (record) => {
      const noted = withEntries(fixed, record)
      const settled = settle(noted, state, state, 'entries')
      return evaluationOf(noted, settled, settled.partsAgain)
    },
  }
}

const all = <T>(cells: readonly Cell<T>[]): readonly T[] => cells.map((one) => one())

const resultsOf = ({ scope, characteristics, fits, parts, closings }: State): Results => ({
  format: 'medida-results',
  version: 4,
  core: CORE_VERSION,
  scope,
  characteristics: all(characteristics),
  fits: all(fits),
  parts: all(parts),
  closings: all(closings),
})

const setAt = ({ sets, later }: Taken, id: string, stage: Stage): TakenSet =>
  (stage === 'asFound' ? sets.get(id)?.() : later[stage].get(id)?.set) ?? NOTHING_TAKEN

/** What routes are tried on at a stage: the latest that is known by then. */
function routesAt(fixed: Index, taken: Taken, stage: Stage): RouteContext {
  const { book } = fixed.record
  return {
    characteristicOf: (id) => characteristicAt(fixed, id),
    reductionsOf: valuesAt(stage, taken.later, lookup(taken.reductions)),
    fitsOf: (id) => (fixed.fitsOf.get(id) ?? []).flatMap((index) => book.fits[index] ?? []),
    ringsIn: (id) => fixed.ringsIn.get(id) ?? [],
  }
}

/** Everything that follows for one characteristic at one stage. Wear is counted from what was found. */
function judge(fixed: Index, taken: Taken, characteristic: Characteristic, stage: Stage): Measured {
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
      sisters: (judges) => fixed.earlier.spreadOf(characteristic, judges),
      now: job,
      policy: job.policy,
    }),
    quantityOf(characteristic.method),
  )
}

const NO_LINES: LinesByValue = new Map()

/** Everything that follows for a fit at one stage. */
function judgeFit(fixed: Index, taken: Taken, fit: FitSpec, stage: Stage): FitMeasured {
  const { job } = fixed.record
  return rounded(
    evaluateFit({
      fit,
      part: mustGet(fixed.parts, fit.mendOn),
      stage,
      characteristic: (id) => characteristicAt(fixed, id),
      setOf: (id) => latestSet(taken, id, stage),
      stripCounts: stage === 'asFound' || (fit.strip !== null && taken.later[stage].has(fit.strip)),
      routes: routesAt(fixed, taken, stage),
      policy: job.policy,
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

const fitResult = (fixed: Index, taken: Taken, fit: FitSpec): FitResult => ({
  ...judgeFit(fixed, taken, fit, 'asFound'),
  stages: laterStages.flatMap((stage) => {
    const sides = [fit.bore, fit.journal, ...(fit.strip === null ? [] : [fit.strip])]
    return sides.some((id) => taken.later[stage].has(id)) ? [{ ...judgeFit(fixed, taken, fit, stage), stage }] : []
  }),
})

/** The stages after it was found at which it was measured. */
const stagesOf = (fixed: Index, taken: Taken, characteristic: Characteristic): readonly StageResult[] =>
  laterStages.flatMap((stage) =>
    taken.later[stage].has(characteristic.id) ? [{ ...judge(fixed, taken, characteristic, stage), stage }] : [],
  )

function changesOf(fixed: Index, taken: Taken, characteristic: Characteristic): readonly ChangeOutcome[] {
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

interface Affected {
  readonly characteristics: ReadonlySet<string>
  readonly fits: ReadonlySet<number>
}

const NOTHING_MEASURED: Affected = { characteristics: new Set(), fits: new Set() }

/** Judges what is affected anew and keeps the rest of what was known before. */
function settle(
  fixed: Index,
  before: State | null,
  taken: Taken,
  by: Affected | 'entries' | 'all',
): State & { readonly partsAgain: number } {
  const { book, job, machine } = fixed.record
  const { sets, reductions } = taken
  const affected = by === 'entries' ? NOTHING_MEASURED : by
  const isAffected = (id: string): boolean => affected === 'all' || affected.characteristics.has(id)

  const measured = replaced(
    before?.measured,
    book.characteristics,
    ({ id }) => isAffected(id),
    (characteristic) => judge(fixed, taken, characteristic, 'asFound'),
  )
  const level = levelOf(book, job.level)
  // In the order of the book, so that the reasons come in the same order whatever the gate lists first.
  const gateMeasures = book.characteristics.filter(({ id }) => level?.gate?.measures.includes(id)).map(({ id }) => id)
  const scope =
    before && !gateMeasures.some(isAffected)
      ? before.scope
      : scopeOf(
          book,
          job.level,
          gateOutcome(
            level,
            gateMeasures.map((id) => asGateMeasurement(measured[fixed.index.get(id) ?? -1]?.())),
          ),
        )
  const rescoped = before === null || !sameScope(before.scope, scope)
  const needs =
    rescoped || by === 'entries' ? book.characteristics.map(({ id }) => needOf(book, scope, fixed.planned, id)) : before.needs

  const characteristics = replaced(
    before?.characteristics,
    book.characteristics,
    ({ id }, index) => isAffected(id) || before?.needs[index] !== needs[index],
    (characteristic, index): CharacteristicResult => ({
      ...(measured[index] as Cell<Measured>)(),
      need: needs[index] as Need,
      stages: stagesOf(fixed, taken, characteristic),
      changes: changesOf(fixed, taken, characteristic),
    }),
  )
  const fits = replaced(
    before?.fits,
    book.fits,
    (_, index) => affected === 'all' || affected.fits.has(index),
    (fit) => fitResult(fixed, taken, fit),
  )
  const closings = replaced(
    before?.closings,
    book.closings ?? [],
    ({ names }) => Object.values(names).some(({ characteristic }) => isAffected(characteristic)),
    (closing) =>
      roundForRecord(
        crossCheckOf({
          closing,
          characteristicOf: (id) => characteristicAt(fixed, id),
          setOf: (id) => sets.get(id)?.(),
          reductionsOf: (id) => reductions.get(id)?.(),
          system: machine.units,
        }),
        closing.quantity,
      ),
  )
  const partsAffected = affected === 'all' || by === 'entries' || rescoped ? null : partsReading(fixed, affected)
  const parts = replaced(
    before?.parts,
    book.parts,
    ({ id }) => partsAffected === null || partsAffected.has(id),
    (part) =>
      judgePart(fixed, part, {
        scope,
        needAt: (index) => needs[index],
        characteristicAt: (index) => characteristics[index]?.(),
        fitAt: (index) => fits[index]?.(),
        crossCheckAt: (index) => closings[index]?.(),
        routes: routesAt(fixed, taken, 'asFound'),
      }),
  )
  const partsAgain = partsAffected?.size ?? book.parts.length
  return { ...taken, scope, needs, measured, characteristics, fits, closings, parts, partsAgain }
}

/** Parts whose verdict reads what is affected: their own measurements and fits, cross-checks, sizes their routes are tried on. */
function partsReading(fixed: Index, affected: Affected): ReadonlySet<string> {
  const { book } = fixed.record
  const closings = new Set([...affected.characteristics].flatMap((id) => fixed.crossChecksOf.get(id) ?? []))
  return new Set([
    ...[...affected.characteristics].flatMap((id) => [characteristicAt(fixed, id).part, ...(fixed.partReaders.get(id) ?? [])]),
    ...[...affected.fits].flatMap((index) => book.fits[index]?.mendOn ?? []),
    ...book.parts.filter(({ id }) => fixed.crossChecksOfPart.get(id)?.some((index) => closings.has(index))).map(({ id }) => id),
  ])
}

/** A list with what is affected to be made anew, and everything else as it was. */
function replaced<T, R>(
  before: readonly Cell<R>[] | undefined,
  items: readonly T[],
  isAffected: (item: T, index: number) => boolean,
  make: (item: T, index: number) => R,
): readonly Cell<R>[] {
  return items.map((item, index) => {
    const known = before?.[index]
    return known !== undefined && !isAffected(item, index) ? known : cell(() => make(item, index))
  })
}

/** Scopes are small. */
const sameScope = (a: Scope, b: Scope): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)
