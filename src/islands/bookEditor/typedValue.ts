import type { Path } from '../../core/book/path'
import type { Field, Shape } from '../../core/book/shape'
import { figureText } from '../../core/quantity/figureText'
import type { QuantityKind } from '../../core/quantity/kind'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { type ReadBy, readFigureText } from '../../core/typed/figureText'

/** A field that is typed in a line, at its place. */
export interface LineProps<K extends Shape['kind'] = Shape['kind']> {
  readonly path: Path
  readonly label: string
  readonly field: { readonly shape: Extract<Shape, { kind: K }>; readonly empty: Field['empty'] }
}

/** A field that one line or one choice says. */
export const isPlain = ({ shape: { kind } }: Field): boolean => ['text', 'number', 'flag', 'choice'].includes(kind)

/** What stands at a place where nothing is said. */
export const noneOf = ({ empty, shape }: Pick<Field, 'empty' | 'shape'>): '' | null | undefined =>
  empty === 'null' ? null : empty === 'asked' && shape.kind === 'text' ? '' : undefined

/** What a typed line says: a text, or a figure; a figure that cannot be read stays as it was typed, and is told. */
export function typedValue(field: Pick<Field, 'empty' | 'shape'>, text: string, by: ReadBy): unknown {
  if (text.trim() === '') return noneOf(field)
  if (field.shape.kind === 'text') return text
  const read = readFigureText(text, by)
  return read.ok ? read.value : text
}

/** The same as it is typed. */
export const asTyped = (
  { shape }: Pick<Field, 'shape'>,
  value: unknown,
  quantity: QuantityKind | null,
  system: UnitSystem,
): string => (shape.kind === 'text' ? (typeof value === 'string' ? value : '') : figureText(value, quantity, system))
