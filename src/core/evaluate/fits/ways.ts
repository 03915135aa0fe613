import type { Characteristic, Part, Route } from '../../book/bookSchema'
import { clearanceAt, type FitSpec, isSum, linksOf, setByOf, setTo, sidesOf } from '../../fit/kinds'
import { type End, sizeEnd, sizeMiddle } from '../../fit/sizeEnd'
import { type Acceptance, type GradeSpan, guardFactorOf } from '../../limit/conformity'
import type { Limit } from '../../limit/limit'
import { judged } from '../../limit/outcome'
import { exactly, type Known, linear } from '../../method/known'
import { knownOf, type Reduced, reduced } from '../../method/reduction'
import { exceeds } from '../../quantity/decimal'
import type { Interval } from '../../quantity/interval'
import type { SettingMeans } from '../../setting/settingMeans'
import { costOf, type RouteContext, routeForFit } from '../../verdict/mending'
import type { RouteTried } from '../../verdict/vote'
import type { FitMeasured } from '../results'

/** What a way would leave of a fit, mm. */
export interface LeftClearance {
  readonly tightestMm: number
  readonly loosestMm: number
}

/**
 * holds: within all limits, and at the next overhaul too; pastPlan: within its wear limits; passes: within now, beyond before
 * the next overhaul; undecided: doubt reaches across a limit; fails: beyond one; cannot: the route does not bring the part
 * back at the size found; notKnown: something it needs is not measured.
 */
export type WayState = 'holds' | 'pastPlan' | 'passes' | 'undecided' | 'fails' | 'cannot' | 'notKnown'

/** One way to mend a fit, on either part, or to leave it. */
export interface Way {
  readonly by: 'set' | 'route' | 'newPart' | 'leave'
  /** Part it is done to; null where it is left. */
  readonly part: string | null
  readonly route: string | null
  readonly state: WayState
  /** Null while a size it follows from is not known. */
  readonly leaves: LeftClearance | null
  /** At the next overhaul, as the sides have worn so far; null where one has no rate. */
  readonly atNext: (LeftClearance & { readonly atHours: number }) | null
  /** Running hours from now until the first wear limit; null where none is reached, or no rate is known. */
  readonly hoursToWear: number | null
  /** What is set, and by how much, mm: shims, a pad, a gasket; null where nothing is. */
  readonly set: { readonly by: SettingMeans; readonly changeMm: number } | null
  /** What stands against the route. */
  readonly against: RouteTried['against']
  /** The mate is made to suit with it. */
  readonly suits: boolean
  /** Null where nobody knows yet. */
  readonly cost: number | null
  readonly days: number | null
}

export interface WaysInput {
  readonly fit: FitSpec
  /** As it was found: what is left when nothing is done. */
  readonly found: Pick<FitMeasured, 'minimum' | 'maximum' | 'limits'>
  readonly partOf: (characteristic: Characteristic) => Part
  /** Whether the parts in it are known to be within their own limits. */
  readonly isSound: boolean
  readonly routes: RouteContext
  readonly acceptance: Acceptance
  readonly now: { readonly runningHours: number; readonly mustRunHours: number }
  /** How a size moves per 1000 h; null where no rate is known. Noise is no rate. */
  readonly rateOf: (characteristic: string) => number | null
}

/** What stands for a side of the fit once something was done: sizes it then may have; a side that is not here stays as measured. */
type Renewed = ReadonlyMap<string, Interval | null>

/**
 * Every way to mend a fit: each route on either part, a new part, and leaving it; each with the clearance it would leave, by the
 * fit's own limits, and with what wear makes of that by the next overhaul. What holds stands first, the cheapest of it on top;
 * leaving it stands last, but where it holds.
 */
export function waysToMend(input: WaysInput): readonly Way[] {
  const { fit, routes } = input
  const sides = sidesOf(fit)
  const parts = new Map(sides.map((id) => input.partOf(routes.characteristicOf(id))).map((part) => [part.id, part]))
  const ways = [...parts.values()].flatMap((part) => {
    const own = sides.filter((id) => routes.characteristicOf(id).part === part.id)
    const mending = part.routes.filter(
      (route) => own.some((id) => route.mends.includes(id)) || own.includes(route.sizeAfter?.characteristic ?? ''),
    )
    return [...mending.map((route) => routeWay(input, part, route, own)), newPartWay(input, part, own)]
  })
  const left = leaveWay(input)
  ways.sort(byState)
  const mended = withSetting(input, ways)
  return left.state === 'holds' ? [left, ...mended] : [...mended, left]
}

