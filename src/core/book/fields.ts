import type { z } from 'zod'
import { bookShapeSchema } from './bookShapeSchema'

/** What may stand at a place of a book, as an editor needs to know it. Bounds and cross-references are the checks' (checkBook.ts). */
export type Shape =
  | { readonly kind: 'text'; readonly longest: number; readonly isLong: boolean }
  | { readonly kind: 'number' }
  | { readonly kind: 'flag' }
  | { readonly kind: 'choice'; readonly of: readonly string[] }
  | { readonly kind: 'group'; readonly fields: readonly Field[] }
  /** Fields that go with what it is: a method, a kind of fit. */
  | { readonly kind: 'oneOf'; readonly by: string; readonly of: readonly Variety[] }
  | { readonly kind: 'list'; readonly of: Shape }
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

/** Marks that are made of what people do, and never written: who typed, what was added in a job, what a table gave. */
const NOT_WRITTEN: ReadonlySet<string> = new Set(['typed', 'added', 'by', 'atNext', 'entry'])

type Schema = z.core.$ZodType
type Def = z.core.$ZodTypeDef & Readonly<Record<string, unknown>>
const defOf = (schema: Schema): Def => schema._zod.def as unknown as Def

/** A schema without what only says whether something stands there. */
function bare(schema: Schema): { readonly schema: Schema; readonly empty: Field['empty'] } {
  const def = defOf(schema)
  if (def.type === 'optional' || def.type === 'default')
    return { schema: bare(def.innerType as Schema).schema, empty: isNullable(schema) ? 'null' : 'absent' }
  if (def.type === 'nullable') return { schema: bare(def.innerType as Schema).schema, empty: 'null' }
  return { schema, empty: 'asked' }
}
const isNullable = (schema: Schema): boolean => {
  const def = defOf(schema)
  return def.type === 'nullable' || ('innerType' in def && isNullable(def.innerType as Schema))
}

/** Plain fields first, then long texts, lists, blocks and tables: as one fills them in. */
function placeOf({ shape }: Field): number {
  switch (shape.kind) {
    case 'text':
      return shape.isLong ? 1 : 0
    case 'wordOr':
      return 2
    case 'list':
      return shape.of.kind === 'group' || shape.of.kind === 'oneOf' ? 4 : 2
    case 'group':
    case 'oneOf':
    case 'pair':
      return 3
    case 'named':
      return 4
    default:
      return 0
  }
}

/** Beyond so many letters a text takes several lines. */
const LONG_TEXT = 300

function fieldsOf(schema: Schema, without: string | null = null): Field[] {
  const fields = Object.entries(defOf(schema).shape as Readonly<Record<string, Schema>>).flatMap(([key, own]): Field[] => {
    if (NOT_WRITTEN.has(key) || key === without) return []
    const { schema: inner, empty } = bare(own)
    return [{ key, shape: shapeOf(inner), empty }]
  })
  return fields.sort((a, b) => placeOf(a) - placeOf(b))
}

function shapeOf(given: Schema): Shape {
  const { schema } = bare(given)
  const def = defOf(schema)
  switch (def.type) {
    case 'string':
      return { kind: 'text', longest: longest(def), isLong: longest(def) > LONG_TEXT }
    case 'number':
      return { kind: 'number' }
    case 'boolean':
      return { kind: 'flag' }
    case 'literal':
      // A field that is there to say yes.
      return (def.values as readonly unknown[])[0] === true
        ? { kind: 'flag' }
        : { kind: 'choice', of: (def.values as readonly unknown[]).map(String) }
    case 'enum':
      return { kind: 'choice', of: Object.values(def.entries as Readonly<Record<string, string>>) }
    case 'object':
      return { kind: 'group', fields: fieldsOf(schema) }
    case 'array':
      return { kind: 'list', of: shapeOf(def.element as Schema) }
    case 'tuple':
      return { kind: 'pair', of: (def.items as readonly Schema[]).map(shapeOf) }
    case 'record':
      return { kind: 'named', of: shapeOf(def.valueType as Schema) }
    case 'union':
      return unionOf(def)
    default:
      throw new Error(`A book has a field of type ${def.type}, which no editor shows.`)
  }
}

function unionOf(def: Def): Shape {
  const options = def.options as readonly Schema[]
  if (typeof def.discriminator === 'string') {
    const by = def.discriminator
    return {
      kind: 'oneOf',
      by,
      of: options.map((option) => ({ value: literalIn(option, by), fields: fieldsOf(option, by) })),
    }
  }
  const [word, or] = options.map(shapeOf)
  if (word?.kind !== 'choice' || or === undefined) throw new Error('A book has a union that no editor shows.')
  return { kind: 'wordOr', word: word.of[0] ?? '', or }
}

function literalIn(option: Schema, by: string): string {
  const own = (defOf(option).shape as Readonly<Record<string, Schema>>)[by]
  return String((own && (defOf(bare(own).schema).values as readonly unknown[]))?.[0])
}

const USUAL_LONGEST = 200
function longest(def: Def): number {
  const checks = (def.checks ?? []) as readonly {
    readonly _zod: { readonly def: { readonly check: string; readonly maximum?: number } }
  }[]
  return checks.find(({ _zod }) => _zod.def.check === 'max_length')?._zod.def.maximum ?? USUAL_LONGEST
}

const all = fieldsOf(bookShapeSchema)

/** Every list of a book, with the fields of its entries. */
export const bookLists: readonly ListFields[] = all.flatMap(({ key, shape }) =>
  shape.kind === 'list' && (shape.of.kind === 'group' || shape.of.kind === 'oneOf') ? [{ list: key, entry: shape.of }] : [],
)

/** What a book says of itself that an editor may change. */
export const bookFields: readonly Field[] = all.filter(({ key }) => key === 'title' || key === 'currency')
