/** A second factor: asked for, set up, asked at sign-in and at a signature, recovered from; no code twice, no guessing. */

import { base32 } from '@better-auth/utils/base32'
import { createOTP } from '@better-auth/utils/otp'
import type { Page } from '@playwright/test'
import { Visitor } from '../attack/visitor'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { nowMs } from '../src/clock/clock'
import { onDatabase } from './support/database'
import { expect, expectAccessible, JOB, open, signedIn, test } from './support/test'

const halfMinute = (): number => Math.floor(nowMs() / 30_000)
/** The code of a secret at a half minute: each is taken once, and one early or late holds. */
const codeOf = (secret: string, at: number): Promise<string> =>
  createOTP(new TextDecoder().decode(base32.decode(secret))).hotp(at)

async function password(page: Page, username: string): Promise<void> {
  await open(page, '/sign-in')
  await page.getByLabel('User name or e-mail').fill(username)
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
}

test.beforeAll(({ medida }) => medida.startOver())

test('an administrator asks a reviewer for it, who sets it up and signs in with it', async ({ medida, browser }) => {
  test.setTimeout(120_000)
  const { page: admin, context: administration } = await signedIn(browser, medida, 'admin')
  await open(admin, '/people')
  await admin.getByRole('button', { name: 'Edit Tobias Renn' }).click()
  await admin.getByLabel('Asked for a second factor').check()
  await admin.getByRole('button', { name: 'Save' }).click()
  await expect(admin.locator('dialog')).toHaveCount(0)

  const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await password(page, 'reviewer')
  // Nothing else is open before it is set up: neither a page nor a call.
  await expect(page).toHaveURL(/\/account#second-factor$/)
  await open(page, '/account')
  await expect(page.getByText('asks you for a second factor')).toBeVisible()
  expect((await page.request.get(`/api/jobs/${JOB}`)).status()).toBe(403)
  await page.getByLabel('Your password').fill(DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Set it up' }).click()
  await expect(page.getByRole('img', { name: 'The key as a picture' })).toBeVisible()
  await expectAccessible(page)
  const secret = (await page.getByText(/^[A-Z2-7]{40,}$/).textContent()) ?? ''
  const recovery =
    (await page
      .getByRole('listitem')
      .filter({ hasText: /^\w{5}-\w{5}$/ })
      .first()
      .textContent()) ?? ''
  await page.getByLabel('Code the device shows now').fill('000000')
  await page.keyboard.press('Enter')
  await expect(page.getByText('That code does not hold')).toBeVisible()
  // Counted from here: whether the clock passes a half minute on the way makes no difference.
  const begun = halfMinute()
  const used = await codeOf(secret, begun)
  await page.getByLabel('Code the device shows now').fill(used)
  await page.keyboard.press('Enter')
  await expect(page.getByText('It is set up.')).toBeVisible()
  // Asked for, it stays.
  await expect(page.getByRole('button', { name: 'Give it up' })).toHaveCount(0)

  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.waitForURL(/\/sign-in/)
  await password(page, 'reviewer')
  const code = page.getByLabel('Code your device shows now')
  await expect(code).toBeFocused()
  await expectAccessible(page)
  // The password alone opens nothing.
  expect((await page.request.get(`/api/jobs/${JOB}`)).status()).toBe(401)
  await code.fill(used)
  await page.keyboard.press('Enter')
  await expect(page.getByText('was used before')).toBeVisible()
  await code.fill(await codeOf(secret, begun + 1))
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(`${medida.url}/`)

  // A recovery code signs in once.
  for (const [once, lands] of [
    [true, true],
    [false, false],
  ] as const) {
    await page.getByRole('button', { name: 'Sign out' }).click()
    await page.waitForURL(/\/sign-in/)
    await password(page, 'reviewer')
    await code.fill(recovery)
    await page.keyboard.press('Enter')
    if (lands) await expect(page).toHaveURL(`${medida.url}/`)
    else await expect(page.getByText('That code does not hold')).toBeVisible()
    if (!once) break
  }

  // Who guesses is stopped, in parallel too, and the right code waits as well.
  // With the password alone.
  const guesser = await Visitor.as(medida.url, 'reviewer')
  const tries = await Promise.all(
    Array.from({ length: 12 }, () => guesser.post('/api/auth/two-factor/verify-totp', { code: '000000' })),
  )
  expect(tries.filter(({ status }) => status === 200)).toEqual([])
  const wrong = await onDatabase(medida, async (client) =>
    Number((await client.query(`SELECT count(*) AS n FROM event_log WHERE verb = 'person.wrongCode'`)).rows[0].n),
  )
  // The library lets only a few through in ten seconds; of those that come through, five are counted and no more.
  expect(wrong).toBeGreaterThan(0)
  expect(wrong).toBeLessThanOrEqual(5)
  const right = await guesser.post('/api/auth/two-factor/verify-totp', { code: await codeOf(secret, halfMinute() + 1) })
  expect(right.status).toBe(429)

  // A device that is lost: the administrator takes the factor away.
  await open(admin, '/people')
  await admin.getByRole('button', { name: 'Take second factor away' }).click()
  await expect(admin.getByRole('button', { name: 'Take second factor away' })).toHaveCount(0)
  await password(page, 'reviewer')
  await expect(page).toHaveURL(/\/account#second-factor$/)
  await administration.close()
  await context.close()
})
