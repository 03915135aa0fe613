import { say } from '../labels/shell'
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
    previousSha256 ? say.follows(previousSha256) : say.firstSignatureMachine,
    ...(key === null ? [] : [say.signedKeyInstallation(key)]),
    ...(evidence?.log ? [say.eventLogEntries(evidence.log.number, evidence.log.sha256)] : []),
    ...(evidence?.book ? [say.limitBookSha(evidence.book.id, evidence.book.revision, evidence.book.sha256)] : []),
    ...(evidence && evidence.pictures.length > 0
      ? [say.boundTheirHashes(evidence.pictures.length, evidence.pictures.length === 1 ? 'picture' : 'pictures')]
      : []),
  ]
}
