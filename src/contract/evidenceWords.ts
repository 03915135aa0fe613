import type { ReportContent } from './answers'

export interface Sealed {
  readonly sha256: string
  /** Fingerprint of the key it is signed with; null in reports from before there were keys. */
  readonly key: string | null
}

/** What binds a signed report to everything it rests on, line by line: on its page and on its PDF. */
export function evidenceLines(
  { previousSha256, evidence }: Pick<ReportContent, 'previousSha256' | 'evidence'>,
  { sha256, key }: Sealed,
): string[] {
  return [
    `SHA-256 ${sha256}`,
    previousSha256 ? `follows ${previousSha256}` : 'first signature of this machine',
    ...(key === null ? [] : [`signed with the key ${key} of this installation (Ed25519)`]),
    ...(evidence?.log ? [`event log of ${evidence.log.number} entries, last SHA-256 ${evidence.log.sha256}`] : []),
    ...(evidence?.book ? [`limit book ${evidence.book.id} ${evidence.book.revision}, SHA-256 ${evidence.book.sha256}`] : []),
    ...(evidence && evidence.pictures.length > 0
      ? [`${evidence.pictures.length} ${evidence.pictures.length === 1 ? 'picture' : 'pictures'} bound by their hashes`]
      : []),
  ]
}
