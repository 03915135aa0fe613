import type { ReportContent } from '../../contract/answers'
import type { Results } from '../../core/evaluate/results'
import { type InspectionRecord, recordSchema } from '../../core/record/recordSchema'
import { upgradeRecord, upgradeResults } from '../../core/record/upgrade'
import { findReport } from '../../db/queries/reports'
import { say } from '../../labels/signing'
import { olderSuspects } from '../../report/olderReport'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'
import { fingerprint } from './signingKey'

export interface SignedReport {
  readonly content: ReportContent
  readonly sha256: string
  /** Fingerprint of the key it is signed with; null in reports from before there were keys. */
  readonly key: string | null
  readonly canonical: string
  /** Ed25519 over `canonical` and the public half of the key, both base64; null in reports from before there were keys. */
  readonly signature: string | null
  readonly publicKey: string | null
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** A signed report as it was stored. */
export async function signedReport(context: Context, id: string): Promise<SignedReport> {
  authorise(context, 'read')
  const found = UUID.test(id) ? await findReport(context.db, id) : undefined
  if (!found) throw new Refused('notFound', say.thereNoSigned(id))
  const content = inTodaysForm(JSON.parse(found.canonical) as ReportContent)
  if (!sees(context.user, content.record.machine.station)) throw new Refused('notFound', say.thereNoSigned(id))
  return {
    content,
    sha256: found.sha256,
    key: found.publicKey === null ? null : fingerprint(found.publicKey),
    canonical: found.canonical,
    signature: found.signature,
    publicKey: found.publicKey,
  }
}

/** A report signed with an older record, as today's pages read it; what was signed stays as it was in `canonical`. */
function inTodaysForm(content: ReportContent): ReportContent {
  const record = upgradeRecord(content.record) as InspectionRecord
  if (record === content.record) return { ...content, results: olderSuspects(content.results) }
  const read = recordSchema.safeParse(record)
  return {
    ...content,
    // What was signed is shown, whatever a book must say today.
    record: read.success ? read.data : record,
    results: olderSuspects(upgradeResults(content.results, content.record) as Results),
  }
}
