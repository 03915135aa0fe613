/** What is refused around a job with a sentence, and leaves no trace. */
import type { APIRequestContext } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { countRows } from './support/database'
import { expect, JOB, open, signedIn, test } from './support/test'

test.describe('refused with a sentence, and nothing stored', () => {
  let request: APIRequestContext
  test.beforeAll(async ({ playwright, medida }) => {
    await medida.startOver()
    request = await playwright.request.newContext({ baseURL: medida.url })
    await request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
  })
  test.afterAll(() => request.dispose())

  const about = (over: object = {}) =>
    JSON.stringify({
      id: '01990000-0000-7000-8000-00000000c001',
      subject: { kind: 'position', id: 'gb-cap' },
      caption: '',
      ...over,
    })
  const jpeg = Buffer.from('ffd8ffe000104a46494600010100000100010000ffdb', 'hex')
  const files: { name: string; buffer: Buffer; about?: string; status: number; says: RegExp }[] = [
    {
      name: 'a text with a picture’s name',
      buffer: Buffer.from('not a picture'),
      status: 415,
      says: /not a picture Medida takes/,
    },
    {
      name: 'a drawing with a script in it',
      buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>'),
      status: 415,
      says: /not a picture Medida takes/,
    },
    { name: 'a broken JPEG', buffer: jpeg, status: 415, says: /not a picture/ },
    { name: 'nothing', buffer: Buffer.alloc(0), status: 400, says: /empty/ },
    { name: 'more than is taken', buffer: Buffer.alloc(6.5 * 1024 * 1024, 1), status: 413, says: /larger than 6 MB/ },
    { name: '50 MB', buffer: Buffer.alloc(50 * 1024 * 1024, 1), status: 413, says: /larger than/ },
    {
      name: 'a picture of a part of another machine',
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
      about: about({ subject: { kind: 'position', id: 'cy-l-cover' } }),
      status: 422,
      says: /no position “cy-l-cover”/,
    },
  ]
  for (const { name, buffer, about: fields = about(), status, says } of files)
    test(`a picture: ${name}`, async ({ medida }) => {
      const before = await countRows(medida, 'picture')
      const answer = await request.post(`/api/jobs/${JOB}/pictures`, {
        multipart: { about: fields, file: { name: 'photo.jpg', mimeType: 'image/jpeg', buffer } },
      })
      expect(answer.status()).toBe(status)
      expect(((await answer.json()) as { error: { message: string } }).error.message).toMatch(says)
      expect(await countRows(medida, 'picture')).toBe(before)
    })

  const entry = (body: object) => ({ entries: [{ id: '01990000-0000-7000-8000-00000000e009', seen: null, body }] })
  const cases: { name: string; path: string; data: object; status: number; says: RegExp }[] = [
    {
      name: 'a tag on a part of another job',
      path: `/api/jobs/${JOB}/entries`,
      data: entry({
        kind: 'tagWritten',
        position: 'cy-l-cover',
        tag: { number: '1', face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' },
      }),
      status: 422,
      says: /no position “cy-l-cover”/,
    },
    {
      name: 'a position inside itself',
      path: `/api/jobs/${JOB}/entries`,
      data: entry({ kind: 'positionMoved', position: 'gb', parent: 'gb-cap' }),
      status: 422,
      says: /cannot sit inside itself/,
    },
    {
      name: 'an entry nobody knows',
      path: `/api/jobs/${JOB}/entries`,
      data: entry({ kind: 'wished', what: 'gold' }),
      status: 400,
      says: /entries\[0\]\.body/,
    },
    {
      name: 'a picture entry without its picture',
      path: `/api/jobs/${JOB}/entries`,
      data: entry({
        kind: 'pictureAdded',
        picture: '01990000-0000-7000-8000-00000000c002',
        subject: { kind: 'position', id: 'gb-cap' },
        caption: '',
        sha256: 'a'.repeat(64),
        width: 1,
        height: 1,
      }),
      status: 422,
      says: /Send the picture itself/,
    },
    {
      name: 'a second open job on a machine',
      path: '/api/machines/quillmere-unit-1/jobs',
      data: openBody({}),
      status: 409,
      says: /has an open job/,
    },
    {
      name: 'a level that is none',
      path: '/api/machines/quillmere-unit-2/jobs',
      data: openBody({ level: 'polish' }),
      status: 404,
      says: /no inspection level/,
    },
    {
      name: 'hours that fall',
      path: '/api/machines/quillmere-unit-2/jobs',
      data: openBody({ runningHours: 100 }),
      status: 400,
      says: /cannot fall/,
    },
    {
      name: 'hours of no meter',
      path: '/api/machines/quillmere-unit-2/jobs',
      data: openBody({ runningHours: -5 }),
      status: 400,
      says: /runningHours/,
    },
    {
      name: 'a meter read tomorrow',
      path: '/api/machines/quillmere-unit-2/jobs',
      data: openBody({ readOn: '2199-01-01' }),
      status: 400,
      says: /cannot have been read/,
    },
    {
      name: 'a return date that is past',
      path: '/api/machines/quillmere-unit-2/jobs',
      data: openBody({ returnBy: '2001-01-01' }),
      status: 400,
      says: /is past/,
    },
    {
      name: 'a machine that is none',
      path: '/api/machines/nose/jobs',
      data: openBody({}),
      status: 404,
      says: /no machine “nose”/,
    },
  ]
  for (const { name, path, data, status, says } of cases)
    test(name, async ({ medida }) => {
      const before = [
        await countRows(medida, 'job_entry'),
        await countRows(medida, 'job'),
        await countRows(medida, 'machine_hours'),
      ]
      const answer = await request.post(path, { data })
      expect(((await answer.json()) as { error: { message: string } }).error.message).toMatch(says)
      expect(answer.status()).toBe(status)
      expect([
        await countRows(medida, 'job_entry'),
        await countRows(medida, 'job'),
        await countRows(medida, 'machine_hours'),
      ]).toEqual(before)
    })

  test('an entry sent twice is stored once; another one with its id is refused', async ({ medida }) => {
    const body = { kind: 'lookedAt', part: 'shell', note: '' }
    const before = await countRows(medida, 'job_entry')
    const send = (data: object) => request.post(`/api/jobs/${JOB}/entries`, { data })
    expect((await send(entry(body))).status()).toBe(200)
    expect((await send(entry(body))).status()).toBe(200)
    expect((await send(entry({ ...body, part: 'shaft' }))).status()).toBe(409)
    expect(await countRows(medida, 'job_entry')).toBe(before + 1)
  })

  test('who may only look can neither note, open a job nor send a picture', async ({ playwright, medida }) => {
    const visitor = await playwright.request.newContext({ baseURL: medida.url })
    await visitor.post('/api/auth/sign-in/username', { data: { username: 'visitor', password: DEMO_PASSWORD } })
    const planner = await playwright.request.newContext({ baseURL: medida.url })
    await planner.post('/api/auth/sign-in/username', { data: { username: 'planner', password: DEMO_PASSWORD } })
    const note = entry({ kind: 'lookedAt', part: 'shell', note: 'x' })
    expect((await visitor.post(`/api/jobs/${JOB}/entries`, { data: note })).status()).toBe(403)
    expect((await visitor.post('/api/machines/quillmere-unit-2/jobs', { data: openBody({}) })).status()).toBe(403)
    const file = { name: 'a.jpg', mimeType: 'image/jpeg', buffer: jpeg }
    expect((await visitor.post(`/api/jobs/${JOB}/pictures`, { multipart: { about: about(), file } })).status()).toBe(403)
    expect((await planner.post(`/api/jobs/${JOB}/entries`, { data: note })).status()).toBe(403)
    const tick = {
      entries: [
        { id: '01990000-0000-7000-8000-00000000e00a', seen: null, body: { kind: 'planTicked', item: 'ov-fan', state: 'there' } },
      ],
    }
    expect((await planner.post(`/api/jobs/${JOB}/entries`, { data: tick })).status()).toBe(200)
    await visitor.dispose()
    await planner.dispose()
  })

  test('a picture is kept upright and small, drawn upon, and comes back as it was kept', async ({ browser, medida }) => {
    const { page, context } = await signedIn(browser, medida, 'inspector')
    await open(page, `/jobs/${JOB}/strip?p=gb-cap`)
    const png = await page.screenshot()
    await page.getByLabel('Add a picture of Cap').setInputFiles({ name: 'cap.png', mimeType: 'image/png', buffer: png })
    await page.getByRole('button', { name: 'Picture of Cap', exact: true }).click()
    await page.getByRole('button', { name: 'Draw on it' }).click()
    await expect(page.locator('canvas').first()).toBeVisible()
    await page.getByRole('button', { name: 'Place ring in the middle' }).press('Enter')
    await page.getByLabel(/Picture to draw on/).press('ArrowRight')
    await page.getByRole('button', { name: 'Keep the drawing' }).press('Enter')
    await expect(page.getByRole('dialog').locator('ellipse')).toHaveCount(1)
    await page.getByRole('button', { name: 'Close' }).click()
    await page
      .getByLabel('Add a picture of Cap')
      .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') })
    await expect(page.getByRole('alert').filter({ hasText: '“notes.txt” is not a picture' })).toBeVisible()
    const source = await page.locator('img[src*="/pictures/"]').first().getAttribute('src')
    const kept = await page.request.get((source ?? '').replace('?small', ''))
    expect(kept.headers()['content-type']).toBe('image/jpeg')
    const other = await page.request.get((source ?? '').replace(JOB, 'larkhollow-3-2026'))
    expect(other.status()).toBe(404)
    await context.close()
  })
})

function openBody(over: object) {
  return {
    id: '01990000-0000-7000-8000-00000000b001',
    level: 'full',
    runningHours: 28_240,
    readOn: '2026-11-20',
    reason: 'Hours due',
    complaint: '',
    returnBy: null,
    mustRunHours: 8_000,
    policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
    hoursNote: null,
    ...over,
  }
}
