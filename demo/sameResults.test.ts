/**
 * What the core makes of a record stays the same to the byte unless CORE_VERSION says otherwise: the sums of the results of
 * every demo record and of records at random. After a change that is meant, `SAME_RESULTS=write npx vitest run
 * demo/sameResults.test.ts` writes them anew; the version goes up and docs/core-changes.md says why.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { CORE_VERSION } from '../src/core/base/version'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { canonicalJson, sha256 } from '../src/server/reports/canonical'

import { everyRecord } from './everyRecord.fixture'

const FILE = new URL('./sameResults.json', import.meta.url)

/** As it would be stored: JSON knows no infinite bound and no field without a value. */
const sumOf = (record: InspectionRecord): string => sha256(canonicalJson(JSON.parse(JSON.stringify(evaluate(record)))))

test('results of every record are the same to the byte', () => {
  const sums = Object.fromEntries(everyRecord.map(([name, record]) => [name, sumOf(record)]))
  const now = { core: CORE_VERSION, sums }
  if (process.env.SAME_RESULTS === 'write') writeFileSync(FILE, `${JSON.stringify(now, null, 2)}\n`)
  expect(now).toEqual(JSON.parse(readFileSync(FILE, 'utf8')))
})
