import type { ReportContent } from '../contract/answers'
import { differingPaths } from '../core/record/differing'
import { evaluate } from '../core/record/evaluate'
import { recordSchema } from '../core/record/recordSchema'
import { changedSince } from '../core/record/signedFiguresSchema'
import { upgradeRecord, upgradeResults } from '../core/record/upgrade'
import { CORE_VERSION } from '../core/version'
import type { Executor } from '../db/client'
import { findReport, findReportAt } from '../db/queries/reports'
import { canonicalJson, sha256 } from './canonical'

/** One of the three things a verification says. */
export interface Finding {
  readonly holds: boolean
  readonly says: string
}

export interface Verification {
  readonly reportId: string
  readonly bytes: Finding
  readonly chain: Finding
  readonly results: Finding
}

type StoredReport = NonNullable<Awaited<ReturnType<typeof findReport>>>

/** Checks a signed report from what is stored: bytes intact, chain intact, results reproduced by today's core. Null when there is none. */
export async function verifyReport(db: Executor, id: string): Promise<Verification | null> {
  const stored = await findReport(db, id)
  if (!stored) return null
  return { reportId: id, bytes: checkBytes(stored), chain: await checkChain(db, stored), results: checkResults(stored) }
}

function checkBytes(stored: StoredReport): Finding {
  const now = sha256(stored.canonical)
  return now === stored.sha256
    ? { holds: true, says: `bytes intact: SHA-256 ${now}` }
    : { holds: false, says: `bytes altered: SHA-256 is ${now}, signed was ${stored.sha256}` }
}

/** The report must name the hash of the machine's signature before it, and that one must still have this hash. */
async function checkChain(db: Executor, stored: StoredReport): Promise<Finding> {
  const named = claimedPrevious(stored)
  if (stored.sequence === 1)
    return named === null && stored.previousSha256 === null
      ? { holds: true, says: 'chain intact: first signature of this machine' }
      : { holds: false, says: 'chain broken: the first signature names one before it' }
  const before = await findReportAt(db, stored.machineId, stored.sequence - 1)
  if (!before) return { holds: false, says: `chain broken: signature ${stored.sequence - 1} of this machine is missing` }
  const hash = sha256(before.canonical)
  return named === hash && stored.previousSha256 === hash
    ? { holds: true, says: `chain intact: follows signature ${before.sequence}, SHA-256 ${hash}` }
    : { holds: false, says: `chain broken: names ${String(named)} as signature ${before.sequence}, which is now ${hash}` }
}

function claimedPrevious(stored: StoredReport): string | null | undefined {
  try {
    return (JSON.parse(stored.canonical) as ReportContent).previousSha256
  } catch {
    return undefined
  }
}

const SHOWN_DIFFERENCES = 20

const versionOf = (results: unknown): number =>
  typeof results === 'object' && results !== null && 'version' in results ? Number(results.version) : 2

function checkResults(stored: StoredReport): Finding {
  const since =
    stored.coreVersion === CORE_VERSION ? `core ${CORE_VERSION}` : `core ${CORE_VERSION}, signed with ${stored.coreVersion}`
  let content: ReportContent
  try {
    content = JSON.parse(stored.canonical) as ReportContent
  } catch {
    return { holds: false, says: 'results cannot be recomputed: the stored record is not JSON' }
  }
  const parsed = recordSchema.safeParse(upgradeRecord(content.record))
  if (!parsed.success)
    return {
      holds: false,
      says: `results cannot be recomputed: ${parsed.error.issues[0]?.path.join('.') ?? ''} ${parsed.error.issues[0]?.message ?? ''}`,
    }
  // Through JSON and back, so that what is compared is what would be stored.
  const today = JSON.parse(canonicalJson({ ...evaluate(parsed.data), core: stored.coreVersion })) as { version: number }
  const signed = upgradeResults(content.results, content.record)
  // Older results have another shape: a reader of their own takes figures and verdicts from them.
  const differing =
    versionOf(signed) === today.version
      ? differingPaths(signed, today, 'results', stored.coreVersion === CORE_VERSION)
      : changedSince(signed, today)
  if (differing.length === 0) return { holds: true, says: `results reproduced by ${since}` }
  const shown = differing.slice(0, SHOWN_DIFFERENCES).join('; ')
  return { holds: false, says: `results differ (${since}) at ${differing.length} place(s): ${shown}` }
}
