import { parentPort, workerData } from 'node:worker_threads'
import { parseTable } from './parseTable'
import type { TableTask, TableWord } from './readTable'

const PART = 1_000
/** Between two parts others have their turn. */
const BREATH_MS = 2

const say = (word: TableWord): void => parentPort?.postMessage(word)
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, BREATH_MS))

const { file, context } = workerData as TableTask
const read = parseTable(file, context)
if (read.kind !== 'read') say(read)
else {
  for (const { readings, ...overhaul } of read.overhauls) {
    say({ kind: 'overhaul', overhaul })
    for (let from = 0; from < readings.length; from += PART) {
      say({ kind: 'readings', readings: readings.slice(from, from + PART) })
      await breathe()
    }
  }
  say({ kind: 'done' })
}
