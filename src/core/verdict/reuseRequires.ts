/**
 * What Reuse must have told of a part before it is definite. A reading that is inside its limits says something; a reading
 * that nothing judges, a limit that nobody has typed yet and one that the second person does not find on its page say nothing,
 * and hold what they should have judged. Verdict, gate, progress and signing all ask here.
 */
import type { Characteristic, FitSpec } from '../book/bookSchema'
import { crossedLimits } from '../limit/crossed'
import type { Limit, LimitBy, Source } from '../limit/limit'
import type { Stage } from '../record/stage'
import { NONE, openVote, type Vote, vote } from './vote'

/** What holds limits: a measurement or a fit. */
type Judged = Characteristic | FitSpec

/** Whether a limit judges a value everywhere; one on a single place does not. */
const covers = (limit: Limit | LimitBy, { judges, side }: Pick<Limit, 'judges' | 'side'>): boolean =>
  limit.judges === judges && limit.side === side && !('at' in limit && limit.at !== undefined)

/** What a second person said of a limit: of itself in a draft, of all of them where they were typed in a job. */
const checkOf = (of: Judged, limit: Pick<Limit, 'typed'>) => limit.typed ?? ('typed' in of ? of.typed : undefined) ?? null

/** Limits that judge something: not one that a second person does not find on its page, nor two between which nothing can lie. */
export function heldLimits(of: Judged): readonly Limit[] {
  const crossed = crossedLimits(of.limits)
  return of.limits.filter((limit) => !crossed.has(limit) && checkOf(of, limit)?.check?.agrees !== false)
}

/**
 * Limits that should judge something and do not hold yet: wanted and not typed, not found on their page by the second person,
 * where somebody may be hurt, not held against it yet, or such that nothing could meet them. Nobody knows what they will ask for.
 *
 * @param safety whether somebody may be hurt by what they judge
 */
export function unheldLimits(of: Judged, safety: boolean, stage: Stage): Vote[] {
  const { id, wants = [], limits, limitsBy = [] } = of
  const all = [...limits, ...limitsBy]
  const crossed: ReadonlySet<Limit | LimitBy> = crossedLimits(limits)
  const missing = wants.filter((want) => !all.some((limit) => covers(limit, want)))
  const open = (code: UnheldCode, { judges, side }: Pick<Limit, 'judges' | 'side'>, source: Source | null): Vote =>
    openVote({
      rule: 'limitOpen',
      code,
      facts: { judges, side },
      stage,
      subject: id,
      source,
      strong: 'replace',
      settledBy: { code: SETTLED_BY[code] },
    })
  const unheld = (check: Typed | null): UnheldCode | null =>
    check?.check?.agrees === false ? 'rejected' : safety && check !== null && check.check === null ? 'unchecked' : null
  return [
    ...missing.flatMap((want): Vote[] => {
      if (!want.none) return [open('notTyped', want, null)]
      // That there is none is held against its page as a figure is.
      const code = unheld(checkOf(of, want.none))
      return code === null ? [] : [open(code, want, want.none.source)]
    }),
    ...all.flatMap((limit): Vote[] => {
      const code = unheld(checkOf(of, limit)) ?? (crossed.has(limit) ? 'crossed' : null)
      return code === null ? [] : [open(code, limit, limit.source)]
    }),
  ]
}

type UnheldCode = 'notTyped' | 'rejected' | 'unchecked' | 'crossed'
type Typed = NonNullable<Limit['typed']>
const SETTLED_BY = { notTyped: 'typeLimit', rejected: 'typeAgain', unchecked: 'checkLimit', crossed: 'typeAgain' } as const

/** Whether a vote says that a limit does not hold yet. */
export const isUnheld = ({ rule, code }: Vote): boolean =>
  rule === 'limitOpen' && (code === 'notTyped' || code === 'rejected' || code === 'unchecked' || code === 'crossed')

/**
 * Whether a vote says anything of a part. Information judges nothing, read or not; neither does a change of which one end was
 * never measured, nor a service rule that is not due.
 */
export function tells({ rule, code, strong }: Vote): boolean {
  switch (rule) {
    case 'information':
      return false
    // Of what nothing judges it says nothing either that it could not be read, or was read in doubt.
    case 'notMeasured':
    case 'cannot':
    case 'repeats':
    case 'gauge':
    case 'stripScale':
    case 'shims':
    case 'springLine':
    case 'formula':
      return strong !== 'reuse'
    case 'service':
      return strong !== 'reuse' || code === 'notDisturbed'
    default:
      return true
  }
}

/** Nothing judges it and nobody has looked at it: nothing is known of it. */
export const nothingKnown = (): Vote =>
  vote({
    rule: 'nothingKnown',
    code: 'nothingKnown',
    facts: NONE,
    mild: 'reuse',
    strong: 'replace',
    settledBy: { code: 'look' },
  })
