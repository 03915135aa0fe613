import QRCode from 'qrcode'
import type { BlankSheet } from '../../contract/sheetChoice'
import type { Characteristic, LimitBook } from '../../core/book/bookSchema'
import { slotsOf } from '../../core/method/layout'
import { jobsWithBook } from '../../db/queries/books'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { publicUrl } from '../edge/runtime'
import { isOpen } from '../jobs/openJob'
import { bookIn, familySeen, unitsOf } from './family'

/** A blank sheet for each measurement that is read: of one part where it is named, of those asked for otherwise. */
export function blankSheets(
  book: LimitBook,
  part: string | null,
  isAsked: (characteristic: Characteristic) => boolean,
  addressOf: (characteristic: Characteristic) => string,
): Promise<BlankSheet[]> {
  if (part !== null && !book.parts.some(({ id }) => id === part)) throw new Refused('notFound', say.machineHasNo(part))
  const chosen = book.characteristics.filter(
    (one) => slotsOf(one.method).length > 0 && (part === null ? isAsked(one) : one.part === part),
  )
  return Promise.all(
    chosen.map(async (characteristic) => ({
      characteristic,
      part: book.parts.find(({ id }) => id === characteristic.part)?.name ?? characteristic.part,
      code: await QRCode.toString(addressOf(characteristic), { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }),
    })),
  )
}

/** Blank sheets of a book, before any job is opened. Their codes open the bench of the job that is open by then. */
export async function sheetsOfBook(context: Context, id: string, revision: string | null, part: string | null) {
  authorise(context, 'read')
  const family = await familySeen(context, id, revision ?? '')
  const book = await bookIn(context.db, family, revision ?? family.draft ?? family.latestIssued ?? '')
  const sheets = await blankSheets(
    book,
    part,
    () => true,
    (one) => `${publicUrl()}/books/${encodeURIComponent(id)}/measure?c=${encodeURIComponent(one.id)}`,
  )
  return { book, units: unitsOf(family), sheets }
}

/** Where a measurement of a book is typed: the benches of the jobs that are open on it. */
export async function benchesOf(context: Context, id: string, characteristic: string) {
  authorise(context, 'read')
  const { machines } = await familySeen(context, id, '')
  const seen = new Set(machines.map((machine) => machine.id))
  const jobs = (await jobsWithBook(context.db, id)).filter((one) => isOpen(one) && seen.has(one.job.machineId))
  return jobs.map(({ job }) => ({
    title: job.title,
    machine: machines.find((machine) => machine.id === job.machineId)?.name ?? '',
    href: `/jobs/${encodeURIComponent(job.id)}/bench?c=${encodeURIComponent(characteristic)}`,
  }))
}
