import { isPlainObject } from '../base/plainObject'
import type { Field, Shape } from '../book/shape'

/** An entry with null wherever nothing is said of what may be null: nobody writes that into a cell. */
export function withNulls(value: unknown, shape: Shape): unknown {
  if (Array.isArray(value) && shape.kind === 'list') return value.map((one) => withNulls(one, shape.of))
  if (!isPlainObject(value)) return value
  const fields = fieldsOf(value, shape)
  const made: Record<string, unknown> = { ...value }
  for (const { key, shape: own, empty } of fields)
    if (key in made) made[key] = withNulls(made[key], own)
    else if (empty === 'null') made[key] = null
  return made
}

function fieldsOf(value: Readonly<Record<string, unknown>>, shape: Shape): readonly Field[] {
  if (shape.kind === 'group') return shape.fields
  if (shape.kind !== 'oneOf') return []
  const said = value[shape.by]
  // A fit that says nothing is of the first kind.
  const of = said === undefined ? shape.of[0] : shape.of.find((one) => one.value === said)
  return of?.fields ?? []
}
