import type { NeverGiven } from '../book/bookFault'
import type { PatternCount, PatternLimits, PatternState } from '../condition/damagePattern'
import type { FindingKind, Severity } from '../condition/findingKinds'
import type { GradeSpan } from '../limit/conformity'
import type { Limit, LimitBy, Source } from '../limit/limit'
import type { MethodFault, ReductionName, Term } from '../method/reduction'
import type { Slot } from '../method/slot'
import type { PlaceOf, Where } from '../method/where'
import type { Disposition } from '../policy/disposition'
import type { Ends, Extent } from '../quantity/extent'
import type { QuantityKind } from '../quantity/kind'
import type { Stage } from '../record/stage'
import type { LeftOut } from '../scope/need'
import type { SettingMeans } from '../setting/settingMeans'
import type { Lasts, NotSure } from '../trend/forecast'

/** What a value is judged by and what came of it. */
/** Why a value judges nothing: nothing to find yet; no limit in its book; it is judged by its change. */
export type InformationCode = 'asLeftOnly' | 'nothingJudges' | 'byChange'

export interface LimitFacts {
  readonly limit: Limit
  readonly quantity: QuantityKind
  readonly value: Extent | null
  readonly where: Where | null
  readonly uncertainty: number
  readonly degreesOfFreedom: number | null
  readonly guard: number
  readonly grade: GradeSpan
  /** Route by whose step it is judged. */
  readonly step: string | null
  readonly taken: number
  readonly needed: number
}

export interface ForecastFacts {
  readonly limit: Limit
  readonly quantity: QuantityKind
  readonly atHours: number
  /** Expected then, with its band; null where nothing but the band of noise is known. */
  readonly expected: { readonly value: number; readonly low: number; readonly high: number } | null
  /** Why it is not sure, where it is not by its band. */
  readonly because?: NotSure
}

export interface ChangeFacts {
  /** Id of the change limit. */
  readonly change: string
  readonly quantity: QuantityKind
  readonly from: 'lastOverhaul' | 'asFound' | 'afterWork'
  readonly least: number | null
  readonly greatest: number | null
  readonly moved: number | null
  readonly uncertainty: number | null
  readonly at: PlaceOf | null
}

export interface FindingFacts {
  readonly finding: FindingKind
  readonly severity: Severity
}

/** What a rule found: its code, and the facts it rests on. `core/words` makes the sentence. */
export type Said =
  | {
      readonly rule: 'limit' | 'fit'
      /** notAFigure: a bound or a range reaches over it; doubtful: all is taken, and its readings do not count yet. */
      readonly code:
        | 'inside'
        | 'pastPlan'
        | 'beyond'
        | 'pastPlanAtLeast'
        | 'notMeasured'
        | 'missing'
        | 'doubtful'
        | 'undecided'
        | 'notAFigure'
        | 'withinStep'
        | 'workedToStep'
        | 'notAsAsked'
      readonly facts: LimitFacts
    }
  | { readonly rule: 'forecast'; readonly code: Exclude<Lasts, 'notKnown'>; readonly facts: ForecastFacts }
  | { readonly rule: 'change'; readonly code: 'inside' | 'outside' | 'undecided' | 'open'; readonly facts: ChangeFacts }
  /** Figures of a limit, or whether a part is there at all, that depend on what nobody has said or no table gives. */
  | { readonly rule: 'limitOpen'; readonly code: 'which' | 'mayBe'; readonly facts: { readonly variant: string } }
  | {
      readonly rule: 'limitOpen'
      readonly code: 'noFigure'
      readonly facts: { readonly kind: Exclude<LimitBy['depends']['kind'], 'variant'> }
    }
  /** A limit that is wanted and not typed, that the second person does not find on its page or has not checked, or that crosses another. */
  | {
      readonly rule: 'limitOpen'
      readonly code: 'notTyped' | 'rejected' | 'unchecked' | 'crossed'
      readonly facts: { readonly judges: ReductionName; readonly side: Limit['side'] }
    }
  | { readonly rule: 'notMeasured'; readonly code: 'notMeasured'; readonly facts: None }
  | {
      readonly rule: 'cannot'
      readonly code: 'cannot'
      readonly facts: { readonly places: readonly { readonly slot: Slot; readonly why: string }[] }
    }
  | { readonly rule: 'information'; readonly code: InformationCode; readonly facts: None }
  | {
      readonly rule: 'repeats' | 'gauge' | 'stripScale' | 'shims' | 'springLine' | 'formula'
      readonly code: MethodFault['code']
      readonly facts: { readonly fault: MethodFault; readonly quantity: QuantityKind }
    }
  /** Strip and measured parts of a fit. */
  | {
      readonly rule: 'crossCheck'
      readonly code: 'apart' | 'notFigures' | 'oneWayOnly' | 'directApart'
      readonly facts: { readonly places: readonly PlaceOf[]; readonly has: 'strip' | 'measuredParts' }
    }
  /** A cross-check of the book. */
  | {
      readonly rule: 'crossCheck'
      readonly code: 'disagrees' | 'open' | 'tooRough' | 'missing'
      readonly facts: { readonly at: PlaceOf | null; readonly characteristic: string | null }
    }
  | { readonly rule: 'finding'; readonly code: 'nothingFound'; readonly facts: { readonly by: string } }
  | { readonly rule: 'finding'; readonly code: 'rule'; readonly facts: FindingFacts & { readonly byRule: string } }
  | { readonly rule: 'finding'; readonly code: 'crack' | 'noRule'; readonly facts: FindingFacts }
  | {
      readonly rule: 'pattern'
      readonly code: PatternState
      readonly facts: { readonly count: PatternCount; readonly limits: PatternLimits }
    }
  | {
      readonly rule: 'service'
      readonly code: 'renewed' | 'notDisturbed' | 'disturbed' | 'leftInPlace' | 'whetherOut' | 'ageUnknown'
      readonly facts: None
    }
  | { readonly rule: 'service'; readonly code: 'everyNth'; readonly facts: { readonly nth: number; readonly overhaul: number } }
  | {
      readonly rule: 'service'
      readonly code: 'afterHours'
      readonly facts: { readonly hours: number; readonly has: number; readonly mustRun: number }
    }
  | {
      readonly rule: 'service'
      readonly code: 'afterStarts'
      readonly facts: { readonly starts: number; readonly has: number; readonly toCome: number }
    }
  | { readonly rule: 'service'; readonly code: 'startsUnknown'; readonly facts: None }
  | { readonly rule: 'service'; readonly code: 'withMate' | 'set' | 'within'; readonly facts: { readonly part: string } }
  /** Made to suit a mate that is worked by a route. */
  | { readonly rule: 'service'; readonly code: 'suited'; readonly facts: { readonly part: string; readonly route: string } }
  | {
      readonly rule: 'leftOut'
      readonly code: 'ifGateFails' | 'notRequired'
      readonly facts: { readonly because: LeftOut | null }
    }
  | { readonly rule: 'nothingKnown'; readonly code: 'nothingKnown'; readonly facts: None }
