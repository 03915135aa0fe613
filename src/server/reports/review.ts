import type { JobView, ReadyWords, ReportContent } from '../../contract/answers'
import type { ReviewBody } from '../../contract/bodies'
import { CORE_VERSION } from '../../core/base/version'
import { evaluate } from '../../core/evaluate/evaluate'
import { readiness } from '../../core/job/ready'
import { jobState } from '../../core/job/standing'
import { blockWords, exceptionWords, leftBeyondWords } from '../../core/words/ready'
import { speakerOf } from '../../core/words/speaker'
import { reasonOf } from '../../core/words/votes'
import type { Executor } from '../../db/client'
import { reviewStepById, storeReviewStep } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { lastReport, storeReport } from '../../db/queries/reports'
import { say } from '../../labels/signing'
import { reportWords } from '../../report/reportWords'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { writeToJob } from '../jobs/openForWriting'
import { type CodeOutcome, codeRefused } from '../people/secondFactor'
import { mayTry, noteTry, WITHIN_MINUTES } from '../people/tries'
import { canonicalJson, recordHash, sha256 } from './canonical'
import { evidenceOf, handsIn } from './evidence'
import type { SigningKey } from './signingKey'

export interface Reviewed {
  readonly stored: boolean
  readonly reportId: string | null
}

type ReviewKind = JobView['review'][number]['kind']
type Send = Extract<ReviewBody, { kind: 'send' }>
type Return = Extract<ReviewBody, { kind: 'return' }>
type End = Extract<ReviewBody, { kind: 'end' }>
type Sign = Extract<ReviewBody, { kind: 'sign' }>

/** What signing takes besides the record. */
export interface Signing {
  /** Whether this is the password of the person signed in; the sign-in room knows. */
  readonly checkPassword: (password: string) => Promise<boolean>
  /** Takes a code of the signer's second factor, once. */
  readonly takeCode: (db: Executor, code: string) => Promise<CodeOutcome>
  /** Key of the installation; made when it is needed first. */
  readonly key: () => SigningKey
}

/** Hands a job on: to the reviewer, back to the inspector, or signed. */
export function review(context: Context, jobId: string, body: ReviewBody, signing: Signing): Promise<Reviewed> {
  switch (body.kind) {
    case 'send':
      return sendToReviewer(context, jobId, body)
    case 'return':
      return returnToInspector(context, jobId, body)
    case 'end':
      return endPractice(context, jobId, body)
    case 'sign':
      return signReport(context, jobId, body, signing)
  }
}

/** What keeps a job from being sent or signed, and what goes on its report with a reason. */
export function readinessOf({ record, confirmations, unreadable }: JobView): ReadyWords {
  const speaker = speakerOf(record.book, record.machine.units, record.machine.meter)
  const ready = readiness(record, evaluate(record), new Set(confirmations.map(({ step }) => step)))
  return {
    blocks: [...unreadable, ...ready.blocks.map((block) => blockWords(speaker, block))],
    exceptions: ready.exceptions.map((exception) => exceptionWords(speaker, exception)),
    leftBeyond: ready.leftBeyond.map((left) =>
      leftBeyondWords(speaker, left, left.because ? reasonOf(speaker, left.because) : ''),
    ),
  }
}

const LEAST_REASON = 3

function sendToReviewer(context: Context, jobId: string, body: Send): Promise<Reviewed> {
  const stored = (db: Executor) => storedEvent(db, jobId, body.id, 'sent', body.note)
  return writeToJob(context, jobId, { action: 'send', duringReview: true, stored }, async (db, view) => {
    if (view.practice) throw new Refused('notPossible', say.practiceGoesNoFurther)
    if (jobState(view) === 'withReviewer') throw new Refused('conflict', say.jobLiesReviewer)
    const { blocks, exceptions } = readinessOf(view)
    if (blocks.length > 0) throw new Refused('notPossible', blocks.join(' '))
    if (exceptions.length > 0 && body.note.length < LEAST_REASON)
      throw new Refused('malformed', say.notEverythingDone(exceptions.slice(0, 6).join('; ')), [
        { path: 'note', message: say.sayWhyNot },
      ])
    await storeEvent(context, db, jobId, { id: body.id, kind: 'sent', note: body.note })
    return { stored: true, reportId: null }
  })
}

function returnToInspector(context: Context, jobId: string, body: Return): Promise<Reviewed> {
  const stored = (db: Executor) => storedEvent(db, jobId, body.id, 'returned', body.note)
  return writeToJob(context, jobId, { action: 'review', duringReview: true, stored }, async (db, view) => {
    if (jobState(view) !== 'withReviewer') throw new Refused('conflict', say.jobDoesNot)
    await storeEvent(context, db, jobId, { id: body.id, kind: 'returned', note: body.note })
    return { stored: true, reportId: null }
  })
}

/** A practice job is over: it stays to be read, and leaves the shop floor. */
function endPractice(context: Context, jobId: string, body: End): Promise<Reviewed> {
  const stored = (db: Executor) => storedEvent(db, jobId, body.id, 'ended', body.note)
  return writeToJob(context, jobId, { action: 'confirm', duringReview: false, stored }, async (db, view) => {
    if (!view.practice) throw new Refused('notPossible', say.onlyPracticeEnds)
    await storeEvent(context, db, jobId, { id: body.id, kind: 'ended', note: body.note })
    return { stored: true, reportId: null }
  })
}

