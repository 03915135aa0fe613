import { expect, test } from 'vitest'
import { hasWords } from './search'

test.each<[string, string, boolean]>([
  ['Bore gauge 150 to 250 Quillmere', 'quill bore', true],
  ['Bore gauge 150 to 250 Quillmere', ' BORE  250 ', true],
  ['Bore gauge 150 to 250 Quillmere', 'bore larkhollow', false],
  ['Bore gauge', '', true],
  ['', ' ', true],
  ['', 'x', false],
])('“%s” has “%s”: %s', (text, typed, has) => {
  expect(hasWords(text, typed)).toBe(has)
})
