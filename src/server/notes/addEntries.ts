import type { JobView, StoredEntry } from '../../contract/answers'
import type { EntriesBody, SentEntry } from '../../contract/bodies'
import { bookSchema, type LimitBook } from '../../core/book/bookSchema'
import { scopeOfRecord } from '../../core/evaluate/evaluate'
import { openSettings } from '../../core/job/settings'
import { type EntryContext, refuseEntry } from '../../core/notes/checkEntry'
import type { Entry, EntryBody, EntryKind } from '../../core/notes/entrySchema'
import { foldNotes } from '../../core/notes/fold'
import { bookOfJob } from '../../core/notes/jobBook'
import { jobSteps } from '../../core/notes/steps'
import { addsUp, standingOn, subjectOf } from '../../core/notes/subject'
import { additionsIn, typedIn } from '../../core/notes/typedBook'
import { levelOf, levelsInPlay, type Scope } from '../../core/scope/need'
import { issueWords } from '../../core/words/issues'
import { noteFaultWords } from '../../core/words/noteFaults'
import type { Executor } from '../../db/client'
import { namesIn } from '../../db/queries/evidence'
import { appendLog } from '../../db/queries/log'
import { entriesAfter, isEntry, knownEntries, storeEntry } from '../../db/queries/notes'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { changesBook } from '../jobs/jobRecord'
import { writeToJob } from '../jobs/openForWriting'
import { canonicalJson } from '../reports/canonical'

/** Stores entries that belong together: all of them or none. Sent twice, they are stored once. */
export function addEntries(context: Context, jobId: string, body: EntriesBody): Promise<{ entries: StoredEntry[] }> {
  const only = (wanted: EntryKind): boolean => body.entries.every(({ body: { kind } }) => kind === wanted)
  // A second person may well be the reviewer, while the job lies there.
  const action = only('planTicked') ? 'plan' : only('limitsChecked') || only('stepNotApplicableAgreed') ? 'check' : 'note'
  const stored = (db: Executor) => allStored(db, jobId, body.entries)
  return writeToJob(context, jobId, { action, duringReview: action === 'check', stored }, async (db, view) => {
    for (const sent of body.entries)
      if (sent.body.kind === 'pictureAdded') throw new Refused('notPossible', say.sendPictureItself)
    return { entries: await storeEntries(context, db, view, body.entries) }
  })
}

/** The entries as they are stored, when all of them are; null when there is one to be added. */
async function allStored(db: Executor, jobId: string, sent: readonly SentEntry[]): Promise<{ entries: StoredEntry[] } | null> {
  const ids = sent.map(({ id }) => id)
  if ((await knownEntries(db, jobId, ids)).size < new Set(ids).size) return null
  const known = new Map((await entriesAfter(db, jobId, 0)).map((item) => [item.entry.id, item]))
  for (const { id, body } of sent) refuseAnother(known.get(id)?.entry.body, body)
  return { entries: sent.flatMap(({ id }) => known.get(id) ?? []) }
}

/** The same id must be the same entry, sent again. */
function refuseAnother(known: EntryBody | undefined, sent: EntryBody): void {
  if (known && canonicalJson(known) !== canonicalJson(sent)) throw new Refused('conflict', say.anotherEntryId)
}

/** Inside the job's lock: checks each entry against what stands before it, and stores it. */
export async function storeEntries(
  context: Context,
  db: Executor,
  view: JobView,
  sent: readonly SentEntry[],
): Promise<StoredEntry[]> {
  const { record } = view
  const scope = scopeOfRecord(record)
  const known = new Map(record.job.entries.map((entry) => [entry.id, entry]))
  const entries = [...record.job.entries]
  const names = sent.some(({ body: { kind } }) => kind === 'limitsChecked' || kind === 'stepNotApplicableAgreed')
    ? await namesIn(db, record.job.id, context.user.id)
    : []
  // Nothing but a step that is done asks for them.
  const settings = sent.some(({ body: { kind } }) => kind === 'stepDone') ? openSettings(record) : []
  for (const one of sent) {
    const before = known.get(one.id)
    if (before) {
      refuseAnother(before.body, one.body)
      continue
    }
    refuseOvertaken(entries, one)
    const fault = refuseEntry(one.body, entryContext(view, scope, entries, context, names, settings))
    if (fault !== null) throw new Refused('notPossible', noteFaultWords(fault))
    const entry: Entry = { id: one.id, by: context.user.name, at: context.now().toISOString(), body: one.body }
    await store(context, db, record.job.id, entry)
    entries.push(entry)
  }
  if (sent.some(({ body: { kind } }) => changesBook(kind)))
    refuseUnreadableBook(bookOfJob(record.book, entries, record.machine.units, record.job))
  const ids = new Set(sent.map(({ id }) => id))
  return (await entriesAfter(db, record.job.id, 0)).filter(({ entry }) => ids.has(entry.id))
}

/** What was typed must be a book that can be read again: by the very schema that reads it. */
function refuseUnreadableBook(book: LimitBook): void {
  const parsed = bookSchema.safeParse(book)
  if (parsed.success) return
  const [issue] = parsed.error.issues
  throw new Refused('notPossible', say.cannotKeptLimits(issue?.path.slice(2).join('.') ?? '', issue ? issueWords(issue) : ''))
}

/** Somebody else wrote about the same subject since its author looked: told who and what, the author chooses. */
function refuseOvertaken(entries: readonly Entry[], sent: SentEntry): void {
  if (addsUp(sent.body)) return
  const standingId = standingOn(entries).get(subjectOf(sent.body)) ?? null
  if (standingId === sent.seen || standingId === null) return
  const standing = entries.find(({ id }) => id === standingId)
  if (!standing || canonicalJson(standing.body) === canonicalJson(sent.body)) return
  throw new Refused('overtaken', say.changedWhileYou(standing.by), [], standing)
}

function entryContext(
  view: JobView,
  scope: Scope,
  entries: readonly Entry[],
  { now, user }: Context,
  names: readonly string[],
  settings: EntryContext['settings'],
): EntryContext {
  const { record } = view
  const system = record.machine.units
  const book = bookOfJob(record.book, entries, system, record.job)
  const noted = foldNotes(book, entries)
  const needs = levelOf(book, scope.counts)?.needs
  const items = needs ? [needs.gauges, needs.tools, needs.consumables, needs.safety, needs.people].flat() : []
  return {
    book,
    noted,
    steps: jobSteps(book, noted, levelsInPlay(scope)),
    planItems: new Set(items.map(({ id }) => id)),
    system,
    nowMs: now().getTime(),
    confirmedSafe: view.confirmations.some(({ step }) => step === 'makeSafe'),
    author: new Set([user.name, ...names]),
    typed: typedIn(entries),
    added: additionsIn(entries),
    settings,
    decidedRoutes: new Set(record.decisions.flatMap(({ route }) => route ?? [])),
    readings: new Map(record.job.readings.map(({ id, characteristic }) => [id, characteristic])),
  }
}

async function store(context: Context, db: Executor, jobId: string, { id, body, at }: Entry): Promise<void> {
  if (await isEntry(db, id)) throw new Refused('conflict', say.anotherJobHas)
  await storeEntry(db, {
    id,
    jobId,
    subject: subjectOf(body),
    body,
    notedBy: context.user.id,
    byName: context.user.name,
    notedAt: new Date(at),
  })
  await appendLog(db, context, { verb: `entry.${body.kind}`, subject: jobId, detail: { entry: id } })
}
