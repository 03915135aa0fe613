import AxeBuilder from '@axe-core/playwright'
import { type Browser, type BrowserContext, test as base, expect, type Locator, type Page } from '@playwright/test'
import { movedTo } from '../../demo/laidOut'
import { DEMO_PASSWORD } from '../../demo/quillmere/station'
import { dayOf, now } from '../../src/clock/clock'
import { dayAfter } from '../../src/core/base/day'
import { laidOutOn, Medida } from './medida'

export const JOB = 'quillmere-u1-2026'

/** A day so many days from today. */
export const inDays = (days: number): string => dayAfter(dayOf(now()), days)

/** A day of the demo as it is written down, where it lies in the demo that these tests begin with. */
export const demoDay = (written: string): string => movedTo(laidOutOn())(written)

/**
 * Pages of a run whose clock was set have that clock, as every process has (`movedClock.mjs`). Only the time of day is moved:
 * a clock that takes the timers over as well stands still while a page is loaded, and falls behind the server's.
 */
export async function onTheClock(context: BrowserContext): Promise<BrowserContext> {
  const ahead = Number(process.env.MEDIDA_CLOCK_AHEAD ?? 0)
  if (ahead !== 0)
    await context.addInitScript((by) => {
      const Machine = Date
      const moved = (): number => Machine.now() + by
      globalThis.Date = new Proxy(Machine, {
        construct: (date, given, made) => Reflect.construct(date, given.length === 0 ? [moved()] : given, made) as Date,
        get: (date, name, receiver) => (name === 'now' ? moved : Reflect.get(date, name, receiver)),
      })
    }, ahead)
  return context
}

/** Tests that share one running Medida per worker. */
export const test = base.extend<object, { medida: Medida }>({
  browser: [
    async ({ browser }, use) => {
      const newContext = browser.newContext.bind(browser)
      browser.newContext = async (options) => onTheClock(await newContext(options))
      await use(browser)
    },
    { scope: 'worker' },
  ],
  medida: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for the pattern
    async ({}, use) => {
      const medida = await Medida.start()
      await use(medida)
      await medida.clear()
    },
    { scope: 'worker', timeout: 240_000 },
  ],
})

/** A page of one person, signed in by keyboard, in a browser context of its own. */
export async function signedIn(
  browser: Browser,
  medida: Medida,
  username: string,
): Promise<{ page: Page; context: BrowserContext }> {
  const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await open(page, '/sign-in')
  await page.getByLabel('User name or e-mail').fill(username)
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(`${medida.url}/`)
  return { page, context }
}

/** Tab forward until the wanted control has the focus: what a person without a mouse does. */
export async function tabTo(page: Page, name: RegExp | string): Promise<void> {
  const named = (
    ['button', 'link', 'radio', 'checkbox', 'textbox', 'combobox', 'searchbox', 'slider', 'tab', 'tree', 'application'] as const
  )
    .map((role) => page.getByRole(role, { name }))
    .reduce((all, one) => all.or(one))
  // Looking for the control by its name takes long on a large page: it is marked, and the mark is looked for.
  const mark = (): Promise<void> => named.evaluateAll((all) => all.forEach((one) => one.setAttribute('data-tab-wanted', '')))
  const isThere = (): Promise<boolean> => page.evaluate(() => document.activeElement?.hasAttribute('data-tab-wanted') ?? false)
  for (let presses = 0; presses < 160; presses += 1) {
    if (presses % 20 === 0) await mark()
    if (await isThere()) {
      await page.evaluate(() =>
        document.querySelectorAll('[data-tab-wanted]').forEach((one) => one.removeAttribute('data-tab-wanted')),
      )
      return
    }
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reached ${String(name)}`)
}

/** Opens a page and waits until its islands answer to keys and its letters have their faces: nothing moves by itself any more. */
export async function open(page: Page, path: string): Promise<void> {
  // A note just made is shown before it is stored: a person is not faster than its way to the server, a test is.
  const noted = page.locator('[data-queued]')
  if ((await noted.count()) > 0) await expect(noted.first()).toHaveAttribute('data-queued', '0')
  await page.goto(path)
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await page.evaluate(() => document.fonts.ready.then(() => undefined))
}

/** No serious accessibility fault on what is shown now. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    // No frames here: what they would be gathered in is not opened, and what passed is not described.
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`)).toEqual([])
}

/** What is sent to open a job on a machine without a meter; `id`: its own. */
export const jobBody = (id: string, level: string | null, reason = 'Runs rough') => ({
  id,
  level,
  runningHours: 0,
  readOn: inDays(0),
  reason,
  complaint: '',
  returnBy: null,
  mustRunHours: 0,
  practice: false,
  policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
  hoursNote: null,
})

/** The reading field of the bench, which must have the focus. */
export async function readingField(page: Page): Promise<Locator> {
  await expect(page.locator('section[aria-busy=false]')).toBeVisible()
  const field = page.locator('input[data-reading]')
  await expect(field).toBeFocused()
  return field
}

/** Types readings one after the other, each accepted by Enter, without touching anything else. */
export async function takeReadings(page: Page, texts: readonly string[]): Promise<void> {
  for (const text of texts) {
    await readingField(page)
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
  }
}

export { expect }
