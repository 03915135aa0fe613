import type { ReportContent } from '../contract/answers'
import { findReport } from '../db/queries/reports'
import { authorise, type Context } from './context'
import { Refused } from './refused'

export interface SignedReport {
  readonly content: ReportContent
  readonly sha256: string
  readonly canonical: string
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** A signed report as it was stored. */
export async function signedReport(context: Context, id: string): Promise<SignedReport> {
  authorise(context, 'read')
  const found = UUID.test(id) ? await findReport(context.db, id) : undefined
  if (!found) throw new Refused('notFound', `There is no signed report “${id}”. Open one from the shop floor.`)
  return { content: JSON.parse(found.canonical) as ReportContent, sha256: found.sha256, canonical: found.canonical }
}
