import { expect, test } from 'vitest'
import { inOrderAlong } from './along'

test('along a shaft by their order; those of which nobody said come after, as the book lists them', () => {
  const sits = [{ id: 'seal' }, { id: 'wheel', order: 3 }, { id: 'spacer' }, { id: 'bearing', order: 1 }, { id: 'nut', order: 3 }]
  const sorted = inOrderAlong(sits, ({ order }) => (order === undefined ? undefined : { order }))
  expect(sorted.map(({ id }) => id)).toEqual(['bearing', 'wheel', 'nut', 'seal', 'spacer'])
})
