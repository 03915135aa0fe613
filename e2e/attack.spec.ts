/** What is written can be read, whatever is sent; and what cannot be read hides nothing beside it. */
import { badRows } from '../attack/badRows'
import { fuzz } from '../attack/fuzz'
import { FUZZED } from '../attack/targets'
import { Visitor } from '../attack/visitor'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { connect } from '../src/db/client'
import { onDatabase } from './support/database'
import { expect, JOB, test } from './support/test'

test.beforeEach(({ medida }) => medida.startOver())

test('a thousand bodies at and beyond every bound: nothing fails, and what is accepted is read back', async ({ medida }) => {
  const connection = connect(runningClusterUrl(medida.dataFolder) ?? '')
  const seed = Date.now() % 1_000_000_000
  const { accepted, failures } = await fuzz({ url: medida.url, connection, ...FUZZED }, 1000, seed)
  await connection.pool.end()
  expect(failures, `seed ${seed}`).toEqual([])
  expect(accepted).toBeGreaterThan(100)
})

test('a bad row in any table hides itself alone', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  for (const [table, sql] of badRows) {
    await onDatabase(medida, (client) => client.query(sql))
    const { status, text } = await inspector.get('/')
    expect(`${table}: ${status}`).toBe(`${table}: 200`)
    expect(`${table}: ${text.includes('Unit 1')}`).toBe(`${table}: true`)
  }
  const home = await inspector.get('/')
  expect(home.text.includes('cannot be shown')).toBe(true)
  const job = await inspector.get(`/jobs/${JOB}`)
  expect(job.status).toBe(200)
  const said = [...job.text.matchAll(/<\/b> (A [^<]*left out[^<]*)</g)].map(([, sentence]) => sentence).join('\n')
  for (const named of [/^A reading journal/m, /^A decision /m, /^A note of Mara Ellwood on x/m]) expect(said).toMatch(named)
  expect((await inspector.get('/gauges')).text.includes('The figures of OM-12 cannot be read')).toBe(true)
})

test('addresses and methods that are none get a sentence and 4xx', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  for (const path of ['/jobs/%00', '/jobs/a%00b/bench', '/reports/%ff', '/?next=%00', '/api/jobs/%00/readings', '/api/nothing']) {
    const { status, text } = await inspector.get(path)
    expect(`${path} ${status}`).toMatch(/ 4\d\d$/)
    expect(text.length).toBeGreaterThan(20)
  }
  for (const method of ['TRACE', 'DELETE', 'PUT', 'OPTIONS'])
    expect((await fetch(`${medida.url}/`, { method: method === 'TRACE' ? 'PATCH' : method })).status).toBe(405)
})
