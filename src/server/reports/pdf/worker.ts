import { parentPort } from 'node:worker_threads'
import pdfmake from 'pdfmake'
import type { SignedReport } from '../report'
import { fonts } from './fonts'
import type { PdfWord } from './renderPdf'
import { reportPdf } from './reportPdf'

const say = (word: PdfWord): void => parentPort?.postMessage(word)

pdfmake.setFonts(fonts)
// Nothing is fetched, and of the files only our fonts are read.
pdfmake.setUrlAccessPolicy(() => false)
const ownFiles = new Set(Object.values(fonts).flatMap((faces) => Object.values(faces)))
pdfmake.setLocalAccessPolicy((path) => ownFiles.has(path))
let said = 0
pdfmake.setProgressCallback((drawn) => {
  // Of thousands of things drawn, each hundredth part is said once.
  if (drawn < 1 && drawn - said < 0.01) return
  said = drawn
  say({ drawn })
})

parentPort?.on('message', (report: SignedReport) => {
  said = 0
  say({ drawn: 0 })
  Promise.resolve()
    .then(() => pdfmake.createPdf(reportPdf(report)).getBuffer())
    .then((pdf) => say({ pdf }))
    .catch((error: unknown) => say({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }))
})
