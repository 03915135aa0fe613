/** What must not happen: bad bodies, wrong roles, readings lost or stored twice, a signed record altered unseen. */

import type { APIRequestContext, APIResponse } from '@playwright/test'
import { DEMO_PASSWORD, people } from '../demo/quillmere/station'
import { now } from '../src/clock/clock'
import { countRows, onDatabase } from './support/database'
import { command, type Medida } from './support/medida'
import { expect, expectAccessible, JOB, open, signedIn, takeReadings, test } from './support/test'

const readingOf = (over: Record<string, unknown> = {}) => ({
  id: '01990000-0000-7000-8000-0000000000a1',
  characteristic: 'ring-gap-1',
  station: 'g',
  direction: '-',
  repeat: 1,
  stage: 'asFound',
  text: '0.85',
  gauge: 'fg-02',
  takenAt: now().toISOString(),
  supersedes: null,
  reason: null,
  ...over,
})

async function as(
  playwright: { request: { newContext(options: object): Promise<APIRequestContext> } },
  medida: Medida,
  username: string,
): Promise<APIRequestContext> {
  const request = await playwright.request.newContext({ baseURL: medida.url })
  const answer = await request.post('/api/auth/sign-in/username', { data: { username, password: DEMO_PASSWORD } })
  expect(answer.status()).toBe(200)
  return request
}

async function refusal(answer: APIResponse): Promise<{ status: number; code: string; message: string; paths: string[] }> {
  const { error } = (await answer.json()) as { error: { code: string; message: string; issues?: { path: string }[] } }
  return {
    status: answer.status(),
    code: error.code,
    message: error.message,
    paths: (error.issues ?? []).map(({ path }) => path),
  }
}

const READINGS = `/api/jobs/${JOB}/readings`

test.beforeAll(({ medida }) => medida.startOver())

test('bad bodies are refused with paths, and nothing of them is stored', async ({ playwright, medida }) => {
  const request = await as(playwright, medida, 'inspector')
  const before = await countRows(medida, 'reading')
  const cases: { name: string; send: () => Promise<APIResponse>; status: number; path?: string }[] = [
    {
      name: 'not JSON',
      send: () => request.post(READINGS, { headers: { 'content-type': 'application/json' }, data: Buffer.from('{"id":') }),
      status: 400,
      path: '',
    },
    {
      name: 'not JSON by its type',
      send: () => request.post(READINGS, { headers: { 'content-type': 'text/plain' }, data: 'hello' }),
      status: 415,
    },
    {
      name: 'id that is none',
      send: () => request.post(READINGS, { data: readingOf({ id: 'seven' }) }),
      status: 400,
      path: 'id',
    },
    {
      name: 'repeat that is no number',
      send: () => request.post(READINGS, { data: readingOf({ repeat: 'two' }) }),
      status: 400,
      path: 'repeat',
    },
    {
      name: 'field nobody asked for',
      send: () => request.post(READINGS, { data: readingOf({ value: 3 }) }),
      status: 400,
      path: '',
    },
    {
      name: 'text that is no reading',
      send: () => request.post(READINGS, { data: readingOf({ text: 'about 0.8' }) }),
      status: 400,
      path: 'text',
    },
    {
      name: 'correction without a reason',
      send: () => request.post(READINGS, { data: readingOf({ supersedes: readingOf().id }) }),
      status: 400,
      path: 'reason',
    },
    { name: 'job that is none', send: () => request.post('/api/jobs/nowhere/readings', { data: readingOf() }), status: 404 },
    {
      name: 'characteristic that is none',
      send: () => request.post(READINGS, { data: readingOf({ characteristic: 'ring-gap-9' }) }),
      status: 404,
    },
    { name: 'gauge that is none', send: () => request.post(READINGS, { data: readingOf({ gauge: 'fg-99' }) }), status: 404 },
    {
      name: 'place the method does not have',
      send: () => request.post(READINGS, { data: readingOf({ station: 'Z' }) }),
      status: 422,
    },
    {
      name: 'size no part has',
      send: () => request.post(READINGS, { data: readingOf({ text: '900 m' }) }),
      status: 400,
      path: 'text',
    },
    {
      name: 'body over the limit of the call',
      send: () => request.post(READINGS, { data: readingOf({ reason: 'x'.repeat(300_000) }) }),
      status: 413,
    },
    {
      name: 'body over the limit of the server',
      send: () => request.post(READINGS, { data: readingOf({ reason: 'x'.repeat(2_000_000) }) }),
      status: 413,
    },
    {
      name: 'another site',
      send: () => request.post(READINGS, { headers: { origin: 'http://elsewhere.example' }, data: readingOf() }),
      status: 403,
    },
  ]
  for (const { name, send, status, path } of cases) {
    const refused = await refusal(await send())
    expect({ name, status: refused.status }).toEqual({ name, status })
    expect(refused.message.length, name).toBeGreaterThan(20)
    if (path !== undefined) expect(refused.paths, name).toContain(path)
  }
  expect(await countRows(medida, 'reading')).toBe(before)
})

