/** Accepted readings on their way to the server: a cut network, an ended session, someone else at the same place. */
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { countRows } from './support/database'
import { expect, expectAccessible, inDays, JOB, open, readingField, signedIn, takeReadings, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())

test('without a network readings wait on the device, survive a closed page and arrive once', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/bench?c=journal`)
  const before = await countRows(medida, 'reading')
  await context.setOffline(true)
  await takeReadings(page, ['219.941', '219.939'])
  await expect(page.getByText('2 readings kept on this device')).toBeVisible()
  await page.close()
  expect(await countRows(medida, 'reading')).toBe(before)
  await context.setOffline(false)
  const again = await context.newPage()
  await open(again, `/jobs/${JOB}/bench?c=journal`)
  await readingField(again)
  await expect(again.getByRole('button', { name: /A drive side, 2 level: 219\.939\. Correct/ })).toBeVisible()
  await expect.poll(() => countRows(medida, 'reading')).toBe(before + 2)
  await context.close()
})

test('a session that ends keeps its readings until the same person signs in again', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/bench?c=end-float`)
  const before = await countRows(medida, 'reading')
  await context.clearCookies()
  await takeReadings(page, ['0.310'])
  await expect(page.getByText('You are signed out: 1 reading kept on this device')).toBeVisible()

  await page.getByRole('link', { name: 'Sign in' }).click()
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await page.getByLabel('User name or e-mail').fill('trainee')
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page.getByText('You have read-only access')).toBeVisible()
  expect(await countRows(medida, 'reading')).toBe(before)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page).toHaveURL(/sign-in/)

  await open(page, `/sign-in?next=${encodeURIComponent(`/jobs/${JOB}/bench?c=end-float`)}`)
  await page.getByLabel('User name or e-mail').fill('inspector')
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await expect.poll(() => countRows(medida, 'reading')).toBe(before + 1)
  await context.close()
})

test('a place read by someone else meanwhile is shown, and the person chooses', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const { page: other, context: elsewhere } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/bench?c=bearing-strip`)
  await open(other, `/jobs/${JOB}/bench?c=bearing-strip`)
  await elsewhere.setOffline(true)
  await takeReadings(other, ['2.60'])
  await takeReadings(page, ['2.55'])
  await expect(page.getByText('queued')).toHaveCount(0)
  await elsewhere.setOffline(false)
  await expect(other.getByText('Mara Ellwood already read “2.55”')).toBeVisible()
  await other.getByRole('button', { name: 'Use theirs' }).click()
  await expect(other.getByRole('button', { name: /A drive side end: 2\.550/ })).toBeVisible()
  await context.close()
  await elsewhere.close()
})

/** Twenty ways in which a server declines what waited on a device, with what was noted. */
const REFUSALS = [400, 400, 401, 403, 403, 404, 404, 409, 409, 409, 410, 411, 413, 415, 422, 422, 422, 423, 451, 418].map(
  (status, index) => ({ status: status === 401 ? 403 : status, text: `Noted offline number ${index + 1}, at the cap` }),
)

test('twenty kinds of refusal: every text stays on the device, readable, until its author drops it', async ({
  browser,
  medida,
}) => {
  await medida.startOver()
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await context.route(`**/api/jobs/${JOB}/entries`, (route) => {
    const sent = route.request().postData() ?? ''
    const refusal = REFUSALS.find(({ text }) => sent.includes(text))
    if (!refusal) return route.continue()
    return route.fulfill({
      status: refusal.status,
      contentType: 'application/json',
      body: JSON.stringify({ error: { code: 'refused', message: `Refused with ${refusal.status} for a test.` } }),
    })
  })
  await open(page, '/')
  await page.evaluate(
    async ([job, texts, at]) => {
      const request = indexedDB.open('medida-outbox', 2)
      await new Promise((resolve, reject) => {
        request.onupgradeneeded = () => {
          for (const name of ['items', 'entries'])
            request.result.createObjectStore(name, { keyPath: 'id' }).createIndex('person', 'personId')
        }
        request.onsuccess = resolve
        request.onerror = reject
      })
      const transaction = request.result.transaction(['items', 'entries'], 'readwrite')
      const id = '01990000-0000-7000-8000-000000000009'
      const place = { characteristic: 'end-float', station: '-', direction: '-', repeat: 1, stage: 'asFound' }
      const made = {
        id,
        ...place,
        text: '0.31',
        conditions: null,
        gauge: null,
        takenAt: at,
        supersedes: null,
        reason: null,
      }
      transaction.objectStore('items').put({
        id,
        personId: 'demo-inspector',
        jobId: job,
        body: { ...made, kind: 'read' },
        reading: {
          ...made,
          kind: 'point',
          value: 0.31,
          low: null,
          high: null,
          defaultUnit: 'mm',
          masterMm: null,
          by: 'Mara Ellwood',
        },
      })
      for (const [index, text] of texts.entries()) {
        const id = `01990000-0000-7000-8000-0000000000${10 + index}`
        transaction.objectStore('entries').put({
          id,
          personId: 'demo-inspector',
          jobId: job,
          by: 'Mara Ellwood',
          at,
          entries: [
            {
              id,
              seen: null,
              body: { kind: 'stepAdded', step: `s-${index}`, phase: 'strip', name: `Step ${index}`, text, after: null },
            },
          ],
        })
      }
      await new Promise((resolve) => {
        transaction.oncomplete = resolve
      })
      request.result.close()
    },
    [JOB, REFUSALS.map(({ text }) => text), `${inDays(-1)}T10:00:00Z`] as const,
  )
  const before = await countRows(medida, 'reading')
  for (const _ of ['as it is refused', 'after a reload']) {
    await open(page, `/jobs/${JOB}/plan`)
    for (const { text } of REFUSALS) await expect(page.getByText(text)).toBeVisible()
  }
  await expectAccessible(page)
  // A page of the release before kept readings and notes apart: both were taken along.
  await expect.poll(() => countRows(medida, 'reading')).toBe(before + 1)
  await page.getByRole('button', { name: 'Discard' }).first().click()
  await expect(page.getByText(REFUSALS[0]?.text ?? '')).toHaveCount(0)
  await expect(page.getByText(REFUSALS[1]?.text ?? '')).toBeVisible()
  await context.close()
})
