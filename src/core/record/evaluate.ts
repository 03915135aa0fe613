import { forRecord } from '../decimal'
import { findingVotes } from '../decision/findingVote'
import { listed } from '../decision/limitVote'
import { partVerdict } from '../decision/partVerdict'
import type { Gauge } from '../gauge/gauge'
import { slotLabel } from '../method/layout'
import { reduceReadings } from '../method/reduce/reduce'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import { figuresOf } from '../quantity/figures'
import type { LinePoint } from '../trend/wearLine'
import { CORE_VERSION } from '../version'
import { foldWork, type WorkState } from '../work/fold'
import { type GateMeasurement, gateOutcome } from '../work/gate'
import { levelOf, needOf, type Scope, scopeOf } from '../work/need'
import type { Characteristic, FitSpec, LimitBook, Part } from './bookSchema'
import { dependentsOf, evaluationOrder } from './dependencies'
import { evaluateCharacteristic } from './evaluateCharacteristic'
import { evaluateFit } from './evaluateFit'
import type { InspectionRecord, Overhaul, Reading, Stage } from './recordSchema'
import type { CharacteristicResult, FitResult, PartResult, Results, Vote } from './results'
import { gaugesById, NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf } from './standing'

/**
 * Everything that follows from a record: reductions, limits, fits, wear lines, the gate and what it leaves out, verdicts
 * and their traces, for the as-found stage. The record must have passed its schema. The same record always gives the same results, to the byte.
 */
export const evaluate = (record: InspectionRecord): Results => startEvaluation(record).results

/** Results of a record that can be carried on: with other readings at one characteristic, only what depends on it is computed. */
export interface Evaluation {
  readonly results: Results
  /** How many characteristics, fits and parts were computed to get here. */
  readonly touched: number
  /** Standing readings of a characteristic, corrected. */
  takenOf(characteristic: string): TakenSet['taken']
  /** The evaluation with these as the standing as-found readings of one characteristic. */
  with(characteristic: string, standing: readonly Reading[]): Evaluation
}

/** What stays the same while readings come in. */
interface Fixed {
  readonly record: InspectionRecord
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly order: readonly Characteristic[]
  readonly index: ReadonlyMap<string, number>
  readonly parts: ReadonlyMap<string, Part>
  readonly partIndex: ReadonlyMap<string, number>
  readonly dependents: ReadonlyMap<string, readonly string[]>
  /** Characteristics whose mending, and fits whose mending or clearance, read this one. */
  readonly readers: ReadonlyMap<string, readonly string[]>
  readonly fitReaders: ReadonlyMap<string, readonly number[]>
  readonly fitsOfPart: ReadonlyMap<string, readonly number[]>
  readonly ofPart: ReadonlyMap<string, readonly number[]>
  readonly lines: ReadonlyMap<string, readonly LinePoint[]>
  readonly work: WorkState
  readonly planned: ReadonlySet<string>
}

type Measured = Omit<CharacteristicResult, 'need'>