test('the same reading sent twice, even at once, is stored once', async ({ playwright, medida }) => {
  const request = await as(playwright, medida, 'inspector')
  const before = await countRows(medida, 'reading')
  const answers = await Promise.all(Array.from({ length: 6 }, () => request.post(READINGS, { data: readingOf() })))
  const stored = await Promise.all(answers.map(async (answer) => ((await answer.json()) as { stored: boolean }).stored))
  expect(stored.filter(Boolean)).toHaveLength(1)
  expect(await countRows(medida, 'reading')).toBe(before + 1)

  const other = await refusal(await request.post(READINGS, { data: readingOf({ text: '0.90' }) }))
  expect(other).toMatchObject({ status: 409, code: 'conflict' })
  const rival = await refusal(
    await request.post(READINGS, { data: readingOf({ id: '01990000-0000-7000-8000-0000000000a2', text: '0.90' }) }),
  )
  expect(rival.message).toContain('Mara Ellwood already read “0.85”')

  const corrected = readingOf({
    id: '01990000-0000-7000-8000-0000000000a3',
    text: '0.80',
    supersedes: readingOf().id,
    reason: 'Feeler bent',
  })
  expect((await request.post(READINGS, { data: corrected })).status()).toBe(200)
  const late = await refusal(
    await request.post(READINGS, { data: { ...corrected, id: '01990000-0000-7000-8000-0000000000a4', text: '0.75' } }),
  )
  expect(late.message).toContain('no longer stands: it is now “0.80”')
  expect(await countRows(medida, 'reading')).toBe(before + 2)
})

test('each role may do what is its own, and nothing else', async ({ playwright, medida }) => {
  const uuid = (n: number): string => `01990000-0000-7000-8000-0000000001${String(n).padStart(2, '0')}`
  const calls = {
    measure: { path: READINGS, data: readingOf({ id: uuid(1), characteristic: 'ring-gap-2' }) },
    confirm: { path: `/api/jobs/${JOB}/confirmations`, data: { id: uuid(2), step: 'strip', note: '' } },
    decide: {
      path: `/api/jobs/${JOB}/decisions`,
      data: { id: uuid(3), part: 'rod-seals', recommended: 'replace', decided: 'replace', reason: null },
    },
    send: { path: `/api/jobs/${JOB}/review`, data: { kind: 'send', id: uuid(4), note: '' } },
    return: { path: `/api/jobs/${JOB}/review`, data: { kind: 'return', id: uuid(5), note: 'not ready' } },
    sign: {
      path: `/api/jobs/${JOB}/review`,
      data: { kind: 'sign', id: uuid(6), password: DEMO_PASSWORD, recordSha256: '0'.repeat(64) },
    },
  }
  const own: Record<string, readonly string[]> = {
    inspector: ['measure', 'confirm', 'decide', 'send'],
    reviewer: ['return', 'sign'],
  }
  for (const { username, role } of people) {
    const request = await as(playwright, medida, username)
    expect((await request.get(`/jobs/${JOB}`)).status(), `${role} reads`).toBe(200)
    for (const [name, { path, data }] of Object.entries(calls)) {
      const answer = await request.post(path, { data })
      const allowed = own[role]?.includes(name) ?? false
      expect({ role, name, forbidden: answer.status() === 403 }).toEqual({ role, name, forbidden: !allowed })
      if (!allowed) expect((await refusal(answer)).message).toContain(`signed in as ${role}`)
    }
  }
})

