import { expect, test } from 'vitest'
import { unplainPath } from './plainText'

test.each<[value: unknown, path: string | null]>([
  [{ a: 'ö 🙂', b: ['x', 1, null] }, null],
  [{ a: { b: ['x', 'a\0b'] } }, 'a.b.1'],
  [{ a: '\ud83d' }, 'a'],
  [{ 'a\0': 1 }, ''],
  ['\udc00', ''],
])('%j: %s', (value, path) => expect(unplainPath(value)).toBe(path))
