/** A hundred thousand earlier readings taken over, against COPY of the same rows into the same tables. */

import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import pg from 'pg'
import { from as copyFrom, to as copyTo } from 'pg-copy-streams'
import { v7 } from 'uuid'
import { Visitor } from '../attack/visitor'
import { Medida } from '../e2e/support/medida'
import { root } from '../scripts/bootstrap.mjs'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { now } from '../src/clock/clock'
import { connect } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { limitBook, machine } from '../src/db/schema'
import { importHistory } from '../src/server/machines/history/importHistory'
import type { Figure } from './figure'
import { largeBook } from './largeJob'

const CHARACTERISTICS = 1_000
const OVERHAULS = 10
const PLACES = ['A', 'B', 'C', 'D', 'E'].flatMap((station) => ['1', '2'].map((direction) => ({ station, direction })))
const COLUMNS =
  'id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, master_mm, kind, value, low, high, gauge_id, taken_by, taken_at'

function table(): Uint8Array {
  const lines = ['overhaul,date,running_hours,characteristic,station,direction,reading']
  for (let overhaul = 1; overhaul <= OVERHAULS; overhaul++)
    for (let index = 1; index <= CHARACTERISTICS; index++)
      for (const { station, direction } of PLACES)
        lines.push(
          `Overhaul ${overhaul},${2000 + overhaul}-05-01,${overhaul * 4000},c-${index},${station},${direction},${(59.99 - overhaul * 0.004).toFixed(3)}`,
        )
  return new TextEncoder().encode(`${lines.join('\n')}\n`)
}

export async function importFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  try {
    const url = runningClusterUrl(medida.dataFolder) ?? ''
    const { db, pool } = connect(url)
    const book = largeBook(CHARACTERISTICS)
    await db.insert(limitBook).values(rowOfBook(book, now()))
    await db
      .insert(machine)
      .values({ id: 'import', station: 'Bench', name: 'Imported machine', units: 'metric', bookId: book.id })
    const file = table()
    process.env.MEDIDA_HISTORY_WORKER = join(root, 'scripts', 'historyWorker.mjs')
    const context = { db, user: { id: 'demo-planner', name: 'Planner', role: 'planner' as const }, now }
    const before = performance.now()
    const { readings } = await importHistory(context, 'import', { id: v7(), source: 'Record sheets' }, file)
    const taken = performance.now() - before

    const client = new pg.Client({ connectionString: url })
    await client.connect()
    // The very rows, out and in again under new ids and places of their own.
    const rows: Buffer[] = []
    for await (const chunk of client.query(
      copyTo(
        `COPY (SELECT gen_random_uuid(), ${COLUMNS.replace('id, job_id', 'job_id').replace('stage', "'asLeft'")} FROM reading WHERE job_id IN (SELECT id FROM job WHERE machine_id = 'import')) TO STDOUT`,
      ),
    ))
      rows.push(chunk as Buffer)
    const start = performance.now()
    await pipeline(Readable.from(rows), client.query(copyFrom(`COPY reading (${COLUMNS}) FROM STDIN`)))
    const copied = performance.now() - start
    await client.end()
    await db
      .insert(machine)
      .values({ id: 'import-2', station: 'Bench', name: 'Taken over by the server', units: 'metric', bookId: book.id })
    const held = await heldUp(medida.url, file)
    await pool.end()
    return [
      {
        name: 'longest that another request waits while 100,000 readings are taken over',
        figure: held.during,
        baseline: held.before,
        unit: 'ms',
        bar: { kind: 'absolute', atMost: 200 },
      },
      {
        name: `taking over ${readings.toLocaleString('en')} readings, against COPY of the same rows`,
        figure: taken,
        baseline: copied,
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 5 },
      },
    ]
  } finally {
    await medida.clear()
  }
}

const ASKED_BEFORE = 40
const PAUSE_MS = 15

/** The longest answer to somebody else, before and while the server takes a table over. */
async function heldUp(url: string, file: Uint8Array): Promise<{ before: number; during: number }> {
  const inspector = await Visitor.as(url, 'inspector')
  const ask = async (): Promise<number> => {
    const start = performance.now()
    await fetch(`${url}/sign-in`)
    return performance.now() - start
  }
  let before = 0
  for (let at = 0; at < ASKED_BEFORE; at += 1) before = Math.max(before, await ask())
  let done = false
  const taking = inspector
    .upload('/api/machines/import-2/history', { id: v7(), source: 'Record sheets' }, new Uint8Array(file))
    .finally(() => {
      done = true
    })
  let during = 0
  while (!done) {
    during = Math.max(during, await ask())
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
  }
  const answer = await taking
  if (answer.status !== 200) throw new Error(`the table was not taken over: ${answer.status} ${answer.text.slice(0, 200)}`)
  return { before, during }
}
