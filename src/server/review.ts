import { eq } from 'drizzle-orm'
import type { JobView, ReportContent } from '../contract/answers'
import type { ReviewBody } from '../contract/bodies'
import { standingDecisions } from '../core/job/progress'
import { evaluate } from '../core/record/evaluate'
import { CORE_VERSION } from '../core/version'
import { foldWork } from '../core/work/fold'
import { insideWords } from '../core/work/stripFaults'
import type { Executor } from '../db/client'
import { appendLog, countLogged } from '../db/queries/log'
import { lastReport } from '../db/queries/reports'
import { report, reviewEvent } from '../db/schema'
import { canonicalJson, recordHash, sha256 } from './canonical'
import { authorise, type Context } from './context'
import { reviewState, writeToJob } from './openForWriting'
import { Refused } from './refused'

export interface Reviewed {
  readonly stored: boolean
  readonly reportId: string | null
}

type Send = Extract<ReviewBody, { kind: 'send' }>
type Return = Extract<ReviewBody, { kind: 'return' }>
type Sign = Extract<ReviewBody, { kind: 'sign' }>

/** Checks a password of the person signed in; the sign-in room gives it. */
export type CheckPassword = (password: string) => Promise<boolean>

/** Hands a job on: to the reviewer, back to the inspector, or signed. */
export function review(context: Context, jobId: string, body: ReviewBody, checkPassword: CheckPassword): Promise<Reviewed> {
  switch (body.kind) {
    case 'send':
      return sendToReviewer(context, jobId, body)
    case 'return':
      return returnToInspector(context, jobId, body)
    case 'sign':
      return signReport(context, jobId, body, checkPassword)
  }
}

/** Parts that still need the inspector's verdict: none given, or given on something that has changed since. */
export function undecidedParts(view: JobView): string[] {
  const results = evaluate(view.record)
  const standing = standingDecisions(view.record, results)
  const needed = new Set(results.parts.filter(({ need }) => need === 'required').map(({ id }) => id))
  return view.record.book.parts
    .filter((part) => needed.has(part.id) && (standing.get(part.id)?.stale ?? true))
    .map((part) => part.name)
}

function sendToReviewer(context: Context, jobId: string, body: Send): Promise<Reviewed> {
  return writeToJob(context, jobId, { action: 'send', duringReview: true }, async (db, view) => {
    if (await alreadyStored(db, jobId, body.id)) return { stored: false, reportId: null }
    if (reviewState(view) === 'withReviewer') throw new Refused('conflict', 'This job lies with the reviewer already.')
    const open = undecidedParts(view)
    if (open.length > 0) throw new Refused('notPossible', `Decide on every part before sending: ${open.join(', ')}.`)
    const inside = insideWords(foldWork(view.record.book, view.record.job.entries))
    if (inside !== null)
      throw new Refused('notPossible', `Still inside: ${inside}. Count them out on the strip map before sending.`)
    await storeEvent(context, db, jobId, { id: body.id, kind: 'sent', note: body.note })
    return { stored: true, reportId: null }
  })
}

function returnToInspector(context: Context, jobId: string, body: Return): Promise<Reviewed> {
  return writeToJob(context, jobId, { action: 'review', duringReview: true }, async (db, view) => {
    if (await alreadyStored(db, jobId, body.id)) return { stored: false, reportId: null }
    if (reviewState(view) !== 'withReviewer')
      throw new Refused('conflict', 'This job does not lie with the reviewer, so it cannot be returned.')
    await storeEvent(context, db, jobId, { id: body.id, kind: 'returned', note: body.note })
    return { stored: true, reportId: null }
  })
}

const SIGNING_STATEMENT =
  'Reviewed and accepted: figures, limits, verdicts and reasons as recorded. The maker’s instructions, local codes and licensed practice come first.'
const WRONG_PASSWORDS_ALLOWED = 5
const WITHIN_MINUTES = 15