test('nobody signed in reaches anything but the sign-in page', async ({ playwright, medida }) => {
  const request = await playwright.request.newContext({ baseURL: medida.url, maxRedirects: 0 })
  for (const path of ['/', `/jobs/${JOB}/bench`, '/machines/quillmere-unit-1/trends']) {
    const answer = await request.get(path)
    expect(answer.status(), path).toBe(302)
    expect(answer.headers().location).toMatch(/^\/sign-in/)
  }
  expect((await request.get(`/api/jobs/${JOB}`)).status()).toBe(401)
  expect((await request.post(READINGS, { data: readingOf() })).status()).toBe(401)
  const signUp = await request.post('/api/auth/sign-up/email', {
    data: { email: 'a@b.example', password: 'long enough', name: 'A' },
  })
  expect(signUp.ok()).toBe(false)
  expect(
    (await request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: 'guess' } })).status(),
  ).toBe(401)
})

test('unknown addresses and ids say so, on pages too', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'visitor')
  for (const path of [
    '/nowhere',
    '/jobs/nowhere',
    '/jobs/nowhere/bench',
    '/reports/nowhere',
    '/reports/01990000-0000-7000-8000-00000000ffff',
    '/machines/nowhere/trends',
  ]) {
    const answer = await page.goto(path)
    expect(answer?.status(), path).toBe(404)
    await expect(page.getByRole('heading', { name: 'Not found' })).toBeVisible()
  }
  await expectAccessible(page)
  await context.close()
})

