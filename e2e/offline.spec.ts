/** A whole shift without a network: the bench reloads, readings wait, the browser is closed; then everything arrives once, in order. */

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { chromium } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { readingTexts } from './support/database'
import type { Medida } from './support/medida'
import { expect, onTheClock, open, signedIn, takeReadings, test } from './support/test'

const BENCH = '/jobs/quillmere-g1-2026/bench'
const texts = (medida: Medida, characteristic: string): Promise<string[]> =>
  readingTexts(medida, 'quillmere-g1-2026', characteristic)

test.beforeAll(({ medida }) => medida.startOver())

async function signIn(page: Page): Promise<void> {
  await open(page, '/sign-in')
  await page.getByLabel('User name or e-mail').fill('inspector')
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Shop floor' })).toBeVisible()
}

test('measured without a network, reloaded, closed and reopened: nothing is lost, nothing twice', async ({
  medida,
  launchOptions,
}) => {
  const profile = mkdtempSync(join(tmpdir(), 'medida-offline-'))
  const launch = async () =>
    onTheClock(await chromium.launchPersistentContext(profile, { ...launchOptions, baseURL: medida.url }))
  let context = await launch()
  let page = await context.newPage()
  await signIn(page)
  await open(page, `${BENCH}?c=groove-1`)
  await page.evaluate('navigator.serviceWorker.ready.then(() => undefined)')
  await takeReadings(page, ['6.08'])
  await expect(page.getByText('queued')).toHaveCount(0)

  await context.setOffline(true)
  await takeReadings(page, ['6.09'])
  await page.reload()
  await expect(page.getByText('Without a network.')).toBeVisible()
  await expect(page.getByRole('button', { name: /clock: 6\.08/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /clock: 6\.09, not sent yet/ })).toBeVisible()
  await takeReadings(page, ['6.10'])
  await page.goto(`${BENCH}?c=strip-thick`)
  await takeReadings(page, ['7.45', '>7.4'])
  await expect(page.getByText(/No connection: 4 readings kept/)).toBeVisible()
  await context.close()

  context = await launch()
  page = await context.newPage()
  await open(page, `${BENCH}?c=groove-1`)
  await expect(page.getByRole('button', { name: /clock: 6\.10/ })).toBeVisible()
  await expect(page.getByText('queued')).toHaveCount(0)
  await expect.poll(() => texts(medida, 'strip-thick')).toEqual(['7.45', '>7.4'])
  expect(await texts(medida, 'groove-1')).toEqual(['6.08', '6.09', '6.10'])
  await context.close()
  rmSync(profile, { recursive: true, force: true })
})

test('a place that somebody else read meanwhile: the person at the bench sees whose figure stands and chooses', async ({
  medida,
  browser,
}) => {
  const { page, context: mine } = await signedIn(browser, medida, 'inspector')
  await open(page, `${BENCH}?c=shell-crush`)
  await mine.setOffline(true)
  await takeReadings(page, ['0.12'])
  const { page: other, context: theirs } = await signedIn(browser, medida, 'inspector')
  await open(other, `${BENCH}?c=shell-crush`)
  await takeReadings(other, ['0.11'])
  await expect(other.getByText('queued')).toHaveCount(0)

  await mine.setOffline(false)
  await expect(page.getByText(/“0.12” was not stored: .* already read “0.11”/)).toBeVisible()
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(page.getByText('was not stored')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /upper half: 0\.12/ })).toBeVisible()
  await expect.poll(() => texts(medida, 'shell-crush')).toEqual(['0.11', '0.12'])
  await mine.close()
  await theirs.close()
})

test('two tabs without a network: each keeps its own, one is closed, and all of it arrives once', async ({ medida, browser }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const second = await context.newPage()
  await open(page, `${BENCH}?c=side-1`)
  await open(second, `${BENCH}?c=pump-lash`)
  await context.setOffline(true)
  await takeReadings(page, ['0.05', '0.06'])
  await takeReadings(second, ['0.11', '0.12', '0.11'])
  // Each tab tells of everything that this device keeps.
  await expect(second.getByText(/No connection: 5 readings kept/)).toBeVisible()
  await expect(page.getByText(/No connection: 5 readings kept/)).toBeVisible()
  await second.close()
  await context.setOffline(false)
  // The tab that is left sends what both have kept, and shows it.
  await expect.poll(() => texts(medida, 'pump-lash')).toEqual(['0.11', '0.12', '0.11'])
  await expect.poll(() => texts(medida, 'side-1')).toEqual(['0.05', '0.06'])
  await expect(page.getByText('queued')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /Governor pump, gear backlash.*3\/4/ })).toBeVisible()
  await context.close()
})

