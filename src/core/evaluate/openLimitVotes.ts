import type { Part } from '../book/bookSchema'
import type { Limit, LimitBy } from '../limit/limit'
import type { Stage } from '../record/stage'
import { strongestLevelOf } from '../verdict/limitVote'
import type { Mending } from '../verdict/mending'
import { openVote, type Vote } from '../verdict/vote'

/** A limit of which only the consequences are known. */
const consequencesOf = ({ depends: _, ...limit }: LimitBy): Limit => ({ ...limit, plan: null, wear: 0 })

/** Limits whose figures nobody can give yet leave open what they could ask for. */
export const openLimitVotes = (
  subject: string,
  stage: Stage,
  limits: readonly LimitBy[],
  wayOf: (limit: Limit) => Mending,
): readonly Vote[] =>
  limits.map((limit) => {
    const { depends, source } = limit
    const consequences = consequencesOf(limit)
    const said = {
      rule: 'limitOpen',
      stage,
      subject,
      source,
      strong: strongestLevelOf(consequences, wayOf(consequences)),
    } as const
    return depends.kind === 'variant'
      ? openVote({
          ...said,
          code: 'which',
          facts: { variant: depends.variant },
          settledBy: { code: 'which', variant: depends.variant },
        })
      : openVote({ ...said, code: 'noFigure', facts: { kind: depends.kind }, settledBy: { code: 'makersFigure' } })
  })

/** What a part that is not surely fitted says: until somebody says which type is, all of it is open. */
export const unsaidVotes = (part: Part, isSaid: (variant: string) => boolean): readonly Vote[] =>
  part.only === undefined || isSaid(part.only.variant)
    ? []
    : [
        openVote({
          rule: 'limitOpen',
          code: 'mayBe',
          facts: { variant: part.only.variant },
          strong: 'replace',
          settledBy: { code: 'which', variant: part.only.variant },
        }),
      ]
