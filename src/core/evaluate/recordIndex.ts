import type { Characteristic, Part } from '../book/bookSchema'
import { dependentsOf, evaluationOrder } from '../book/dependencies'
import { setsBothWays } from '../book/setsBothWays'
import { readBy, sidesOf } from '../fit/kinds'
import { settingOfFit } from '../fit/settingOfFit'
import type { Gauge } from '../gauge/gauge'
import { guardFactorOf } from '../limit/conformity'
import { foldNotes } from '../notes/fold'
import type { NotesState } from '../notes/state'
import type { InspectionRecord } from '../record/recordSchema'
import type { ReduceBy } from '../record/reduce'
import { gaugesById, NOTHING_TAKEN } from '../record/standing'
import { settingOf } from '../setting/setting'
import { type ClearancesOf, type EarlierOverhauls, earlierOverhauls } from '../trend/earlier'
import { type Suits, suitsOf } from '../verdict/suits'
import { foundOf } from './fits/found'

/** What stays the same while readings come in. */
export interface Index {
  readonly record: InspectionRecord
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly order: readonly Characteristic[]
  readonly index: ReadonlyMap<string, number>
  /** Place of each in the order in which they are reduced. */
  readonly turn: ReadonlyMap<string, number>
  readonly parts: ReadonlyMap<string, Part>
  readonly partIndex: ReadonlyMap<string, number>
  /** Routes whose work the mates of a part are made to suit. */
  readonly suits: Suits
  readonly dependents: ReadonlyMap<string, readonly string[]>
  /** Characteristics whose mending, and fits whose mending or clearance, read this one. */
  readonly readers: ReadonlyMap<string, readonly string[]>
  readonly fitReaders: ReadonlyMap<string, readonly number[]>
  /** Parts whose routes read this one. */
  readonly partReaders: ReadonlyMap<string, readonly string[]>
  readonly fitsOfPart: ReadonlyMap<string, readonly number[]>
  /** Parts that what is set of a part rests on. */
  readonly chainsOfPart: ReadonlyMap<string, readonly string[]>
  readonly ofPart: ReadonlyMap<string, readonly number[]>
  /** Fits that a characteristic is part of, rings that run in it, cross-checks that read it. */
  readonly fitsOf: ReadonlyMap<string, readonly number[]>
  readonly ringsIn: ReadonlyMap<string, readonly Characteristic[]>
  readonly crossChecksOf: ReadonlyMap<string, readonly number[]>
  /** Cross-checks that read something of a part. */
  readonly crossChecksOfPart: ReadonlyMap<string, readonly number[]>
  /** Standard uncertainties the guard band of the policy is wide. */
  readonly guard: number
  readonly earlier: EarlierOverhauls
  readonly noted: NotesState
  readonly planned: ReadonlySet<string>
  /** Routes by which a part is reconditioned, as it was decided last; where none was named, any that it has. */
  readonly routesChosen: ReadonlyMap<string, ReadonlySet<string>>
  /** Parts of which a new one is fitted, as it was decided last. */
  readonly renewed: ReadonlySet<string>
}

export function characteristicAt(fixed: Index, id: string): Characteristic {
  const found = fixed.record.book.characteristics[fixed.index.get(id) ?? -1]
  if (!found) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return found
}

/** The record as it is judged: a set is one, whichever of its parts says so. */
const asJudged = (record: InspectionRecord): InspectionRecord => {
  const book = setsBothWays(record.book)
  return book === record.book ? record : { ...record, book }
}

