/** Two people on one job through two servers, and what is refused without a trace. */
import type { APIRequestContext, Browser, Locator, Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { countRows, onDatabase } from './support/database'
import { Medida } from './support/medida'
import { expect, JOB, open, readingField, signedIn, takeReadings, test } from './support/test'

const STRIP = `/jobs/${JOB}/strip`
/** What the issue of a change may take until the other person sees it. */
const SEEN_WITHIN_MS = 2_000

/** A second inspector, with the demo's password. */
const addInspector = (medida: Medida): Promise<void> =>
  onDatabase(medida, async (client) => {
    await client.query(
      `INSERT INTO "user" (id, name, email, email_verified, username, display_username, role)
       VALUES ('test-lena', 'Lena Voss', 'lena@quillmere.example', true, 'lena', 'lena', 'inspector')`,
    )
    await client.query(
      `INSERT INTO account (id, account_id, provider_id, user_id, password)
       SELECT 'test-lena-password', 'test-lena', 'credential', 'test-lena', password FROM account WHERE user_id = 'demo-inspector'`,
    )
  })

async function openStrip(browser: Browser, medida: Medida, username: string, part: string): Promise<Page> {
  const { page } = await signedIn(browser, medida, username)
  await open(page, `${STRIP}?p=${part}`)
  return page
}

test.describe('two people, two servers, one database', () => {
  let second: Medida
  let mara: Page
  let lena: Page

  test.beforeAll(async ({ browser, medida }) => {
    await medida.startOver()
    await addInspector(medida)
    second = await Medida.start({ DATABASE_URL: runningClusterUrl(medida.dataFolder) ?? '' })
    mara = await openStrip(browser, medida, 'inspector', 'gb-cap')
    lena = await openStrip(browser, second, 'lena', 'gb-cap')
  })
  test.afterAll(async () => {
    await mara.context().close()
    await lena.context().close()
    await second.clear()
  })

  test('each sees the other’s tags and ticks without reloading', async () => {
    await mara.getByRole('button', { name: 'Lay out in Tray 1' }).click()
    await expect(lena.getByRole('region', { name: 'Tray 1' }).getByRole('button', { name: 'Cap' })).toBeVisible({
      timeout: SEEN_WITHIN_MS,
    })
    await open(lena, `/jobs/${JOB}/as-found`)
    const tick = lena.getByRole('button', { name: 'Done: Look at the drained oil' })
    await tick.click()
    await lena.getByLabel('Note').fill('Clear')
    await open(mara, `/jobs/${JOB}/as-found`)
    await lena.keyboard.press('Enter')
    await expect(mara.getByText(/✓ Lena Voss.*Clear/)).toBeVisible({ timeout: SEEN_WITHIN_MS })
  })

  test('both change one tag: the second is told who and what, and chooses', async () => {
    await open(mara, `${STRIP}?p=gb-cap`)
    await open(lena, `${STRIP}?p=gb-cap`)
    await lena.getByLabel('Note', { exact: true }).fill('Bruised on the edge')
    await mara.getByLabel('Number', { exact: true }).fill('12')
    await mara.getByRole('button', { name: 'Write the tag' }).click()
    // What she typed stays while the other's tag arrives.
    await expect(lena.getByRole('treeitem', { name: /^Cap.*12/ })).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(lena.getByLabel('Note', { exact: true })).toHaveValue('Bruised on the edge')
    await lena.getByRole('button', { name: 'Write the tag' }).click()
    const dialog = lena.getByRole('dialog')
    await expect(dialog).toContainText('Mara Ellwood changed this at')
    await expect(dialog).toContainText('Tag of Cap: No. 12')
    await expect(dialog).toContainText('Bruised on the edge')
    await lena.getByRole('button', { name: 'Put mine in its place' }).click()
    await expect(dialog).toHaveCount(0)
    await expect(mara.getByText(/Lena Voss/).first()).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(mara.getByLabel('Note', { exact: true })).toHaveValue('Bruised on the edge')
    // Keeping the other's leaves it as it is.
    await lena.getByLabel('Note', { exact: true }).fill('Bruised, dressed')
    await mara.getByLabel('Note', { exact: true }).fill('Bruised twice')
    await mara.getByRole('button', { name: 'Write the tag' }).click()
    await expect(mara.getByText(/Mara Ellwood,/).first()).toBeVisible()
    await lena.getByRole('button', { name: 'Write the tag' }).click()
    await lena.getByRole('button', { name: 'Keep theirs' }).click()
    await expect(lena.getByLabel('Note', { exact: true })).toHaveValue('Bruised twice')
  })

  test('a cut network loses nothing and stores nothing twice', async ({ medida }) => {
    const before = await countRows(medida, 'job_entry')
    await mara.context().setOffline(true)
    await mara.getByRole('button', { name: 'One more Pipe cap in' }).click()
    await mara.getByRole('button', { name: 'One more Pipe cap in' }).click()
    await expect(mara.getByText('2 noted on this device')).toBeVisible()
    await expect(mara.getByText('2 temporary things inside')).toBeVisible()
    await mara.context().setOffline(false)
    await expect(mara.getByText('noted on this device')).toHaveCount(0)
    await expect(lena.getByText('2 temporary things inside')).toBeVisible()
    expect(await countRows(medida, 'job_entry')).toBe(before + 2)
    await mara.reload()
    await expect(mara.getByText('2 temporary things inside')).toBeVisible()
    expect(await countRows(medida, 'job_entry')).toBe(before + 2)
  })

  test('at the bench each sees what the other reads; what is typed where the other reads first is not lost', async () => {
    const bench = '/jobs/quillmere-g1-2026/bench?c=pump-lash'
    await open(mara, bench)
    await open(lena, bench)
    await takeReadings(mara, ['0.11'])
    await expect(lena.getByText('Mara Ellwood read “0.11” here just now.')).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(lena.getByRole('button', { name: /tooth 1: 0\.110, by Mara Ellwood/ })).toContainText('ME')
    await lena.keyboard.press('Enter')
    const field = await readingField(lena)
    await expect(field).toHaveAccessibleName(/tooth 2/)
    await lena.keyboard.type('0.13')
    await takeReadings(mara, ['0.12'])
    await expect(lena.getByText('Mara Ellwood read “0.12” here just now.')).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(field).toHaveValue('0.13')
    await expect(field).toBeFocused()
    await lena.keyboard.press('Enter')
    await lena.getByRole('button', { name: 'Gauge not square' }).click()
    await lena.getByRole('button', { name: 'Accept correction' }).click()
    const corrected = mara.getByRole('button', { name: /tooth 2: 0\.130, by Lena Voss, corrected/ })
    await expect(corrected).toBeVisible({ timeout: SEEN_WITHIN_MS })
    // Undoing is of one's own: it takes nothing of the other's back, and nothing that was not meant.
    await mara.keyboard.press('z')
    await expect(mara.getByText('Your “0.12” was corrected by somebody else since.')).toBeVisible()
    await expect(corrected).toBeVisible()
  })

  test('dragging lays out in order, moves to another tray and puts back; a quick hand loses nothing', async () => {
    await open(mara, STRIP)
    const tray = (name: string): Locator => mara.getByRole('region', { name, exact: true })
    const lying = (name: string): Locator => tray(name).locator('[data-card]')
    const inTree = (name: RegExp): Locator => mara.getByRole('treeitem', { name }).first()
    const card = (id: string): Locator => mara.locator(`[data-card=${id}] button`)
    const middle = async (of: Locator): Promise<{ x: number; y: number; height: number }> => {
      const box = await of.boundingBox()
      if (!box) throw new Error(`not on the page: ${of}`)
      return { x: box.x + box.width / 2, y: box.y + box.height / 2, height: box.height }
    }
    /** Takes hold and goes to the upper or lower half of something, where it is then; in one move, as a quick hand does. */
    const carry = async (what: Locator, to: Locator, half: 'upper' | 'lower'): Promise<void> => {
      const from = await middle(what)
      await mara.mouse.move(from.x, from.y)
      await mara.mouse.down()
      const { x, y, height } = await middle(to)
      await mara.mouse.move(x, y + (half === 'upper' ? -height : height) / 4)
    }
    const drag = async (...args: Parameters<typeof carry>): Promise<void> => {
      await carry(...args)
      await mara.mouse.up()
    }

    // A busy page hears of a quick hand all at once, before it has drawn anything of it.
    await inTree(/^Dowels/).evaluate((row) => {
      const place = document.querySelector('[data-card=gb-cap]')?.getBoundingClientRect()
      if (!place) throw new Error('the cap lies in a tray')
      const at = row.getBoundingClientRect()
      const say = (type: string, clientX: number, clientY: number): void => {
        const buttons = type === 'pointerup' ? 0 : 1
        const on = document.elementFromPoint(clientX, clientY) ?? row
        on.dispatchEvent(
          new PointerEvent(type, { bubbles: true, isPrimary: true, pointerId: 1, button: 0, buttons, clientX, clientY }),
        )
      }
      say('pointerdown', at.left + 40, at.top + 10)
      say('pointermove', at.left + 90, at.top + 12)
      say('pointermove', place.left + 40, place.bottom - 3)
      say('pointerup', place.left + 40, place.bottom - 3)
    })
    await expect(lying('Tray 1')).toContainText(['Cap', 'Dowels'])
    await drag(inTree(/^Oil guard(?! gasket)/), card('gb-cap'), 'upper')
    await expect(lying('Tray 1')).toContainText(['Oil guard', 'Cap', 'Dowels'])
    await card('gb-dowels').focus()
    await mara.keyboard.press('Alt+ArrowUp')
    await expect(lying('Tray 1')).toContainText(['Oil guard', 'Dowels', 'Cap'])

    // What would happen is shown while it hangs at the pointer, and Escape lets it be.
    await carry(card('gb-guard'), card('gb-cap'), 'lower')
    await expect(tray('Tray 1')).toHaveAttribute('data-over', 'true')
    await mara.keyboard.press('Escape')
    await mara.mouse.up()
    await expect(tray('Tray 1')).not.toHaveAttribute('data-over')
    await mara.getByRole('button', { name: 'New tray' }).click()
    await drag(card('gb-guard'), mara.getByText('Drag parts here, or press Enter'), 'lower')
    await expect(lying('Tray 2')).toContainText(['Oil guard'])
    await expect(lying('Tray 1')).toContainText(['Dowels', 'Cap'])
    await drag(card('gb-dowels'), mara.getByRole('tree'), 'upper')
    await expect(lying('Tray 1')).toHaveCount(1)
    await expect(inTree(/^Dowels/)).not.toContainText('out')

    // In a narrow window the trays lie below the tree: the page goes there while a part hangs at the pointer.
    await mara.setViewportSize({ width: 800, height: 600 })
    const row = await middle(inTree(/^Cap bolts/))
    await mara.mouse.move(row.x, row.y)
    await mara.mouse.down()
    await mara.mouse.move(row.x, 590)
    await expect.poll(() => mara.evaluate(() => scrollY)).toBeGreaterThan(100)
    await mara.mouse.move(row.x, 300) // away from the edge it stands still
    const cap = await middle(card('gb-cap'))
    await mara.mouse.move(cap.x, cap.y + cap.height / 4)
    await mara.mouse.up()
    await expect(lying('Tray 1')).toContainText(['Cap', 'Cap bolts'])
  })
})

test.describe('refused with a sentence, and nothing stored', () => {
  let request: APIRequestContext
  test.beforeAll(async ({ playwright, medida }) => {
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
    await open(page, `${STRIP}?p=gb-cap`)
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
