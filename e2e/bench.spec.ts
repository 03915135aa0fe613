/** The bench beyond plain figures: bounds, pairs, answers, undo, what cannot be read, a set read again, zero and temperature, what next. */
import { readingTexts } from './support/database'
import { expect, expectAccessible, open, readingField, signedIn, takeReadings, test } from './support/test'

const JOB = 'quillmere-g1-2026'
const bench = (characteristic: string): string => `/jobs/${JOB}/bench?c=${characteristic}`

test.beforeAll(({ medida }) => medida.startOver())

test('what a person at the bench does besides typing figures, by keyboard alone', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const result = page.getByRole('complementary', { name: 'Result' })

  await test.step('a wrench that ran out is a bound, and stays one', async () => {
    await open(page, bench('coupling-bolts'))
    await takeReadings(page, ['382', '>480'])
    await expect(page.getByRole('button', { name: /2 bolt 2: ≥ 480/ })).toBeVisible()
    await expect(result).toContainText('91.0')
    await expect(result.getByRole('row', { name: /Highest, of the target/ })).toContainText('≥ 114.3')
  })

  await test.step('up and down are one travel, scaled back to the bearing', async () => {
    await open(page, bench('radial-lift'))
    await takeReadings(page, ['+0.180 -0.170', '+0.180 -0.175', '+0.175 -0.175'])
    // (0.350 + 0.355 + 0.350)/3 × 720/900
    await expect(result).toContainText('0.281')
    await page.keyboard.press('r')
    await takeReadings(page, ['+0.18 -0.17'])
    await expect(page.getByRole('button', { name: /repeat 4: 0\.350/ })).toBeVisible()
  })

  await test.step('a reading is taken back, and read again', async () => {
    await open(page, bench('groove-1'))
    await takeReadings(page, ['6.08', '6.09'])
    await expect(page.getByRole('button', { name: /3 o’clock: 6\.09/ })).toBeVisible()
    await page.keyboard.press('z')
    await expect(page.getByRole('button', { name: /3 o’clock: 6\.09/ })).toHaveCount(0)
    await expect(await readingField(page)).toHaveValue('6.09')
    await page.keyboard.press('Escape')
    await takeReadings(page, ['6.10'])
    await expect(page.getByRole('button', { name: /3 o’clock: 6\.10/ })).toBeVisible()
    await expect.poll(() => readingTexts(medida, JOB, 'groove-1')).toEqual(['6.08', '6.09', '6.09', '6.10'])
  })

  await test.step('a place that cannot be read says why, and keeps the verdict open', async () => {
    await readingField(page)
    await page.keyboard.press('x')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Say why it cannot be measured')).toBeVisible()
    await page.keyboard.type('Hidden by the puller')
    await expectAccessible(page)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /6 o’clock: cannot/ })).toBeVisible()
    await takeReadings(page, ['6.09'])
    await expect(result).toContainText('Cannot be measured: 3 6 o’clock (Hidden by the puller)')
    await expect(result).toContainText('Hold')
  })

  await test.step('a whole set is read again for one reason', async () => {
    await open(page, bench('stem-2-mid'))
    await takeReadings(page, ['59.958', '59.952', '59.957', '59.951'])
    await expect(page.getByText('All 4 readings are in.')).toBeVisible()
    await page.keyboard.press('t')
    await page.keyboard.type('Part was warm')
    await page.keyboard.press('Enter')
    await takeReadings(page, ['59.957', '59.951', '59.956', '59.950'])
    await expect(page.getByRole('button', { name: /L lower, 2 square to it: 59\.950/ })).toBeVisible()
    await expect.poll(async () => (await readingTexts(medida, JOB, 'stem-2-mid')).length).toBe(8)
  })

  await test.step('zero and temperature are taken off, and the sum says so', async () => {
    await open(page, bench('stem-1-mid'))
    await readingField(page)
    await page.keyboard.press('e')
    await page.getByLabel(/shows at zero/).fill('0.002')
    await page.getByLabel(/Temperature of the part/).fill('30')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Both temperatures are needed')).toBeVisible()
    await page.getByLabel(/Temperature of the gauge/).fill('20')
    await page.keyboard.press('Enter')
    await takeReadings(page, ['59.804'])
    // 59.804 − 0.002 − 0.001 (calibration), and 10 K × 11.5e-6 × 59.8 = 0.007 warm: 59.794.
    await expect(result).toContainText('59.794')
    await result.locator('summary').first().click()
    await expect(result).toContainText('zero −0.002, calibration −0.001, to 20 °C −0.007')
  })

  await test.step('what next ranks what could still change a verdict', async () => {
    await page.keyboard.press('w')
    await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('could still mean a new part')
    await expectAccessible(page)
    await page.keyboard.press('Escape')
    await readingField(page)
  })

  await test.step('answers, cells and elements', async () => {
    await open(page, bench('ring-free'))
    await takeReadings(page, ['+', '-', '/'])
    await expect(page.getByRole('button', { name: /3 link 3: n\/a/ })).toBeVisible()
    await expect(result).toContainText('1 is beyond the wear limit 0')
    await open(page, bench('brake-pattern'))
    await takeReadings(page, ['!', '0', '35'])
    await expect(page.getByRole('button', { name: /brake ring, segment 1: broken/ })).toBeVisible()
    await expectAccessible(page)
  })
  await context.close()
})

test('the store of gauges says what each can and which have lapsed', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'visitor')
  await open(page, '/gauges')
  await expect(page.getByRole('row', { name: /BG-02.*lapsed/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /OM-20.*0\.0030.*0\.0025/ }).getByText('4 points')).toBeVisible()
  await expectAccessible(page)
  await context.close()
})