export function indexRecord(given: InspectionRecord): Index {
  const record = asJudged(given)
  const { book, job } = record
  const { order } = evaluationOrder(book.characteristics)
  const gauges = gaugesById(record.gauges)
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  const readers = new Map<string, string[]>()
  const fitReaders = new Map<string, number[]>()
  const add = <T>(map: Map<string, T[]>, key: string, value: T): void => {
    const list = map.get(key)
    if (list) list.push(value)
    else map.set(key, [value])
  }
  const fitsOf = new Map<string, number[]>()
  book.fits.forEach((fit, index) => {
    for (const side of sidesOf(fit)) add(fitsOf, side, index)
  })
  const ringsIn = new Map<string, Characteristic[]>()
  for (const characteristic of book.characteristics)
    if (characteristic.method.kind === 'ringEndGap') add(ringsIn, characteristic.method.runsIn, characteristic)
  const crossChecksOf = new Map<string, number[]>()
  const crossChecksOfPart = new Map<string, number[]>()
  const partOf = new Map(book.characteristics.map(({ id, part }) => [id, part]))
  book.crossChecks?.forEach((crossCheck, index) => {
    const named = new Set(Object.values(crossCheck.names).map(({ characteristic }) => characteristic))
    for (const id of named) add(crossChecksOf, id, index)
    for (const part of new Set([...named].flatMap((id) => partOf.get(id) ?? []))) add(crossChecksOfPart, part, index)
  })
  /** Everything that trying the routes of a part reads: what they cut, what runs against that, and its rings. */
  const readByRoutes = (part: Part | undefined, mends: readonly string[]): string[] =>
    (part?.routes ?? []).flatMap((route) => {
      const cut = route.sizeAfter?.characteristic ?? mends.find((id) => route.mends.includes(id))
      if (cut === undefined) return []
      const against = (fitsOf.get(cut) ?? []).flatMap((index) => {
        const fit = book.fits[index]
        return fit ? sidesOf(fit) : []
      })
      return [cut, ...against, ...(ringsIn.get(cut) ?? []).map(({ id }) => id)]
    })
  for (const characteristic of book.characteristics)
    for (const id of new Set(readByRoutes(parts.get(characteristic.part), [characteristic.id])))
      if (id !== characteristic.id) add(readers, id, characteristic.id)
  book.fits.forEach((fit, index) => {
    for (const id of new Set([...readBy(fit), ...readByRoutes(parts.get(fit.mendOn), sidesOf(fit))])) add(fitReaders, id, index)
  })
  /** Parts whose findings and patterns ask for routes that read a characteristic. */
  const partReaders = new Map<string, string[]>()
  for (const part of book.parts) for (const id of new Set(readByRoutes(part, []))) add(partReaders, id, part.id)
  const fitsOfPart = new Map<string, number[]>()
  book.fits.forEach((fit, index) => add(fitsOfPart, fit.mendOn, index))
  const ofPart = new Map<string, number[]>()
  book.characteristics.forEach((characteristic, index) => add(ofPart, characteristic.part, index))
  const noted = foldNotes(book, job.entries)
  for (const { id, setting } of book.characteristics) if (setting?.leftBy !== undefined) add(readers, setting.leftBy, id)
  book.fits.forEach(({ setting }, index) => {
    if (setting?.leftBy !== undefined) add(fitReaders, setting.leftBy, index)
  })
  const partsMeasured = (ids: readonly string[]): string[] => ids.flatMap((id) => partOf.get(id) ?? [])
  const chainsOfPart = new Map<string, string[]>()
  const rests = (part: string, chain: readonly string[] = []): void => {
    for (const id of chain) if (!chainsOfPart.get(part)?.includes(id)) add(chainsOfPart, part, id)
  }
  for (const characteristic of book.characteristics)
    for (const limit of [...characteristic.limits, ...(characteristic.changes ?? [])])
      rests(characteristic.part, settingOf(characteristic, limit)?.chain)
  for (const fit of book.fits)
    for (const limit of fit.limits)
      rests(fit.mendOn, settingOfFit(fit, [fit.mendOn, ...partsMeasured(sidesOf(fit))], limit)?.chain)
  return {
    record,
    gauges,
    order,
    index: new Map(book.characteristics.map(({ id }, index) => [id, index])),
    turn: new Map(order.map(({ id }, at) => [id, at])),
    parts,
    partIndex: new Map(book.parts.map(({ id }, index) => [id, index])),
    suits: suitsOf(book),
    dependents: dependentsOf(order),
    readers,
    fitReaders,
    fitsOfPart,
    chainsOfPart,
    ofPart,
    fitsOf,
    ringsIn,
    crossChecksOf,
    crossChecksOfPart,
    partReaders,
    guard: guardFactorOf(job.policy.acceptance),
    earlier: earlierOverhauls(record, order, gauges, clearancesBy(record)),
    noted,
    planned: new Set(noted.planned.keys()),
    routesChosen: routesChosen(record),
    renewed: new Set(
      [...new Map(record.decisions.map((one) => [one.part, one]))].flatMap(([part, { decided }]) =>
        decided === 'replace' ? [part] : [],
      ),
    ),
  }
}

/** Fits of earlier overhauls are worked out as today's are. */
function clearancesBy({ book, job }: InspectionRecord): ClearancesOf {
  const characteristics = new Map(book.characteristics.map((one) => [one.id, one]))
  return (fit, at) =>
    foundOf({
      fit,
      characteristic: (id) => mustGet(characteristics, id),
      setOf: (id) => at(id)?.set ?? NOTHING_TAKEN,
      stripCounts: true,
      reductionsOf: (id) => at(id)?.reductions,
      policy: job.policy,
      stage: 'asFound',
    })
}

function routesChosen({ book, decisions }: InspectionRecord): ReadonlyMap<string, ReadonlySet<string>> {
  const chosen = new Map<string, ReadonlySet<string>>()
  const parts = new Map(book.parts.map((part) => [part.id, part]))
  for (const { part, decided, route } of decisions) {
    const all = parts.get(part)?.routes.map(({ id }) => id) ?? []
    chosen.set(part, new Set(decided !== 'recondition' ? [] : route === undefined ? all : [route]))
  }
  return chosen
}

/** The same for the record with other entries and the same book. */
export function withEntries(fixed: Index, given: InspectionRecord): Index {
  const record = asJudged(given)
  const noted = foldNotes(record.book, record.job.entries)
  return { ...fixed, record, noted, planned: new Set(noted.planned.keys()) }
}

export function mustGet<T>(map: ReadonlyMap<string, T>, id: string): T {
  const value = map.get(id)
  if (value === undefined) throw new Error(`record refers to ${id}, which its schema should have refused`)
  return value
}

/** What a characteristic is reduced by, whatever stage it was taken at. */
export const reduceBy = ({ guard, earlier }: Pick<Index, 'guard' | 'earlier'>, id: string): ReduceBy => ({
  guard,
  base: earlier.base.get(id)?.reductions ?? null,
})
