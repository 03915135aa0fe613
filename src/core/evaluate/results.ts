import type { Clearance, Closure } from '../fit/clearance'
import type { GradeSpan } from '../limit/conformity'
import type { Limit, Source } from '../limit/limit'
import type { MethodFault, Reduced, ReductionName, Reductions } from '../method/reduction'
import type { Level, Verdict } from '../policy/disposition'
import type { Stage } from '../record/stage'
import type { Need, Scope } from '../scope/need'
import type { LinePoint, WearRate } from '../trend/wearLine'
import type { ChangeOutcome } from './changes'
import type { ClosingResult } from './crossChecks'
import type { LaterStage } from './laterStages'

/** One step of the way from readings to verdict, in words and figures. */
export interface TraceStep {
  readonly kind: 'reading' | 'reduction' | 'uncertainty' | 'limit' | 'forecast' | 'finding' | 'route' | 'rule'
  readonly text: string
  readonly source: Source | null
}

export type VoteRule =
  | 'limit'
  | 'forecast'
  | 'fit'
  | 'notMeasured'
  | 'repeats'
  | 'stripScale'
  | 'shims'
  | 'springLine'
  | 'formula'
  | 'cannot'
  | 'service'
  | 'finding'
  | 'pattern'
  | 'leftOut'
  | 'change'
  | 'crossCheck'
  | 'gauge'
  | 'information'
  | 'nothingKnown'

/** What a vote rests on, beside its sentence: codes and figures in fixed units. */
export type VoteFacts = Readonly<Record<string, string | number | boolean | null | readonly string[]>>

/** One rule's say on a part: the mildest and strongest level it leaves possible. */
export interface Vote {
  readonly rule: VoteRule
  /** What the rule found, in a word of its own: `beyond`, `undecided`, `notMeasured` … */
  readonly code: string
  readonly facts: VoteFacts
  /** Stage whose readings it speaks of. */
  readonly stage: Stage
  /** Characteristic, fit, finding or pattern that gave it; null for a rule about the part itself. */
  readonly subject: string | null
  readonly mild: Level
  readonly strong: Level
  /** One line: value, limit, unit. */
  readonly reason: string
  /** What would settle it where mild and strong differ. */
  readonly settledBy: string | null
  readonly source: Source | null
  readonly route: string | null
  readonly trace: readonly TraceStep[]
}

export interface LimitOutcome {
  readonly limit: Limit
  readonly value: Reduced | null
  readonly guard: number
  readonly grade: GradeSpan
  /** Route by whose step it is judged, because the part was worked to it; null for the limit as the book has it. */
  readonly step: string | null
}

/** Whether a value stays inside a limit until the next overhaul: by its 95 % interval against the limit. */
export type Lasts = 'yes' | 'no' | 'unsure'

export interface Forecast {
  /** Limit it is held against. */
  readonly limit: string
  readonly atHours: number
  /** Expected then, and the ends of the 95 % interval for one new reading. */
  readonly value: number
  readonly low: number
  readonly high: number
  readonly lasts: Lasts
  /** Hours from now to the limits; null where it does not get there. */
  readonly hoursToPlan: number | null
  readonly hoursToWear: number | null
  /** Hours from now at which the wear limit may be reached at the earliest, one-sided 95 %; null where it is not. */
  readonly earliestHoursToWear: number | null
}

/** How one judged value moved from overhaul to overhaul, and where it goes. */
export interface Trend {
  readonly judges: ReductionName
  readonly line: readonly LinePoint[]
  readonly rate: WearRate | null
  /**
   * Spread of readings about their line, and where it comes from: their own residuals, sister positions, what they are known
   * to, or too few points to tell; null where no rate is known.
   */
  readonly spread: {
    readonly value: number
    readonly degreesOfFreedom: number | null
    readonly from: 'own' | 'sisters' | 'gauge' | 'few'
  } | null
  /** One for each limit of the value; none while nothing but noise moved it. */
  readonly forecasts: readonly Forecast[]
}

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
  readonly mild: Level
  readonly strong: Level
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
  /** After work, as left: those at which either side was measured. */
  readonly stages: readonly (FitMeasured & { readonly stage: LaterStage })[]
}

/** What one stage says of a part. */
export interface PartStage {
  readonly stage: Stage
  readonly verdict: Verdict
  readonly mild: Level
  readonly strong: Level
  readonly votes: readonly Vote[]
}

/**
 * The verdict of a part: what was found, and what the last stage measured says of how it is left. The stronger stands, so
 * that nothing leaves the shop on what it was before.
 */
export interface PartResult {
  readonly id: string
  /** As found, and every later stage at which something of it was measured. */
  readonly stages: readonly PartStage[]
  /** notRequired: the level or its gate leaves the whole part out, and nothing found speaks against it. */
  readonly need: Need
  readonly verdict: Verdict
  readonly mild: Level
  readonly strong: Level
  /** Strongest first. */
  readonly votes: readonly Vote[]
  /** Way, cost and days of the recommended verdict; null while it holds or is reuse. */
  readonly way: {
    readonly routes: readonly string[]
    readonly name: string
    /** Null where nobody knows yet. */
    readonly cost: number | null
    readonly days: number | null
  } | null
}

export interface Results {
  readonly format: 'medida-results'
  readonly version: 3
  readonly core: string
  readonly scope: Scope
  readonly characteristics: readonly CharacteristicResult[]
  readonly fits: readonly FitResult[]
  readonly parts: readonly PartResult[]
  /** What is known twice, compared. */
  readonly closings: readonly ClosingResult[]
}
