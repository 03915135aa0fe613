import type { Characteristic, FitSpec, Part, Route } from '../book/bookSchema'
import { clearanceAt, isSum, linksOf, sidesOf, statedOf } from '../fit/kinds'
import { endOfLink, sizeEnd } from '../fit/sizeEnd'
import { NO_ERRORS } from '../gauge/errors'
import type { Limit } from '../limit/limit'
import { kindOf } from '../method/kinds'
import { exactly, settled } from '../method/known'
import type { Reduced, Reductions } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import { exceeds } from '../quantity/decimal'
import { intervalOfEnds } from '../quantity/extent'
import { ANYTHING, add, type Interval, point, scale, subtract } from '../quantity/interval'
import { unheldLimits } from './reuseRequires'
import type { RouteOutcome, RouteTried, SetBy, Settling, TraceStep } from './vote'

/** How a part can be mended of one thing: the levels still possible and the cheapest way that is certain. */
export interface Mending {
  readonly mild: Disposition
  readonly strong: Disposition
  readonly route: Route | null
  readonly trace: readonly TraceStep[]
  /** What would settle it where no way is certain; null where measuring does. */
  readonly needs: Settling | null
  /** The value is set over again, and the parts stay. */
  readonly setting?: SetBy
}

export type ReductionsOf = (characteristic: string) => Reductions | undefined

/** What a route is tried on: the sizes measured, and everything that runs against the surface it leaves. */
export interface RouteContext {
  readonly characteristicOf: (id: string) => Characteristic
  readonly reductionsOf: ReductionsOf
  /** Fits of the book that a characteristic is part of, and rings that run in it. */
  readonly fitsOf: (characteristic: string) => readonly FitSpec[]
  readonly ringsIn: (characteristic: string) => readonly Characteristic[]
  /** Sides of a part that are said to be used up; null where nobody has said. */
  readonly sidesUsed: (part: string) => number | null
}

/** What is to be mended: a limit of a characteristic, or one of a fit. */
export type ToMend =
  | { readonly kind: 'characteristic'; readonly id: string; readonly limit: Limit | null }
  | { readonly kind: 'fit'; readonly fit: FitSpec; readonly limit: Limit }

/** Sizes a route can leave: from the one at which the surface surely cleans up, or may do so at best, to its last. */
interface Sizes {
  readonly surely: Interval
  readonly perhaps: Interval
}

export interface Tried {
  readonly route: Route
  readonly outcome: RouteOutcome
  readonly says: RouteTried
  readonly needs: Settling | null
  /** Sizes it may leave on what it cuts, with all that runs against it; null where it leaves new ones. */
  readonly leaves: { readonly cut: string; readonly sizes: Interval } | null
}

const isEmpty = ({ low, high }: Interval): boolean => exceeds(low, high)
const meet = (a: Interval, b: Interval): Interval => ({ low: Math.max(a.low, b.low), high: Math.min(a.high, b.high) })

/** What nobody has priced comes after what is. */
export const costOf = ({ cost }: Pick<Route, 'cost'>): number => cost ?? Number.POSITIVE_INFINITY

/** The ways to mend something of a part, judged together. */
export function mendingOf(part: Part, toMend: ToMend, context: RouteContext): Mending {
  const tried = part.routes.filter((route) => claims(route, toMend)).map((route) => tryRoute(part, route, toMend, context))
  const trace = tried.map(({ route, says }): TraceStep => ({ kind: 'route', ...says, source: route.source }))
  const feasible = tried.filter(({ outcome }) => outcome === 'feasible').map(({ route }) => route)
  const cheapest = feasible.reduce<Route | null>(
    (best, route) => (best === null || costOf(route) < costOf(best) ? route : best),
    null,
  )
  if (cheapest) return { mild: 'recondition', strong: 'recondition', route: cheapest, trace, needs: null }
  const open = tried.filter(({ outcome }) => outcome === 'unknown')
  if (open.length > 0)
    return { mild: 'recondition', strong: 'replace', route: null, trace, needs: open.find(({ needs }) => needs)?.needs ?? null }
  return { mild: 'replace', strong: 'replace', route: null, trace, needs: null }
}

/** A route mends what the book says it mends; a limit may name its own. */
function claims(route: Route, toMend: ToMend): boolean {
  if (toMend.kind === 'fit') return sidesOf(toMend.fit).some((id) => route.mends.includes(id))
  return toMend.limit?.mendedBy ? toMend.limit.mendedBy.includes(route.id) : route.mends.includes(toMend.id)
}

