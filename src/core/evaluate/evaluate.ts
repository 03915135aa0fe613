import { type Cell, cell, lookup } from '../base/cell'
import { CORE_VERSION } from '../base/version'
import { sidesOf } from '../fit/kinds'
import { sizeValues } from '../fit/sizeEnd'
import type { Reductions } from '../method/reduction'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { reduce } from '../record/reduce'
import { type Stage, stages } from '../record/stage'
import { NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf } from '../record/standing'
import { gateOutcome } from '../scope/gate'
import { levelOf, type Need, needOf, type Scope, scopeOf } from '../scope/need'
import { showsWear } from '../trend/forecast'
import { soundnessOf } from '../verdict/chain'
import type { PartResult } from '../verdict/partVerdict'
import { boundTo, lookedAtBy, togetherWith } from '../verdict/together'
import { changesOf, crossCheckResult, fitResult, judge, latestOf, routesAt, setAt, stagesOf, type Taken } from './atStage'
import type { CrossCheckResult } from './crossChecks'
import { type Way, waysToMend } from './fits/ways'
import { gateMeasurementOf } from './gateMeasurement'
import { judgePart } from './judgePart'
import { laterSetsOf, laterSetsWith } from './laterStages'
import { characteristicAt, type Index, indexRecord, mustGet, reduceBy, withEntries } from './recordIndex'
import type { CharacteristicResult, FitResult, Measured, Results } from './results'
import { type Settled, settledByChain } from './settledByChain'

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
  /** Every way to mend a fit of the book, by its place there, from what was found. */
  waysAt(index: number): readonly Way[]
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

interface State extends Taken, Settled {
  readonly scope: Scope
  readonly needs: readonly Need[]
  readonly measured: readonly Cell<Measured>[]
  readonly characteristics: readonly Cell<CharacteristicResult>[]
  readonly fits: readonly Cell<FitResult>[]
  readonly crossChecks: readonly Cell<CrossCheckResult>[]
  /** Each part by itself, and with those it is bound to. */
  readonly judged: readonly Cell<PartResult>[]
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
  if (!known || evaluations.has(to) || from.book !== to.book || !sameDecisions(from, to)) return
  const readings = to.job.readings.filter(({ characteristic }) => characteristics.has(characteristic))
  let carried = from.job.entries.length === to.job.entries.length ? known : known.noting(to)
  for (const stage of stages)
    for (const [characteristic, standing] of standingByCharacteristic(readings, stage))
      carried = carried.with(characteristic, standing, stage)
  evaluations.set(to, carried)
}

/** What was decided says which route a part was worked by. Decisions are only added to. */
const sameDecisions = (from: InspectionRecord, to: InspectionRecord): boolean => from.decisions.length === to.decisions.length

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
    characteristicAt: (index) => state.settledCharacteristics[index]?.(),
    fitAt: (index) => state.settledFits[index]?.(),
    crossCheckAt: (index) => state.crossChecks[index]?.(),
    waysAt: (index) => waysOf(fixed, state, index),
    takenOf: (id, stage) => setAt(state, id, stage).taken,
    at: (id, stage) => {
      const index = fixed.index.get(id) ?? -1
      const known =
        stage === 'asFound'
          ? state.settledCharacteristics[index]?.()
          : state.settledCharacteristics[index]?.().stages.find((other) => other.stage === stage)
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

const resultsOf = ({ scope, settledCharacteristics, settledFits, parts, crossChecks }: State): Results => ({
  format: 'medida-results',
  version: 5,
  core: CORE_VERSION,
  scope,
  characteristics: all(settledCharacteristics),
  fits: all(settledFits),
  parts: all(parts),
  crossChecks: all(crossChecks),
})

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
  const { book, job } = fixed.record
  const affected = by === 'entries' ? NOTHING_MEASURED : by
  const isAffected = (id: string): boolean => affected === 'all' || affected.characteristics.has(id)

  const measured = replaced(
    before?.measured,
    book.characteristics,
    ({ id }) => isAffected(id),
    (characteristic) => judge(fixed, taken, characteristic, 'asFound'),
  )
  const fits = replaced(
    before?.fits,
    book.fits,
    (_, index) => affected === 'all' || affected.fits.has(index),
    (fit) => fitResult(fixed, taken, fit),
  )
  const crossChecks = replaced(
    before?.crossChecks,
    book.crossChecks ?? [],
    ({ names }) => Object.values(names).some(({ characteristic }) => isAffected(characteristic)),
    (crossCheck) => crossCheckResult(fixed, taken, crossCheck),
  )
  const level = levelOf(book, job.level)
  // In the order of the book, so that the reasons come in the same order whatever the gate lists first.
  const gateMeasures = book.characteristics.filter(({ id }) => level?.gate?.measures.includes(id)).map(({ id }) => id)
  const scope =
    before && gateMeasures.length === 0
      ? before.scope
      : scopeOf(
          book,
          job.level,
          gateOutcome(
            level,
            gateMeasures.map((id) => gateMeasurementOf(fixed, taken, id, new Set(gateMeasures), { measured, fits, crossChecks })),
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
      latest: latestOf(taken, [characteristic.id]),
      stages: stagesOf(fixed, taken, characteristic),
      changes: changesOf(fixed, taken, characteristic),
    }),
  )
  const partsAffected = affected === 'all' || by === 'entries' || rescoped ? null : partsReading(fixed, affected)
  const judged = replaced(
    before?.judged,
    book.parts,
    ({ id }) => partsAffected === null || partsAffected.has(id),
    (part) =>
      judgePart(fixed, part, {
        scope,
        needAt: (index) => needs[index],
        characteristicAt: (index) => characteristics[index]?.(),
        fitAt: (index) => fits[index]?.(),
        crossCheckAt: (index) => crossChecks[index]?.(),
        routes: routesAt(fixed, taken, 'asFound'),
      }),
  )
  const settled = settledByChain(fixed, { characteristics, fits, judged }, before)
  const partsAgain = partsAffected?.size ?? book.parts.length
  return {
    ...taken,
    scope,
    needs,
    measured,
    characteristics,
    fits,
    crossChecks,
    judged,
    ...settled,
    parts: boundParts(fixed, settled.chained, before),
    partsAgain,
  }
}

