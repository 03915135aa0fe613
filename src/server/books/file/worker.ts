import { parentPort, workerData } from 'node:worker_threads'
import { bookAsSheets } from '../../../core/bookSheets/toSheets'
import { readBookFile } from './bookFile'
import type { FileTask } from './inWorker'
import { writeWorkbook } from './workbook'

const task = workerData as FileTask
const made = task.kind === 'read' ? await readBookFile(task.bytes) : await writeWorkbook(bookAsSheets(task.book, task.system))
parentPort?.postMessage(made)
