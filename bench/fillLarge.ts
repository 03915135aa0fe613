import { runningClusterUrl } from '../scripts/lib/cluster'
import { connect } from '../src/db/client'
import { job, limitBook, machine, reading, stepConfirmation } from '../src/db/schema'
import { largeBook, largeReadings } from './largeJob'

export const LARGE_JOB = 'bench-large'

/** The large machine in the database, with two places of its first characteristic still to be read. */
export async function fillLarge(dataFolder: string): Promise<void> {
  const { db, pool } = connect(runningClusterUrl(dataFolder) ?? '')
  const book = largeBook()
  const readings = largeReadings(book, 2)
  await db.transaction(async (tx) => {
    await tx.insert(limitBook).values({ id: book.id, revision: book.revision, title: book.title, document: book })
    await tx
      .insert(machine)
      .values({ id: LARGE_JOB, station: 'Bench', name: 'A large machine', units: 'metric', bookId: book.id })
    await tx.insert(job).values({
      id: LARGE_JOB,
      machineId: LARGE_JOB,
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
      id: '01990000-0000-7000-8000-0000000fffff',
      jobId: LARGE_JOB,
      step: 'makeSafe',
      note: '',
      confirmedBy: 'demo-inspector',
    })
    for (let from = 0; from < readings.length; from += 1000)
      await tx.insert(reading).values(
        readings
          .slice(from, from + 1000)
          .map(
            ({
              id,
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
              id,
              jobId: LARGE_JOB,
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
