import type { Executor } from '../../db/client'
import { instantOf } from '../../db/queries/instant'
import { chainedEvents, eventHash } from '../../db/queries/log'
import { say } from '../../labels/verify'

export interface WalkedLog {
  /** Hash of every event by chain and number. */
  readonly hashes: ReadonlyMap<string, readonly string[]>
  /** What does not follow from what stands before it, in words. */
  readonly broken: readonly string[]
  /** Jobs that were signed, as the log has it, by report id. */
  readonly signed: ReadonlyMap<string, string>
}

/** Walks every chain of the event log from its beginning: each event is hashed anew over the one before it. */
export async function walkLog(db: Executor): Promise<WalkedLog> {
  const hashes = new Map<string, string[]>()
  const broken: string[] = []
  const signed = new Map<string, string>()
  const told = new Set<string>()
  for (const { chain, number, sha256, at, userId, byName, verb, subject, detail } of await chainedEvents(db)) {
    if (chain === null) continue
    const known = hashes.get(chain) ?? []
    hashes.set(chain, known)
    const before = known.at(-1) ?? null
    const made = eventHash(before, {
      at: instantOf(at),
      userId,
      byName: byName ?? '',
      verb,
      subject,
      detail: detail as Record<string, unknown>,
    })
    if ((number !== known.length + 1 || made !== sha256 || subject !== chain) && !told.has(chain)) {
      told.add(chain)
      broken.push(say.logBrokenEvent(chain, known.length + 1))
    }
    known.push(sha256 ?? '')
    if (verb === 'report.signed') signed.set(String((detail as { event?: unknown }).event), subject)
  }
  return { hashes, broken, signed }
}
