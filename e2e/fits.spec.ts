/** Fits of a pump with rolling bearings: what each is, which side to mend, and what is taken. */
import { expect, expectAccessible, open, signedIn, test } from './support/test'

const JOB = 'quillmere-p2-2026'

test('a clearance that either side can mend: the ways are compared, one is taken with its reason, and the board follows', async ({
  browser,
  medida,
}) => {
  await medida.startOver()
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/fits`)
  await expectAccessible(page)
  await page.getByLabel('Part or kind').fill('neck')
  await expect(page.locator('tr[data-fit]')).toHaveCount(1)
  await page.locator('tr[data-fit=neck-fit]').focus()
  // A reload keeps the fit that is chosen.
  await page.reload()
  await expect(page.getByRole('heading', { level: 2, name: 'Impeller in neck ring' })).toBeVisible()
  const way = (name: string) => page.locator('tr[data-way]').filter({ hasText: name })
  // Measured 160.34 to 160.43 on 159.36 to 159.38: a new ring leaves 160.00 to 160.04 about that eye.
  await expect(way('Neck ring: new one')).toContainText('0.62 … 0.68')
  await expect(way('Turn the eye, undersize neck ring')).toContainText('0.50 … 0.58')
  await expect(way('Sleeve and turn the eye')).toContainText('passes its limit after')
  await expect(way('Leave as it is')).toContainText('beyond a limit')
  await way('Turn the eye, undersize neck ring').getByRole('button').click()
  const dialog = page.getByRole('dialog', { name: 'Your verdict on Impeller' })
  await expect(dialog.getByRole('radio', { name: /Recondition/ })).toBeChecked()
  await expect(dialog.getByRole('radio', { name: /Turn the eye, undersize neck ring 310 EUR, 4 days/ })).toBeChecked()
  await dialog.getByRole('button', { name: /Decide/ }).click()
  await expect(dialog.getByText('Say why, in a few words')).toBeVisible()
  await dialog.getByLabel('Why').fill('Eye is scored; one ring to suit is in the store')
  await dialog.getByRole('button', { name: /Decide/ }).click()
  await expect(dialog).toBeHidden()
  await expect(way('Turn the eye, undersize neck ring')).toContainText('taken')
  await open(page, `/jobs/${JOB}/verdicts`)
  const row = page.locator('tr[data-part=impeller]')
  await expect(row).toContainText('Turn the eye, undersize neck ring')
  await expect(row).toContainText('310')
  await expect(row).toContainText('Eye is scored')
  await context.close()
})

test('by keyboard: a bearing that creeps in its housing, the first way taken as it is recommended', async ({
  browser,
  medida,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/fits`)
  // The page hears keys once the first row that is pressed is in the address.
  await expect(async () => {
    await page.keyboard.press('ArrowUp')
    expect(page.url()).toContain('f=fixed-on-shaft')
  }).toPass()
  await page.keyboard.press('ArrowDown')
  await expect(page).toHaveURL(/f=fixed-in-housing/)
  await expect(page.getByText('beyond, creeps').last()).toBeVisible()
  await expect(page.getByText('Outside of the bearing −0.015 mm … 0.000 mm from its nominal size, ISO 492:2014.')).toBeVisible()
  await page.keyboard.press('t')
  await expect(page.locator('tr[data-way=bush-fixed]')).toContainText('taken')
  await page.keyboard.press('/')
  await page.keyboard.type('shrink')
  await expect(page.locator('tr[data-fit]')).toHaveCount(1)
  await expect(page.getByText(/Heat evenly to 182 °C/)).toBeVisible()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('shims')
  // Back 0.235, front 0.575: what opens the one closes the other.
  await expect(
    page.getByText(
      /Add 0\.100 mm \+ 0\.050 mm = 0\.150 mm of shims where they open Impeller to back plate, gap\. Then it is 0\.385 mm, and Impeller to front plate, gap 0\.425 mm/,
    ),
  ).toBeVisible()
  await expectAccessible(page)
  await context.close()
})

test('who may only look takes nothing, and a tablet shows all of it', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'reviewer')
  await page.setViewportSize({ width: 1024, height: 768 })
  await open(page, `/jobs/${JOB}/fits?f=free-on-shaft`)
  await expect(page.getByText('undecided', { exact: true }).last()).toBeVisible()
  await expect(page.locator('[data-take]')).toHaveCount(0)
  expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0)
  await expectAccessible(page)
  await context.close()
})