/** Whether one named route of a part is open at the size found, whatever asks for it. */
export const routeOutcome = (part: Part, route: Route, context: RouteContext): Tried => tryRoute(part, route, null, context)

/** How a route does for a fit, and what it leaves of the side that it cuts. */
export const routeForFit = (part: Part, route: Route, fit: FitSpec, limit: Limit, context: RouteContext): Tried =>
  tryRoute(part, route, { kind: 'fit', fit, limit }, context)

/**
 * Tries a route: does the surface clean up within the sizes it may leave, and does all that runs against it still fit
 * then? bore: largest + out-of-round + clean-up ≤ greatest size after work; journal: smallest − out-of-round − clean-up ≥
 * least. A cut opens its fits further: only a mate made to suit closes them again, and only where the route includes it.
 */
function tryRoute(part: Part, route: Route, toMend: ToMend | null, context: RouteContext): Tried {
  const sizes = sizesAfter(route, toMend, context)
  const after = route.sizeAfter
  const cut = after?.characteristic ?? (toMend?.kind === 'fit' ? ownSide(route, toMend.fit) : null)
  let left = sizes ?? { surely: ANYTHING, perhaps: ANYTHING }
  const used = route.sides === undefined ? null : context.sidesUsed(part.id)
  const tell = (outcome: RouteOutcome, against: RouteTried['against'] = null, needs: Settling | null = null): Tried => ({
    route,
    outcome,
    leaves:
      after === null || cut === null || sizes === null ? null : { cut, sizes: isEmpty(left.surely) ? left.perhaps : left.surely },
    needs:
      outcome !== 'unknown' ? null : against ? { code: 'suitedMate', part: part.id, route: route.id, takes: against.id } : needs,
    says: {
      part: part.id,
      route: route.id,
      outcome,
      leavesMm: after && leavesOf(route, after, context),
      cleansUpAtMm: sizes === null || after === null ? null : cleansUpAt(route, context),
      ...(route.finish !== undefined || route.restores !== undefined
        ? { after: { finish: route.finish ?? null, restores: route.restores ?? [] } }
        : {}),
      ...(route.sides === undefined ? {} : { sides: { has: route.sides, used } }),
      against,
    },
  })
  if (route.sides !== undefined && used === null) return tell('unknown', null, { code: 'sides', part: part.id })
  if (route.sides !== undefined && used !== null && used >= route.sides) return tell('infeasible')
  if (after === null) {
    const restored = restoredBy(route, toMend, context)
    if (restored !== 'feasible') return tell(restored, null, { code: 'routeSays', part: part.id, route: route.id })
  }
  if (sizes === null || cut === null) return tell('feasible')
  if (isEmpty(sizes.perhaps)) return tell('infeasible')
  const isOwnFit = ({ id }: FitSpec): boolean => toMend?.kind === 'fit' && toMend.fit.id === id
  // What it is done for comes first: where that cannot be, no mate made to suit another fit helps.
  const fits = [...context.fitsOf(cut)].sort((a, b) => Number(isOwnFit(b)) - Number(isOwnFit(a)))
  for (const fit of fits) {
    if (route.suits?.includes(fit.id)) continue
    const isOwn = isOwnFit(fit)
    // A fit whose limits nobody has typed holds nothing: what is left of it after the work is not known to do.
    if (after !== null && unheldLimits(fit, false, 'asFound').length > 0)
      return tell('unknown', null, { code: 'limitOf', subject: fit.id })
    // A surface that is rebuilt is made to the size the book gives; other fits of it are as they were when new.
    if (!isOwn && after === null) continue
    if (!isSum(fit)) {
      if (!holdsWith(fit, cut, left.surely, context)) return tell('unknown', { id: fit.id, as: isOwn ? 'ownFit' : 'otherFit' })
      continue
    }
    const allowed = sizesFitting(fit, cut, context)
    const then = { surely: meet(left.surely, allowed.surely), perhaps: meet(left.perhaps, allowed.perhaps) }
    if (isEmpty(then.perhaps))
      return isOwn ? tell('infeasible', { id: fit.id, as: 'ownFit' }) : tell('unknown', { id: fit.id, as: 'otherFit' })
    left = then
  }
  for (const ring of after === null ? [] : context.ringsIn(cut)) {
    if (route.suits?.includes(ring.id)) continue
    const allowed = sizesForRing(ring, context)
    const then = { surely: meet(left.surely, allowed.surely), perhaps: meet(left.perhaps, allowed.perhaps) }
    if (isEmpty(then.perhaps)) return tell('unknown', { id: ring.id, as: 'ring' })
    left = then
  }
  return tell(isEmpty(left.surely) ? 'unknown' : 'feasible')
}

