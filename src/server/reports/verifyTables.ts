import type { ReportContent } from '../../contract/answers'
import type { InspectionRecord } from '../../core/record/recordSchema'
import { upgradeRecord } from '../../core/record/upgrade'
import type { Executor } from '../../db/client'
import { allGauges } from '../../db/queries/gauges'
import { confirmationsOf, decisionsOf, findJob, reviewOf } from '../../db/queries/jobs'
import { entriesOf } from '../../db/queries/notes'
import { readingsOf } from '../../db/queries/readings'
import { say } from '../../labels/verify'
import { confirmationOfRow, decisionOfRow, gaugeOfRow, readingOfRow, reviewStepOfRow } from '../jobs/jobRecord'
import { canonicalJson } from './canonical'
import { evidenceOf } from './evidence'

type Item = { readonly id: string } & Readonly<Record<string, unknown>>

/** Names in these of what is signed; what is stored besides was not signed. */
function differingItems(what: string, signed: readonly unknown[], stored: readonly unknown[]): string[] {
  const now = new Map((stored as Item[]).map((item) => [item.id, item]))
  const then = new Map((signed as Item[]).map((item) => [item.id, item]))
  return [
    ...[...then].flatMap(([id, item]) => {
      const other = now.get(id)
      if (!other) return [say.gone(what, id)]
      const keys = Object.keys(item).filter((key) => canonicalJson(item[key] ?? null) !== canonicalJson(other[key] ?? null))
      return keys.length === 0 ? [] : [say.differs(what, id, keys.join(', '))]
    }),
    ...[...now.keys()].filter((id) => !then.has(id)).map((id) => say.added(what, id)),
  ]
}

/** Where the tables of a signed job say something else than its report, in words; none when they say the same. */
export async function tableDifferences(db: Executor, { record: signed, ...content }: ReportContent): Promise<string[]> {
  const record = upgradeRecord(signed) as InspectionRecord
  const { job } = record
  const found = await findJob(db, job.id)
  if (!found) return [say.jobGone(job.id)]
  // Of types that were not fitted the report says nothing.
  const fitted = new Set(record.book.parts.map(({ id }) => id))
  const marks = Object.entries(found.job.installed as Record<string, string>)
  const installed = Object.fromEntries(marks.filter(([part]) => fitted.has(part)))
  const header = { ...found.job, installed, units: found.machine.units }
  const signedHeader = {
    title: content.title,
    reason: content.reason,
    openedOn: job.date,
    runningHours: job.runningHours,
    mustRunHours: job.mustRunHours,
    starts: job.starts ?? null,
    installed: job.installed,
    level: job.level,
    complaint: job.complaint,
    returnBy: job.returnBy,
    policy: job.policy,
    units: record.machine.units,
  }
  const byTime = (list: readonly { readonly by: string; readonly at: string }[], what: 'step' | 'kind'): Item[] =>
    list.map((item) => ({ ...item, id: `${String((item as unknown as Item)[what])} ${item.at}` }))
  const confirmations = (await confirmationsOf(db, job.id)).map(confirmationOfRow)
  const review = (await reviewOf(db, job.id)).map(reviewStepOfRow)
  // Reports from before they carried what they rest on have the time of their last step from another reading of the clock.
  const isSealed = ({ kind }: { readonly kind: string }): boolean => content.evidence !== undefined || kind !== 'signed'
  const entries = await entriesOf(db, job.id, 0)
  const used = new Set(record.gauges.map(({ id }) => id))
  const gauges = (await allGauges(db)).filter(({ id }) => used.has(id)).map(gaugeOfRow)
  const withoutReplaced = ({ replaced: _, ...gauge }: Record<string, unknown>) => gauge
  return [
    ...differingItems('job', [{ ...signedHeader, id: job.id }], [{ ...header, id: job.id }]),
    ...differingItems('reading', job.readings, (await readingsOf(db, job.id)).map(readingOfRow)),
    ...differingItems(
      'note',
      job.entries,
      entries.entries.map(({ entry }) => entry),
    ),
    ...entries.unreadable,
    ...differingItems('decision', record.decisions, (await decisionsOf(db, job.id)).map(decisionOfRow)),
    ...differingItems('confirmation', byTime(content.confirmations, 'step'), byTime(confirmations, 'step')),
    ...differingItems('review', byTime(content.review.filter(isSealed), 'kind'), byTime(review.filter(isSealed), 'kind')),
    ...differingItems('gauge', record.gauges.map(withoutReplaced), gauges.map(withoutReplaced)),
    ...(await evidenceDifferences(db, { record, ...content })),
  ]
}

async function evidenceDifferences(db: Executor, { evidence, record }: ReportContent): Promise<string[]> {
  const now = await evidenceOf(db, record.job.id)
  const pictures = record.job.entries.flatMap(({ body }) =>
    body.kind === 'pictureAdded' ? [{ id: body.picture, sha256: body.sha256 }] : [],
  )
  // Since their notes carry their hashes, pictures are bound to reports from before those carried what they rest on.
  const differing = differingItems('picture', evidence?.pictures ?? pictures, now.pictures)
  if (!evidence) return differing
  return canonicalJson(evidence.book) === canonicalJson(now.book)
    ? differing
    : [...differing, say.limitBookNot(evidence.book?.id ?? '', evidence.book?.revision ?? '')]
}
