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
    await page.getByRole('button', { name: 'Save the drawing' }).press('Enter')
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
