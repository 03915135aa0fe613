/**
 * What the core makes of a record stays the same to the byte unless CORE_VERSION says otherwise: the sums of the results of
 * every demo record and of records at random. After a change that is meant, `SAME_RESULTS=write npx vitest run
 * demo/sameResults.test.ts` writes them anew; the version goes up and docs/core-changes.md says why.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { CORE_VERSION } from '../src/core/base/version'
import { evaluate } from '../src/core/evaluate/evaluate'
import { anyRecord } from '../src/core/record/anyRecord.fixture'
import { type InspectionRecord, recordSchema } from '../src/core/record/recordSchema'
import { upgradeRecord } from '../src/core/record/upgrade'
import { canonicalJson, sha256 } from '../src/server/reports/canonical'
import { entry, finding } from './noted'
import { pastOverhauls } from './pastOverhauls.fixture'
import { demoRecord, foundNow } from './record'
import { SAFE } from './workContext.fixture'

const FILE = new URL('./sameResults.json', import.meta.url)
const RANDOM = 150

/** Ids made by the test are counted over all files: named by where they first stand, they are the same whichever ran before. */
function withoutCounts(record: InspectionRecord): InspectionRecord {
  const names = new Map<string, string>()
  const text = JSON.stringify(record).replace(/01990000-0000-7000-8000-\d{12}/g, (id) => {
    const name = names.get(id) ?? `01990000-0000-7000-8000-${String(names.size).padStart(12, '0')}`
    names.set(id, name)
    return name
  })
  return JSON.parse(text) as InspectionRecord
}

/** As it would be stored: JSON knows no infinite bound and no field without a value. */
const sumOf = (record: InspectionRecord): string =>
  sha256(canonicalJson(JSON.parse(JSON.stringify(evaluate(withoutCounts(record))))))

const noting = (record: InspectionRecord): InspectionRecord => ({
  ...record,
  job: { ...record.job, level: 'full', entries: [...SAFE, finding({ severity: 'severe' })].map((body) => entry(body)) },
})

const older: unknown = JSON.parse(readFileSync(new URL('./older/record-version-1.json', import.meta.url), 'utf8'))

const records: readonly (readonly [string, InspectionRecord])[] = [
  ['of format version 1', recordSchema.parse(upgradeRecord(older))],
  ...pastOverhauls.map(({ id, record }) => [id, record] as const),
  ['nothing measured', demoRecord({})],
  ['found now', demoRecord(foundNow)],
  ['found now, and as left', demoRecord(foundNow, { asLeft: { 'end-float': ['0.20', '0.205', '0.202'] } })],
  ['found now, with what was noted', noting(demoRecord(foundNow))],
  ...Array.from({ length: RANDOM }, (_, seed) => [`at random ${seed}`, anyRecord(seed)] as const),
]

test('results of every record are the same to the byte', () => {
  const sums = Object.fromEntries(records.map(([name, record]) => [name, sumOf(record)]))
  const now = { core: CORE_VERSION, sums }
  if (process.env.SAME_RESULTS === 'write') writeFileSync(FILE, `${JSON.stringify(now, null, 2)}\n`)
  expect(now).toEqual(JSON.parse(readFileSync(FILE, 'utf8')))
})