test('nothing is measured before the machine is confirmed safe', async ({ browser, medida }) => {
  const job = 'quillmere-u1-unsafe'
  await onDatabase(medida, (client) =>
    client.query(
      `INSERT INTO job (id, machine_id, book_id, book_revision, title, reason, opened_on, opened_by, running_hours, must_run_hours, policy, installed)
       SELECT $1, machine_id, book_id, book_revision, 'Opened just now', reason, opened_on, opened_by, running_hours + 60, must_run_hours, policy, installed FROM job WHERE id = $2`,
      [job, JOB],
    ),
  )
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${job}/bench`)
  await expect(page.getByText('Finish “Make safe” before measuring.')).toBeVisible()
  await expect(page.locator('input[data-reading]')).toHaveCount(0)
  const early = await refusal(
    await page.request.post(`/api/jobs/${job}/readings`, { data: readingOf({ id: '01990000-0000-7000-8000-0000000000b1' }) }),
  )
  expect(early).toMatchObject({ status: 409, code: 'conflict' })
  const strip = await refusal(
    await page.request.post(`/api/jobs/${job}/confirmations`, {
      data: { id: '01990000-0000-7000-8000-0000000000b2', step: 'strip', note: '' },
    }),
  )
  expect(strip.message).toContain('stays closed until “Make safe” is done')

  await open(page, `/jobs/${job}`)
  await expect(page.getByText('Closed until “Make safe” is done.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Confirm Make safe' }).click()
  await expect(page.getByText('Isolate and try out')).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Note').fill('Isolated, tagged, tried out')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Isolated, tagged, tried out')).toBeVisible()
  await open(page, `/jobs/${job}/bench?c=journal`)
  await takeReadings(page, ['219.941'])
  await expect(page.getByRole('button', { name: /A drive side, 1 vertical: 219\.941/ })).toBeVisible()
  await context.close()
})

test('what a server has shown before is never shown again once it has changed', async ({ playwright, medida }) => {
  await medida.startOver() // places that other tests have read
  const inspector = await as(playwright, medida, 'inspector')
  const shown = async (): Promise<string> => (await inspector.get(`/api/jobs/${JOB}`)).text()
  const change = (sql: string): Promise<unknown> => onDatabase(medida, (client) => client.query(sql))
  const id = (end: string): string => `'01990000-0000-7000-8000-0000000001${end}'`
  const person = `'demo-inspector'`
  const at = `'${now().toISOString()}'`
  const changes: readonly [sql: string, says: string][] = [
    [`UPDATE machine SET name = 'Unit one' WHERE id = 'quillmere-unit-1'`, 'Unit one'],
    [`UPDATE job SET reason = 'Another reason' WHERE id = '${JOB}'`, 'Another reason'],
    [`ALTER TABLE gauge DISABLE TRIGGER USER; UPDATE gauge SET name = 'A renamed gauge' WHERE id = 'fg-02'`, 'A renamed gauge'],
    [
      `INSERT INTO decision (id, job_id, part, recommended, decided, reason, decided_by, decided_at)
       VALUES (${id('a3')}, '${JOB}', 'ring-1', 'hold', 'replace', 'A crack', ${person}, ${at})`,
      'A crack',
    ],
    // Of a row from before names were kept as they were then.
    [`UPDATE "user" SET name = 'Mara E.' WHERE id = ${person}`, 'Mara E.'],
    [
      `INSERT INTO step_confirmation (id, job_id, step, note, confirmed_by, confirmed_at) VALUES (${id('a4')}, '${JOB}', 'prove', 'Turned', ${person}, ${at})`,
      'Turned',
    ],
    [
      `INSERT INTO review_event (id, job_id, kind, note, acted_by, acted_at) VALUES (${id('a5')}, '${JOB}', 'returned', 'Once more', ${person}, ${at})`,
      'Once more',
    ],
    [
      `INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, value, gauge_id, taken_by, taken_at, received_at)
       VALUES (${id('a1')}, '${JOB}', 'ring-gap-2', 'g', '-', 1, 'asFound', '0.87', 'mm', 0.87, 'fg-02', ${person}, ${at}, ${at})`,
      '"text":"0.87"',
    ],
    [
      `INSERT INTO job_entry (id, job_id, subject, body, noted_by, noted_at)
       VALUES (${id('a2')}, '${JOB}', 'complaint', '{"kind":"complaintGone","note":"Runs quietly"}', ${person}, ${at})`,
      'Runs quietly',
    ],
    // Received before the other one, as from a server that was slow to store it.
    [
      `INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, value, gauge_id, taken_by, taken_at, received_at)
       VALUES (${id('a6')}, '${JOB}', 'ring-gap-1', 'g', '-', 1, 'afterWork', '0.88', 'mm', 0.88, 'fg-02', ${person}, ${at}, ${at}::timestamptz - interval '1 hour')`,
      '"text":"0.88"',
    ],
    [
      `INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, value, gauge_id, taken_by, taken_at, received_at, supersedes, reason)
       VALUES (${id('a7')}, '${JOB}', 'ring-gap-2', 'g', '-', 1, 'asFound', '0.89', 'mm', 0.89, 'fg-02', ${person}, ${at}, ${at}, ${id('a1')}, 'Misread')`,
      '"text":"0.89"',
    ],
  ]
  for (const [sql, says] of changes) {
    expect(await shown(), says).not.toContain(says)
    await change(sql)
    expect(await shown(), says).toContain(says)
    expect(await shown(), says).toContain(says)
  }
  // What was added bit by bit is what a server reads that has shown nothing yet, to the byte.
  const grown = await shown()
  await medida.end('SIGINT')
  await medida.startAgain()
  expect(await shown()).toBe(grown)
})

test('a signed record altered behind the program is found out', async ({ medida }) => {
  await medida.startOver() // figures that other tests have changed
  const reports = await onDatabase(
    medida,
    async (client) =>
      (await client.query(`SELECT id, sequence FROM report WHERE machine_id = 'quillmere-unit-1' ORDER BY sequence`)).rows as {
        id: string
        sequence: number
      }[],
  )
  const [first, second] = reports
  if (!first || !second) throw new Error('the demo has two signed reports')
  expect(command('verify', [second.id, '--data', medida.dataFolder]).status).toBe(0)

  const alter = (sql: string): Promise<unknown> => onDatabase(medida, (client) => client.query(sql))
  await expect(
    alter(`UPDATE report SET canonical = replace(canonical, '219.968', '219.978') WHERE sequence = 1`),
  ).rejects.toThrow(/append-only/)
  await expect(alter('DELETE FROM reading')).rejects.toThrow(/append-only/)
  await expect(alter(`UPDATE job SET running_hours = 1 WHERE id = 'quillmere-u1-2016'`)).rejects.toThrow(/signed/)

  await alter('ALTER TABLE report DISABLE TRIGGER ALL')
  await alter(`UPDATE report SET canonical = replace(canonical, '"value":219.968', '"value":219.978') WHERE sequence = 1`)
  const altered = command('verify', [first.id, '--data', medida.dataFolder])
  expect(altered.status).toBe(1)
  expect(altered.stdout).toContain('FAIL bytes altered')
  expect(altered.stdout).toContain('FAIL results')
  const next = command('verify', [second.id, '--data', medida.dataFolder])
  expect(next.stdout).toContain('ok   bytes intact')
  expect(next.stdout).toContain('FAIL chain broken')
})
