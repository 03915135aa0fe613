import type { FloorJob, JobView, Nearest } from '../../contract/answers'
import { evaluate } from '../../core/evaluate/evaluate'
import type { Results } from '../../core/evaluate/results'
import { type JobProgress, orderOfWork, type Step, type StepStanding } from '../../core/job/orderOfWork'
import { jobProgress, standingDecisions } from '../../core/job/progress'
import { readiness } from '../../core/job/ready'
import { foldNotes } from '../../core/notes/fold'
import { complaintState } from '../../core/notes/openQuestions'
import { isSettled, jobSteps } from '../../core/notes/steps'
import type { InspectionRecord } from '../../core/record/recordSchema'
import { levelsInPlay } from '../../core/scope/need'
import { blockWords } from '../../core/words/ready'
import { speakerOf } from '../../core/words/speaker'
import { ribbonOf } from '../../drawing/ribbonScale'
import { say } from '../../labels/shopFloor'

/** So many of what is about to wear out stand in a row. */
const NEAREST = 3

/** A job in one row: where it stands, what holds it, what of it is nearest to its limits, who is at it. */
export function floorJob(view: JobView): FloorJob {
  const known = lines.get(view.record)
  const stamp = `${view.confirmations.length} ${view.review.length} ${view.unreadable.length}`
  if (known?.stamp === stamp) return known.line
  const line = lineOf(view)
  lines.set(view.record, { stamp, line })
  return line
}

/** Rows made before: a record that nothing was added to is the same one, and says the same. */
const lines = new WeakMap<InspectionRecord, { readonly stamp: string; readonly line: FloorJob }>()

function lineOf(view: JobView): FloorJob {
  const { record } = view
  const results = evaluate(record)
  const progress = jobProgress(record, results, new Set<Step>(view.confirmations.map(({ step }) => step)), false)
  const standings = orderOfWork(progress)
  const last = view.review.at(-1)
  const state = last?.kind === 'sent' ? 'waiting' : last?.kind === 'returned' ? 'returned' : 'open'
  const step = state === 'open' ? (standings.find((of) => of.state === 'now')?.step ?? 'sign') : 'sign'
  const complaint = complaintState(record.job.complaint, foldNotes(record.book, record.job.entries))
  return {
    id: record.job.id,
    title: view.title,
    reason: view.reason,
    station: record.machine.station,
    machine: record.machine.name,
    units: record.machine.units,
    practice: view.practice,
    state,
    step,
    done: standings.filter((of) => of.state === 'done').length,
    holds: holdsOf(view, results, progress, step, standings),
    complaint: complaint && complaint.kind !== 'gone' ? record.job.complaint : null,
    returnBy: record.job.returnBy,
    nearest: nearestOf(record, results),
    hands: handsIn(view),
    lastAt: lastTouch(view),
  }
}

/** What stands in the way, in a few words. */
function holdsOf(view: JobView, results: Results, progress: JobProgress, step: Step, standings: readonly StepStanding[]): string {
  const { record, unreadable, review } = view
  const last = review.at(-1)
  if (unreadable.length > 0) return say.cannotBeRead(unreadable.length)
  if (last?.kind === 'sent') return say.waitingForReview
  if (last?.kind === 'returned') return say.returnedWith(last.note)
  const stale = [...standingDecisions(record, results).values()].filter((decision) => decision.stale).length
  if (stale > 0) return say.verdictSLook(stale)
  const count = standings.find((of) => of.step === step)?.count
  const open = count ? count.of - count.done : 0
  switch (step) {
    case 'measure':
      return progress.measured.of === 0 ? say.nothingToMeasure : say.readingsOpen(open, progress.measured.of)
    case 'fits':
      return say.fitsOpen(open)
    case 'decide':
      return say.partsOpen(open)
    case 'sign': {
      const [block] = readiness(record, results, new Set(view.confirmations.map((of) => of.step))).blocks
      return block ? blockWords(speakerOf(record.book, record.machine.units, record.machine.meter), block) : say.readyToSend
    }
    default: {
      const steps = jobSteps(record.book, foldNotes(record.book, record.job.entries), levelsInPlay(results.scope))
      return steps.find((of) => of.phase === step && !isSettled(of))?.name ?? say.nothingHolds
    }
  }
}

/** What is about to wear out: fewest hours left to the wear limit first, then in the order of the book. */
function nearestOf(record: InspectionRecord, results: Results): Nearest[] {
  return results.characteristics
    .flatMap((result) => {
      const characteristic = record.book.characteristics.find(({ id }) => id === result.id)
      return characteristic && (result.line.length > 0 || result.judged) ? [{ result, characteristic }] : []
    })
    .sort((a, b) => (a.result.forecast?.hoursToWear ?? Number.MAX_VALUE) - (b.result.forecast?.hoursToWear ?? Number.MAX_VALUE))
    .slice(0, NEAREST)
    .map(({ result, characteristic }) => ({
      id: characteristic.id,
      name: characteristic.name,
      verdict: result.verdict,
      model: ribbonOf(characteristic, result, record.job.policy),
    }))
}

const touches = ({ record, confirmations, openedBy }: JobView): { by: string; at: string }[] => [
  ...record.job.readings.map(({ by, takenAt }) => ({ by, at: takenAt })),
  ...record.job.entries.map(({ by, at }) => ({ by, at })),
  ...record.decisions.map(({ by, at }) => ({ by, at })),
  ...confirmations.map(({ by, at }) => ({ by, at })),
  ...(record.job.readings.length + record.job.entries.length === 0
    ? [{ by: openedBy, at: `${record.job.date}T00:00:00.000Z` }]
    : []),
]

/** Who has been at it, the last one first. */
function handsIn(view: JobView): string[] {
  const sorted = touches(view).sort((a, b) => (a.at < b.at ? 1 : -1))
  return [...new Set(sorted.map(({ by }) => by))]
}

const lastTouch = (view: JobView): Readonly<Record<string, string>> => {
  const last: Record<string, string> = {}
  for (const { by, at } of touches(view)) if ((last[by] ?? '') < at) last[by] = at
  return last
}
