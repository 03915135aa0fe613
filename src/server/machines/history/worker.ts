import { parentPort, workerData } from 'node:worker_threads'
import { parseTable } from './parseTable'
import type { TableTask, TableWord } from './readTable'

const PART = 1_000

const say = (word: TableWord): void => parentPort?.postMessage(word)
/** The next part goes when this one has been taken in: between two of them others have their turn. */
const taken = (): Promise<unknown> => new Promise((resolve) => parentPort?.once('message', resolve))

const { file, context } = workerData as TableTask
const SAID_EVERY = 2_000
const read = parseTable(file, context, (done, of) => {
  if (done % SAID_EVERY === 0) say({ kind: 'far', done, of })
})
if (read.kind !== 'read') say(read)
else {
  for (const { readings, ...overhaul } of read.overhauls) {
    say({ kind: 'overhaul', overhaul })
    for (let from = 0; from < readings.length; from += PART) {
      say({ kind: 'readings', readings: readings.slice(from, from + PART) })
      await taken()
    }
  }
  say({ kind: 'done', gauges: read.gauges })
  parentPort?.close()
}
