import { directAgrees } from '../../fit/direct'
import { sizeEnd } from '../../fit/sizeEnd'
import type { Reduced } from '../../method/reduction'
import type { Disposition } from '../../policy/disposition'
import { openVote, type Vote } from '../../verdict/vote'
import type { FitInput } from './fitInput'

/**
 * The clearance measured directly, where a book names it, must lie within what the sizes give, each with its doubt: beyond it,
 * were it at one place, one of them is wrong, and nothing is settled until it is known which.
 */
export function directVotes(
  { fit, routes, stage }: FitInput,
  minimum: Reduced | null,
  maximum: Reduced | null,
  strongest: Disposition,
): readonly Vote[] {
  if (fit.direct === undefined || !minimum || !maximum) return []
  const direct = routes.reductionsOf(fit.direct)
  if (!direct) return []
  const [least, greatest] = [sizeEnd(direct, 'least'), sizeEnd(direct, 'greatest')]
  if (!least || !greatest || directAgrees({ minimum, maximum, least, greatest }) !== false) return []
  const facts = { places: [], has: 'measuredParts' } as const
  return [
    openVote({
      rule: 'crossCheck',
      code: 'directApart',
      facts,
      stage,
      subject: fit.id,
      strong: strongest,
      settledBy: { code: 'again', characteristic: fit.direct, slot: null, where: null },
    }),
  ]
}
