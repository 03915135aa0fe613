import { describe, expect, test } from 'vitest'
import { bookLists } from '../book/fields'
import type { Field, Shape } from '../book/shape'
import { bookChoiceName, bookFieldName } from './bookFields'
import { sheetNames } from './bookSheets'

/** Every field of every entry of a book, by its way; and every choice of those that are chosen. */
function placesIn(list: string, shape: Shape, path: readonly string[]): readonly { path: readonly string[]; value?: string }[] {
  const ofFields = (fields: readonly Field[]) =>
    fields.flatMap(({ key, shape: own }) => [{ path: [...path, key] }, ...placesIn(list, own, [...path, key])])
  switch (shape.kind) {
    case 'choice':
      return shape.of.map((value) => ({ path, value }))
    case 'group':
      return ofFields(shape.fields)
    case 'oneOf':
      return shape.of.flatMap(({ value, fields }) => [{ path: [...path, shape.by], value }, ...ofFields(fields)])
    case 'list':
    case 'named':
      return placesIn(list, shape.of, path)
    case 'pair':
      return shape.of.flatMap((one) => placesIn(list, one, path))
    case 'wordOr':
      return placesIn(list, shape.or, path)
    default:
      return []
  }
}

describe.each(bookLists.map(({ list, entry }) => [list, placesIn(list, entry, [])] as const))('%s', (list, places) => {
  test('the list and each of its fields has a name in words', () => {
    expect(sheetNames.sheet(list)).not.toBe(list)
    const unnamed = places.filter(({ path }) => !/^[A-Z“]/.test(bookFieldName(list, path)))
    expect(unnamed.map(({ path }) => path.join('.'))).toEqual([])
  })

  test('each choice reads as words', () => {
    const raw = places.flatMap(({ path, value }) => {
      const name = value === undefined ? '' : bookChoiceName(list, path, value)
      return /[a-z][A-Z]/.test(name) ? [`${path.join('.')}: ${name}`] : []
    })
    expect(raw).toEqual([])
  })
})
