import type { Results } from '../evaluate/results'
import { foldWork } from '../notes/fold'
import { standingFindings, type WorkState } from '../notes/state'
import { isSettled, jobSteps } from '../notes/steps'
import { insideWords } from '../notes/stripFaults'
import type { InspectionRecord } from '../record/recordSchema'
import { stageLabel } from '../record/stage'
import { levelsInPlay } from '../scope/need'
import type { PartResult } from '../verdict/partVerdict'
import { type Step, stepLabel } from './orderOfWork'
import { standingDecisions } from './progress'

/** What keeps a job from being sent and signed, and what may go on the report with a reason. */
export interface Readiness {
  /** Sentences, each of which must be settled first. */
  readonly blocks: readonly string[]
  /** What the level requires and is not done: on the report, with the reason the sender gives. */
  readonly exceptions: readonly string[]
  /** Left beyond what it may be, where the policy lets it go with the reviewer’s own reason. */
  readonly leftBeyond: readonly string[]
}

/** Nothing is ready that has nothing in it, that is undecided, or that leaves the shop beyond its limits. */
export function readiness(record: InspectionRecord, results: Results, confirmed: ReadonlySet<Step>): Readiness {
  const work = foldWork(record.book, record.job.entries)
  const left = leftBeyond(record, results)
  const mayBeKept = record.job.policy.schools?.inDoubt === 'keep'
  const inside = insideWords(work)
  return {
    blocks: [
      ...(isEmpty(record, work) ? ['Nothing is measured, looked at or found in this job: there is nothing to report.'] : []),
      ...undecided(record, results),
      ...(inside === null ? [] : [`Still inside: ${inside}. Count them out on the strip map before sending.`]),
      ...(mayBeKept ? [] : left.map((sentence) => `${sentence} Take it apart again, or have the policy keep it with a reason.`)),
    ],
    exceptions: [
      ...notDone(record, results, work),
      ...notConfirmed(record, results, confirmed),
      ...notMeasuredAsLeft(record, results),
    ],
    leftBeyond: mayBeKept ? left : [],
  }
}

const isEmpty = ({ book, job }: InspectionRecord, work: WorkState): boolean =>
  book.parts.length === 0 ||
  (job.readings.every(({ kind }) => kind === 'withdrawn') &&
    standingFindings(work).length === 0 &&
    work.lookedAt.size + work.patterns.size + work.handTests.size === 0)

/** Parts that still need the inspector's verdict: none given, or given on something that has changed since. */
function undecided(record: InspectionRecord, results: Results): string[] {
  const standing = standingDecisions(record, results)
  const needed = new Set(results.parts.filter(({ need }) => need === 'required').map(({ id }) => id))
  const open = record.book.parts
    .filter((part) => needed.has(part.id) && (standing.get(part.id)?.stale ?? true))
    .map((part) => part.name)
  return open.length === 0 ? [] : [`Decide first on: ${open.join(', ')}.`]
}

/** What is not inside its limits at the last stage at which it was measured, after it was found. */
function leftBeyond(record: InspectionRecord, { parts }: Results): string[] {
  return parts.flatMap((part) => {
    const last = lastLater(part)
    if (!last || last.verdict === 'reuse') return []
    const name = record.book.parts.find(({ id }) => id === part.id)?.name ?? part.id
    const reason = last.votes.find(({ strong }) => strong !== 'reuse')?.reason ?? ''
    return [`${name}, ${stageLabel[last.stage].toLowerCase()}: ${reason}.`]
  })
}

const lastLater = ({ stages }: PartResult): PartResult['stages'][number] | undefined =>
  stages.filter(({ stage }) => stage !== 'asFound').at(-1)

function notDone(record: InspectionRecord, results: Results, work: WorkState): string[] {
  const steps = jobSteps(record.book, work, levelsInPlay(results.scope))
  return steps.filter((step) => !isSettled(step)).map(({ name }) => `Not done: ${name}`)
}

/** Steps of the order of work that no procedure counts and that nobody has confirmed. Nothing is ordered where nothing is needed. */
function notConfirmed(record: InspectionRecord, results: Results, confirmed: ReadonlySet<Step>): string[] {
  const needsParts = [...standingDecisions(record, results).values()].some(({ decided }) => decided.decided !== 'reuse')
  const asked: readonly Step[] = [...(needsParts ? (['order'] as const) : []), 'rebuild', 'prove']
  return asked.filter((step) => !confirmed.has(step)).map((step) => `Not confirmed: ${stepLabel[step]}`)
}

/** What exists only as left: a final torque, a standoff, a mark made. */
function notMeasuredAsLeft(record: InspectionRecord, results: Results): string[] {
  return record.book.characteristics.flatMap(({ id, name, asLeftOnly }) => {
    const result = asLeftOnly ? results.characteristics.find((other) => other.id === id) : undefined
    if (result?.need !== 'required') return []
    const left = result.stages.find(({ stage }) => stage === 'asLeft')
    return left && left.reductions.taken === left.reductions.needed ? [] : [`Not measured as left: ${name}`]
  })
}