/** Parts with what their rules ask for the sake of others; one that is bound to none is what it is by itself. */
function boundParts(fixed: Index, chained: State['chained'], before: Pick<State, 'chained' | 'parts'> | null): State['parts'] {
  const { parts } = fixed.record.book
  const partOf = (id: string) => fixed.parts.get(id)
  const ownAt = (id: string) => chained[fixed.partIndex.get(id) ?? -1]
  return parts.map((part, index) => {
    const own = chained[index] as Cell<PartResult>
    if (lookedAtBy(part, fixed.suits).length === 0) return own
    const known = before?.parts[index]
    const bound = boundTo(part, partOf, fixed.suits)
    const isSame = bound.every((id) => {
      const at = fixed.partIndex.get(id) ?? -1
      return chained[at] === before?.chained[at]
    })
    return known && isSame ? known : cell(() => togetherWith(part, own(), partOf, (id) => ownAt(id)?.(), fixed.suits))
  })
}

function waysOf(fixed: Index, state: State, index: number): readonly Way[] {
  const [fit, found] = [fixed.record.book.fits[index], state.fits[index]?.()]
  if (!fit || !found) return []
  const { job } = fixed.record
  return waysToMend({
    fit,
    found,
    partOf: ({ part }) => mustGet(fixed.parts, part),
    isSound: [fit.mendOn, ...sidesOf(fit).map((id) => characteristicAt(fixed, id).part)].every((part) => {
      const result = state.judged[fixed.partIndex.get(part) ?? -1]?.()
      return result !== undefined && soundnessOf(result).strong === 'reuse'
    }),
    routes: routesAt(fixed, state, 'asFound'),
    acceptance: job.policy.acceptance,
    now: job,
    rateOf: (id) => {
      const of = state.characteristics[fixed.index.get(id) ?? -1]?.()
      // How far out of round or how worn it is moves otherwise than its size.
      const size = of?.trends.find(({ judges }) => sizeValues.includes(judges))
      if (!size?.rate) return null
      // What noise explains foretells nothing: it neither opens nor closes the fit.
      return showsWear(size) ? size.rate.perThousandHours : 0
    },
  })
}

/** Parts whose verdict reads what is affected: their own measurements and fits, cross-checks, sizes their routes are tried on. */
function partsReading(fixed: Index, affected: Affected): ReadonlySet<string> {
  const { book } = fixed.record
  const crossChecks = new Set([...affected.characteristics].flatMap((id) => fixed.crossChecksOf.get(id) ?? []))
  return new Set([
    ...[...affected.characteristics].flatMap((id) => [characteristicAt(fixed, id).part, ...(fixed.partReaders.get(id) ?? [])]),
    ...[...affected.fits].flatMap((index) => book.fits[index]?.mendOn ?? []),
    ...book.parts
      .filter(({ id }) => fixed.crossChecksOfPart.get(id)?.some((index) => crossChecks.has(index)))
      .map(({ id }) => id),
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
