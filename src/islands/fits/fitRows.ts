import type { FitResult } from '../../core/evaluate/results'
import { type FitSpec, hasLimits, kindOfFit } from '../../core/fit/kinds'
import { fitKindWords } from '../../core/words/fits'
import { say } from '../../labels/fits'
import type { ModelColumn } from '../../ui/dataTable/useTableModel'
import { type Board, needsSomeone } from '../decisions/useBoard'

export type FitState = 'within' | 'pastPlan' | 'beyond' | 'undecided' | 'missing' | 'unlimited'

export interface FitRow {
  readonly spec: FitSpec
  /** Place in the book. */
  readonly index: number
  readonly fit: FitResult
  readonly state: FitState
  readonly kind: string
  /** It is not within its limits, and nobody has decided its part. */
  readonly toDecide: boolean
}

function stateOf(fit: Pick<FitResult, 'verdict' | 'limits'>, spec: FitSpec): FitState {
  // A draft may still want them: what nothing limits lies within nothing.
  if (!hasLimits(spec)) return 'unlimited'
  if (fit.verdict === 'passes') return 'within'
  if (fit.verdict === 'pastPlan') return 'pastPlan'
  if (fit.verdict === 'fails') return 'beyond'
  return fit.limits.every(({ value }) => value === null) ? 'missing' : 'undecided'
}

const plainStates: Readonly<Record<Exclude<FitState, 'beyond'>, string>> = {
  within: say.within,
  pastPlan: say.pastPlan,
  undecided: say.undecided,
  missing: say.missing,
  unlimited: say.unlimited,
}

/** A state in words; past a limit it says to which side. */
export function stateWords({ spec, fit, state }: Pick<FitRow, 'spec' | 'fit' | 'state'>): string {
  if (state !== 'beyond') return plainStates[state]
  const failing = fit.limits.find(({ grade }) => grade.mild === 2)
  if (!failing) return say.beyond
  const isSeat = ['bearingOnShaft', 'bearingInHousing'].includes(kindOfFit(spec))
  if (failing.limit.side === 'lower') return isSeat ? say.splits : say.tooTight
  return isSeat ? say.creeps : say.tooLoose
}

export function fitRows(board: Board): readonly FitRow[] {
  const open = new Set(board.rows.filter(needsSomeone).map(({ part }) => part.id))
  return board.view.record.book.fits.flatMap((spec, index): FitRow[] => {
    const fit = board.results.fits[index]
    if (!fit) return []
    const state = stateOf(fit, spec)
    return [
      {
        spec,
        index,
        fit,
        state,
        kind: fitKindWords[kindOfFit(spec)],
        toDecide: state !== 'within' && state !== 'unlimited' && open.has(spec.mendOn),
      },
    ]
  })
}

const SEVERITY: readonly FitState[] = ['beyond', 'undecided', 'pastPlan', 'missing', 'unlimited', 'within']

/** What the rows are sorted and found by; the worst state comes first. */
export const fitColumns: readonly ModelColumn<FitRow>[] = [
  { id: 'fit', by: ({ spec, kind }) => `${spec.name} ${kind}` },
  { id: 'tightest', by: ({ fit }) => fit.minimum?.value ?? '' },
  { id: 'loosest', by: ({ fit }) => fit.maximum?.value ?? '' },
  { id: 'state', by: (row) => `${SEVERITY.indexOf(row.state)} ${stateWords(row)}` },
]
