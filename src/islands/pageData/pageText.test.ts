import { array, assert, constantFrom, dictionary, jsonValue, property, record, string } from 'fast-check'
import { expect, test } from 'vitest'
import type { JobView } from '../../contract/answers'
import { packRows, unpackRows } from './packedRows'
import { pageText, readPageData } from './pageText'

test('what is handed over ends no script and comes back as it was', () => {
  assert(
    property(jsonValue(), string(), array(record({ id: string(), by: constantFrom('Ann', 'Ben') })), (value, title, readings) => {
      const note = `</script><!--<script>${title}`
      const inspection = { value, note, job: { id: 'j', readings }, history: [{ readings }] }
      const view = { title, record: inspection, may: { note: true } } as unknown as JobView
      const text = pageText(view)
      expect(text).not.toContain('<')
      expect(JSON.stringify(readPageData(text))).toBe(JSON.stringify({ record: inspection, title, may: { note: true } }))
      expect(pageText(view)).toBe(text)
    }),
    { seed: 3, numRuns: 300 },
  )
})

test('a table holds whatever its things hold, in the order of their keys', () => {
  const key = constantFrom('a', 'b', 'rows', 'keys', '__proto__x')
  assert(
    property(array(dictionary(key, jsonValue())), (items) => {
      const through = JSON.parse(JSON.stringify(packRows(items)))
      expect(JSON.stringify(unpackRows(through))).toBe(JSON.stringify(items))
    }),
    { seed: 5, numRuns: 500 },
  )
})

test('a view that was kept before readings were tables is read', () => {
  const view = { record: { job: { readings: [{ id: 'a' }, { id: 'b' }] }, history: [] } }
  expect(readPageData(JSON.stringify(view))).toEqual(view)
})
