/** Verdicts that follow from more than a figure against its limit: doubt, the hours to come, the parts beside it. */
import type { Page } from '@playwright/test'
import { readingTexts } from './support/database'
import type { Medida } from './support/medida'
import { expect, expectAccessible, inDays, open, readingField, signedIn, takeReadings, test } from './support/test'

/** Reads a whole characteristic, keeps what is asked about, and waits until all of it is in. */
async function measure(page: Page, medida: Medida, job: string, characteristic: string, texts: readonly string[]): Promise<void> {
  await open(page, `/jobs/${job}/bench?c=${characteristic}`)
  for (const text of texts) {
    await readingField(page)
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
    await expect(async () => {
      if (await page.getByRole('button', { name: /Keep/ }).isVisible()) await page.keyboard.press('k')
      // The field goes with the last reading.
      const left = await page.evaluate(() => document.querySelector<HTMLInputElement>('input[data-reading]')?.value ?? '')
      expect(left).toBe('')
    }).toPass()
  }
  await expect.poll(async () => (await readingTexts(medida, job, characteristic)).length).toBe(texts.length)
}

test.beforeAll(({ medida }) => medida.startOver())

test('a bush that is within its limits now and will not last until the next overhaul', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const job = 'quillmere-g1-2026'
  await measure(page, medida, job, 'bush-1-bore', ['+0.240', '+0.238', '+0.241', '+0.236'])
  await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('60.24')
  await open(page, `/jobs/${job}/verdicts`)
  const row = page.locator('tr[data-part=bush-1]')
  await expect(row).toContainText('Hold')
  await expect(row).toContainText('may not last the interval: expected 60.303')
  await context.close()
})

test('what is too close to say is settled by a better gauge, read again for one reason', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const job = 'quillmere-p2-2026'
  await open(page, `/jobs/${job}/verdicts`)
  const row = page.locator('tr[data-part=shaft]')
  await expect(row).toContainText('Hold')
  await expect(row).toContainText('too close to the wear limit')

  await open(page, '/gauges')
  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByLabel('Code').fill('OM-41')
  await page.getByLabel('Name').fill('Measuring machine 25 to 50')
  await page.getByLabel(/^Step/).fill('0.1 µm')
  await page.getByLabel(/^Permissible error/).fill('0.4 µm')
  await page.getByLabel('Calibrated until').fill(inDays(700))
  await page.getByRole('button', { name: 'Add to the store' }).click()
  await expect(page.getByRole('row', { name: /OM-41 Measuring machine/ })).toBeVisible()

  await open(page, `/jobs/${job}/bench?c=seat-free`)
  await page.getByLabel('In hand').selectOption({ label: 'OM-41 · Measuring machine 25 to 50' })
  await page.keyboard.press('t')
  await page.keyboard.type('Read again on the measuring machine')
  await page.keyboard.press('Enter')
  await takeReadings(page, ['45.0031', '44.9992', '45.0021', '44.9964'])
  // Each of the four once more, beside what was read before.
  await expect.poll(async () => (await readingTexts(medida, job, 'seat-free')).length).toBe(8)
  await open(page, `/jobs/${job}/verdicts`)
  await expect(row).not.toContainText('too close')
  await expect(row).toContainText('Reuse')
  await context.close()
})

test('a set has one verdict: a ring renewed on one side is renewed on the other, which was never measured', async ({
  browser,
  medida,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const job = 'larkhollow-3-2026'
  await measure(page, medida, job, 'cyl-l-bore', ['9.031', '9.029', '9.033', '9.030', '9.032', '9.028'])
  await measure(page, medida, job, 'ring-l-gap', ['0.350'])
  await open(page, `/jobs/${job}/verdicts`)
  await expect(page.locator('tr[data-part=ring-l]')).toContainText('Replace')
  const other = page.locator('tr[data-part=ring-r]')
  await expect(other).toContainText('Replace')
  await expect(other).toContainText('One set with Left piston ring')
  await expectAccessible(page)
  await context.close()
})

test('which type is fitted is said, and what belongs to the other comes and goes with it', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const job = 'quillmere-p2-2026'
  await open(page, `/jobs/${job}/verdicts`)
  await expect(page.locator('tr[data-part=seal]')).toBeVisible()
  await expect(page.locator('tr[data-part=sleeve]')).toHaveCount(0)
  await open(page, `/jobs/${job}/limits`)
  // The page comes anew, with what belongs to it; before that nothing else is opened.
  const anew = page.waitForEvent('load')
  await page.getByLabel('Shaft seal').selectOption('Packing on a sleeve')
  await anew
  await expect(page.getByText('Mara Ellwood. What belongs to other types is left out.')).toBeVisible()
  await open(page, `/jobs/${job}/limits`)
  await expect(page.getByLabel('Shaft seal')).toHaveValue('packing')
  await expectAccessible(page)
  await open(page, `/jobs/${job}/verdicts`)
  await expect(page.locator('tr[data-part=seal]')).toHaveCount(0)
  await expect(page.locator('tr[data-part=sleeve]')).toContainText('Hold')
  await measure(page, medida, job, 'sleeve-size', ['54.30', '54.31', '54.32', '54.30'])
  await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('beyond')
  // Said back it is refused: what was read on the sleeve would be lost.
  await open(page, `/jobs/${job}/limits`)
  await page.getByLabel('Shaft seal').selectOption('Mechanical seal')
  await expect(page.getByText('Shaft sleeve Ø was read, and the type said to be fitted has none.')).toBeVisible()
  await context.close()
})

test('parts that change places: written on their tags, and read there', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const job = 'quillmere-g1-2026'
  for (const [stem, text] of [
    ['stem-1-mid', '59.820'],
    ['stem-2-mid', '59.930'],
  ] as const) {
    await measure(page, medida, job, stem, [text, text, text, text])
  }
  await open(page, `/jobs/${job}/fits`)
  await expect(page.getByRole('table', { name: 'Guide vane stems' })).toContainText('Guide vane stem 2')
  await page.getByRole('button', { name: 'Write it on the tags' }).click()
  await expect(page.getByRole('button', { name: 'On the tags' })).toBeVisible()
  await expectAccessible(page)
  await open(page, `/jobs/${job}/strip?p=vane-1-stem`)
  await expect(page.getByLabel(/Note/).first()).toHaveValue('goes to Guide vane stem 2')
  await context.close()
})
