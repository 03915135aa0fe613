import { isPlainObject } from '../base/plainObject'
import { slug } from '../base/slug'
import type { Field, Shape } from './shape'

/** What stands at a place before anything is said there: nothing is chosen and no figure is taken for granted. */
export function blankOf(shape: Shape): unknown {
  switch (shape.kind) {
    case 'text':
      return ''
    case 'flag':
      return false
    case 'group':
      return blankFields(shape.fields)
    case 'oneOf':
      return {}
    case 'list':
    case 'wordOr':
      return []
    case 'named':
      return {}
    case 'pair':
      return shape.of.map(blankOf)
    default:
      return undefined
  }
}

function blankFields(fields: readonly Field[]): Record<string, unknown> {
  const said = fields.flatMap(({ key, shape, empty }): [string, unknown][] => {
    if (empty === 'absent') return []
    const value = empty === 'null' ? null : blankOf(shape)
    return value === undefined ? [] : [[key, value]]
  })
  return Object.fromEntries(said)
}

/** An entry that is something else from now on: what both can say stays said. */
export function asVariety(shape: Extract<Shape, { kind: 'oneOf' }>, was: unknown, value: string): Record<string, unknown> {
  const fields = shape.of.find((one) => one.value === value)?.fields ?? []
  const old = isPlainObject(was) ? was : {}
  const kept = fields.flatMap(({ key }) => (key in old ? [[key, old[key]] as const] : []))
  return { [shape.by]: value, ...blankFields(fields), ...Object.fromEntries(kept) }
}

/** Something like `name` as an id that none of `taken` is. */
export function freeId(name: string, taken: ReadonlySet<string>): string {
  const plain = slug(name, 60) || 'x'
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? plain : `${plain}-${n}`
    if (!taken.has(id)) return id
  }
}