const SIGNING_STATEMENT = say.reviewedAcceptedFigures

/** Signs the report: the record and its results as canonical JSON, hashed and chained. The password is asked again. */
async function signReport(
  context: Context,
  jobId: string,
  body: Sign,
  { checkPassword, takeCode, key }: Signing,
): Promise<Reviewed> {
  authorise(context, 'review')
  // Sent again because the answer was lost: its code is used up, and what it asked for is done.
  const done = await storedEvent(context.db, jobId, body.id, 'signed', body.reason)
  if (done) return done
  const tried = await context.db.transaction(async (db) => {
    if (!(await mayTry(db, context, 'report.wrongPassword'))) return 'tooMany'
    if (await checkPassword(body.password)) {
      // A code is used up by being taken, so the password is looked at first.
      const code = context.user.secondFactor === 'set' ? await takeCode(db, body.code) : 'right'
      return code === 'right' ? 'right' : { code }
    }
    await noteTry(db, context, 'report.wrongPassword', jobId)
    return 'wrong'
  })
  if (typeof tried === 'object') throw codeRefused(tried.code)
  if (tried === 'tooMany') throw new Refused('tooMany', say.tooManyWrong(WITHIN_MINUTES))
  if (tried === 'wrong') throw new Refused('malformed', say.notYourPassword, [{ path: 'password', message: say.notYourPassword }])
  const stored = (db: Executor) => storedEvent(db, jobId, body.id, 'signed', body.reason)
  return writeToJob(context, jobId, { action: 'review', duringReview: true, stored }, async (db, view) => {
    if (jobState(view) !== 'withReviewer') throw new Refused('conflict', say.jobHasNot)
    if (recordHash(view.record) !== body.recordSha256) throw new Refused('conflict', say.recordHasChanged)
    if ((await handsIn(db, jobId)).has(context.user.id)) throw new Refused('notAllowed', say.youMeasuredNoted)
    const { blocks, leftBeyond } = readinessOf(view)
    if (blocks.length > 0) throw new Refused('notPossible', blocks.join(' '))
    if (leftBeyond.length > 0 && body.reason.length < LEAST_REASON)
      throw new Refused('malformed', say.leftBeyondLimits(leftBeyond.join(' ')), [{ path: 'reason', message: say.sayWhyYou }])
    await storeSigned(context, db, view, body.id, body.reason, key())
    return { stored: true, reportId: body.id }
  })
}

async function storeSigned(
  context: Context,
  db: Executor,
  view: JobView,
  reportId: string,
  reason: string,
  key: SigningKey,
): Promise<void> {
  const { record } = view
  const jobId = record.job.id
  const signedAt = context.now()
  const previous = await lastReport(db, record.machine.id)
  const sequence = (previous?.sequence ?? 0) + 1
  const signature = { by: context.user.name, byId: context.user.id, at: signedAt.toISOString(), statement: SIGNING_STATEMENT }
  // The event first: its hash is sealed in what is signed, and once the report is stored nothing can be added to the job.
  await storeEvent(context, db, jobId, { id: reportId, kind: 'signed', note: reason, at: signedAt })
  const draft = {
    title: view.title,
    reason: view.reason,
    openedBy: view.openedBy,
    confirmations: view.confirmations,
    review: [...view.review, { kind: 'signed' as const, by: signature.by, at: signature.at, note: reason }],
    record,
    results: evaluate(record),
  }
  const content: ReportContent = {
    format: 'medida-report',
    version: 1,
    reportId,
    ...draft,
    words: reportWords(draft),
    signature,
    evidence: await evidenceOf(db, jobId),
    sequence,
    previousSha256: previous?.sha256 ?? null,
  }
  const canonical = canonicalJson(content)
  await storeReport(db, {
    id: reportId,
    jobId,
    machineId: record.machine.id,
    sequence,
    canonical,
    sha256: sha256(canonical),
    previousSha256: content.previousSha256,
    coreVersion: CORE_VERSION,
    signature: key.sign(canonical),
    publicKey: key.publicKey,
    signedBy: context.user.id,
    byName: context.user.name,
    signedAt,
  })
}

/** What was answered when this event was stored; null when it is not. The same id must be the same event, sent again. */
async function storedEvent(db: Executor, jobId: string, id: string, kind: ReviewKind, note: string): Promise<Reviewed | null> {
  const known = await reviewStepById(db, id)
  if (!known) return null
  if (known.jobId === jobId && known.kind === kind && known.note === note)
    return { stored: false, reportId: kind === 'signed' ? id : null }
  throw new Refused('conflict', say.anotherStepId)
}

async function storeEvent(
  context: Context,
  db: Executor,
  jobId: string,
  { at = context.now(), ...event }: { id: string; kind: ReviewKind; note: string; at?: Date },
): Promise<void> {
  await storeReviewStep(db, { ...event, jobId, actedBy: context.user.id, byName: context.user.name, actedAt: at })
  await appendLog(db, context, { verb: `report.${event.kind}`, subject: jobId, detail: { event: event.id, note: event.note } })
}
