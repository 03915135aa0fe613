import { parentPort, workerData } from 'node:worker_threads'
import { bookAsSheets } from '../../../core/bookSheets/toSheets'
import { sheetNames } from '../../../core/words/bookSheets'
import { readBookFile } from './bookFile'
import type { FileTask } from './inWorker'
import { writeWorkbook } from './workbook'

const task = workerData as FileTask
const made =
  task.kind === 'read' ? await readBookFile(task.bytes) : await writeWorkbook(bookAsSheets(task.book, task.system, sheetNames))
parentPort?.postMessage(made)
