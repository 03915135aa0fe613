/** Every view as it comes: signed out, in the dark, on a tablet, before it is alive. */
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { expect, expectAccessible, JOB, open, readingField, signedIn, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())

test('the sign-in page says what is wrong and keeps what was typed', async ({ browser, medida }) => {
  const context = await browser.newContext({ baseURL: medida.url })
  const page = await context.newPage()
  await open(page, `/jobs/${JOB}/fits`)
  await expectAccessible(page)
  await page.getByLabel('User name or e-mail').fill('planner@quillmere.example')
  await page.getByLabel('Password').fill('wrong')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'Wrong user name or password' })).toBeVisible()
  await expect(page.getByLabel('User name or e-mail')).toHaveValue('planner@quillmere.example')
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(new RegExp(`/jobs/${JOB}/fits$`))
  await context.close()
})

test('dark theme and a tablet: every view without serious faults', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.setViewportSize({ width: 1024, height: 768 })
  for (const path of [
    '/',
    `/jobs/${JOB}`,
    `/jobs/${JOB}/plan`,
    `/jobs/${JOB}/make-safe`,
    `/jobs/${JOB}/as-found`,
    '/jobs/larkhollow-3-2026/strip?p=cy-l-cover',
    '/jobs/larkhollow-3-2026/labels',
    `/jobs/${JOB}/gate`,
    '/jobs/larkhollow-3-2026/look',
    '/machines/quillmere-unit-2/open',
    `/jobs/${JOB}/bench`,
    `/jobs/${JOB}/fits`,
    `/jobs/${JOB}/verdicts`,
    `/jobs/${JOB}/report`,
    '/machines/quillmere-unit-1',
    '/machines/quillmere-unit-1/trends',
    '/machines/quillmere-unit-1/history',
    '/machines/new',
    '/machines/quillmere-unit-1/compose',
    '/machines/quillmere-unit-1/limits',
    `/jobs/${JOB}/limits`,
    '/jobs/quillmere-g1-2026/bench?c=pad-contact&stage=asLeft',
    '/books',
    `/jobs/${JOB}/sheets?part=shell&size=a5`,
    '/jobs/tarn-end-winch-2026/rebuild',
    '/books/quillmere-francis/edit',
    '/books/quillmere-francis/sheets?part=shell',
    '/gauges',
    '/account',
    '/rights',
  ]) {
    await open(page, path)
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
    expect(await page.locator('body').innerText(), path).not.toMatch(/\[object|undefined|NaN/)
    await expectAccessible(page)
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      `${path} scrolls sideways`,
    ).toBe(0)
  }
  // A table is searched by words in any of its columns, and sorted by its heads: figures as figures.
  await open(page, '/gauges')
  await expect(page.locator('tbody tr').first()).toContainText('lapsed')
  await page.getByLabel('Find a gauge').fill('bore quillmere')
  await expect(page.locator('tbody tr').filter({ hasNotText: /bore.*quillmere/i })).toHaveCount(0)
  await expect(page.locator('tbody tr')).not.toHaveCount(0)
  await page.getByLabel('Find a gauge').fill('')
  await page.getByRole('button', { name: 'Step', exact: true }).click()
  await expect(page.getByRole('columnheader', { name: 'Step' })).toHaveAttribute('aria-sort', 'ascending')
  await expect(page.locator('tbody tr').first()).toContainText('0.001')
  await page.getByLabel('Find a gauge').fill('no such thing')
  await expect(page.getByText('Nothing matches.')).toBeVisible()
  await open(page, `/jobs/${JOB}/bench`)
  await readingField(page)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys at the bench' })).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('g')
  await page.keyboard.type('ring 2')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Ring 2 end gap' })).toBeVisible()
  await context.close()
})

test('a part chosen before the strip map has come alive is open when it has', async ({ browser, medida }) => {
  for (const chooseWith of ['keys', 'press'] as const) {
    const { page, context } = await signedIn(browser, medida, 'inspector')
    let letGo = (): void => {}
    const held = new Promise<void>((resolve) => {
      letGo = resolve
    })
    await context.route(/\/_astro\/StripMap\./, async (route) => {
      await held
      await route.continue()
    })
    await page.goto(`/jobs/${JOB}/strip`, { waitUntil: 'commit' })
    const rows = page.getByRole('treeitem')
    await expect(rows.nth(2)).toBeVisible()
    if (chooseWith === 'press') await rows.nth(2).click()
    else {
      await page.getByRole('tree').focus()
      for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp']) await page.keyboard.press(key)
    }
    await expect(page.getByRole('treeitem', { selected: true })).toHaveCount(1)
    await expect(rows.nth(2)).toHaveAttribute('aria-selected', 'true')
    await expect(page.locator('astro-island[ssr]')).toHaveCount(1) // not alive yet
    letGo()
    const name = await rows.nth(2).innerText()
    await expect(page.getByRole('heading', { name: name.split('\n')[0], exact: true })).toBeVisible()
    await expect(page.getByRole('treeitem', { selected: true })).toHaveCount(1)
    await context.close()
  }
})
