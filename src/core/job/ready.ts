import type { Results } from '../evaluate/results'
import { sidesOf } from '../fit/kinds'
import { foldNotes } from '../notes/fold'
import { type NotesState, standingFindings } from '../notes/state'
import { isSettled, jobSteps, type PhaseCount, phaseCounts } from '../notes/steps'
import { stillInside } from '../notes/stripFaults'
import { isRenewed } from '../policy/disposition'
import type { InspectionRecord } from '../record/recordSchema'
import type { LaterStage } from '../record/stage'
import { levelsInPlay } from '../scope/need'
import { decidedWay } from '../verdict/decidedWay'
import type { PartResult } from '../verdict/partVerdict'
import { isUnheld } from '../verdict/reuseRequires'
import { suitsOf } from '../verdict/suits'
import type { Vote } from '../verdict/vote'
import type { Step } from './orderOfWork'
import { standingDecisions } from './progress'
import { settingsAsked } from './settings'

/** A part that is not inside its limits at the last stage at which it was measured. */
export interface LeftBeyond {
  readonly part: string
  readonly stage: LaterStage
  readonly because: Vote | null
}

/** What must be settled before a job is sent. */
export type Block =
  | { readonly code: 'nothingThere' }
  | { readonly code: 'undecided'; readonly parts: readonly string[] }
  | { readonly code: 'stillInside'; readonly things: readonly { readonly name: string; readonly count: number }[] }
  | { readonly code: 'leftBeyond'; readonly left: LeftBeyond }
  /** Limits of what may hurt somebody, which wait for their page or for a second person. */
  | { readonly code: 'safetyWaits'; readonly because: readonly Vote[] }
  /** Settings by which somebody may be hurt, which are not taken as left and inside. */
  | { readonly code: 'notSet'; readonly names: readonly string[] }

/** What the level requires and is not done. */
export type Exception =
  | { readonly code: 'notDone'; readonly step: string }
  | { readonly code: 'notConfirmed'; readonly step: Step }
  | { readonly code: 'notMeasuredAsLeft'; readonly characteristic: string }
  /** A limit that is wanted and judges nothing. */
  | { readonly code: 'limitNotHeld'; readonly because: Vote }
  /** A setting that is not taken as left and inside. */
  | { readonly code: 'notSet'; readonly name: string }
  /** A protective device found out of setting, or the same drift at two overhauls: it wants its cause, though it be set again. */
  | { readonly code: 'wantsCause'; readonly because: Vote; readonly isProtective: boolean }
  /** Kept beside a mate that is worked by a route whose mate is made to suit. */
  | { readonly code: 'notSuited'; readonly part: string; readonly mate: string; readonly route: string }

/** What keeps a job from being sent and signed, and what may go on the report with a reason. */
export interface Readiness {
  readonly blocks: readonly Block[]
  /** On the report, with the reason the sender gives. */
  readonly exceptions: readonly Exception[]
  /** Left beyond what it may be, where the policy lets it go with the reviewer’s own reason. */
  readonly leftBeyond: readonly LeftBeyond[]
}

/** Nothing is ready that has nothing in it, that is undecided, or that leaves the shop beyond its limits. */
export function readiness(record: InspectionRecord, results: Results, confirmed: ReadonlySet<Step>): Readiness {
  const noted = foldNotes(record.book, record.job.entries)
  const left = leftBeyond(results)
  const { waiting, listed } = limitsNotHeld(record, results)
  const settings = settingsAsked(record)
  const notSet = settings.filter(({ isSet }) => !isSet)
  const mustBeSet = notSet.filter(({ isSafety }) => isSafety)
  const mayBeKept = record.job.policy.schools?.inDoubt === 'keep'
  const inside = stillInside(noted).map(({ name, inside: count }) => ({ name, count }))
  return {
    blocks: [
      ...(isEmpty(record, noted) ? [{ code: 'nothingThere' } as const] : []),
      ...undecided(record, results),
      ...(inside.length === 0 ? [] : [{ code: 'stillInside', things: inside } as const]),
      ...(waiting.length === 0 ? [] : [{ code: 'safetyWaits', because: waiting } as const]),
      ...(mustBeSet.length === 0 ? [] : [{ code: 'notSet', names: mustBeSet.map(({ name }) => name) } as const]),
      ...(mayBeKept ? [] : left.map((of): Block => ({ code: 'leftBeyond', left: of }))),
    ],
    exceptions: [
      ...notDone(record, results, noted),
      ...notConfirmed(record, results, noted, confirmed),
      ...notMeasuredAsLeft(record, results),
      ...notSuited(record, results),
      ...listed.map((because): Exception => ({ code: 'limitNotHeld', because })),
      ...notSet.map(({ name }): Exception => ({ code: 'notSet', name })),
      ...settings.flatMap(({ found, isAgain, setting: { isProtective } }): Exception[] =>
        found && (isProtective || isAgain) ? [{ code: 'wantsCause', because: found, isProtective }] : [],
      ),
    ],
    leftBeyond: mayBeKept ? left : [],
  }
}

