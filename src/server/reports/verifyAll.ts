import { z } from 'zod'
import type { ReportContent } from '../../contract/answers'
import { type LongWork, quietly } from '../../contract/longWork'
import type { Executor } from '../../db/client'
import { chainHeads } from '../../db/queries/log'
import { type ChainedReport, reportChains, signedJobs } from '../../db/queries/reports'
import { say } from '../../labels/verify'
import { stopUnlessWanted } from '../edge/longAnswer'
import { type WalkedLog, walkLog } from './verifyLog'
import { type Finding, verifyReport } from './verifyReport'

const headSchema = z.strictObject({ number: z.int(), sha256: z.string() })
/** Ends of all chains at a moment: kept elsewhere, they show what was cut off or made anew since. */
export const headsSchema = z.strictObject({
  format: z.literal('medida-heads'),
  version: z.literal(1),
  at: z.string(),
  /** Last report of each machine, by machine. */
  reports: z.record(z.string(), headSchema),
  /** Last event of each chain of the log. */
  logs: z.record(z.string(), headSchema),
})
export type Heads = z.infer<typeof headsSchema>

/** The ends of all chains as they stand. */
export async function headsOf(db: Executor, now: Date): Promise<Heads> {
  const reports: Record<string, Heads['reports'][string]> = {}
  for (const { machineId, sequence, sha256 } of await reportChains(db)) reports[machineId] = { number: sequence, sha256 }
  return { format: 'medida-heads', version: 1, at: now.toISOString(), reports, logs: Object.fromEntries(await chainHeads(db)) }
}

export interface VerifiedAll {
  /** Per report, with its machine and place in the chain. */
  readonly reports: readonly { readonly id: string; readonly where: string; readonly findings: readonly Finding[] }[]
  readonly others: readonly Finding[]
}

/** Checks every signed report with all it rests on, every chain of the log, and, where heads are given, that nothing was cut off since. */
export async function verifyAll(
  db: Executor,
  installationKey: string | null,
  heads: Heads | null,
  long: LongWork = quietly,
): Promise<VerifiedAll> {
  const log = await walkLog(db)
  const stored = await reportChains(db)
  const reports: VerifiedAll['reports'][number][] = []
  for (const [done, { id, machineId, sequence }] of stored.entries()) {
    stopUnlessWanted(long)
    long.say({ stage: 'verifying', done, of: stored.length })
    const verified = await verifyReport(db, id, installationKey)
    if (verified)
      reports.push({
        id,
        where: say.signature(machineId, sequence),
        findings: [...verified.findings, sealed(verified.content, log)],
      })
  }
  const others: Finding[] = log.broken.map((says) => ({ holds: false, says }))
  if (log.broken.length === 0) others.push({ holds: true, says: say.eventLogIntact(log.hashes.size) })
  const known = new Set(stored.map(({ id }) => id))
  for (const [report, job] of log.signed)
    if (!known.has(report)) others.push({ holds: false, says: say.reportJobSigned(report, job) })
  const withReport = new Set(stored.map(({ jobId }) => jobId))
  for (const job of await signedJobs(db)) if (!withReport.has(job)) others.push({ holds: false, says: say.jobSignedHas(job) })
  if (heads) others.push(...againstHeads(heads, stored, log))
  return { reports, others }
}

/** The event log of a signed job must still hold the head that was sealed into its report. */
function sealed(content: ReportContent | null, { hashes }: WalkedLog): Finding {
  const head = content?.evidence?.log
  if (!head) return { holds: true, says: say.logNotSealed }
  const now = hashes.get(content.record.job.id)?.[head.number - 1]
  return now === head.sha256
    ? { holds: true, says: say.logIntactUp(head.number) }
    : { holds: false, says: say.logAlteredCut(head.number, now ?? 'gone') }
}

function againstHeads(heads: Heads, stored: readonly ChainedReport[], { hashes }: WalkedLog): Finding[] {
  const found: Finding[] = []
  for (const [machine, head] of Object.entries(heads.reports)) {
    const report = stored.find(({ machineId, sequence }) => machineId === machine && sequence === head.number)
    if (!report) found.push({ holds: false, says: say.signatureThereGone(head.number, machine, heads.at) })
    else if (report.sha256 !== head.sha256)
      found.push({ holds: false, says: say.signatureNotOne(head.number, machine, heads.at) })
  }
  for (const [chain, head] of Object.entries(heads.logs)) {
    const now = hashes.get(chain)?.[head.number - 1]
    if (now !== head.sha256)
      found.push({
        holds: false,
        says: say.logCutMade(chain, heads.at, head.number, now ? 'another' : 'gone'),
      })
  }
  if (found.length === 0) found.push({ holds: true, says: say.nothingCutOff(heads.at) })
  return found
}
