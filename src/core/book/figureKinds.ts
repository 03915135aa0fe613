import { isPlainObject } from '../base/plainObject'
import type { WrittenClass } from '../fit/writtenClass'
import { givesOf, quantityOf, quantityOfValue } from '../method/gives'
import type { Method } from '../method/method'
import type { ReductionName } from '../method/reduction'
import { differenceOf, type QuantityKind, quantityKinds } from '../quantity/kind'
import type { Entry } from './edits'
import { type Path, valueAt } from './path'

type SizeEnd = keyof WrittenClass

/** The unit a name ends with is the one its figure stands in. */
const BY_ENDING: readonly (readonly [RegExp, QuantityKind])[] = [
  [/Mm$/, 'length'],
  [/Nm$/, 'torque'],
  [/N$/, 'force'],
  [/Bar$/, 'pressure'],
  [/C$/, 'temperature'],
  [/Deg$/, 'angle'],
  [/Seconds$/, 'time'],
  [/Percent$/, 'percent'],
]
/** Figures of what a measurement reads. */
const READ: ReadonlySet<string> = new Set(['nominal', 'lower', 'upper'])
/** Differences of such figures. */
const SPREAD: ReadonlySet<string> = new Set(['showTo', 'repeatabilityLimit', 'most'])
/** Figures of the value that a limit judges. */
const JUDGED: ReadonlySet<string> = new Set(['plan', 'wear'])

/**
 * What kind of quantity a figure of an entry of a book is; null: a bare number, as pieces, cost or days. `path` leads to it from
 * the entry.
 */
export function quantityOfFigure(list: string, entry: Entry, path: Path): QuantityKind | null {
  const key = String(path.findLast((step) => typeof step === 'string') ?? '')
  const ending = BY_ENDING.find(([pattern]) => pattern.test(key))
  if (ending) return ending[1]
  if (key === 'maximumPermissibleError') return 'length'
  if (list === 'characteristics') return ofMeasurement(entry, path, key)
  if (list === 'fits') return READ.has(key) || JUDGED.has(key) || SPREAD.has(key) ? 'length' : null
  if (list === 'crossChecks' && (key === 'within' || key === 'showTo')) return knownKind(entry.quantity)
  return null
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

function ofMeasurement(entry: Entry, path: Path, key: string): QuantityKind | null {
  // Rows of a table by new size go up to sizes, those by hours to hours.
  if (key === 'upTo') return valueAt(entry, [...path.slice(0, 2), 'depends', 'kind']) === 'size' ? 'length' : null
  if (key === 'size') return 'length'
  const isChange = path[0] === 'changes'
  if (JUDGED.has(key) || isChange) {
    const judges = valueAt(entry, [...path.slice(0, 2), 'judges'])
    const kind = readBy(entry, (method) => quantityOfValue(method, judges as ReductionName))
    return isChange ? differenceOf(kind) : kind
  }
  if (SPREAD.has(key)) return differenceOf(readBy(entry, quantityOf))
  return READ.has(key) || (path[0] === 'method' && (key === 'least' || key === 'greatest')) ? readBy(entry, quantityOf) : null
}

/** What the method of an entry says; a length as long as it is not written to its end. */
function readBy({ method }: Entry, kindOf: (method: Method) => QuantityKind | undefined): QuantityKind {
  if (!isPlainObject(method)) return 'length'
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
