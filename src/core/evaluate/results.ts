import type { Clearance, Closure } from '../fit/clearance'
import type { LimitOutcome } from '../limit/outcome'
import type { MethodFault, Reduced, Reductions } from '../method/reduction'
import type { Disposition, Verdict } from '../policy/disposition'
import type { LaterStage, Stage } from '../record/stage'
import type { Need, Scope } from '../scope/need'
import type { Forecast, Trend } from '../trend/forecast'
import type { LinePoint, WearRate } from '../trend/wearLine'
import type { PartResult } from '../verdict/partVerdict'
import type { Vote } from '../verdict/vote'
import type { ChangeOutcome } from './changes'
import type { CrossCheckResult } from './crossChecks'

export interface StandingReading {
  readonly id: string
  readonly station: string
  readonly direction: string
  readonly repeat: number
  readonly text: string
  readonly kind: 'point' | 'interval' | 'notApplicable' | 'cannot'
  /** As read, nothing corrected; null unless it is a point. */
  readonly value: number | null
  readonly low: number | null
  readonly high: number | null
  /** What zero check, calibration and temperature add to it. */
  readonly correction: number
}

/** What follows for one characteristic from what was taken at one stage. */
export interface Measured {
  readonly id: string
  readonly part: string
  readonly readings: readonly StandingReading[]
  readonly reductions: Reductions
  /** Judged value of the first limit, the one that ribbon and wear line show. */
  readonly judged: Reduced | null
  readonly limits: readonly LimitOutcome[]
  readonly faults: readonly MethodFault[]
  /** Judged value at each overhaul since the part was new, replaced or reconditioned, this one last when complete. */
  readonly line: readonly LinePoint[]
  readonly rate: WearRate | null
  readonly forecast: Forecast | null
  /** Every judged value that has a limit, the first limit's first. */
  readonly trends: readonly Trend[]
  readonly mild: Disposition
  readonly strong: Disposition
  readonly verdict: Verdict
  readonly votes: readonly Vote[]
}

/** A stage after it was found: the part is judged afresh. */
export interface StageResult extends Measured {
  readonly stage: LaterStage
}

/** As found, with the later stages beside it. */
export interface CharacteristicResult extends Measured {
  readonly need: Need
  /** The last stage at which anything of it was taken; null where nothing was. */
  readonly latest: Stage | null
  /** After work, as left: those that were measured. */
  readonly stages: readonly StageResult[]
  readonly changes: readonly ChangeOutcome[]
}

/** What follows for a mating pair from what was taken at one stage. */
export interface FitMeasured {
  readonly id: string
  readonly clearance: Clearance
  readonly stripMm: readonly { readonly station: string; readonly direction: string; readonly clearanceMm: number }[]
  readonly closures: readonly Closure[]
  /** What the policy counts as the clearance. */
  readonly countsBy: 'measuredParts' | 'strip'
  readonly minimum: Reduced | null
  readonly maximum: Reduced | null
  readonly limits: readonly LimitOutcome[]
  /** passes: inside; pastPlan: past a plan limit, inside the wear limits; fails: beyond; open: not known yet. */
  readonly verdict: 'passes' | 'pastPlan' | 'fails' | 'open'
  readonly votes: readonly Vote[]
}

export interface FitResult extends FitMeasured {
  /** The last stage at which any side of it was taken; null where nothing was. */
  readonly latest: Stage | null
  /** After work, as left: those at which either side was measured. */
  readonly stages: readonly (FitMeasured & { readonly stage: LaterStage })[]
}

export interface Results {
  readonly format: 'medida-results'
  readonly version: 5
  readonly core: string
  readonly scope: Scope
  readonly characteristics: readonly CharacteristicResult[]
  readonly fits: readonly FitResult[]
  readonly parts: readonly PartResult[]
  /** What is known twice, compared. */
  readonly crossChecks: readonly CrossCheckResult[]
}
