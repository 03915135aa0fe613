import { say } from '../../labels/picture'

/** Longest side sent, px; the text on a label two metres away stays readable. */
const MOST_SIDE = 1600
const MOST_FILE_BYTES = 40 * 1024 * 1024

export type Scaled = { readonly kind: 'scaled'; readonly blob: Blob } | { readonly kind: 'refused'; readonly message: string }

/** Scales a chosen or taken picture down in the browser. What is not a picture is refused with a sentence. */
export async function scaleDown(file: File): Promise<Scaled> {
  const refused = (message: string): Scaled => ({ kind: 'refused', message })
  if (file.size > MOST_FILE_BYTES) return refused(say.largerThanMb(file.name, MOST_FILE_BYTES / 1024 / 1024))
  if (file.type === 'image/svg+xml') return refused(say.drawingFileNot(file.name))
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    return refused(say.notPictureDamaged(file.name))
  }
  const scale = Math.min(1, MOST_SIDE / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.86))
  return blob ? { kind: 'scaled', blob } : refused(say.browserCouldNot)
}
