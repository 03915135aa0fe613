import { sidesOf } from '../../fit/kinds'
import type { Limit } from '../../limit/limit'
import { openLimits } from '../../limit/limitBy'
import { judged, type LimitOutcome } from '../../limit/outcome'
import type { Reductions } from '../../method/reduction'
import { type Disposition, dispositionRank } from '../../policy/disposition'
import { lineKey } from '../../trend/earlier'
import { trendOf } from '../../trend/forecast'
import { limitVote, strongestLevelOf } from '../../verdict/limitVote'
import { type Mending, mendingOf } from '../../verdict/mending'
import { heldLimits, unheldLimits } from '../../verdict/reuseRequires'
import { setOver } from '../../verdict/setOver'
import type { TraceStep, Vote } from '../../verdict/vote'
import { forecastVote, trendInputOf } from '../forecastVote'
import { openLimitVotes } from '../openLimitVotes'
import type { FitMeasured } from '../results'
import { directVotes } from './directVotes'
import type { FitFound, FitInput } from './fitInput'
import { foundOf } from './found'
import { settingOfThis } from './settingOfThis'

/** A fit as it was found, with its limits on what the policy counts. */
export function evaluateFit(input: FitInput): FitMeasured {
  const { fit, policy } = input
  const found = foundOf(input)
  const { minimum, maximum } = found
  const limits = fit.limits.map((limit) => judged(limit, limit.judges === 'minimum' ? minimum : maximum, policy.acceptance))
  const judging = new Set<Limit>(heldLimits(fit))
  const held = limits.filter(({ limit }) => judging.has(limit))
  const ways = new Map(fit.limits.map((limit) => [limit.id, wayOf(input, limit)] as const))
  const safety = sidesOf(fit).some((id) => input.characteristic(id).safety)
  const open = [
    ...openLimitVotes(fit.id, input.stage, openLimits(fit), (limit) => wayOf(input, limit)),
    ...unheldLimits(fit, safety, input.stage),
  ]
  const strongest = [
    ...fit.limits.map((limit) => strongestLevelOf(limit, ways.get(limit.id) ?? wayOf(input, limit))),
    ...open.map((vote) => vote.strong),
  ].reduce<Disposition>((a, b) => (dispositionRank[b] > dispositionRank[a] ? b : a), 'reuse')
  const crossChecks = [...found.crossChecks(strongest), ...directVotes(input, minimum, maximum, strongest)]
  return {
    id: fit.id,
    clearance: found.clearance,
    stripMm: found.stripMm,
    closures: found.closures,
    countsBy: found.countsBy,
    minimum,
    maximum,
    limits,
    verdict: fitVerdict(held, [...crossChecks, ...open]),
    votes: [
      ...held.map((outcome) => fitVote(input, found, outcome, ways.get(outcome.limit.id) ?? wayOf(input, outcome.limit))),
      ...open,
      ...crossChecks,
      ...held.flatMap((outcome) => foretold(input, outcome, ways.get(outcome.limit.id) ?? wayOf(input, outcome.limit)) ?? []),
    ],
  }
}

function wayOf(input: FitInput, limit: Limit): Mending {
  const { part, fit, routes } = input
  const mending = mendingOf(part, { kind: 'fit', fit, limit }, routes)
  const toSet = settingOfThis(input, limit)
  return toSet ? setOver(mending, limit.whenPassed, toSet) : mending
}

/** What the line of its clearances foretells; what is set over starts anew each time. */
function foretold(input: FitInput, outcome: LimitOutcome, mending: Mending): Vote | null {
  const { fit, policy, foretelling } = input
  const { limit, value } = outcome
  const isSet = settingOfThis(input, limit)?.setting.is === 'setting'
  if (foretelling === null || !policy.mustLastTheInterval || isSet || value === null) return null
  const { lines, now } = foretelling
  const line = { earlier: lines.get(lineKey(limit)) ?? [], sisters: null, quantity: 'length', since: null } as const
  const of = trendInputOf(now, value, line)
  return forecastVote({
    subject: fit.id,
    outcome,
    input: of,
    trend: trendOf(limit.judges, of, [limit]),
    mustRunHours: now.mustRunHours,
    mending,
  })
}

function fitVerdict(limits: readonly LimitOutcome[], open: readonly Vote[]): FitMeasured['verdict'] {
  if (limits.some(({ grade }) => grade.mild === 2)) return 'fails'
  if (limits.some(({ grade }) => grade.strong === 2) || open.length > 0) return 'open'
  return limits.some(({ grade }) => grade.strong === 1) ? 'pastPlan' : 'passes'
}

function fitVote(input: FitInput, found: FitFound, outcome: LimitOutcome, mending: Mending): Vote {
  const { fit, stage } = input
  const { value } = outcome
  const quantity = 'length'
  const steps: TraceStep[] =
    value === null
      ? []
      : [
          {
            kind: 'reduction',
            judges: null,
            quantity,
            value: { value: value.value, interval: value.interval },
            where: value.where,
            sum: value.sum,
            source: null,
          },
          {
            kind: 'uncertainty',
            judges: null,
            quantity,
            uncertainty: value.uncertainty,
            degreesOfFreedom: value.degreesOfFreedom,
            gauges: [],
            source: null,
          },
        ]
  return limitVote({
    subject: fit.id,
    rule: 'fit',
    quantity,
    stage,
    outcome,
    mending,
    reductions: reductionsForCounting(input, found.countedOn),
    missing: found.missing,
    settledOtherwise: null,
    steps,
  })
}

/** Taken and needed readings of what the clearance follows from. */
function reductionsForCounting({ routes }: FitInput, ids: readonly string[]): Reductions {
  const all = ids.map((id) => routes.reductionsOf(id))
  const total = (pick: (reductions: Reductions) => number): number =>
    all.reduce((sum, reductions) => sum + (reductions ? pick(reductions) : 0), 0)
  return { values: {}, faults: [], taken: total((r) => r.taken), needed: total((r) => r.needed), cannot: total((r) => r.cannot) }
}
