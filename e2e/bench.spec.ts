/** The bench beyond plain figures: bounds, pairs, answers, undo, what cannot be read, a set read again, zero and temperature, what next. */
import { readingTexts } from './support/database'
import { expect, expectAccessible, inDays, open, readingField, signedIn, takeReadings, test } from './support/test'

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
    await expect(result).toContainText('Cannot be measured: 3 · 6 o’clock (Hidden by the puller)')
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

  await test.step('the unit key shows result and reasons in the other units, and back', async () => {
    await open(page, bench('stem-2-mid'))
    await expect(result).toContainText(/Smallest 59\.9\d\d is inside the limit ≥ 59\.850 mm/)
    await expect(page.locator('section[aria-busy=false]')).toBeVisible()
    await page.keyboard.press('u')
    await expect(result).toContainText(/Smallest 2\.36\d+ is inside the limit ≥ 2\.35\d+ in/)
    await expect(result).not.toContainText(/59\.9\d\d/)
    await page.keyboard.press('u')
    await expect(result).toContainText(/59\.9\d\d/)
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
    await result.locator('summary', { hasText: 'beyond the wear limit' }).first().click()
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
    await takeReadings(page, ['+', 'n', '/'])
    await expect(page.getByRole('button', { name: /3 link 3: n\/a/ })).toBeVisible()
    await expect(result).toContainText('1 is beyond the wear limit 0')
    await open(page, bench('brake-pattern'))
    await takeReadings(page, ['!', '0', '35'])
    await expect(page.getByRole('button', { name: /brake ring, segment 1: broken/ })).toBeVisible()
    await expectAccessible(page)
  })
  await context.close()
})

test('what is typed before a dialog has been fetched lands in its field, and not in a reading', async ({ browser, medida }) => {
  const { context: signed } = await signedIn(browser, medida, 'inspector')
  // Without the copies that the service worker keeps.
  const context = await browser.newContext({
    baseURL: medida.url,
    serviceWorkers: 'block',
    storageState: await signed.storageState(),
  })
  await signed.close()
  const page = await context.newPage()
  const hold = async (name: string): Promise<() => void> => {
    let letThrough = (): void => {}
    const held = new Promise<void>((resolve) => {
      letThrough = resolve
    })
    await page.route(new RegExp(`/${name}\\.[^/]*\\.js$`), async (route) => {
      await held
      await route.continue()
    })
    return letThrough
  }
  const conditions = await hold('ConditionsDialog')
  const note = await hold('NoteDialog')
  const help = await hold('Help')
  await open(page, bench('strip-thick'))
  const reading = await readingField(page)
  const before = await reading.inputValue()
  await page.keyboard.press('e')
  await page.keyboard.type('0.0021')
  await page.keyboard.press('Backspace')
  await expect(reading).toHaveValue(before)
  conditions()
  await expect(page.getByLabel(/shows at zero/)).toHaveValue('0.002')
  await expect(page.getByLabel(/shows at zero/)).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(reading).toHaveValue(before)
  // Escape takes the opening back; Enter pressed too early sends what was typed, once the dialog is there.
  await page.keyboard.press('?')
  await page.keyboard.press('Escape')
  await takeReadings(page, ['7.56'])
  help()
  await page.keyboard.press('m')
  await page.keyboard.type('Burr dressed')
  await page.keyboard.press('Enter')
  await expect(page.getByText('noted', { exact: true })).toBeHidden()
  note()
  await expect(page.getByText('noted', { exact: true })).toBeVisible()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await context.close()
})

test('a contact print is painted by finger, and painted over', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, bench('pad-contact'))
  await readingField(page)
  const cells = page.locator('[data-slot]')
  const stroke = async (from: number, to: number): Promise<void> => {
    const boxes = await Promise.all([cells.nth(from).boundingBox(), cells.nth(to).boundingBox()])
    const [start, end] = boxes.map((box) => (box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : { x: 0, y: 0 }))
    if (!start || !end) return
    await page.mouse.move(start.x, start.y)
    await page.mouse.down()
    await page.mouse.move(end.x, end.y, { steps: 20 })
    await page.mouse.up()
  }
  await page.getByRole('button', { name: 'full contact' }).click()
  await stroke(0, 4)
  await stroke(5, 9)
  await stroke(10, 14)
  await expect(page.locator('button[data-state=taken]')).toHaveCount(15)
  const result = page.getByRole('complementary', { name: 'Result' })
  await expect(result).toContainText('100%')
  await page.getByRole('button', { name: 'none' }).click()
  await stroke(0, 2)
  await expect(result).toContainText('80%')
  await expectAccessible(page)
  await expect(page.getByText('queued')).toHaveCount(0)
  expect((await readingTexts(medida, JOB, 'pad-contact')).length).toBe(18)
  await context.close()
})