/** Setting it over comes first where the parts in it are sound; where one is worn, below the mending of that. */
function withSetting(input: WaysInput, ways: readonly Way[]): readonly Way[] {
  const set = setWay(input)
  if (set === null) return ways
  const after = input.isSound ? 0 : ways.filter(({ state }) => state !== 'fails' && state !== 'cannot').length
  return [...ways.slice(0, after), set, ...ways.slice(after)]
}

/** What the fit's own sum says: shims to add or take out, the pad to grind, the gasket; null where it has none. */
function setWay(input: WaysInput): Way | null {
  const { fit, routes, found } = input
  const by = fit.setting?.by ?? setByOf(fit)
  const to = setTo(fit, (id) => sizeMiddle(routes.reductionsOf(id)))
  if (by === undefined || !to) return null
  const { minimum, maximum } = found
  const moved = (end: Reduced): Known => {
    const known = knownOf(end)
    return linear([[1, known]], guardFactorOf(input.acceptance), to.movesMm)
  }
  const way = newWay(
    input,
    { by: 'set', part: fit.mendOn, route: null, cost: null, days: null },
    minimum && maximum && { least: moved(minimum), greatest: moved(maximum) },
  )
  return { ...way, state: to.isReached ? way.state : 'cannot', set: { by, changeMm: toStore(to.changeMm) } }
}

const RANK: readonly WayState[] = ['holds', 'pastPlan', 'passes', 'undecided', 'notKnown', 'fails', 'cannot']
const byState = (a: Way, b: Way): number => {
  const [one, other] = [costOf(a), costOf(b)]
  return RANK.indexOf(a.state) - RANK.indexOf(b.state) || (one === other ? 0 : one - other)
}

const newSizes = ({ routes }: WaysInput, ids: readonly string[]): Renewed =>
  new Map(
    ids.map((id) => {
      const size = routes.characteristicOf(id).new
      return [id, size && { low: size.lower, high: size.upper }]
    }),
  )

const newPartWay = (input: WaysInput, part: Part, own: readonly string[]): Way =>
  wayOf(
    input,
    {
      by: 'newPart',
      part: part.id,
      route: null,
      cost: part.replacement?.cost ?? null,
      days: part.replacement?.days ?? null,
    },
    newSizes(input, own),
  )

function routeWay(input: WaysInput, part: Part, route: Route, own: readonly string[]): Way {
  const { fit, routes } = input
  const limit = fit.limits[0]
  const named = { by: 'route', part: part.id, route: route.id, cost: route.cost, days: route.days } as const
  if (!limit) return wayOf(input, named, new Map())
  const tried = routeForFit(part, route, fit, limit, routes)
  const suits = route.suits?.includes(fit.id) ?? false
  const mended = own.filter((id) => route.mends.includes(id))
  // What a route cuts beside the size it names is no longer as it was measured, and no longer new: nobody knows it.
  const rebuilt: Renewed = route.sizeAfter === null ? newSizes(input, mended) : new Map(mended.map((id) => [id, null]))
  const renewed: Renewed = new Map([...rebuilt, ...(tried.leaves ? [[tried.leaves.cut, tried.leaves.sizes] as const] : [])])
  const way = suits ? suitedWay(input, named) : wayOf(input, named, renewed)
  const state =
    tried.outcome === 'infeasible' ? 'cannot' : tried.outcome === 'unknown' && way.state !== 'fails' ? 'notKnown' : way.state
  return { ...way, state, against: tried.says.against, suits }
}

/** Left as it was found, place by place where both sides were measured. */
const leaveWay = (input: WaysInput): Way => {
  const { minimum, maximum, limits } = input.found
  const ends = minimum && maximum && { least: minimum, greatest: maximum }
  return judgedWay(
    input,
    { by: 'leave', part: null, route: null, cost: 0, days: 0 },
    ends,
    limits.map(({ grade }) => grade),
  )
}

type Named = Pick<Way, 'by' | 'part' | 'route' | 'cost' | 'days'>

/** The mate is made to suit: the clearance is a new one. */
function suitedWay(input: WaysInput, named: Named): Way {
  const band = input.fit.new
  return newWay(input, named, band && { least: exactly(band.lower), greatest: exactly(band.upper) })
}

const wayOf = (input: WaysInput, named: Named, renewed: Renewed): Way => {
  const [least, greatest] = [endAfter(input, renewed, 'least'), endAfter(input, renewed, 'greatest')]
  return newWay(input, named, least && greatest && { least, greatest })
}

