import { createHash } from 'node:crypto'
import { v7 } from 'uuid'
import { drawPicture } from '../demo/drawnPictures'
import bookJson from '../demo/quillmere/book.json' with { type: 'json' }
import { runningClusterUrl } from '../scripts/lib/cluster'
import { now } from '../src/clock/clock'
import { bookSchema } from '../src/core/book/bookSchema'
import { connect } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { job, jobEntry, limitBook, machine, picture } from '../src/db/schema'
import { checkPicture } from '../src/server/notes/addPicture'

export const POSITIONS = 200
export const STRIP_JOB = 'bench-job'

export const positionNames = Array.from({ length: POSITIONS }, (_, index) => `Part ${index + 1} of the bench machine`)

/** A machine of two hundred positions under one top, each with a photograph. Returns the small picture. */
export async function fillStrip(dataFolder: string): Promise<Buffer> {
  const { db, pool } = connect(runningClusterUrl(dataFolder) ?? '')
  const positions = [
    { id: 'top', name: 'Bench machine', parent: null },
    ...positionNames.map((name, index) => ({ id: `p-${index + 1}`, name, parent: 'top' })),
  ]
  const book = bookSchema.parse({ ...bookJson, id: 'bench-book', procedure: [], positions, joints: [], temporaries: [] })
  const kept = await checkPicture(await drawPicture('cap'))
  const sha256 = createHash('sha256').update(kept.bytes).digest('hex')
  await db.transaction(async (tx) => {
    await tx.insert(limitBook).values(rowOfBook(book, now()))
    await tx.insert(machine).values({ id: 'bench', station: 'Bench', name: 'Bench machine', units: 'metric', bookId: book.id })
    await tx.insert(job).values({
      id: STRIP_JOB,
      machineId: 'bench',
      bookId: book.id,
      bookRevision: book.revision,
      title: 'Bench job',
      reason: 'measuring',
      openedOn: '2026-11-01',
      openedBy: 'demo-planner',
      runningHours: 1,
      mustRunHours: 1,
      level: 'full',
      policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
      installed: {},
    })
    for (const [index] of positionNames.entries()) {
      const id = v7()
      const at = new Date('2026-11-01T08:00:00Z')
      await tx
        .insert(picture)
        .values({ id, jobId: STRIP_JOB, type: 'image/jpeg', ...kept, sha256, addedBy: 'demo-inspector', addedAt: at })
      const body = {
        kind: 'pictureAdded',
        picture: id,
        subject: { kind: 'position', id: `p-${index + 1}` },
        caption: '',
        sha256,
        width: kept.width,
        height: kept.height,
      }
      await tx
        .insert(jobEntry)
        .values({ id, jobId: STRIP_JOB, subject: `picture:${id}`, body, notedBy: 'demo-inspector', notedAt: at })
    }
  })
  await pool.end()
  return kept.small
}