test('as left stands beside as found, and a change that should not be is named', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const found = ['5.85', '5.90', '5.95', '6.00', '6.05', '6.05', '6.00', '5.95', '5.90', '5.85', '5.85', '5.80']
  await open(page, bench('air-gap'))
  await takeReadings(page, found)
  const result = page.getByRole('complementary', { name: 'Result' })
  await expect(result).toContainText('not measured at both stages yet')
  await page.keyboard.press('s')
  await page.keyboard.press('s')
  await expect(page.getByRole('button', { name: 'As left' })).toHaveAttribute('aria-pressed', 'true')
  await takeReadings(page, [...found.slice(0, 11), '5.6'])
  // Far from what was found there: asked, and kept.
  await page.keyboard.press('k')
  await expect(result).toContainText(
    'Smallest, as found to as left: −0.20 mm, permitted −0.10 … +0.10: ! exceeds the permitted change.',
  )
  await expect(result).toContainText('take the rotor out of its bearings again')
  await expectAccessible(page)
  // A reload stays at the stage, including what is typed.
  await page.reload()
  await expect(page.getByRole('button', { name: 'As left' })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('button[data-state=taken]')).toHaveCount(12)
  await page.getByRole('button', { name: 'As found' }).click()
  await expect(result).toContainText('5.80')
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

test('a gauge is added, and calibrated anew: what was read before keeps its figures', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const result = page.getByRole('complementary', { name: 'Result' })
  await open(page, bench('ring-free'))
  await open(page, bench('bush-1-bore'))
  await takeReadings(page, ['+0.020', '+0.022', '+0.021', '+0.024'])
  const until = inDays(700)
  const code = (await page.getByLabel('In hand').locator('option:checked').textContent())?.split(' ')[0] ?? ''
  const judged = await result.locator('p[class*=big]').textContent()

  await open(page, '/gauges')
  await page.getByLabel('New calibration of').selectOption({
    label: (await page.getByLabel('New calibration of').locator('option', { hasText: code }).textContent()) ?? '',
  })
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save the calibration' }).click()
  await expect(page.getByText('Give the day until which the calibration holds.')).toBeVisible()
  await page.getByLabel('Calibrated until').fill(until)
  await page.getByLabel(/Errors from the certificate/).fill('0 = +0.1; 100 = +0.1')
  await page.getByRole('button', { name: 'Save the calibration' }).click()
  await expect(page.getByRole('row', { name: new RegExp(`${code}.*${until}`) })).toHaveCount(1)
  await expect(page.getByRole('rowheader', { name: code, exact: true })).toHaveCount(1)

  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByLabel('Code').fill(code)
  await page.getByLabel('Name').fill('Another one')
  await page.getByLabel(/^Step/).fill('1 µm')
  await page.getByLabel(/^Permissible error/).fill('0,003')
  await page.getByLabel('Calibrated until').fill(until)
  await page.getByRole('button', { name: 'Add to the store' }).click()
  await expect(page.getByText(`${code} is in the store already.`)).toBeVisible()
  await page.getByLabel('Code').fill('OM-77')
  await page.getByRole('button', { name: 'Add to the store' }).click()
  await expect(page.getByRole('row', { name: /OM-77 Another one/ })).toBeVisible()

  // The readings taken before stand as they were; the next one is corrected by the new table.
  await open(page, bench('bush-1-bore'))
  await expect(result.locator('p[class*=big]')).toHaveText(judged ?? '')
  await expect(page.getByLabel('In hand').locator('option', { hasText: code })).toHaveCount(1)
  await expect(page.getByText(`calibrated until ${until}`)).toBeVisible()
  await context.close()
})