interface State {
  readonly sets: ReadonlyMap<string, TakenSet>
  readonly reductions: ReadonlyMap<string, Reductions>
  readonly measured: readonly Measured[]
  readonly results: Results
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

function evaluateAll(record: InspectionRecord): Evaluation {
  const fixed = fix(record)
  const standing = standingByCharacteristic(record.job.readings, 'asFound')
  const sets = new Map(
    record.book.characteristics.map((characteristic) => [
      characteristic.id,
      takenOf(characteristic, standing.get(characteristic.id) ?? [], fixed.gauges),
    ]),
  )
  const reductions = new Map<string, Reductions>()
  for (const characteristic of fixed.order) reductions.set(characteristic.id, reduce(characteristic, sets, reductions))
  const state = settle(fixed, null, { sets, reductions }, 'all')
  return evaluationOf(fixed, state, record.book.characteristics.length + record.book.fits.length + record.book.parts.length)
}

function evaluationOf(fixed: Fixed, state: State, touched: number): Evaluation {
  return {
    results: state.results,
    touched,
    takenOf: (id) => (state.sets.get(id) ?? NOTHING_TAKEN).taken,
    with: (id, standing) => {
      const characteristic = at(fixed, id)
      const sets = new Map(state.sets).set(id, takenOf(characteristic, standing, fixed.gauges))
      const again = [id, ...(fixed.dependents.get(id) ?? [])]
      const reductions = new Map(state.reductions)
      for (const next of again) reductions.set(next, reduce(at(fixed, next), sets, reductions))
      const characteristics = new Set(again.flatMap((next) => [next, ...(fixed.readers.get(next) ?? [])]))
      const fits = new Set(again.flatMap((next) => fixed.fitReaders.get(next) ?? []))
      const settled = settle(fixed, state, { sets, reductions }, { characteristics, fits })
      return evaluationOf(fixed, settled, characteristics.size + fits.size + settled.parts)
    },
  }
}

function at(fixed: Fixed, id: string): Characteristic {
  const found = fixed.record.book.characteristics[fixed.index.get(id) ?? -1]
  if (!found) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return found
}

function fix(record: InspectionRecord): Fixed {
  const { book, job } = record
  const ordered = evaluationOrder(book.characteristics)
  if (ordered.kind === 'cycle') throw new Error(`characteristics need each other: ${ordered.chain.join(', ')}`)
  const gauges = gaugesById(record.gauges)
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  const readers = new Map<string, string[]>()
  const fitReaders = new Map<string, number[]>()
  const add = <T>(map: Map<string, T[]>, key: string, value: T): void => {
    const list = map.get(key)
    if (list) list.push(value)
    else map.set(key, [value])
  }
  const cutAt = (part: Part | undefined, mends: readonly string[]): string[] =>
    (part?.routes ?? [])
      .filter((route) => mends.some((id) => route.mends.includes(id)))
      .flatMap((route) => (route.sizeAfter ? [route.sizeAfter.characteristic] : []))
  for (const characteristic of book.characteristics)
    for (const id of new Set(cutAt(parts.get(characteristic.part), [characteristic.id]))) add(readers, id, characteristic.id)
  book.fits.forEach((fit, index) => {
    const named = [fit.bore, fit.journal, ...(fit.strip === null ? [] : [fit.strip])]
    for (const id of new Set([...named, ...cutAt(parts.get(fit.mendOn), [fit.bore, fit.journal])])) add(fitReaders, id, index)
  })
  const fitsOfPart = new Map<string, number[]>()
  book.fits.forEach((fit, index) => add(fitsOfPart, fit.mendOn, index))
  const ofPart = new Map<string, number[]>()
  book.characteristics.forEach((characteristic, index) => add(ofPart, characteristic.part, index))
  const work = foldWork(book, job.entries)
  return {
    record,
    gauges,
    order: ordered.order,
    index: new Map(book.characteristics.map(({ id }, index) => [id, index])),
    parts,
    partIndex: new Map(book.parts.map(({ id }, index) => [id, index])),
    dependents: dependentsOf(ordered.order),
    readers,
    fitReaders,
    fitsOfPart,
    ofPart,
    lines: earlierLines(record, ordered.order, gauges),
    work,
    planned: new Set(work.planned.keys()),
  }
}

function reduce(
  characteristic: Characteristic,
  sets: ReadonlyMap<string, TakenSet>,
  reductions: ReadonlyMap<string, Reductions>,
): Reductions {
  const set = sets.get(characteristic.id) ?? NOTHING_TAKEN
  return reduceReadings(characteristic.method, set.taken, {
    nominal: characteristic.new?.nominal ?? null,
    runsIn: wornDiameter(characteristic, reductions),
    resultOf: (id, value) => reductions.get(id)?.values[value as ReductionName] ?? null,
    marked: set,
  })
}

function wornDiameter({ method }: Characteristic, reductions: ReadonlyMap<string, Reductions>): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = reductions.get(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}

interface Affected {
  readonly characteristics: ReadonlySet<string>
  readonly fits: ReadonlySet<number>
}

/** Judges what is affected anew and keeps the rest of what was known before. */
function settle(
  fixed: Fixed,
  before: State | null,
  { sets, reductions }: Pick<State, 'sets' | 'reductions'>,
  affected: Affected | 'all',
): State & { readonly parts: number } {
  const { book, job, machine } = fixed.record
  const isAffected = (id: string): boolean => affected === 'all' || affected.characteristics.has(id)
  const reductionsOf = (id: string): Reductions | undefined => reductions.get(id)
  const isBore = (id: string): boolean => at(fixed, id).method.kind === 'boreDiameter'
  const partOf = (id: string): Part => found(fixed.parts, id)

  const measured = replaced(
    before?.measured,
    book.characteristics,
    (characteristic) => isAffected(characteristic.id),
    (characteristic) =>
      rounded(
        evaluateCharacteristic({
          characteristic,
          part: partOf(characteristic.part),
          set: sets.get(characteristic.id) ?? NOTHING_TAKEN,
          reductionsOf,
          isBore,
          earlier: fixed.lines.get(characteristic.id) ?? [],
          now: job,
          policy: job.policy,
          system: machine.units,
        }),
      ),
  )
  const level = levelOf(book, job.level)
  // In the order of the book, so that the reasons come in the same order whatever the gate lists first.
  const gateMeasures = book.characteristics.filter(({ id }) => level?.gate?.measures.includes(id)).map(({ id }) => id)
  const scope =
    before && !gateMeasures.some(isAffected)
      ? before.results.scope
      : scopeOf(
          book,
          job.level,
          gateOutcome(
            level,
            gateMeasures.map((id) => asGateMeasurement(fixed, measured[fixed.index.get(id) ?? -1])),
          ),
        )
  const rescoped = before === null || !sameScope(before.results.scope, scope)

  const characteristics = replaced(
    before?.results.characteristics,
    measured,
    ({ id }) => rescoped || isAffected(id),
    (result): CharacteristicResult => ({
      ...result,
      need: needOf(book, scope, fixed.planned, result.id),
    }),
  )
  const fits = replaced(
    before?.results.fits,
    book.fits,
    (_, index) => affected === 'all' || affected.fits.has(index),
    (fit) =>
      rounded(
        evaluateFit({
          fit,
          part: partOf(fit.mendOn),
          characteristic: (id) => at(fixed, id),
          takenOf: (id) => sets.get(id)?.taken ?? [],
          reductionsOf,
          policy: job.policy,
          figures: figuresOf('length', machine.units, fit.showTo),
        }),
      ),
  )
  const partsAffected =
    affected === 'all' || rescoped
      ? null
      : new Set([
          ...[...affected.characteristics].map((id) => at(fixed, id).part),
          ...[...affected.fits].flatMap((index) => book.fits[index]?.mendOn ?? []),
        ])
  const parts = replaced(
    before?.results.parts,
    book.parts,
    ({ id }) => partsAffected === null || partsAffected.has(id),
    (part) => rounded(judgePart(fixed, part, { scope, characteristics, fits })),
  )
  return {
    sets,
    reductions,
    measured,
    results: { core: CORE_VERSION, scope, characteristics, fits, parts },
    parts: partsAffected?.size ?? book.parts.length,
  }
}

/** A list with what is affected made anew and everything else as it was. */
function replaced<T, R>(
  before: readonly R[] | undefined,
  items: readonly T[],
  isAffected: (item: T, index: number) => boolean,
  make: (item: T) => R,
): readonly R[] {
  return items.map((item, index) => {
    const known = before?.[index]
    return known !== undefined && !isAffected(item, index) ? known : make(item)
  })
}

/** Scopes are small; the words of a gate change with its readings, so they count too. */
const sameScope = (a: Scope, b: Scope): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

function judgePart(
  fixed: Fixed,
  part: Part,
  {
    scope,
    characteristics,
    fits,
  }: { readonly scope: Scope; readonly characteristics: readonly CharacteristicResult[]; readonly fits: readonly FitResult[] },
): PartResult {
  const { book } = fixed.record
  const own = (fixed.ofPart.get(part.id) ?? []).flatMap((index) => characteristics[index] ?? [])
  const needOfId = (id: string) => characteristics[fixed.index.get(id) ?? -1]?.need
  const isNeeded = (fit: FitSpec): boolean => needOfId(fit.bore) === 'required' && needOfId(fit.journal) === 'required'
  // What the level leaves out and nobody has measured says nothing about the part.
  const votes = own.filter(({ need, readings }) => need === 'required' || readings.length > 0).flatMap((result) => result.votes)
  const fitVotes = (fixed.fitsOfPart.get(part.id) ?? []).flatMap((index) => {
    const fit = book.fits[index]
    return fit && isNeeded(fit) ? (fits[index]?.votes ?? []) : []
  })
  const findings = findingVotes(book, part, fixed.work)
  const service = serviceVotes(book, part, scope)
  const left = own.filter(({ need, readings }) => need !== 'required' && readings.length === 0)
  const pending = scope.gate?.kind === 'open' && (left.length > 0 || own.length === 0)
  const renewed = service.some(({ mild }) => mild === 'replace')
  const isNeededPart = scope.leftOut === null || renewed || [...votes, ...fitVotes, ...findings].length > 0
  const need = isNeededPart ? 'required' : pending ? 'ifGateFails' : 'notRequired'
  const leftOut = left.length > 0 || !isNeededPart ? [leftOutVote(scope, pending)] : []
  return { ...partVerdict(part, [...votes, ...fitVotes, ...findings, ...service, ...leftOut]), need }
}

/** What the gate looks at: the strongest reason, and the one reading that a failing value was taken from. */
function asGateMeasurement(fixed: Fixed, result: Measured | undefined): GateMeasurement {
  if (!result) throw new Error('a gate measures a characteristic that its book does not have')
  const [vote] = result.votes
  const { name, method } = at(fixed, result.id)
  const failing = result.limits.find(({ grade }) => grade.mild > 0)?.value ?? null
  const read = result.readings.filter((reading) => failing?.where.includes(slotLabel(method, reading)))
  const reading = read.length === 1 ? read[0] : undefined
  return {
    id: result.id,
    name,
    mild: result.mild,
    strong: result.strong,
    reason: vote ? `${name}: ${vote.reason}` : name,
    reading: reading ? `“${reading.text}” at ${slotLabel(method, reading)}` : null,
  }
}

function leftOutVote(scope: Scope, pending: boolean): Vote {
  const gate = scope.gate
  return {
    rule: 'leftOut',
    subject: null,
    mild: 'reuse',
    strong: pending ? 'replace' : 'reuse',
    reason: scope.leftOut ?? 'Not required',
    settledBy: pending && gate?.kind === 'open' ? `Take the gate measurements: ${listed(gate.missing)}.` : null,
    source: null,
    route: null,
    trace: [],
  }
}

function found<T>(map: ReadonlyMap<string, T>, id: string): T {
  const value = map.get(id)
  if (value === undefined) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return value
}

/** Reductions of one overhaul and stage, by characteristic. */
function reduceOverhaul(
  order: readonly Characteristic[],
  overhaul: Pick<Overhaul, 'readings'>,
  stage: Stage,
  gauges: ReadonlyMap<string, Gauge>,
): ReadonlyMap<string, Reductions> {
  const standing = standingByCharacteristic(overhaul.readings, stage)
  const sets = new Map(
    order.map((characteristic) => [characteristic.id, takenOf(characteristic, standing.get(characteristic.id) ?? [], gauges)]),
  )
  const reductions = new Map<string, Reductions>()
  for (const characteristic of order) reductions.set(characteristic.id, reduce(characteristic, sets, reductions))
  return reductions
}

/**
 * Judged values of the earlier overhauls by characteristic, for the part that is installed now: a replaced part starts
 * a new line, and an as-left value after work is a new base.
 */
function earlierLines(
  record: InspectionRecord,
  order: readonly Characteristic[],
  gauges: ReadonlyMap<string, Gauge>,
): ReadonlyMap<string, readonly LinePoint[]> {
  const lines = new Map<string, LinePoint[]>(record.book.characteristics.map(({ id }) => [id, []]))
  const overhauls = [...record.history].sort((a, b) => a.runningHours - b.runningHours)
  for (const overhaul of overhauls) {
    const asFound = reduceOverhaul(order, overhaul, 'asFound', gauges)
    const asLeft = reduceOverhaul(order, overhaul, 'asLeft', gauges)
    for (const characteristic of record.book.characteristics) {
      const line = lines.get(characteristic.id)
      const judges = characteristic.limits[0]?.judges
      if (!line || !judges) continue
      const point = (value: Reduced | undefined): LinePoint[] =>
        value?.open === 'complete' && value.value !== null
          ? [{ overhaul: overhaul.overhaul, date: overhaul.date, runningHours: overhaul.runningHours, value: value.value }]
          : []
      const sameFound = overhaul.installed[characteristic.part] === record.job.installed[characteristic.part]
      const left = point(asLeft.get(characteristic.id)?.values[judges])
      if (left.length > 0) line.splice(0, line.length, ...left)
      else if (sameFound) line.push(...point(asFound.get(characteristic.id)?.values[judges]))
      else line.length = 0
    }
  }
  return lines
}

/** Parts renewed always; at a level that does not disturb them they stay, and while its gate is open that is open too. */
function serviceVotes(book: LimitBook, part: Part, scope: Scope): Vote[] {
  if (!part.renewedAlways) return []
  const renews = levelOf(book, scope.counts)?.renews ?? true
  const pending = !renews && scope.gate?.kind === 'open'
  return [
    {
      rule: 'service',
      subject: null,
      mild: renews ? 'replace' : 'reuse',
      strong: renews || pending ? 'replace' : 'reuse',
      reason: renews ? 'Always renewed at an overhaul' : 'Renewed at an overhaul; not disturbed at this level',
      settledBy: pending ? 'Take the gate measurements.' : null,
      source: null,
      route: null,
      trace: [],
    },
  ]
}

/** Rounds every figure to the step of stored results. Votes are words only and are kept as they are. */
function rounded<T extends { readonly votes: readonly Vote[] }>(result: T): T {
  const { votes, ...figures } = result
  return { ...roundForRecord(figures), votes } as unknown as T
}

function roundForRecord<T>(value: T): T {
  if (typeof value === 'number') return forRecord(value) as T
  if (Array.isArray(value)) return value.map(roundForRecord) as T
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, roundForRecord(inner)])) as T
}