const SIZES: ReadonlySet<Limit['judges']> = new Set(['maximum', 'minimum', 'mean', 'median', 'wear'])

/**
 * Whether a route that names no size brings back what it is to mend. Without saying what it does it restores none, and neither
 * does what takes off without a step to reach; what renews is as good as new, what builds up leaves the size of a new one where
 * that is known; what refits changes no size, and brings back what is none (a runout, a contact, a tightening).
 */
function restoredBy(route: Route, toMend: ToMend | null, context: RouteContext): RouteOutcome {
  // Another side of the part is as new as it was.
  const effect = route.effect ?? (route.sides === undefined ? undefined : 'renews')
  // A finding that a rule sends to a route: what it says of itself is all there is.
  if (toMend === null) return effect === 'takesOff' ? 'unknown' : 'feasible'
  // What is broken is not dressed, built up or set: it is put in anew.
  if (toMend.limit?.judges === 'broken') return effect === 'renews' ? 'feasible' : 'infeasible'
  if (effect === undefined || effect === 'takesOff') return 'unknown'
  const id = toMend.kind === 'fit' ? ownSide(route, toMend.fit) : toMend.id
  const { method, new: size } = context.characteristicOf(id)
  const isSize = kindOf(method).slips.oneWay === true && (toMend.limit === null || SIZES.has(toMend.limit.judges))
  if (!isSize) return 'feasible'
  if (effect === 'renews' && toMend.kind === 'characteristic') return 'feasible'
  return effect !== 'refits' && size !== null ? 'feasible' : 'unknown'
}

/** The side of a fit that a route works on. */
const ownSide = (route: Route, fit: FitSpec): string => {
  const sides = sidesOf(fit)
  return sides.find((id) => route.mends.includes(id)) ?? sides.at(-1) ?? ''
}

const isBoreAt = ({ characteristicOf }: RouteContext, id: string): boolean => characteristicOf(id).method.kind === 'boreDiameter'

/** Sizes a route may leave; null where nothing says which. */
function sizesAfter(route: Route, toMend: ToMend | null, context: RouteContext): Sizes | null {
  const after = route.sizeAfter
  if (after === null) {
    if (toMend?.kind !== 'fit') return null
    const size = context.characteristicOf(ownSide(route, toMend.fit)).new
    return size && { surely: { low: size.lower, high: size.upper }, perhaps: { low: size.lower, high: size.upper } }
  }
  const bore = isBoreAt(context, after.characteristic)
  const needed = cleanUpAt(route, context)
  const { least, greatest } = leavesOf(route, after, context)
  const range = { low: least, high: greatest }
  // What is put on, or new, is made to any of its sizes, however far the old surface was worn.
  if (route.effect !== undefined && route.effect !== 'takesOff') return { surely: range, perhaps: range }
  const from = (size: number): Interval => meet(range, bore ? { low: size, high: greatest } : { low: least, high: size })
  return bore
    ? { surely: from(needed.high), perhaps: from(needed.low) }
    : { surely: from(needed.low), perhaps: from(needed.high) }
}

/** Sizes a cut may leave, mm: those of the route, and of them those that take no more off the new size than may be in all. */
function leavesOf(
  route: Route,
  after: NonNullable<Route['sizeAfter']>,
  context: RouteContext,
): { least: number; greatest: number } {
  const size = context.characteristicOf(after.characteristic).new
  if (route.mostOffMm === undefined || size === null) return { least: after.leastMm, greatest: after.greatestMm }
  return isBoreAt(context, after.characteristic)
    ? { least: after.leastMm, greatest: Math.min(after.greatestMm, size.nominal + route.mostOffMm) }
    : { least: Math.max(after.leastMm, size.nominal - route.mostOffMm), greatest: after.greatestMm }
}

/** Size at which the worn surface cleans up, with the guard band of the policy on what was measured; open while it may be anything. */
function cleanUpAt(route: Route, context: RouteContext): Interval {
  const after = route.sizeAfter
  if (after === null) return { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY }
  const bore = isBoreAt(context, after.characteristic)
  const { method } = context.characteristicOf(after.characteristic)
  const values = context.reductionsOf(after.characteristic)?.values
  const extreme = guardedOf(bore ? values?.maximum : values?.minimum)
  // A set-up of one direction never tells: the book that cuts by it takes the surface for round.
  const tells = (method.kind === 'boreDiameter' || method.kind === 'outsideDiameter') && method.directions.length > 1
  const found = guardedOf(values?.outOfRound)
  const outOfRound = tells ? { low: Math.max(0, found.low), high: found.high } : { low: 0, high: 0 }
  const off = { low: outOfRound.low + after.cleanUpMm, high: outOfRound.high + after.cleanUpMm }
  return bore ? { low: extreme.low + off.low, high: extreme.high + off.high } : subtract(extreme, off)
}