/** The tightest or the loosest once the renewed sides have their new sizes; null while one is not known. */
const endAfter = ({ fit, routes, acceptance }: WaysInput, renewed: Renewed, end: End): Known | null =>
  clearanceAt(
    fit,
    end,
    (characteristic, at) => {
      if (!renewed.has(characteristic)) {
        const size = sizeEnd(routes.reductionsOf(characteristic), at)
        return size && knownOf(size)
      }
      const size = renewed.get(characteristic)
      const value = at === 'least' ? size?.low : size?.high
      return value === undefined || !Number.isFinite(value) ? null : exactly(value)
    },
    guardFactorOf(acceptance),
  )

/** As results are stored: to a tenth of the comparison step. */
const toStore = (mm: number): number => Math.round(mm * 1e7) / 1e7

const asReduced = (known: Known): Reduced => reduced(known, { quantity: 'length', where: { code: 'fromSizes' }, sum: [] })

/** A clearance that is not there yet, held against the limits. */
function newWay(input: WaysInput, named: Named, ends: { readonly least: Known; readonly greatest: Known } | null): Way {
  if (ends === null) return judgedWay(input, named, null, [])
  const [least, greatest] = [asReduced(ends.least), asReduced(ends.greatest)]
  const { fit, acceptance } = input
  const grades = fit.limits.map((limit) => judged(limit, limit.judges === 'minimum' ? least : greatest, acceptance).grade)
  return judgedWay(input, named, { least, greatest }, grades)
}

function judgedWay(
  input: WaysInput,
  named: Named,
  ends: { readonly least: Reduced; readonly greatest: Reduced } | null,
  grades: readonly GradeSpan[],
): Way {
  const base = { ...named, set: null, against: null, suits: false }
  const [tightestMm, loosestMm] = [ends?.least.value ?? null, ends?.greatest.value ?? null]
  if (tightestMm === null || loosestMm === null)
    return { ...base, state: 'notKnown', leaves: null, atNext: null, hoursToWear: null }
  const leaves = { tightestMm: toStore(tightestMm), loosestMm: toStore(loosestMm) }
  const growth = growthOf(input)
  const { runningHours, mustRunHours } = input.now
  const moved = ((growth ?? 0) * mustRunHours) / 1000
  const atNext =
    growth === null
      ? null
      : { tightestMm: toStore(tightestMm + moved), loosestMm: toStore(loosestMm + moved), atHours: runningHours + mustRunHours }
  const isBeyondThen = atNext !== null && input.fit.limits.some((limit) => isBeyond(atNext, limit))
  return {
    ...base,
    state: stateOf(grades, isBeyondThen),
    leaves,
    atNext,
    hoursToWear: growth === null ? null : firstHours(leaves, input.fit, growth),
  }
}

function stateOf(grades: readonly GradeSpan[], isBeyondThen: boolean): WayState {
  if (grades.some(({ mild }) => mild === 2)) return 'fails'
  if (grades.some(({ strong }) => strong === 2)) return 'undecided'
  if (isBeyondThen) return 'passes'
  return grades.some(({ strong }) => strong === 1) ? 'pastPlan' : 'holds'
}

const endFor = ({ tightestMm, loosestMm }: LeftClearance, { judges }: Limit): number =>
  judges === 'minimum' ? tightestMm : loosestMm
const isBeyond = (left: LeftClearance, limit: Limit): boolean => {
  const value = endFor(left, limit)
  return limit.side === 'upper' ? exceeds(value, limit.wear) : exceeds(limit.wear, value)
}

/** How the clearance moves per 1000 h by what its sides have worn so far; null where one has no rate. */
function growthOf({ fit, rateOf }: WaysInput): number | null {
  if (!isSum(fit)) return null
  let sum = 0
  for (const { characteristic, factor } of linksOf(fit)) {
    const rate = rateOf(characteristic)
    if (rate === null) return null
    sum += factor * rate
  }
  return sum
}

function firstHours(left: LeftClearance, fit: FitSpec, perThousandHours: number): number | null {
  const hours = fit.limits.flatMap((limit) => {
    const way = limit.wear - endFor(left, limit)
    const towards = limit.side === 'upper' ? perThousandHours > 0 : perThousandHours < 0
    return towards ? [Math.max(0, (1000 * way) / perThousandHours)] : []
  })
  return hours.length === 0 ? null : Math.min(...hours)
}
