import type { Characteristic, Part } from '../../book/bookSchema'
import type { FitSpec } from '../../fit/kinds'
import type { Reduced } from '../../method/reduction'
import type { Disposition } from '../../policy/disposition'
import type { Policy } from '../../record/recordSchema'
import type { Stage } from '../../record/stage'
import type { TakenSet } from '../../record/standing'
import type { LinesByValue } from '../../trend/earlier'
import type { RouteContext } from '../../verdict/mending'
import type { Missing, Vote } from '../../verdict/vote'
import type { FitMeasured } from '../results'

/** What a clearance is worked out from. */
export interface FitSizes<F extends FitSpec = FitSpec> {
  readonly fit: F
  readonly stage: Stage
  readonly characteristic: (id: string) => Characteristic
  /** What was taken of a characteristic by this stage, the latest of it. */
  readonly setOf: (id: string) => TakenSet
  /** The strip is one of this stage: what was laid before the work says nothing of the fit after it. */
  readonly stripCounts: boolean
  readonly reductionsOf: RouteContext['reductionsOf']
  readonly policy: Policy
}

export interface FitInput<F extends FitSpec = FitSpec> extends FitSizes<F> {
  readonly part: Part
  readonly routes: RouteContext
  /** The lines of its clearances, and when they are; null at a stage that foretells nothing. */
  readonly foretelling: {
    readonly lines: LinesByValue
    readonly now: {
      readonly overhaul: string
      readonly date: string
      readonly runningHours: number
      readonly mustRunHours: number
    }
  } | null
}

/** The clearance of a fit as it was found, and what is still missing of it. */
export interface FitFound extends Pick<FitMeasured, 'clearance' | 'stripMm' | 'closures' | 'countsBy'> {
  readonly minimum: Reduced | null
  readonly maximum: Reduced | null
  /** Characteristics whose readings it counts on. */
  readonly countedOn: readonly string[]
  readonly missing: readonly Missing[]
  /** What is known twice and does not agree, where the fit's own limits could ask for that much. */
  readonly crossChecks: (strongest: Disposition) => readonly Vote[]
}
