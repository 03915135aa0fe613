import { say } from '../../labels/picture'
import type { Scaled } from './scaleDown'

/** Longest side of a page as it is drawn, px: the small print of a table stays readable. */
const LONGEST_PX = 1600
const MOST_FILE_BYTES = 200 * 1024 * 1024

export const isPdf = (file: File): boolean => file.type === 'application/pdf' || /\.pdf$/i.test(file.name)

export interface OpenPdf {
  readonly name: string
  readonly pages: number
  /** One page as a picture, counted from 1. */
  picture(page: number): Promise<Scaled>
  close(): void
}

/** Opens a PDF on this device: nothing but the page that is chosen is sent. What cannot be read is refused with a sentence. */
export async function openPdf(file: File): Promise<OpenPdf | { readonly refused: string }> {
  if (file.size > MOST_FILE_BYTES) return { refused: say.largerThanMb(file.name, MOST_FILE_BYTES / 1024 / 1024) }
  const [{ getDocument, GlobalWorkerOptions }, { default: worker }] = await Promise.all([
    import('pdfjs-dist'),
    import('pdfjs-dist/build/pdf.worker.min.mjs?url'),
  ])
  GlobalWorkerOptions.workerSrc = worker
  try {
    const loading = getDocument({ data: new Uint8Array(await file.arrayBuffer()), isEvalSupported: false, useWasm: false })
    const pdf = await loading.promise
    return {
      name: file.name,
      pages: pdf.numPages,
      picture: async (number) => {
        const page = await pdf.getPage(number)
        const { width, height } = page.getViewport({ scale: 1 })
        const viewport = page.getViewport({ scale: LONGEST_PX / Math.max(width, height) })
        const canvas = document.createElement('canvas')
        canvas.width = Math.round(viewport.width)
        canvas.height = Math.round(viewport.height)
        await page.render({ canvas, viewport }).promise
        const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.86))
        return blob ? { kind: 'scaled', blob } : { kind: 'refused', message: say.browserCouldNot }
      },
      close: () => void loading.destroy(),
    }
  } catch {
    return { refused: say.notPdf(file.name) }
  }
}
