import { getTableName, is } from 'drizzle-orm'
import { PgTable } from 'drizzle-orm/pg-core'
import { expect, test } from 'vitest'
import { grants } from './grants'
import * as schema from './schema'

const tables = Object.values(schema)
  .filter((item) => is(item, PgTable))
  .map((table) => getTableName(table as PgTable))

test('every table has its rights written down', () => expect(Object.keys(grants).sort()).toEqual(tables.sort()))

test('what is recorded can only be added to', () => {
  const recorded = [
    'reading',
    'step_confirmation',
    'decision',
    'review_event',
    'report',
    'job_entry',
    'picture',
    'event_log',
    'limit_book',
    'machine_hours',
  ]
  for (const table of recorded) expect(grants[table]).toEqual(['INSERT'])
})
