import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { evaluate } from '../../src/core/evaluate/evaluate'
import type { Results } from '../../src/core/evaluate/results'
import { changedSince } from '../../src/core/evaluate/signedFiguresSchema'
import { recordSchema } from '../../src/core/record/recordSchema'
import { upgradeBook, upgradeRecord, upgradeResults } from '../../src/core/record/upgrade'

const read = (name: string): unknown => JSON.parse(readFileSync(`demo/older/${name}`, 'utf8'))
const record = read('record-version-1.json')

test('a record of version 1 is read today, and gives every figure it was signed with', () => {
  const today: unknown = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(record)))))
  const changed = changedSince(upgradeResults(read('results-version-1.json'), record), today)
  // Its core foretold without doubt. Ring 2 read 0.60, 0.75, 0.60: no line, and no longer surely inside.
  expect(changed).toEqual([
    'verdict of ring-gap-2: reuse when signed, hold, reuse to replace today',
    'verdict of part ring-2: reuse when signed, hold, reuse to replace today',
  ])
})

test('an altered figure or verdict is told apart from words', () => {
  const today = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(record))))) as Results
  const [part] = today.parts
  if (!part) throw new Error('the record judges a part')
  const altered = { ...today, version: 2, parts: [{ ...part, mild: 'reuse', strong: 'reuse' }, ...today.parts.slice(1)] }
  const reworded = { ...today, parts: today.parts.map((one) => ({ ...one, votes: [] })) }
  expect(changedSince(reworded, today)).toEqual([])
  expect(changedSince(altered, today)).toEqual(
    part.mild === 'reuse' && part.strong === 'reuse' ? [] : [expect.stringMatching(/^verdict of part/)],
  )
})

test('what is of today is left as it is', () => {
  const now = { format: 'medida-limit-book', version: 2, valueMm: 1 }
  expect(upgradeBook(now)).toBe(now)
  expect(upgradeRecord(now)).toBe(now)
  expect(upgradeRecord('no record')).toBe('no record')
})
