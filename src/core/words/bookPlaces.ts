import { type Path, valueAt } from '../book/path'

/** What the lists and fields of a book are called where one of them is wrong. */
const fieldWords: Readonly<Record<string, string>> = {
  documents: 'Documents',
  variants: 'Types that may be fitted',
  parts: 'Parts',
  characteristics: 'Characteristics',
  fits: 'Fits',
  equalParts: 'Equal parts',
  closings: 'Cross-checks',
  levels: 'Levels',
  cautions: 'Cautions',
  procedure: 'Steps',
  positions: 'Positions',
  joints: 'Joints',
  temporaries: 'Temporary items',
  findingRules: 'Rules for findings',
  patterns: 'Damage patterns',
  handTests: 'Hand tests',
  routes: 'Routes',
  service: 'Renewal rules',
  limits: 'Limits',
  limitsBy: 'Limits by table',
  changes: 'Limits of change',
  wants: 'Limits wanted',
  judges: 'value judged',
  wear: 'wear limit',
  plan: 'plan limit',
  lower: 'least',
  upper: 'greatest',
  new: 'new size',
  method: 'method',
  source: 'source',
  mends: 'brings back',
  showTo: 'shown to',
  gaugeKind: 'kind of gauge',
  whenPassed: 'when passed',
  mendOn: 'mended on',
  renewedAlways: 'renewed always',
}

/** Where in a book something stands, as its reader would find it: “Parts › Bearing shell › Routes › Re-line › cost”. */
export function bookPlaceWords(file: unknown, path: Path): string {
  const words = path.map((step, at) => {
    if (typeof step === 'string') return fieldWords[step] ?? step
    const entry = valueAt(file, path.slice(0, at + 1))
    const { name, title, id } = (typeof entry === 'object' && entry !== null ? entry : {}) as Readonly<Record<string, unknown>>
    const known = [name, title, id].find((text): text is string => typeof text === 'string' && text !== '')
    return known ?? `no. ${step + 1}`
  })
  return words.join(' › ') || 'The whole book'
}
