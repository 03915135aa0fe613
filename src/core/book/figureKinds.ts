import { isPlainObject } from '../base/plainObject'
import type { WrittenClass } from '../fit/writtenClass'
import { givesOf, quantityOf, quantityOfValue } from '../method/gives'
import type { Method } from '../method/method'
import type { ReductionName } from '../method/reduction'
import type { FigureOf } from '../quantity/figureOf'
import { differenceOf, type QuantityKind, quantityKinds } from '../quantity/kind'
import type { Entry } from './edits'
import { type Path, valueAt } from './path'

type SizeEnd = keyof WrittenClass

/** What kind of quantity a figure is, as the entry it stands in says; `path` leads to it from the entry. Null: a bare number. */
export function quantityOfFigure(figure: FigureOf | null, list: string, entry: Entry, path: Path): QuantityKind | null {
  switch (figure) {
    case null:
      return null
    case 'known':
      return knownKind(entry.quantity)
    case 'reach':
      // Rows of a table by new size go up to sizes, those by hours to hours.
      return valueAt(entry, [...path.slice(0, 2), 'depends', 'kind']) === 'size' ? 'length' : null
    case 'read':
      return readBy(list, entry, quantityOf)
    case 'spread':
      return differenceOf(readBy(list, entry, quantityOf))
    case 'judged':
    case 'change': {
      const judges = valueAt(entry, [...path.slice(0, 2), 'judges'])
      const kind = readBy(list, entry, (method) => quantityOfValue(method, judges as ReductionName))
      return figure === 'change' ? differenceOf(kind) : kind
    }
    default:
      return figure
  }
}

const ENDS: Readonly<Record<string, SizeEnd>> = { nominal: 'nominal', lower: 'lower', upper: 'upper' }

/**
 * The end of a size that stands at a place of an entry and may be written with its class, “63 H7”: of a new size, or the one that a
 * limit forbids. Null where no class is meant.
 */
export function classEndAt(list: string, entry: Entry, path: Path): SizeEnd | null {
  if (list !== 'characteristics') return null
  const [first, , last] = path
  if (first === 'new' && path.length === 2) return ENDS[String(path[1])] ?? null
  if ((first !== 'limits' && first !== 'limitsBy') || (last !== 'wear' && last !== 'plan')) return null
  const side = valueAt(entry, [...path.slice(0, 2), 'side'])
  return side === 'upper' || side === 'lower' ? side : null
}

/** What the method of an entry says; a length as long as it is not written to its end. A fit is one of lengths. */
function readBy(list: string, { method }: Entry, kindOf: (method: Method) => QuantityKind | undefined): QuantityKind {
  if (list === 'fits' || !isPlainObject(method)) return 'length'
  try {
    return kindOf(method as unknown as Method) ?? 'length'
  } catch {
    return 'length'
  }
}

/** Values that a limit of an entry can judge, as its method is written so far; null where that cannot be told. */
export function judgedIn(list: string, entry: Entry): readonly string[] | null {
  if (list !== 'characteristics' || !isPlainObject(entry.method)) return null
  try {
    return Object.keys(givesOf(entry.method as unknown as Method))
  } catch {
    return null
  }
}

const knownKind = (kind: unknown): QuantityKind | null => quantityKinds.find((one) => one === kind) ?? null