/** Limits that are wanted and judge nothing, of the parts that are needed: listed on the report; of what may hurt somebody it waits. */
function limitsNotHeld({ book }: InspectionRecord, { parts }: Results) {
  const safety = new Set(book.characteristics.flatMap(({ id, safety: marked }) => (marked ? [id] : [])))
  const isSafety = (id: string | null): boolean =>
    safety.has(id ?? '') || book.fits.some((fit) => fit.id === id && sidesOf(fit).some((side) => safety.has(side)))
  const open = parts
    .filter(({ need }) => need === 'required')
    .flatMap(({ votes }) => votes.filter((vote) => vote.stage === 'asFound' && isUnheld(vote)))
  return { waiting: open.filter(({ subject }) => isSafety(subject)), listed: open }
}

const isEmpty = ({ book, job }: InspectionRecord, noted: NotesState): boolean =>
  book.parts.length === 0 ||
  (job.readings.every(({ kind }) => kind === 'withdrawn') &&
    standingFindings(noted).length === 0 &&
    noted.inspected.size + noted.patterns.size + noted.handTests.size === 0)

/** Parts that still need the inspector's verdict: none given, or given on something that has changed since. */
function undecided(record: InspectionRecord, results: Results): Block[] {
  const standing = standingDecisions(record, results)
  const needed = new Set(results.parts.filter(({ need }) => need === 'required').map(({ id }) => id))
  const open = record.book.parts
    .filter((part) => needed.has(part.id) && (standing.get(part.id)?.stale ?? true))
    .map(({ id }) => id)
  return open.length === 0 ? [] : [{ code: 'undecided', parts: open }]
}

/** What is not inside its limits at the last stage at which it was measured, after it was found. */
function leftBeyond({ parts }: Results): LeftBeyond[] {
  return parts.flatMap((part): LeftBeyond[] => {
    const last = lastLater(part)
    if (!last || last.stage === 'asFound' || last.verdict === 'reuse') return []
    return [{ part: part.id, stage: last.stage, because: last.votes.find(({ strong }) => strong !== 'reuse') ?? null }]
  })
}

const lastLater = ({ stages }: PartResult): PartResult['stages'][number] | undefined =>
  stages.filter(({ stage }) => stage !== 'asFound').at(-1)

function notDone(record: InspectionRecord, results: Results, noted: NotesState): Exception[] {
  const steps = jobSteps(record.book, noted, levelsInPlay(results.scope))
  return steps.filter((step) => !isSettled(step)).map(({ name }) => ({ code: 'notDone', step: name }))
}

/** Steps of the order of work that no procedure counts and that nobody has confirmed. Nothing is ordered where nothing is needed. */
function notConfirmed(record: InspectionRecord, results: Results, noted: NotesState, confirmed: ReadonlySet<Step>): Exception[] {
  const needsParts = [...standingDecisions(record, results).values()].some(({ decided: { decided } }) => isRenewed(decided))
  const asked: readonly Step[] = [...(needsParts ? (['order'] as const) : []), 'rebuild', 'prove']
  const counted: Partial<Record<Step, PhaseCount>> = phaseCounts(jobSteps(record.book, noted, levelsInPlay(results.scope)))
  return asked.filter((step) => !confirmed.has(step) && !counted[step]).map((step) => ({ code: 'notConfirmed', step }))
}

/**
 * Parts that are kept though a mate of theirs was decided to be worked so that it takes one made to suit: what was decided of the
 * pair does not go together, whatever was recommended.
 */
function notSuited(record: InspectionRecord, results: Results): Exception[] {
  const standing = standingDecisions(record, results)
  const { parts } = record.book
  return [...suitsOf(record.book)].flatMap(([part, by]) =>
    by.flatMap(({ part: mate, route }): Exception[] => {
      const [own, of] = [parts.find(({ id }) => id === mate), results.parts.find(({ id }) => id === mate)]
      const worked = own && of && decidedWay(own, of, standing.get(mate)?.decided ?? null)
      const kept = standing.get(part)?.decided.decided
      return worked?.routes.includes(route) && kept !== undefined && !isRenewed(kept)
        ? [{ code: 'notSuited', part, mate, route }]
        : []
    }),
  )
}

/** What exists only as left: a final torque, a standoff, a mark made. */
function notMeasuredAsLeft(record: InspectionRecord, results: Results): Exception[] {
  return record.book.characteristics.flatMap(({ id, asLeftOnly }): Exception[] => {
    const result = asLeftOnly ? results.characteristics.find((other) => other.id === id) : undefined
    if (result?.need !== 'required') return []
    const left = result.stages.find(({ stage }) => stage === 'asLeft')
    return left && left.reductions.taken === left.reductions.needed ? [] : [{ code: 'notMeasuredAsLeft', characteristic: id }]
  })
}