export type None = Readonly<Record<string, never>>
export const NONE: None = {}

export type VoteRule = Said['rule']

/** Something still to be taken. */
export type Missing =
  | { readonly code: 'slot'; readonly slot: Slot }
  | { readonly code: 'other'; readonly characteristic: string }
  | { readonly code: 'runsIn'; readonly characteristic: string }
  | { readonly code: 'readings'; readonly characteristic: string; readonly count: number }
  | { readonly code: 'toAFigure'; readonly characteristic: string; readonly places: readonly PlaceOf[] }

/** What would settle a vote whose ends differ. */
export type Settling =
  | { readonly code: 'take'; readonly missing: readonly Missing[] }
  | { readonly code: 'measure'; readonly characteristic: string }
  | { readonly code: 'age' | 'whetherOut' | 'otherPart' | 'sides'; readonly part: string }
  | { readonly code: 'which'; readonly variant: string }
  | { readonly code: 'toAFigure'; readonly text: string | null }
  | { readonly code: 'suitedMate'; readonly part: string; readonly route: string; readonly takes: string }
  | { readonly code: 'routeNeeds' | 'routeSays'; readonly part: string; readonly route: string }
  | { readonly code: 'limitOf'; readonly subject: string }
  | { readonly code: 'again'; readonly characteristic: string | null; readonly slot: Slot | null; readonly where: Where | null }
  | { readonly code: 'lookAtEvery'; readonly pattern: string }
  | { readonly code: 'gate'; readonly missing: readonly string[] }
  /** Parts that a setting rests on, which are not known to be sound. */
  | { readonly code: 'chain'; readonly parts: readonly string[] }
  | { readonly code: 'never'; readonly fault: NeverGiven }
  | {
      readonly code:
        | 'routesNeed'
        | 'starts'
        | 'makersFigure'
        | 'doubtfulAgain'
        | 'stepLimit'
        | 'betterGauge'
        | 'anotherWay'
        | 'atTwenty'
        | 'shorterInterval'
        | 'limitThen'
        | 'findOutWhy'
        | 'fault'
        | 'newStrip'
        | 'figuresThere'
        | 'otherWayToo'
        | 'bothToFigures'
        | 'bothWays'
        | 'byEye'
        | 'look'
        | 'typeLimit'
        | 'typeAgain'
        | 'checkLimit'
    }

