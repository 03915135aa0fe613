import { Worker } from 'node:worker_threads'
import { LRUCache } from 'lru-cache'
import { type LongWork, quietly } from '../../../contract/longWork'
import { say } from '../../../labels/refusals'
import { Refused } from '../../edge/refused'
import type { SignedReport } from '../report'

/** What the worker says of the report it was given: how much of it is drawn, from 0 to 1, then the PDF or what was wrong. */
export type PdfWord = { readonly drawn: number } | { readonly pdf: Uint8Array } | { readonly fault: string }

/** A PDF being made, and those who wait for it. */
interface Making {
  readonly report: SignedReport
  readonly wantedBy: Set<LongWork>
  readonly pdf: Promise<Uint8Array>
  readonly resolve: (pdf: Uint8Array) => void
  readonly reject: (error: Error) => void
}

const KEPT = 20
/** A signed report never changes: its PDF is made once. */
const made = new LRUCache<string, Uint8Array>({ max: KEPT })
/** The first of them is with the worker. Laying out blocks its thread for a second or so: one after the other. */
const queue: Making[] = []
let worker: Worker | undefined

/** The PDF of a signed report. Asked for by many at once it is made once, and no longer than one of them wants it. */
export async function renderPdf(report: SignedReport, long: LongWork = quietly): Promise<Uint8Array> {
  const known = made.get(report.sha256)
  if (known) return known
  const making = queue.find((one) => one.report.sha256 === report.sha256) ?? enqueue(report)
  making.wantedBy.add(long)
  const leave = (): void => {
    making.wantedBy.delete(long)
    if (making.wantedBy.size === 0) drop(making)
  }
  if (long.signal.aborted) leave()
  else long.signal.addEventListener('abort', leave, { once: true })
  try {
    return await making.pdf
  } finally {
    long.signal.removeEventListener('abort', leave)
  }
}

function enqueue(report: SignedReport): Making {
  let end: Pick<Making, 'resolve' | 'reject'> | undefined
  const pdf = new Promise<Uint8Array>((resolve, reject) => {
    end = { resolve, reject }
  })
  if (!end) throw new Error('a promise begins at once')
  const making: Making = { report, wantedBy: new Set(), pdf, ...end }
  queue.push(making)
  if (queue.length === 1) begin()
  return making
}

/** Takes one out of the queue; the worker that is at it is ended, for it hears nothing meanwhile. */
function drop(making: Making): void {
  const at = queue.indexOf(making)
  if (at < 0) return
  queue.splice(at, 1)
  making.reject(new Refused('notPossible', say.cancelled))
  if (at > 0) return
  const left = worker
  worker = undefined
  left?.removeAllListeners()
  void left?.terminate()
  begin()
}

/** Gives the worker the next one. */
function begin(): void {
  const [next] = queue
  if (!next) return
  worker ??= startWorker()
  worker.postMessage(next.report)
}

function finish(end: (making: Making) => void): void {
  const making = queue.shift()
  if (making) end(making)
  begin()
}

function startWorker(): Worker {
  // The server is bundled, its workers are not: the start command says where this one lies.
  const file = process.env.MEDIDA_PDF_WORKER
  if (!file) throw new Error('MEDIDA_PDF_WORKER is not set: start the server with npm start')
  const started = new Worker(file)
  started.unref()
  started.on('message', (word: PdfWord) => {
    if ('drawn' in word)
      for (const { say } of queue[0]?.wantedBy ?? []) say({ stage: 'layingOut', done: Math.round(word.drawn * 100), of: 100 })
    else
      finish((making) => {
        if ('fault' in word) return making.reject(new Error(word.fault))
        made.set(making.report.sha256, word.pdf)
        making.resolve(word.pdf)
      })
  })
  // A worker that dies takes its report with it; the next one starts another.
  const ended = (error: Error): void => {
    if (worker !== started) return
    worker = undefined
    finish(({ reject }) => reject(error))
  }
  started.on('error', ended)
  started.on('exit', () => ended(new Error('the PDF worker ended')))
  return started
}
