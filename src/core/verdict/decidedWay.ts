import type { Part } from '../book/bookSchema'
import type { Disposition, Verdict } from '../policy/disposition'
import { OWN_WAY } from '../record/ownWay'
import type { PartResult } from './partVerdict'

/** What was decided of a part, as far as its way follows from it. */
export interface Decided {
  readonly decided: Disposition
  /** A route of the part, or OWN_WAY; left out: as recommended. */
  readonly route?: string | null | undefined
}

/** The way of a part as decided; one that stands in no book has no price. */
export type DecidedWay =
  | NonNullable<PartResult['way']>
  | { readonly by: 'own'; readonly routes: readonly string[]; readonly cost: null; readonly days: null }

/** The way of what counts of a part: of the inspector's decision where one stands, else of the recommended verdict. */
export function decidedWay(part: Part, result: PartResult, decision: Decided | null): DecidedWay | null {
  if (decision === null) return result.way
  switch (decision.decided) {
    case 'reuse':
      return null
    case 'adjust':
      return result.verdict === 'adjust' ? result.way : { by: 'setting', routes: [], cost: null, days: null }
    case 'replace':
      return { by: 'newPart', routes: [], cost: part.replacement?.cost ?? null, days: part.replacement?.days ?? null }
    case 'recondition': {
      const route = part.routes.find(({ id }) => id === decision.route)
      if (route) return { by: 'routes', routes: [route.id], cost: route.cost, days: route.days }
      if (decision.route !== OWN_WAY && result.verdict === 'recondition') return result.way
      return { by: 'own', routes: [], cost: null, days: null }
    }
  }
}

/** Whether a decision departs from what is recommended: another verdict, or the same by another way. Then it says why. */
export function departs(result: Pick<PartResult, 'way'> & { readonly verdict: Verdict }, { decided, route }: Decided): boolean {
  if (decided !== result.verdict) return true
  if (decided !== 'recondition' || route == null) return false
  const recommended = result.way?.routes ?? []
  return route === OWN_WAY ? recommended.length > 0 : recommended.length !== 1 || recommended[0] !== route
}
