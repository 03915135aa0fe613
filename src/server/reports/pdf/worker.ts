import { parentPort } from 'node:worker_threads'
import pdfmake from 'pdfmake'
import { fonts } from './fonts'
import type { PdfAnswer, PdfRequest } from './renderPdf'
import { reportPdf } from './reportPdf'

pdfmake.setFonts(fonts)
// Nothing is fetched, and of the files only our fonts are read.
pdfmake.setUrlAccessPolicy(() => false)
const ownFiles = new Set(Object.values(fonts).flatMap((faces) => Object.values(faces)))
pdfmake.setLocalAccessPolicy((path) => ownFiles.has(path))

parentPort?.on('message', ({ id, report }: PdfRequest) => {
  const answer = (said: PdfAnswer): void => parentPort?.postMessage(said)
  Promise.resolve()
    .then(() => pdfmake.createPdf(reportPdf(report)).getBuffer())
    .then((pdf) => answer({ id, pdf }))
    .catch((error: unknown) => answer({ id, fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }))
})
