/** Every record the core is held to: those of the demo, and many at random. */
import { readFileSync } from 'node:fs'
import { anyRecord } from '../src/core/record/anyRecord.fixture'
import { type InspectionRecord, recordSchema } from '../src/core/record/recordSchema'
import { upgradeRecord } from '../src/core/record/upgrade'
import { entry, finding } from './noted'
import { pastOverhauls } from './pastOverhauls.fixture'
import { demoRecord, foundNow } from './record'
import { SAFE } from './workContext.fixture'

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

export const everyRecord = records.map(([name, record]): readonly [string, InspectionRecord] => [name, withoutCounts(record)])
