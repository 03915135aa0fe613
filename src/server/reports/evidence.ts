import type { ReportEvidence } from '../../contract/answers'
import type { Executor } from '../../db/client'
import { authorsOf, bookOfJob, pictureHashes } from '../../db/queries/evidence'
import { chainHead } from '../../db/queries/log'
import { canonicalJson, sha256 } from './canonical'

/** What a report of a job rests on besides its record, as it is stored now. */
export async function evidenceOf(db: Executor, jobId: string): Promise<ReportEvidence> {
  const book = await bookOfJob(db, jobId)
  return {
    book: book && { id: book.id, revision: book.revision, sha256: sha256(canonicalJson(book.document)) },
    pictures: await pictureHashes(db, jobId),
    log: await chainHead(db, jobId),
  }
}

/** Ids of everybody who measured, noted or decided in a job: they may not sign it, whatever they are called by now. */
export const handsIn = async (db: Executor, jobId: string): Promise<ReadonlySet<string>> => new Set(await authorsOf(db, jobId))
