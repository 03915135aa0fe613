import type { Bare, Coded } from '../base/coded'
import { hasLimits } from '../fit/kinds'
import type { Limit } from '../limit/limit'
import { quantityOf, quantityOfValue } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import type { Characteristic, LimitBook } from './bookShapeSchema'
import type { Path } from './path'

/** What may be meant so in a book, and most often is a slip. */
export interface BookWarnings {
  /** A new part may already lie beyond the limit: it could never go back. */
  newBeyondLimit: { readonly side: 'upper' | 'lower' }
  /** The plan limit lies within the new sizes: a new part would be planned for renewal. */
  planInNew: { readonly side: 'upper' | 'lower' }
  /** No reading can ever pass it, or none can keep it. */
  neverReached: { readonly judges: ReductionName }
  /** No level and no step of this book takes it. */
  noStepMeasures: Bare
  mateWithoutLimits: Bare
  /** An equal part has other limits. */
  unlikeEqual: { readonly other: string }
  /** Typed, and not held against the page by a second person. */
  notChecked: Bare
}
export type BookWarning = Coded<BookWarnings>
export interface BookWarningAt {
  readonly path: Path
  readonly warning: BookWarning
}

/** Values that are the size itself, and are compared with a new one. */
const SIZES: ReadonlySet<string> = new Set(['maximum', 'minimum', 'mean', 'median', 'result'])
/** Differences without a sign. */
const UNSIGNED: ReadonlySet<string> = new Set([
  'outOfRound',
  'taper',
  'range',
  'variation',
  'totalIndicated',
  'parallelism',
  'oppositeDifference',
])

/** Everything in a book that reads like a slip, in the order of its lists. */
export function bookWarnings(book: LimitBook): readonly BookWarningAt[] {
  const warnings: BookWarningAt[] = []
  const warn = (path: Path, warning: BookWarning): void => void warnings.push({ path, warning })
  const isMeasured = measuredIn(book)
  book.characteristics.forEach((characteristic, at) => {
    const path = ['characteristics', at]
    characteristic.limits.forEach((limit, place) => {
      const here = [...path, 'limits', place]
      ofNew(characteristic, limit, (key, code) => warn([...here, key], { code, side: limit.side }))
      if (isNeverReached(limit)) warn([...here, 'wear'], { code: 'neverReached', judges: limit.judges })
      if (limit.typed && limit.typed.check?.agrees !== true) warn(here, { code: 'notChecked' })
    })
    characteristic.wants?.forEach(({ none }, place) => {
      if (none?.typed && none.typed.check?.agrees !== true) warn([...path, 'wants', place], { code: 'notChecked' })
    })
    if (!isMeasured(characteristic.id)) warn(path, { code: 'noStepMeasures' })
  })
  for (const { path, other } of unlikeEquals(book)) warn(path, { code: 'unlikeEqual', other })
  book.fits.forEach((fit, at) => {
    if (!hasLimits(fit)) warn(['fits', at, 'limits'], { code: 'mateWithoutLimits' })
  })
  return warnings
}

function ofNew(
  { new: size, method }: Characteristic,
  { judges, side, wear, plan }: Limit,
  warn: (key: 'wear' | 'plan', code: 'newBeyondLimit' | 'planInNew') => void,
): void {
  if (size === null || !SIZES.has(judges) || quantityOfValue(method, judges) !== quantityOf(method)) return
  const isPast = (limit: number): boolean => (side === 'upper' ? limit < size.upper : limit > size.lower)
  if (isPast(wear)) warn('wear', 'newBeyondLimit')
  else if (plan !== null && isPast(plan)) warn('plan', 'planInNew')
}

function isNeverReached({ judges, side, wear }: Limit): boolean {
  if (judges === 'contactPercent') return side === 'upper' ? wear >= 100 || wear < 0 : wear <= 0 || wear > 100
  return UNSIGNED.has(judges) && (side === 'upper' ? wear < 0 : wear <= 0)
}

/** Whether a level, a gate or a step takes a measurement; without any of these a book says nothing of it. */
function measuredIn({ levels, procedure }: LimitBook): (id: string) => boolean {
  if (levels.length === 0 || levels.some(({ measures }) => measures === 'all')) return () => true
  const ids = new Set([
    ...levels.flatMap(({ measures, gate }) => [...(measures === 'all' ? [] : measures), ...(gate?.measures ?? [])]),
    ...procedure.flatMap(({ measures }) => measures),
  ])
  return (id) => ids.has(id)
}

/** Measurements of equal parts whose limits differ: each against the first of its make. */
function unlikeEquals(book: LimitBook): readonly { readonly path: Path; readonly other: string }[] {
  const assemblyOf = new Map(book.parts.map(({ id, assembly }) => [id, assembly]))
  const firsts = new Map<string, Characteristic>()
  return book.characteristics.flatMap((characteristic, at) => {
    if (characteristic.limits.length === 0) return []
    const key = makeOf(characteristic, assemblyOf.get(characteristic.part) ?? '')
    const first = firsts.get(key)
    if (first === undefined) firsts.set(key, characteristic)
    if (first === undefined || figuresOf(first) === figuresOf(characteristic)) return []
    return [{ path: ['characteristics', at], other: first.name }]
  })
}

/** Parts of one make are called alike but for their number: “Bearing 1: bore Ø”, “Bearing 2, drive side: bore Ø”. */
function makeOf({ name, method }: Characteristic, assembly: string): string {
  const stem = (text: string): string => (text.split(/[\d,(]/)[0] ?? text).trim().toLowerCase()
  const [first = '', ...rest] = name.split(': ')
  return [stem(assembly), rest.length > 0 ? stem(first) : '', (rest.join(': ') || first).replace(/\d+/g, '#'), method.kind].join(
    '|',
  )
}

const figuresOf = ({ limits }: Characteristic): string =>
  JSON.stringify(
    limits
      .map(({ judges, side, at, plan, wear }) => [judges, side, at ?? null, plan, wear])
      .sort((a, b) => (String(a) < String(b) ? -1 : 1)),
  )
