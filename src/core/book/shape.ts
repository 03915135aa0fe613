import type { NamedList } from '../base/namedList'
import { isPlainObject } from '../base/plainObject'
import type { FigureOf } from '../quantity/figureOf'
import type { Path } from './path'

/** What may stand at a place of a book, as an editor needs to know it. Bounds and cross-references are the checks' (checkBook.ts). */
export type Shape =
  /** `names`: the list whose entries it names by their ids; null: a text like any other. */
  | { readonly kind: 'text'; readonly longest: number; readonly isLong: boolean; readonly names: NamedList | null }
  /** `figure`: what it is of; null: a bare number, as pieces, cost or days. */
  | { readonly kind: 'number'; readonly figure: FigureOf | null }
  | { readonly kind: 'flag' }
  | { readonly kind: 'choice'; readonly of: readonly string[] }
  | { readonly kind: 'group'; readonly fields: readonly Field[] }
  /** Fields that go with what it is: a method, a kind of fit. `usual`: what it is where it does not say. */
  | { readonly kind: 'oneOf'; readonly by: string; readonly of: readonly Variety[]; readonly usual: string | null }
  /** `least`: with fewer it is no list at all. */
  | { readonly kind: 'list'; readonly of: Shape; readonly least: number }
  | { readonly kind: 'pair'; readonly of: readonly Shape[] }
  /** One word that stands for all, or a list. */
  | { readonly kind: 'wordOr'; readonly word: string; readonly or: Shape }
  /** Entries by a name each. */
  | { readonly kind: 'named'; readonly of: Shape }

export interface Variety {
  readonly value: string
  readonly fields: readonly Field[]
}

export interface Field {
  readonly key: string
  readonly shape: Shape
  /** What stands there where nothing is said: nothing at all, null, or it must be said. */
  readonly empty: 'absent' | 'null' | 'asked'
}

/** A list of a book, with what an entry of it may say. */
export interface ListFields {
  readonly list: string
  readonly entry: Extract<Shape, { kind: 'group' | 'oneOf' }>
}

/** What may stand at a place below a value of this shape, as the value says what it is; null where it does not say so far. */
export function shapeAt(shape: Shape, value: unknown, path: Path): Shape | null {
  const [step, ...rest] = path
  if (shape.kind === 'wordOr') return path.length === 0 ? shape : shapeAt(shape.or, value, path)
  if (step === undefined) return shape
  const below =
    isPlainObject(value) || Array.isArray(value) ? (value as Readonly<Record<string | number, unknown>>)[step] : undefined
  const field = (fields: readonly Field[]): Shape | null => {
    const found = fields.find(({ key }) => key === step)
    return found ? shapeAt(found.shape, below, rest) : null
  }
  switch (shape.kind) {
    case 'group':
      return field(shape.fields)
    case 'oneOf':
      return field(varietyFields(shape, value))
    case 'list':
    case 'named':
      return shapeAt(shape.of, below, rest)
    case 'pair': {
      const own = shape.of[Number(step)]
      return own ? shapeAt(own, below, rest) : null
    }
    default:
      return null
  }
}

/** The fields of what a value says that it is; none where it is nothing known. */
export function varietyFields({ by, of, usual }: Extract<Shape, { kind: 'oneOf' }>, value: unknown): readonly Field[] {
  const is = (isPlainObject(value) ? value[by] : undefined) ?? usual
  return of.find((one) => one.value === is)?.fields ?? []
}
