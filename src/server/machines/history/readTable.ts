import { Worker } from 'node:worker_threads'
import type { LongWork } from '../../../contract/longWork'
import type { Gauge } from '../../../core/gauge/gauge'
import type { ImportedOverhaul, ImportedReading } from '../../../core/record/historyTable'
import { say } from '../../../labels/refusals'
import { Refused } from '../../edge/refused'
import { parseTable, type TableContext, type TableRead } from './parseTable'

/** A file of a few hundred rows is read sooner than a thread is started. */
const SMALL_BYTES = 32 * 1024

/** What the thread is started with. */
export interface TableTask {
  readonly file: Uint8Array
  readonly context: TableContext
}

/** What it says: how many rows it has read; then the whole, or, of a table that was read, overhaul by overhaul, its readings in small parts. */
export type TableWord =
  | { readonly kind: 'far'; readonly done: number; readonly of: number }
  | Exclude<TableRead, { kind: 'read' }>
  | { readonly kind: 'overhaul'; readonly overhaul: Omit<ImportedOverhaul, 'readings'> }
  | { readonly kind: 'readings'; readonly readings: readonly ImportedReading[] }
  | { readonly kind: 'done'; readonly gauges: readonly Gauge[] }

/**
 * Reads a table in a thread of its own, so that nobody else waits for it. What it gives comes in parts: taking in a hundred
 * thousand readings at once would hold everybody as long as reading them.
 */
export async function readTable(file: Uint8Array, context: TableContext, long: LongWork): Promise<TableRead> {
  if (file.byteLength <= SMALL_BYTES) return parseTable(file, context)
  const script = process.env.MEDIDA_HISTORY_WORKER
  if (!script) throw new Error('MEDIDA_HISTORY_WORKER is not set: start the server with npm start')
  return new Promise((resolve, reject) => {
    const worker = new Worker(script, { workerData: { file, context } satisfies TableTask })
    const stop = (): void => void worker.terminate()
    long.signal.addEventListener('abort', stop, { once: true })
    const overhauls: (Omit<ImportedOverhaul, 'readings'> & { readings: ImportedReading[] })[] = []
    worker.on('message', (word: TableWord) => {
      if (word.kind === 'far') long.say({ stage: 'reading', done: word.done, of: word.of })
      else if (word.kind === 'overhaul') overhauls.push({ ...word.overhaul, readings: [] })
      else if (word.kind === 'readings') {
        overhauls.at(-1)?.readings.push(...word.readings)
        setImmediate(() => worker.postMessage('taken'))
      } else resolve(word.kind === 'done' ? { kind: 'read', overhauls, gauges: word.gauges } : word)
    })
    worker.once('error', reject)
    worker.once('exit', () => {
      long.signal.removeEventListener('abort', stop)
      reject(long.signal.aborted ? new Refused('notPossible', say.cancelled) : new Error('the thread that reads a table ended'))
    })
  })
}
