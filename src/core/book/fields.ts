import type { z } from 'zod'
import { meanings } from '../base/meaningSchema'
import type { FigureOf } from '../quantity/figureOf'
import type { QuantityKind } from '../quantity/kind'
import { bookShapeSchema } from './bookShapeSchema'
import type { Entry } from './edits'
import { quantityOfFigure } from './figureKinds'
import type { Path } from './path'
import { type Field, type ListFields, type Shape, shapeAt } from './shape'

/** Marks that are made of what people do, and never written: who typed, what was added in a job, what a table gave. */
const NOT_WRITTEN: ReadonlySet<string> = new Set(['typed', 'added', 'by', 'atNext', 'entry'])

type Schema = z.ZodType
type Def = Schema['def'] & Readonly<Record<string, unknown>>
const defOf = (schema: Schema): Def => schema.def as Def

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
      return {
        kind: 'text',
        longest: longest(schema),
        isLong: longest(schema) > LONG_TEXT,
        names: meanings.get(schema)?.names ?? null,
      }
    case 'number':
      return { kind: 'number', figure: (meanings.get(schema)?.figure as FigureOf | undefined) ?? null }
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
      return { kind: 'list', of: shapeOf(def.element as Schema), least: leastOf(schema) }
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
      usual: options.flatMap((option) => (isLeftOut(option, by) ? [literalIn(option, by)] : []))[0] ?? null,
    }
  }
  const [word, or] = options.map(shapeOf)
  if (word?.kind !== 'choice' || or === undefined) throw new Error('A book has a union that no editor shows.')
  return { kind: 'wordOr', word: word.of[0] ?? '', or }
}

const fieldIn = (option: Schema, by: string): Schema | undefined => (defOf(option).shape as Readonly<Record<string, Schema>>)[by]
const isLeftOut = (option: Schema, by: string): boolean => fieldIn(option, by)?.safeParse(undefined).success ?? false

function literalIn(option: Schema, by: string): string {
  const own = fieldIn(option, by)
  return String((own && (defOf(bare(own).schema).values as readonly unknown[]))?.[0])
}

/** With how few entries a list is still one. */
function leastOf(list: Schema): number {
  const few = list.safeParse([]).error?.issues.find(({ code }) => code === 'too_small')
  return few?.code === 'too_small' ? Number(few.minimum) : 0
}

const USUAL_LONGEST = 200
const longest = (schema: Schema): number => (schema as z.ZodString).maxLength ?? USUAL_LONGEST

const all = fieldsOf(bookShapeSchema)

/** Every list of a book, with the fields of its entries. */
export const bookLists: readonly ListFields[] = all.flatMap(({ key, shape }) =>
  shape.kind === 'list' && (shape.of.kind === 'group' || shape.of.kind === 'oneOf') ? [{ list: key, entry: shape.of }] : [],
)

/** Of what kind the figure at a place of an entry is; null: a bare number, or no figure. */
export function quantityAt(list: string, entry: Entry, path: Path): QuantityKind | null {
  const own = bookLists.find((one) => one.list === list)?.entry
  const shape = own && shapeAt(own, entry, path)
  return shape?.kind === 'number' ? quantityOfFigure(shape.figure, list, entry, path) : null
}

/** What a book says of itself that an editor may change. */
export const bookFields: readonly Field[] = all.filter(({ key }) => key === 'title' || key === 'currency')
