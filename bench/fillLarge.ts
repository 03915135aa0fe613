import { runningClusterUrl } from '../scripts/lib/cluster'
import { now } from '../src/clock/clock'
import type { LimitBook } from '../src/core/book/bookSchema'
import { connect } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { job, limitBook, machine, reading, stepConfirmation } from '../src/db/schema'
import { largeBook, largeReadings } from './largeJob'

export const LARGE_JOB = 'bench-large'

interface Filled {
  readonly id: string
  readonly book: LimitBook
  /** Places of its first characteristic still to be read. */
  readonly leftOpen: number
  /** Readings that are in the database under ids of this kind. */
  readonly from: number
}

/** A large machine in the database, as it is being measured. */
export async function fillLarge(
  dataFolder: string,
  { id, book, leftOpen, from: ids }: Filled = { id: LARGE_JOB, book: largeBook(), leftOpen: 2, from: 0 },
): Promise<void> {
  const { db, pool } = connect(runningClusterUrl(dataFolder) ?? '')
  const readings = largeReadings(book, leftOpen, ids)
  await db.transaction(async (tx) => {
    await tx.insert(limitBook).values(rowOfBook(book, now()))
    await tx.insert(machine).values({ id, station: 'Bench', name: 'A large machine', units: 'metric', bookId: book.id })
    await tx.insert(job).values({
      id,
      machineId: id,
      bookId: book.id,
      bookRevision: book.revision,
      title: 'Large',
      reason: 'measuring',
      openedOn: '2026-11-01',
      openedBy: 'demo-planner',
      runningHours: 1_000,
      mustRunHours: 1_000,
      level: null,
      policy: { acceptance: { kind: 'guarded', guardFactor: 1.65 }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
      installed: {},
    })
    await tx.insert(stepConfirmation).values({
      id: `01990000-0000-7000-9000-${String(ids).padStart(12, '0')}`,
      jobId: id,
      step: 'makeSafe',
      note: '',
      confirmedBy: 'demo-inspector',
      confirmedAt: now(),
    })
    for (let from = 0; from < readings.length; from += 1000)
      await tx.insert(reading).values(
        readings
          .slice(from, from + 1000)
          .map(
            ({
              id: of,
              by: _by,
              gauge,
              value,
              takenAt,
              low: _low,
              high: _high,
              conditions: _conditions,
              masterMm: _master,
              ...rest
            }) => ({
              ...rest,
              id: of,
              jobId: id,
              value: String(value),
              gaugeId: gauge,
              takenBy: 'demo-inspector',
              takenAt: new Date(takenAt),
              // What came in during the last minute a page is told once more (jobEvents.ts); these were read long ago.
              receivedAt: new Date(takenAt),
            }),
          ),
      )
  })
  await pool.end()
}
