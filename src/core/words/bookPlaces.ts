import { type Path, valueAt } from '../book/path'
import { sheetNames } from './bookSheets'

/** What the fields of a book are called where one of them is wrong; its lists are called as their sheets are. */
const fieldWords: Readonly<Record<string, string>> = {
  limitsBy: 'Limits by table',
  wants: 'Limits wanted',
  judges: 'value judged',
  wear: 'wear limit',
  plan: 'plan limit',
  lower: 'least',
  upper: 'greatest',
  new: 'new size',
  mends: 'brings back',
  showTo: 'shown to',
  gaugeKind: 'kind of gauge',
  whenPassed: 'when passed',
  mendOn: 'mended on',
  renewedAlways: 'renewed always',
}
const fieldName = (step: string): string => fieldWords[step] ?? sheetNames.sheet(step)

/** Where in a book something stands, as its reader would find it: “Parts › Bearing shell › Routes › Re-line › cost”. */
export function bookPlaceWords(file: unknown, path: Path): string {
  const words = path.map((step, at) => {
    if (typeof step === 'string') return fieldName(step)
    const entry = valueAt(file, path.slice(0, at + 1))
    const { name, title, id } = (typeof entry === 'object' && entry !== null ? entry : {}) as Readonly<Record<string, unknown>>
    const known = [name, title, id].find((text): text is string => typeof text === 'string' && text !== '')
    return known ?? `no. ${step + 1}`
  })
  return words.join(' › ') || 'The whole book'
}
