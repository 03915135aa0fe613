import { type Path, valueAt } from '../book/path'
import { bookFieldName } from './bookFields'
import { sheetNames } from './bookSheets'

/** Where in a book something stands, as its reader would find it: “Parts › Bearing shell › Routes › Re-line › cost”. */
export function bookPlaceWords(file: unknown, path: Path): string {
  const words = path.map((step, at) => {
    if (typeof step === 'string') return at === 0 ? nameAtRoot(step) : bookFieldName(String(path[0]), path.slice(0, at + 1))
    const entry = valueAt(file, path.slice(0, at + 1))
    const { name, title, id } = (typeof entry === 'object' && entry !== null ? entry : {}) as Readonly<Record<string, unknown>>
    const known = [name, title, id].find((text): text is string => typeof text === 'string' && text !== '')
    return known ?? `no. ${step + 1}`
  })
  return words.join(' › ') || 'The whole book'
}

/** A list by its sheet, a field of the book itself by its name. */
function nameAtRoot(key: string): string {
  const sheet = sheetNames.sheet(key)
  return sheet === key ? bookFieldName('book', [key]) : sheet
}