const guardedOf = (value: Reduced | undefined): Interval => intervalOfEnds(value?.guarded ?? { low: null, high: null })

function cleansUpAt(route: Route, context: RouteContext): number | null {
  const { low, high } = cleanUpAt(route, context)
  const worst = route.sizeAfter !== null && isBoreAt(context, route.sizeAfter.characteristic) ? high : low
  return Number.isFinite(worst) ? worst : null
}

/** Whether a fit that is no sum of its sizes surely keeps its limits, whatever size of this range a side is left with. */
function holdsWith(fit: FitSpec, side: string, sizes: Interval, { reductionsOf }: RouteContext): boolean {
  if (isEmpty(sizes)) return false
  return fit.limits.every((limit) => {
    const known = clearanceAt(
      fit,
      limit.judges === 'minimum' ? 'least' : 'greatest',
      (characteristic, end) => {
        if (characteristic === side) return exactly(end === 'least' ? sizes.low : sizes.high)
        const guarded = guardedOf(sizeEnd(reductionsOf(characteristic), end) ?? undefined)
        return settled(guarded, NO_ERRORS, 0)
      },
      0,
    )
    if (known === null) return false
    return limit.side === 'upper' ? !exceeds(known.reach.high, limit.wear) : !exceeds(limit.wear, known.reach.low)
  })
}

/** Sizes of one side of a fit at which all its limits hold with the others as they were measured: side·factor + rest. */
function sizesFitting(fit: FitSpec, side: string, { reductionsOf }: RouteContext): Sizes {
  const links = linksOf(fit)
  const factor = links.reduce((sum, link) => (link.characteristic === side ? sum + link.factor : sum), 0)
  let sizes: Sizes = { surely: ANYTHING, perhaps: ANYTHING }
  if (factor === 0) return sizes
  for (const limit of fit.limits) {
    const end = limit.judges === 'minimum' ? 'least' : 'greatest'
    const rest = links
      .filter(({ characteristic }) => characteristic !== side)
      .map((link) =>
        scale(guardedOf(sizeEnd(reductionsOf(link.characteristic), endOfLink(link.factor, end)) ?? undefined), link.factor),
      )
      .concat(statedOf(fit).map(({ lowMm, highMm }) => point(end === 'least' ? lowMm : highMm)))
      .reduce((sum, one) => add(sum, one), NOTHING)
    const isUpper = limit.side === 'upper'
    const within = (of: number): Interval => {
      const bound = (limit.wear - of) / factor
      return isUpper === factor > 0
        ? { low: Number.NEGATIVE_INFINITY, high: bound }
        : { low: bound, high: Number.POSITIVE_INFINITY }
    }
    const [careful, hopeful] = isUpper ? [rest.high, rest.low] : [rest.low, rest.high]
    sizes = { surely: meet(sizes.surely, within(careful)), perhaps: meet(sizes.perhaps, within(hopeful)) }
  }
  return sizes
}
const NOTHING = point(0)

/** Diameters in which a ring as it was measured keeps its gap where it runs: its gap grows by π of what the diameter does. */
function sizesForRing(ring: Characteristic, { reductionsOf }: RouteContext): Sizes {
  const total = guardedOf(reductionsOf(ring.id)?.values.total)
  const reference = ring.method.kind === 'ringEndGap' ? ring.method.referenceDiameterMm : 0
  let sizes: Sizes = {
    surely: { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY },
    perhaps: { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY },
  }
  for (const { judges, side, wear } of ring.limits) {
    if (judges !== 'gapAtWornDiameter') continue
    const bound = (gap: number): number => reference + (wear - gap) / Math.PI
    const upTo = (gap: number): Interval =>
      side === 'upper' ? { low: Number.NEGATIVE_INFINITY, high: bound(gap) } : { low: bound(gap), high: Number.POSITIVE_INFINITY }
    const [careful, hopeful] = side === 'upper' ? [total.high, total.low] : [total.low, total.high]
    sizes = { surely: meet(sizes.surely, upTo(careful)), perhaps: meet(sizes.perhaps, upTo(hopeful)) }
  }
  return sizes
}