/** One step of the way from readings to verdict. */
export type TraceStep = { readonly source: Source | null } & (
  | {
      readonly kind: 'reading'
      readonly slot: Slot
      readonly text: string
      readonly quantity: QuantityKind
      readonly master: number | null
      readonly zero: number
      readonly calibration: number
      readonly temperature: number
      readonly ends: Ends
    }
  | {
      readonly kind: 'reduction'
      /** Null for a clearance of a fit. */
      readonly judges: ReductionName | null
      readonly quantity: QuantityKind
      readonly value: Extent
      readonly where: Where
      readonly sum: readonly Term[]
    }
  | {
      readonly kind: 'uncertainty'
      readonly judges: ReductionName | null
      readonly quantity: QuantityKind
      readonly uncertainty: number
      readonly degreesOfFreedom: number | null
      /** How far noise alone pushes the worst of its places, or widens a spread of them; none where a value judges neither. */
      readonly noise?: number
      /** Codes of the gauges. */
      readonly gauges: readonly string[]
    }
  | { readonly kind: 'limit'; readonly quantity: QuantityKind; readonly limit: Limit; readonly guard: number }
  | {
      readonly kind: 'forecast'
      readonly quantity: QuantityKind
      readonly perThousandHours: number
      readonly overhauls: number
      readonly fromHours: number
      readonly toHours: number
      readonly mustRunHours: number
      readonly atHours: number
      readonly expected: ForecastFacts['expected']
      readonly spread: 'own' | 'sisters' | 'gauge' | 'few' | null
    }
  | { readonly kind: 'finding'; readonly code: 'noted'; readonly by: string; readonly note: string }
  | { readonly kind: 'finding'; readonly code: 'pattern'; readonly by: string; readonly count: PatternCount }
  | ({ readonly kind: 'route' } & RouteTried)
  | {
      readonly kind: 'rule'
      readonly code: 'grades'
      readonly grade: GradeSpan
      readonly mild: Disposition
      readonly strong: Disposition
    }
  | { readonly kind: 'rule'; readonly code: 'lasts'; readonly lasts: Exclude<Lasts, 'notKnown'> }
  | { readonly kind: 'rule'; readonly code: 'severity'; readonly from: Severity; readonly asks: Disposition }
  | { readonly kind: 'rule'; readonly code: 'usually'; readonly finding: FindingKind }
  | { readonly kind: 'rule'; readonly code: 'pattern'; readonly pattern: string }
  | { readonly kind: 'rule'; readonly code: 'setting'; readonly setting: SetBy }
)

/** Whether a route can bring a part back, from the sizes measured so far, and what stands against it. */
export interface RouteTried {
  readonly part: string
  readonly route: string
  readonly outcome: RouteOutcome
  /** Sizes it may leave, mm; null where it rebuilds the surface. */
  readonly leavesMm: { readonly least: number; readonly greatest: number } | null
  /** Size at which the worn surface surely cleans up, mm; null where that is not known. */
  readonly cleansUpAtMm: number | null
  /** What the work must leave beside the size: finish, and what it takes away and must make again. */
  readonly after?: { readonly finish: string | null; readonly restores: readonly string[] }
  /** Sides of the part, and how many are used up; null where nobody has said. */
  readonly sides?: { readonly has: number; readonly used: number | null }
  /** Fit or ring whose limits the size it leaves does not keep. */
  readonly against: { readonly id: string; readonly as: 'ownFit' | 'otherFit' | 'ring' } | null
}
export type RouteOutcome = 'feasible' | 'infeasible' | 'unknown'

/** How a value that is out is set, and the parts it rests on. */
export interface SetBy {
  readonly by: SettingMeans
  readonly chain: readonly string[]
  /** Least change that brings it inside, or the change that a sum of its fit asks for, in the unit of the value; null while not known. */
  readonly change: number | null
  /** What sets it, not the value, changes by so much: the shims, the pad. */
  readonly ofPiece: boolean
  /** What is asked for where the adjustment may be at its end. */
  readonly otherwise: Disposition
  readonly isClosed: boolean
  readonly isProving: boolean
  readonly isProtective: boolean
}

/** One rule's say on a part: the mildest and strongest level it leaves possible. */
export type Vote = Said & {
  /** Stage whose readings it speaks of. */
  readonly stage: Stage
  /** Characteristic, fit, finding or pattern that gave it; null for a rule about the part itself. */
  readonly subject: string | null
  readonly mild: Disposition
  readonly strong: Disposition
  /** What would settle it where mild and strong differ. */
  readonly settledBy: Settling | null
  readonly source: Source | null
  readonly route: string | null
  readonly trace: readonly TraceStep[]
  /** It speaks of a setting. */
  readonly setting?: SetBy
}

type Voting = Said & Pick<Vote, 'mild' | 'strong'> & Partial<Omit<Vote, keyof Said | 'mild' | 'strong'>>

/** A vote with what most of them do not say left empty. */
export const vote = (said: Voting): Vote => ({
  stage: 'asFound',
  subject: null,
  settledBy: null,
  source: null,
  route: null,
  trace: [],
  ...said,
})

type OpenVoting = Said & Pick<Vote, 'strong'> & Partial<Omit<Vote, keyof Said | 'mild' | 'strong'>>

/** A vote that leaves both ends open to where its limits could lead. */
export const openVote = (said: OpenVoting): Vote => vote({ ...said, mild: 'reuse' })
