import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { LongWork, Progress } from '../../../contract/longWork'
import type { SignedReport } from '../report'
import { renderPdf } from './renderPdf'

/** Lays out what it is given by its name: at once, never, by dying, or with a fault. */
const WORKER = `
import { parentPort } from 'node:worker_threads'
parentPort.on('message', ({ sha256 }) => {
  parentPort.postMessage({ drawn: 0.5 })
  if (sha256.startsWith('never')) return
  if (sha256.startsWith('dies')) process.exit(1)
  if (sha256.startsWith('fault')) return parentPort.postMessage({ fault: 'no font' })
  parentPort.postMessage({ pdf: new TextEncoder().encode(sha256) })
})`

const folder = mkdtempSync(join(tmpdir(), 'medida-pdf-'))
const before = process.env.MEDIDA_PDF_WORKER
beforeAll(() => {
  const file = join(folder, 'worker.mjs')
  writeFileSync(file, WORKER)
  process.env.MEDIDA_PDF_WORKER = file
})
afterAll(() => {
  if (before === undefined) delete process.env.MEDIDA_PDF_WORKER
  else process.env.MEDIDA_PDF_WORKER = before
  rmSync(folder, { recursive: true })
})

const report = (sha256: string) => ({ sha256 }) as SignedReport
const text = (pdf: Uint8Array): string => new TextDecoder().decode(pdf)
function waiter(): LongWork & { readonly leave: () => void; readonly begun: Promise<Progress> } {
  const controller = new AbortController()
  let say: (far: Progress) => void = () => {}
  const begun = new Promise<Progress>((resolve) => {
    say = resolve
  })
  return { say: (far) => say(far), signal: controller.signal, leave: () => controller.abort(), begun }
}

test('asked for by two it is made for the one that stays', async () => {
  const [one, two] = [waiter(), waiter()]
  const [first, second] = [renderPdf(report('never A'), one), renderPdf(report('never A'), two)]
  expect(await two.begun).toEqual({ stage: 'layingOut', done: 50, of: 100 })
  one.leave()
  const behind = renderPdf(report('B'))
  two.leave()
  await expect(first).rejects.toThrow(/^Cancelled/)
  await expect(second).rejects.toThrow(/^Cancelled/)
  // What waited behind it is made, though the worker that was at it has been ended.
  expect(text(await behind)).toBe('B')
})

test('who leaves before it begins is not waited for', async () => {
  const busy = waiter()
  const first = renderPdf(report('never C'), busy)
  await busy.begun
  const gone = waiter()
  const second = renderPdf(report('D'), gone)
  gone.leave()
  await expect(second).rejects.toThrow(/^Cancelled/)
  busy.leave()
  await expect(first).rejects.toThrow(/^Cancelled/)
  const late = waiter()
  late.leave()
  await expect(renderPdf(report('E'), late)).rejects.toThrow(/^Cancelled/)
  expect(text(await renderPdf(report('D')))).toBe('D')
})

test('a worker that dies, and one that says a fault, take their report with them and no other', async () => {
  const [dies, fault, good] = [renderPdf(report('dies')), renderPdf(report('fault')), renderPdf(report('F'))]
  await expect(dies).rejects.toThrow(/worker ended/)
  await expect(fault).rejects.toThrow('no font')
  expect(text(await good)).toBe('F')
  // Made once, it is not made again.
  expect(await renderPdf(report('F'))).toBe(await good)
})
