import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { differingPaths } from '../../src/core/record/differing'
import { evaluate } from '../../src/core/record/evaluate'
import { recordSchema } from '../../src/core/record/recordSchema'
import { upgradeBook, upgradeRecord, upgradeResults } from '../../src/core/record/upgrade'
import { CORE_VERSION } from '../../src/core/version'

const read = (name: string): unknown => JSON.parse(readFileSync(`demo/older/${name}`, 'utf8'))
const record = read('record-version-1.json')

test('a record of version 1 is read today and gives the results it was signed with', () => {
  const today: unknown = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(record)))))
  const signed = { ...(upgradeResults(read('results-version-1.json'), record) as object), core: CORE_VERSION }
  expect(differingPaths(signed, today, 'results', false)).toEqual([])
})

test('what is of today is left as it is', () => {
  const now = { format: 'medida-limit-book', version: 2, valueMm: 1 }
  expect(upgradeBook(now)).toBe(now)
  expect(upgradeRecord(now)).toBe(now)
  expect(upgradeRecord('no record')).toBe('no record')
})
