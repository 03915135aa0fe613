import { parentPort, workerData } from 'node:worker_threads'
import { readBookFile } from './bookFile'
import type { FileTask } from './inWorker'
import { writeWorkbook } from './workbook'

const task = workerData as FileTask
parentPort?.postMessage(task.kind === 'read' ? await readBookFile(task.bytes) : await writeWorkbook(task.sheets))
