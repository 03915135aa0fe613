import type { LimitBook } from '../core/book/bookSchema'
import type { ChangedEntry, ChangedField } from '../core/book/compare'
import { quantityOf, quantityOfValue, stepOf } from '../core/method/gives'
import type { ReductionName } from '../core/method/reduction'
import { figuresOf } from '../core/quantity/figures'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { bookPlaceWords } from '../core/words/bookPlaces'
import { valueNameOf } from '../core/words/labels'

const FIGURES = new Set(['plan', 'wear', 'lower', 'upper', 'nominal', 'showTo'])

/** Which field of an entry changed, in words. */
export const fieldWords = ({ path }: ChangedField): string => bookPlaceWords({}, path)

/** What a limit judges, or the name of the entry itself. */
export function entryWords({ list, id, name }: ChangedEntry): string {
  if (list !== 'limits') return name
  const [judges = '', side] = id.split(' ')
  return `${name}: ${valueNameOf(judges)}, ${side === 'upper' ? 'at most' : 'at least'}`
}

/** A value as a book has it, figures in the units of its machines. */
export function changedWords(
  book: LimitBook,
  entry: ChangedEntry,
  { path }: ChangedField,
  value: unknown,
  units: UnitSystem,
): string {
  if (value === null || value === undefined || value === '') return '–'
  const last = path.at(-1)
  if (typeof value === 'number' && typeof last === 'string' && FIGURES.has(last)) {
    const own = book.characteristics.find(({ id }) => id === entry.of)
    const judges = entry.list === 'limits' ? (entry.id.split(' ')[0] as ReductionName) : null
    const kind = !own ? 'length' : judges ? quantityOfValue(own.method, judges) : quantityOf(own.method)
    const step = own ? stepOf(own.method, own.showTo, kind) : (book.fits.find(({ id }) => id === entry.of)?.showTo ?? 1)
    const { bound, unit } = figuresOf(kind, units, step)
    return `${bound(value)} ${unit}`.trim()
  }
  if (Array.isArray(value)) return value.map(plainWords).join(', ') || '–'
  return plainWords(value)
}

function plainWords(value: unknown): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value !== 'object' || value === null) return String(value)
  const { name, label, id, text } = value as Readonly<Record<string, unknown>>
  const known = [name, label, text, id].find((one): one is string => typeof one === 'string' && one !== '')
  return known ?? Object.values(value).map(plainWords).join(' ')
}
