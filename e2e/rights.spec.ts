/** Every page and call, asked for in every role: who may not is told so before what was sent is looked at. */
import { Visitor } from '../attack/visitor'
import { people } from '../demo/quillmere/station'
import { mayUse, rights, routes } from '../src/server/people/rights'
import { onDatabase } from './support/database'
import { expect, JOB, test } from './support/test'

test('what the table of rights says is what the server does, route by route and role by role', async ({ medida }) => {
  const report = await onDatabase(medida, async (client) => (await client.query('SELECT id FROM report LIMIT 1')).rows[0].id)
  const ids: Readonly<Record<string, string>> = {
    job: JOB,
    machine: 'quillmere-unit-1',
    report,
    gauge: 'om-12',
    picture: '01990000-0000-7000-8000-000000000009',
    person: 'nobody-at-all',
    book: 'none',
    revision: 'none',
  }
  const wrong: string[] = []
  for (const { username, role } of people) {
    const visitor = await Visitor.as(medida.url, username)
    for (const route of routes) {
      const [method = '', pattern = ''] = route.split(' ')
      const path = pattern.replace(/\[(\w+)\]/g, (_, name: string) => ids[name] ?? '')
      const status = await visitor.statusOf(method, path)
      if ((status === 403) === mayUse(role, rights[route])) wrong.push(`${role}: ${route} answers ${status}`)
      if (status >= 500) wrong.push(`${role}: ${route} fails with ${status}`)
    }
  }
  expect(wrong).toEqual([])
  const stranger = Visitor.stranger(medida.url)
  for (const route of routes) {
    const [method = '', pattern = ''] = route.split(' ')
    const path = pattern.replace(/\[(\w+)\]/g, (_, name: string) => ids[name] ?? '')
    const status = await stranger.statusOf(method, path)
    if (status !== (pattern.startsWith('/api/') ? 401 : 302)) wrong.push(`nobody: ${route} answers ${status}`)
  }
  expect(wrong).toEqual([])
})
