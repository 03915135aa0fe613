import { Worker } from 'node:worker_threads'
import type { SheetOfCells } from '../../../core/bookSheets/toSheets'
import { say } from '../../../labels/bookFile'
import { Refused } from '../../edge/refused'
import type { BookFileRead } from './bookFile'

/** What the thread is started with: a file to read as a book, or sheets to write as a spreadsheet. */
export type FileTask =
  | { readonly kind: 'read'; readonly bytes: Uint8Array }
  | { readonly kind: 'write'; readonly sheets: readonly SheetOfCells[] }

/** A file that makes more of itself than this is no book. */
const MOST_MEMORY_MB = 768
const MOST_MS = 60_000

/** Reads or writes a book file in a thread of its own: nobody else waits for it, and a hostile file ends with its thread. */
function inWorker<T>(task: FileTask): Promise<T> {
  const script = process.env.MEDIDA_BOOK_WORKER
  if (!script) throw new Error('MEDIDA_BOOK_WORKER is not set: start the server with npm start')
  return new Promise<T>((resolve, reject) => {
    const worker = new Worker(script, { workerData: task, resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB } })
    const refuse = (): void => reject(new Refused('notPossible', say.tooMuch))
    const timer = setTimeout(() => {
      refuse()
      void worker.terminate()
    }, MOST_MS)
    worker.once('message', (made: T) => resolve(made))
    worker.once('error', (error: NodeJS.ErrnoException) => (error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? refuse() : reject(error)))
    worker.once('exit', () => {
      clearTimeout(timer)
      reject(new Error('the thread that reads a book ended'))
    })
  })
}

export const readBook = (bytes: Uint8Array): Promise<BookFileRead> => inWorker({ kind: 'read', bytes })
export const writeSheets = (sheets: readonly SheetOfCells[]): Promise<Uint8Array> => inWorker({ kind: 'write', sheets })
