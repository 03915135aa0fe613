import type { ReportContent } from '../../contract/answers'
import { CORE_VERSION } from '../../core/base/version'
import { evaluate } from '../../core/evaluate/evaluate'
import { changedSince } from '../../core/evaluate/signedFiguresSchema'
import { differingPaths } from '../../core/record/differing'
import { recordSchema } from '../../core/record/recordSchema'
import { upgradeRecord, upgradeResults } from '../../core/record/upgrade'
import { issueWords } from '../../core/words/issues'
import type { Executor } from '../../db/client'
import { instantOf } from '../../db/queries/instant'
import { findReport, findReportAt } from '../../db/queries/reports'
import { say } from '../../labels/verify'
import { canonicalJson, sha256 } from './canonical'
import { fingerprint, isSignedBy } from './signingKey'
import { tableDifferences } from './verifyTables'

/** One of the things a verification says. */
export interface Finding {
  readonly holds: boolean
  readonly says: string
}

export interface Verification {
  readonly reportId: string
  /** What was signed; null when it is no JSON any more. */
  readonly content: ReportContent | null
  /** Bytes, chain, results, signature, signer, tables. */
  readonly findings: readonly Finding[]
}

type StoredReport = NonNullable<Awaited<ReturnType<typeof findReport>>>

/**
 * Checks a signed report from what is stored: bytes intact, signed by this installation's key, chain intact, tables as they
 * were signed, results reproduced by today's core. Null when there is none. The key is null where it is not at hand.
 */
export async function verifyReport(db: Executor, id: string, installationKey: string | null): Promise<Verification | null> {
  const stored = await findReport(db, id)
  if (!stored) return null
  const content = contentOf(stored)
  return {
    reportId: id,
    content,
    findings: [
      checkBytes(stored),
      await checkChain(db, stored),
      checkResults(stored),
      checkSignature(stored, content, installationKey),
      checkSigner(stored, content),
      await checkTables(db, content),
    ],
  }
}

function contentOf({ canonical }: StoredReport): ReportContent | null {
  try {
    return JSON.parse(canonical) as ReportContent
  } catch {
    return null
  }
}

function checkSignature(
  { canonical, signature, publicKey }: StoredReport,
  content: ReportContent | null,
  installationKey: string | null,
): Finding {
  if (signature === null || publicKey === null)
    // Since there are keys, each report says in what is hashed that it is signed with one.
    return content?.evidence === undefined
      ? { holds: true, says: say.noSignatureKey }
      : { holds: false, says: say.signatureTakenAway }
  const key = say.key(fingerprint(publicKey))
  if (!isSignedBy(publicKey, canonical, signature)) return { holds: false, says: say.signatureDoesNot(key) }
  if (installationKey === null) return { holds: true, says: say.signatureMatchesInstallations(key) }
  return publicKey === installationKey
    ? { holds: true, says: say.signedInstallation(key) }
    : { holds: false, says: say.signedAnotherInstallation(key, fingerprint(installationKey)) }
}

/** Who signed and when must be what was signed, in the row as in the text. */
function checkSigner({ signedBy, signedAt, byName, jobId, sequence }: StoredReport, content: ReportContent | null): Finding {
  const differs = (what: string): Finding => ({ holds: false, says: say.signerAlteredNot(what) })
  if (content === null) return differs(say.text)
  const { by, byId, at } = content.signature
  if (instantOf(signedAt) !== at) return differs(say.time)
  if ((byId !== undefined && signedBy !== byId) || (byName !== null && byName !== by)) return differs(say.person)
  if (content.record.job.id !== jobId || content.sequence !== sequence) return differs(say.jobPlace)
  return { holds: true, says: say.signed(by, at) }
}

async function checkTables(db: Executor, content: ReportContent | null): Promise<Finding> {
  if (content === null) return { holds: false, says: say.tablesCannotCompared }
  const differing = await tableDifferences(db, content)
  if (differing.length === 0) return { holds: true, says: say.tablesAsThey }
  return {
    holds: false,
    says: say.tablesAlteredPlace(differing.length, differing.slice(0, SHOWN_DIFFERENCES).join('; ')),
  }
}

function checkBytes(stored: StoredReport): Finding {
  const now = sha256(stored.canonical)
  return now === stored.sha256
    ? { holds: true, says: say.bytesIntactSha(now) }
    : { holds: false, says: say.bytesAlteredSha(now, stored.sha256) }
}

/** The report must name the hash of the machine's signature before it, and that one must still have this hash. */
async function checkChain(db: Executor, stored: StoredReport): Promise<Finding> {
  const named = claimedPrevious(stored)
  if (stored.sequence === 1)
    return named === null && stored.previousSha256 === null
      ? { holds: true, says: say.chainIntactFirst }
      : { holds: false, says: say.chainBrokenFirst }
  const before = await findReportAt(db, stored.machineId, stored.sequence - 1)
  if (!before) return { holds: false, says: say.chainBrokenSignature(stored.sequence - 1) }
  const hash = sha256(before.canonical)
  return named === hash && stored.previousSha256 === hash
    ? { holds: true, says: say.chainIntactFollows(before.sequence, hash) }
    : { holds: false, says: say.chainBrokenNames(String(named), before.sequence, hash) }
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
  const since = stored.coreVersion === CORE_VERSION ? say.core(CORE_VERSION) : say.coreSigned(CORE_VERSION, stored.coreVersion)
  let content: ReportContent
  try {
    content = JSON.parse(stored.canonical) as ReportContent
  } catch {
    return { holds: false, says: say.resultsCannotRecomputed }
  }
  const parsed = recordSchema.safeParse(upgradeRecord(content.record))
  if (!parsed.success) {
    const [issue] = parsed.error.issues
    return { holds: false, says: say.resultsCannotBeRecomputed(issue ? `${issue.path.join('.')} ${issueWords(issue)}` : '') }
  }
  // Through JSON and back, so that what is compared is what would be stored.
  const today = JSON.parse(canonicalJson({ ...evaluate(parsed.data), core: stored.coreVersion })) as { version: number }
  const signed = upgradeResults(content.results, content.record)
  // Older results have another shape: a reader of their own takes figures and verdicts from them.
  const differing =
    versionOf(signed) === today.version
      ? differingPaths(signed, today, 'results', stored.coreVersion === CORE_VERSION)
      : changedSince(signed, today).map(({ at, was, now }) => say.whenSignedToday(at, was, now ?? 'nothing'))
  if (differing.length === 0) return { holds: true, says: say.resultsReproduced(since) }
  const shown = differing.slice(0, SHOWN_DIFFERENCES).join('; ')
  return { holds: false, says: say.resultsDifferPlace(since, differing.length, shown) }
}
