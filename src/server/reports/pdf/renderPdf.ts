import { Worker } from 'node:worker_threads'
import { LRUCache } from 'lru-cache'
import type { SignedReport } from '../report'

/** What the worker is asked and what it answers. */
export interface PdfRequest {
  readonly id: number
  readonly report: SignedReport
}
export type PdfAnswer = { readonly id: number; readonly pdf: Uint8Array } | { readonly id: number; readonly fault: string }

interface Waiting {
  readonly resolve: (pdf: Uint8Array) => void
  readonly reject: (error: Error) => void
}

let worker: Worker | undefined
let asked = 0
const waiting = new Map<number, Waiting>()

const KEPT = 20
/** A signed report never changes: its PDF is made once, and asked for by many at once it is made once too. */
const made = new LRUCache<string, Promise<Uint8Array>>({ max: KEPT })

/** The PDF of a signed report. */
export function renderPdf(report: SignedReport): Promise<Uint8Array> {
  const known = made.get(report.sha256)
  if (known) return known
  const pdf = layOut(report)
  made.set(report.sha256, pdf)
  pdf.catch(() => made.delete(report.sha256))
  return pdf
}

/** Laying out a PDF blocks its thread for a second or so: it is done in one worker, one after the other, started at the first report. */
function layOut(report: SignedReport): Promise<Uint8Array> {
  worker ??= startWorker()
  const id = ++asked
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject })
    worker?.postMessage({ id, report } satisfies PdfRequest)
  })
}

function startWorker(): Worker {
  // The server is bundled, its workers are not: the start command says where this one lies.
  const file = process.env.MEDIDA_PDF_WORKER
  if (!file) throw new Error('MEDIDA_PDF_WORKER is not set: start the server with npm start')
  const started = new Worker(file)
  started.unref()
  started.on('message', (answer: PdfAnswer) => {
    const asking = waiting.get(answer.id)
    waiting.delete(answer.id)
    if ('pdf' in answer) asking?.resolve(answer.pdf)
    else asking?.reject(new Error(answer.fault))
  })
  // A worker that dies takes its requests with it; the next report starts a new one.
  const ended = (error: Error): void => {
    worker = undefined
    for (const { reject } of waiting.values()) reject(error)
    waiting.clear()
  }
  started.on('error', ended)
  started.on('exit', () => ended(new Error('the PDF worker ended')))
  return started
}
