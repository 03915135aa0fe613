import { instantOf } from '../../db/queries/instant'
import { allMachines } from '../../db/queries/machines'
import { reportChains } from '../../db/queries/reports'
import { authorise, type Context } from '../edge/context'
import { sees } from '../people/roles'
import { fingerprint } from './signingKey'
import { type Heads, headsOf } from './verifyAll'

export interface EvidenceView {
  readonly heads: Heads
  /** Last signed report of each machine, by the machine's name. */
  readonly reports: readonly {
    readonly id: string
    readonly machine: string
    readonly sequence: number
    readonly sha256: string
    readonly signedAt: string
  }[]
  /** Keys that reports are signed with, by their fingerprints. */
  readonly keys: readonly string[]
}

/** Ends of every chain: printed or kept elsewhere, they show what is cut off or made anew later. */
export async function evidenceView(context: Context): Promise<EvidenceView> {
  authorise(context, 'read')
  const { db } = context
  const [heads, stored, machines] = [await headsOf(db, context.now()), await reportChains(db), await allMachines(db)]
  const all = machines.every(({ station }) => sees(context.user, station))
  const nameOf = new Map(
    machines.filter(({ station }) => sees(context.user, station)).map(({ id, station, name }) => [id, `${station}, ${name}`]),
  )
  const last = new Map(stored.map((report) => [report.machineId, report]))
  return {
    // Chains are named by jobs and machines: who may see some stations only is not told those of the others.
    heads: all
      ? heads
      : {
          ...heads,
          logs: {},
          reports: heads.reports && Object.fromEntries(Object.entries(heads.reports).filter(([id]) => nameOf.has(id))),
        },
    reports: [...last.values()]
      .filter(({ machineId }) => all || nameOf.has(machineId))
      .map(({ id, machineId, sequence, sha256, signedAt }) => ({
        id,
        machine: nameOf.get(machineId) ?? machineId,
        sequence,
        sha256,
        signedAt: instantOf(signedAt),
      })),
    keys: [...new Set(stored.flatMap(({ publicKey }) => (publicKey === null ? [] : fingerprint(publicKey))))],
  }
}
