import type { Characteristic, Part, Route } from '../book/bookSchema'
import { gradeSpan } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import type { ReductionName, Reductions } from '../method/reduction'
import { intervalOfEnds } from '../quantity/extent'
import type { Stage } from '../record/stage'

/** What says by which step a part is judged. */
interface WorkedInput {
  readonly characteristic: Characteristic
  readonly part: Part
  readonly stage: Stage
  /** How the last overhaul left this part; null where none measured it. */
  readonly leftBefore: Reductions | null
  /** Routes of the part that were decided on. */
  readonly routesChosen: ReadonlySet<string>
  /** It was measured after the work. */
  readonly isWorked: boolean
}

const JUDGES_SIZE: ReadonlySet<ReductionName> = new Set(['maximum', 'minimum', 'mean', 'median', 'wear'])

/**
 * The step of a route that a value is judged by: what it was worked to now, or how the last overhaul left it, beyond the
 * plain limit and within a step. Since then it has worn, and no book says how far it may from there: it is held.
 */
export function stepOfWork(input: WorkedInput, limit: Limit, reductions: Reductions) {
  if (input.stage !== 'asFound') {
    const worked = stepWorkedTo(input, limit, reductions)
    if (!worked) return null
    // Chosen, and measured after the work, it stands in its step. Work that nobody chose may not have been what it seems, and
    // a size that nobody worked to is just a worn size that happens to lie there.
    const isChosen = input.routesChosen.has(worked.route.id)
    return isChosen || input.isWorked || stepLeftIn(input, limit)
      ? { ...worked, surely: worked.surely && isChosen && input.isWorked }
      : null
  }
  return stepLeftIn(input, limit)
}

/** The step in which the last overhaul left it, beyond its plain limit; null where it left it in none. */
function stepLeftIn(input: WorkedInput, limit: Limit) {
  const before = input.leftBefore
  if (!before || gradeSpan(before.values[limit.judges] ?? null, limit).mild === 0) return null
  const left = stepWorkedTo(input, limit, before)
  return left?.surely ? { route: left.route, surely: false } : null
}

/** The route whose sizes a worked part lies within, surely or perhaps; null where none is. */
function stepWorkedTo(
  { characteristic, part }: WorkedInput,
  { judges }: Limit,
  { values }: Reductions,
): { readonly route: Route; readonly surely: boolean } | null {
  if (!JUDGES_SIZE.has(judges) || !values.maximum || !values.minimum) return null
  const [smallest, largest] = [intervalOfEnds(values.minimum.guarded), intervalOfEnds(values.maximum.guarded)]
  const tried = part.routes.flatMap((route) => {
    const after = route.sizeAfter
    if (after?.characteristic !== characteristic.id) return []
    if (smallest.high < after.leastMm || largest.low > after.greatestMm) return []
    return [{ route, surely: smallest.low >= after.leastMm && largest.high <= after.greatestMm }]
  })
  return tried.find(({ surely }) => surely) ?? tried[0] ?? null
}