/** Signs the report: the record and its results as canonical JSON, hashed and chained. The password is asked again. */
async function signReport(context: Context, jobId: string, body: Sign, checkPassword: CheckPassword): Promise<Reviewed> {
  authorise(context, 'review')
  const since = new Date(context.now().getTime() - WITHIN_MINUTES * 60_000)
  if ((await countLogged(context.db, context.user.id, 'report.wrongPassword', since)) >= WRONG_PASSWORDS_ALLOWED)
    throw new Refused('tooMany', `Too many wrong passwords. Wait ${WITHIN_MINUTES} minutes, then sign again.`)
  if (!(await checkPassword(body.password))) {
    await appendLog(context.db, { userId: context.user.id, verb: 'report.wrongPassword', subject: jobId, detail: {} })
    throw new Refused('malformed', 'That is not your password. Nothing was signed; type it again.', [
      { path: 'password', message: 'not your password' },
    ])
  }
  return writeToJob(context, jobId, { action: 'review', duringReview: true }, async (db, view) => {
    if (reviewState(view) !== 'withReviewer')
      throw new Refused('conflict', 'This job has not been sent to the reviewer, so it cannot be signed.')
    if (recordHash(view.record) !== body.recordSha256)
      throw new Refused('conflict', 'The record has changed since you opened this page. Reload, read it again, then sign.')
    const hands = new Set([
      ...view.record.job.readings.map(({ by }) => by),
      // Ticking the plan is no work on the machine, and checking what another person typed is reviewing it.
      ...view.record.job.entries
        .filter(({ body: { kind } }) => kind !== 'planTicked' && kind !== 'limitsChecked')
        .map(({ by }) => by),
      ...view.record.decisions.map(({ by }) => by),
    ])
    if (hands.has(context.user.name))
      throw new Refused('notAllowed', 'You measured, noted or decided in this job. Someone else must sign it.')
    await storeReport(context, db, view, body.id)
    return { stored: true, reportId: body.id }
  })
}

async function storeReport(context: Context, db: Executor, view: JobView, reportId: string): Promise<void> {
  const { record } = view
  const jobId = record.job.id
  const signedAt = context.now()
  const previous = await lastReport(db, record.machine.id)
  const sequence = (previous?.sequence ?? 0) + 1
  const signature = { by: context.user.name, at: signedAt.toISOString(), statement: SIGNING_STATEMENT }
  const content: ReportContent = {
    format: 'medida-report',
    version: 1,
    reportId,
    title: view.title,
    reason: view.reason,
    openedBy: view.openedBy,
    confirmations: view.confirmations,
    review: [...view.review, { kind: 'signed', by: signature.by, at: signature.at, note: '' }],
    record,
    results: evaluate(record),
    signature,
    sequence,
    previousSha256: previous?.sha256 ?? null,
  }
  const canonical = canonicalJson(content)
  // The event first: once the report is stored, nothing can be added to the job.
  await storeEvent(context, db, jobId, { id: reportId, kind: 'signed', note: '' })
  await db.insert(report).values({
    id: reportId,
    jobId,
    machineId: record.machine.id,
    sequence,
    canonical,
    sha256: sha256(canonical),
    previousSha256: content.previousSha256,
    coreVersion: CORE_VERSION,
    signedBy: context.user.id,
    signedAt,
  })
}

async function alreadyStored(db: Executor, jobId: string, id: string): Promise<boolean> {
  const rows = await db.select({ jobId: reviewEvent.jobId }).from(reviewEvent).where(eq(reviewEvent.id, id))
  return rows[0]?.jobId === jobId
}

async function storeEvent(
  context: Context,
  db: Executor,
  jobId: string,
  event: { id: string; kind: 'sent' | 'returned' | 'signed'; note: string },
): Promise<void> {
  await db.insert(reviewEvent).values({ ...event, jobId, actedBy: context.user.id, actedAt: context.now() })
  await appendLog(db, {
    userId: context.user.id,
    verb: `report.${event.kind}`,
    subject: jobId,
    detail: { event: event.id, note: event.note },
  })
}