test('two tabs side by side: what one has sent is not waiting in the other', async ({ medida, browser }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const second = await context.newPage()
  await open(page, `${BENCH}?c=brush-left`)
  await open(second, `${BENCH}?c=brush-left`)
  await context.setOffline(true)
  await takeReadings(page, ['27.0'])
  await expect(second.getByRole('button', { name: /27\.0, not sent yet/ })).toBeVisible()
  await context.setOffline(false)
  for (const tab of [page, second]) await expect(tab.getByText('queued')).toHaveCount(0)
  await context.close()
})

test('a browser that keeps nothing: readings go straight to the server, and without a network none is accepted', async ({
  medida,
  browser,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  // As in a private window of some browsers, or on a full disk.
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('No store here', 'SecurityError')
    }
  })
  await open(page, `${BENCH}?c=air-gap`)
  await takeReadings(page, ['5.90'])
  await expect(page.getByText('This browser cannot store anything on this device')).toBeVisible()
  await expect.poll(() => texts(medida, 'air-gap')).toEqual(['5.90'])
  await expect(page.getByText('queued')).toHaveCount(0)

  await context.setOffline(true)
  await takeReadings(page, ['5.95'])
  await expect(page.getByText(/pole 2: “5\.95” was not stored: The server cannot be reached/)).toBeVisible()
  await page.getByRole('button', { name: 'Send it again' }).click()
  await expect(page.getByText(/“5\.95” was not stored/)).toBeVisible()
  await context.setOffline(false)
  await page.getByRole('button', { name: 'Send it again' }).click()
  await expect(page.getByText('was not stored')).toHaveCount(0)
  await expect.poll(() => texts(medida, 'air-gap')).toEqual(['5.90', '5.95'])

  // A session that ends meanwhile refuses the person, not the reading: signed in again elsewhere, it can be sent.
  const cookies = await context.cookies()
  await context.clearCookies()
  await takeReadings(page, ['5.85'])
  await expect(page.getByText(/“5\.85” was not stored/)).toBeVisible()
  await context.addCookies(cookies)
  await page.getByRole('button', { name: 'Send it again' }).click()
  await expect(page.getByText('was not stored')).toHaveCount(0)
  await expect.poll(() => texts(medida, 'air-gap')).toEqual(['5.90', '5.95', '5.85'])
  await context.close()
})

test('a store that is full but can be read: the note that nothing is kept stays until something is kept again', async ({
  medida,
  browser,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args) {
      if ((window as unknown as { hasRoom?: boolean }).hasRoom) return put.apply(this, args)
      throw new DOMException('The disk is full', 'QuotaExceededError')
    }
  })
  await open(page, `${BENCH}?c=ring-slide`)
  const note = page.getByText('This browser cannot store anything on this device')
  await takeReadings(page, ['0.11'])
  await expect(note).toBeVisible()
  await expect.poll(() => texts(medida, 'ring-slide')).toEqual(['0.11'])
  // Another tab that changes the store has this one look into it again: that it can be read does not take the note away.
  await note.evaluate((shown) => {
    const watch = new MutationObserver(() => {
      if (!shown.isConnected) Object.assign(window, { wentAway: true })
    })
    watch.observe(document.body, { childList: true, subtree: true })
    new BroadcastChannel('medida-outbox').postMessage('')
  })
  await takeReadings(page, ['0.12'])
  await expect.poll(() => texts(medida, 'ring-slide')).toEqual(['0.11', '0.12'])
  await expect(note).toBeVisible()
  expect(await page.evaluate(() => 'wentAway' in window)).toBe(false)
  await page.evaluate(() => Object.assign(window, { hasRoom: true }))
  await takeReadings(page, ['0.13'])
  await expect(note).toHaveCount(0)
  await expect.poll(() => texts(medida, 'ring-slide')).toEqual(['0.11', '0.12', '0.13'])
  await context.close()
})
