import { exceeds } from '../decimal'
import { intervalOf, type Reductions } from '../method/reduction'
import type { Part, Route } from '../record/bookSchema'
import type { TraceStep } from '../record/results'
import type { Level } from './level'

/** Whether a route can bring a part back, from the sizes measured so far. */
export type RouteOutcome = 'feasible' | 'infeasible' | 'unknown'

/** How a part's characteristic can be mended: the levels still possible and the cheapest way that is certain. */
export interface Mending {
  readonly mild: Level
  readonly strong: Level
  readonly route: Route | null
  readonly trace: readonly TraceStep[]
}

export type ReductionsOf = (characteristic: string) => Reductions | undefined
export type Figure = (value: number) => string

/**
 * A cutting route is open when the surface cleans up within the size it may leave:
 * bore: largest + out-of-round + clean-up ≤ greatest size after work; journal: smallest − out-of-round − clean-up ≥ least.
 * A route that rebuilds the surface (no size after) is always open.
 */
function routeOutcome(route: Route, isBore: boolean, reductions: Reductions | undefined): RouteOutcome {
  if (!route.sizeAfter) return 'feasible'
  const needed = sizeToCleanUpMm(route, isBore, reductions)
  if (needed === null) return 'unknown'
  const { leastMm, greatestMm } = route.sizeAfter
  const impossible = isBore ? exceeds(needed, greatestMm) : exceeds(leastMm, needed)
  if (impossible) return 'infeasible'
  return reductions && reductions.taken === reductions.needed ? 'feasible' : 'unknown'
}

/** The size at which the worn surface cleans up, mm; null before anything is measured. */
function sizeToCleanUpMm(route: Route, isBore: boolean, reductions: Reductions | undefined): number | null {
  const extreme = isBore ? reductions?.values.maximum : reductions?.values.minimum
  if (!route.sizeAfter || !extreme) return null
  const allowance = outOfRoundOf(reductions) + route.sizeAfter.cleanUpMm
  // The outer end of an interval: a route must clean up whatever the size turns out to be.
  const size = isBore ? intervalOf(extreme).high : intervalOf(extreme).low
  if (!Number.isFinite(size)) return null
  return isBore ? size + allowance : size - allowance
}

function outOfRoundOf(reductions: Reductions | undefined): number {
  const outOfRound = reductions?.values.outOfRound
  return outOfRound ? (outOfRound.value ?? outOfRound.interval?.high ?? 0) : 0
}

/** The ways to mend one of several characteristics of a part, judged together. */
export function mendingOf(
  part: Part,
  characteristics: readonly string[],
  isBore: (characteristic: string) => boolean,
  reductionsOf: ReductionsOf,
  figures: Figure,
): Mending {
  const routes = part.routes.filter((route) => characteristics.some((id) => route.mends.includes(id)))
  const judged = routes.map((route) => {
    const on = route.sizeAfter?.characteristic
    const bore = on !== undefined && isBore(on)
    const reductions = on === undefined ? undefined : reductionsOf(on)
    return { route, outcome: routeOutcome(route, bore, reductions), needed: sizeToCleanUpMm(route, bore, reductions) }
  })
  const trace = judged.map(({ route, outcome, needed }): TraceStep => {
    const size = route.sizeAfter
    const range = size ? `leaves ${figures(size.leastMm)} … ${figures(size.greatestMm)}` : 'rebuilds the surface'
    const cleans = needed === null ? '' : `, cleans up at ${figures(needed)}`
    const says = { feasible: 'open', infeasible: 'closed', unknown: 'not known yet' }[outcome]
    return { kind: 'route', text: `${route.name}: ${range}${cleans}: ${says}`, source: route.source }
  })
  const feasible = judged.filter(({ outcome }) => outcome === 'feasible').map(({ route }) => route)
  const cheapest = feasible.reduce<Route | null>((best, route) => (best === null || route.cost < best.cost ? route : best), null)
  if (cheapest) return { mild: 'recondition', strong: 'recondition', route: cheapest, trace }
  if (judged.some(({ outcome }) => outcome === 'unknown')) return { mild: 'recondition', strong: 'replace', route: null, trace }
  return { mild: 'replace', strong: 'replace', route: null, trace }
}
