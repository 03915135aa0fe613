/** A guide bearing measured by gauges that send their readings themselves; and what can go wrong with them. */
import { pairingOn } from '../attack/pairing'
import { gaugeLine } from '../src/core/gauge/lineProtocol'
import { SimulatedGauge, type SimulatedKind } from '../src/gauges/simulated'
import { countRows, readingTexts } from './support/database'
import { expect, expectAccessible, JOB, open, readingField, signedIn, test } from './support/test'

let pairs: (code: string) => Promise<string>
test.beforeAll(async ({ medida }) => {
  await medida.startOver()
  pairs = pairingOn(medida.url)
  for (const code of ['OM-12', 'BG-04', 'DI-07']) await pairs(code)
})

const exact = (code: string, signed: boolean): SimulatedKind => ({
  code,
  name: code,
  unit: 'mm',
  step: 0.001,
  error: 0,
  drift: 0,
  noise: 0,
  signed,
})

test('journal and bore by simulated gauges alone, with noise, a wrong unit, two at once and one that stops', async ({
  browser,
  medida,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const micrometer = new SimulatedGauge(
    exact('OM-12', false),
    medida.port + 1,
    () => 0,
    () => pairs('OM-12'),
  )
  const bore = new SimulatedGauge(
    exact('BG-04', true),
    medida.port + 1,
    () => 0,
    () => pairs('BG-04'),
  )
  const taken = page.locator('button[data-state=taken]')

  await open(page, `/jobs/${JOB}/bench?c=journal`)
  await readingField(page)
  await page.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(page.getByText('connected, no reading received yet')).toBeVisible()
  const sizes = [219.941, 219.939, 219.937, 219.936, 219.938, 219.94]
  for (const [index, size] of sizes.entries()) {
    expect((await micrometer.send(size)).answer).toBe(`OK ${index + 1}`)
    await expect(taken).toHaveCount(index + 1)
    if (index === 1) {
      // Noise is answered and changes nothing; so does a gauge that nobody here holds.
      expect(await micrometer.raw('\u0007~READ 9 1\u00ff.2 mm *00\n')).toMatch(/^NO/)
      expect((await bore.send(0.1)).answer).toBe('OK 1')
      expect(await micrometer.raw(gaugeLine('READ 3 5 kg'))).toBe('OK 3')
      await expect(page.getByText('“kg” is not a unit of length here')).toBeVisible()
      micrometer.stop()
      await expect(page.getByText('the gauge has stopped')).toBeVisible()
      break
    }
  }
  // Connected again it says hello anew and goes on where it stopped.
  for (const [index, size] of sizes.slice(2).entries()) {
    await micrometer.send(size)
    await expect(taken).toHaveCount(index + 3)
  }
  await expectAccessible(page)

  await open(page, `/jobs/${JOB}/bench?c=bearing-bore`)
  await readingField(page)
  await page.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(page.getByText('connected, no reading received yet')).toBeVisible()
  for (const [index, deviation] of [0.148, 0.201, 0.212, 0.131, 0.18, 0.195].entries()) {
    await bore.send(deviation)
    await expect(taken).toHaveCount(index + 1)
  }
  await expect(page.getByText('queued')).toHaveCount(0)
  expect(await readingTexts(medida, JOB, 'journal')).toEqual(sizes.map((size) => `${size.toFixed(3)} mm`))
  expect(await readingTexts(medida, JOB, 'bearing-bore')).toEqual(
    ['+0.148', '+0.201', '+0.212', '+0.131', '+0.180', '+0.195'].map((text) => `${text} mm`),
  )
  micrometer.stop()
  bore.stop()
  await context.close()
})

test('a page in the same browser that posts lines to the gauge port stores nothing', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/bench?c=bearing-bore&stage=asLeft`)
  await readingField(page)
  await page.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(page.getByText('connected, no reading received yet')).toBeVisible()
  const before = await countRows(medida, 'reading')
  const attacker = await context.newPage()
  await attacker.goto('data:text/html,<title>Elsewhere</title>')
  const lines = `${gaugeLine('HELLO 1 BG-04')}${gaugeLine('READ 1 +0.111 mm')}${gaugeLine('READ 2 +0.112 mm')}`
  await attacker.evaluate(
    async ([port, body]) => {
      for (let at = 0; at < 20; at += 1)
        await fetch(`http://127.0.0.1:${port}/`, { method: 'POST', mode: 'no-cors', body }).catch(() => undefined)
    },
    [medida.port + 1, lines] as const,
  )
  // A gauge that is paired is heard after all that, so whatever the page could do would have been by now.
  const bore = new SimulatedGauge(
    exact('BG-04', true),
    medida.port + 1,
    () => 0,
    () => pairs('BG-04'),
  )
  await bore.send(0.15)
  await expect(page.locator('button[data-state=taken]')).toHaveCount(1)
  await expect(page.getByText('sends its readings here: “Simulated”')).toBeVisible()
  bore.stop()
  await expect.poll(() => countRows(medida, 'reading')).toBe(before + 1)
  expect((await readingTexts(medida, JOB, 'bearing-bore')).at(-1)).toBe('+0.150 mm')
  await context.close()
})

test('a gauge is paired by a code that is shown once, and unpaired', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, '/gauges')
  await page.getByLabel('Pair', { exact: true }).selectOption('DI-07 · Dial indicator, 5 mm travel')
  await page.getByRole('button', { name: 'Make the code' }).click()
  await expect(page.getByText('Name the adapter')).toBeVisible()
  await page.getByLabel('Adapter or place').fill('Bench 2')
  await page.getByLabel('Adapter or place').press('Enter')
  const secret = (await page.getByRole('dialog').locator('.figure').innerText()).trim()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('Bench 2', { exact: false }).first()).toBeVisible()
  const dial = () =>
    new SimulatedGauge(
      exact('DI-07', true),
      medida.port + 1,
      () => 0,
      async () => secret,
    )
  const first = dial()
  expect((await first.send(0.1)).answer).toBe('OK 1')
  first.stop()
  await page.getByRole('button', { name: 'Unpair DI-07, Bench 2' }).click()
  await expect(page.getByRole('button', { name: 'Unpair DI-07, Bench 2' })).toHaveCount(0)
  await expect(dial().send(0.1)).rejects.toThrow('NO not paired')
  await context.close()
})

test('a gauge belongs to the bench that took it last; the one before is told', async ({ browser, medida }) => {
  const first = await signedIn(browser, medida, 'inspector')
  const second = await signedIn(browser, medida, 'inspector')
  for (const { page } of [first, second]) {
    await open(page, `/jobs/${JOB}/bench?c=end-float`)
    await readingField(page)
    await page.getByRole('button', { name: 'Connect', exact: true }).click()
    await expect(page.getByText('connected, no reading received yet')).toBeVisible()
  }
  await expect(first.page.getByText('in use at another bench')).toBeVisible()
  const dial = new SimulatedGauge(
    { ...exact('DI-07', false), step: 0.005 },
    medida.port + 1,
    () => 0,
    () => pairs('DI-07'),
  )
  await dial.send(0.31)
  await expect(second.page.locator('button[data-state=taken]')).toHaveCount(1)
  await expect(first.page.locator('button[data-state=taken]')).toHaveCount(0)
  dial.stop()
  await first.context.close()
  await second.context.close()
})

test('a gauge that types like a keyboard loses no figure, wherever the focus is', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await open(page, `/jobs/${JOB}/bench?c=ring-gap-1`)
  await readingField(page)
  await page.getByRole('button', { name: 'As found' }).focus()
  await page.keyboard.type('0.95')
  await page.keyboard.press('Enter')
  await expect(page.locator('button[data-state=taken]')).toHaveCount(1)
  await expect.poll(() => readingTexts(medida, JOB, 'ring-gap-1')).toEqual(['0.95'])
  await context.close()
})

test('a gauge of another kind, or none, is asked about once, stored, and settles no more than it can', async ({
  browser,
  medida,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  const taken = page.locator('button[data-state=taken]')
  const alert = page.getByRole('alert')
  await open(page, `/jobs/${JOB}/bench?c=ring-gap-2`)
  const field = await readingField(page)
  await page.getByLabel('In hand').selectOption('No gauge')
  await field.fill('0.95')
  await field.press('Enter')
  await expect(alert).toContainText('decides nothing')
  await page.keyboard.press('k')
  await expect(taken).toHaveCount(1)
  await expect(page.getByText('No gauge noted').first()).toBeVisible()
  await expect.poll(() => readingTexts(medida, JOB, 'ring-gap-2')).toEqual(['0.95'])

  // For another characteristic the usual gauge is in hand again.
  await open(page, `/jobs/${JOB}/bench?c=end-float&stage=asLeft`)
  await readingField(page)
  await expect(page.getByLabel('In hand')).not.toHaveValue('')
  await page.getByLabel('In hand').selectOption('FG-02 · Feeler gauges 0.05 to 2.00')
  for (const [index, asked] of [true, false].entries()) {
    await field.fill('0.30')
    await field.press('Enter')
    if (asked) {
      await expect(alert).toContainText('another kind')
      await page.keyboard.press('k')
    }
    await expect(taken).toHaveCount(index + 1)
  }
  await expect(page.getByText('No gauge noted')).toHaveCount(0)
  await context.close()
})

/** A serial port as the browser would hand it out, fed from the test by `window.serialSays`, heard in `window.serialHeard`. */
function serialPort(): void {
  const heard: string[] = []
  let feed: ReadableStreamDefaultController<Uint8Array> | undefined
  const port = {
    readable: new ReadableStream<Uint8Array>({
      start: (controller) => {
        feed = controller
      },
    }),
    writable: new WritableStream<Uint8Array>({ write: (bytes) => void heard.push(new TextDecoder().decode(bytes)) }),
    open: async () => {},
    close: async () => {},
  }
  Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port } })
  Object.assign(window, {
    serialHeard: heard,
    serialSays: (text: string) => feed?.enqueue(Uint8Array.from(text, (sign) => sign.charCodeAt(0))),
    serialPulled: () => feed?.error(new Error('the device has been lost')),
  })
}

test('a gauge on a serial cable: halves and noise change nothing, another gauge is named, a pulled cable is said', async ({
  browser,
  medida,
}) => {
  const { page, context } = await signedIn(browser, medida, 'inspector')
  await page.addInitScript(serialPort)
  const says = (text: string) =>
    page.evaluate((sent) => (window as unknown as { serialSays(text: string): void }).serialSays(sent), text)
  const heard = () => page.evaluate(() => (window as unknown as { serialHeard: string[] }).serialHeard.join(''))
  await open(page, `/jobs/${JOB}/bench?c=servo-bore`)
  await readingField(page)
  await page.getByRole('button', { name: 'Connect by cable' }).click()
  await expect(page.getByText('cable connected, no reading received yet')).toBeVisible()
  await says(gaugeLine('HELLO 1 DI-07'))
  await expect(page.getByText('DI-07 is on the cable: take it in hand')).toBeVisible()
  const code = (await page.getByLabel('In hand').locator('option:checked').textContent())?.split(' ')[0] ?? ''
  await says(gaugeLine(`HELLO 1 ${code}`))
  await expect(page.getByText('sends its readings by cable')).toBeVisible()
  const line = gaugeLine('READ 1 +0.150 mm')
  await says('READ 7 9.9 mm *00\n')
  await says(line.slice(0, 9))
  await says(line.slice(9))
  await says(line) // sent again, because its answer was lost
  const taken = page.locator('button[data-state=taken]')
  await expect(taken).toHaveCount(1)
  await says(gaugeLine('READ 2 5 kg'))
  await expect(page.getByText('“kg” is not a unit of length here')).toBeVisible()
  expect(await heard()).toBe(['OK', 'OK', 'NO checksum', 'OK 1', 'OK 1', 'OK 2'].map(gaugeLine).join(''))
  await page.evaluate(() => (window as unknown as { serialPulled(): void }).serialPulled())
  await expect(page.getByText('the gauge on the cable has stopped')).toBeVisible()
  await expect.poll(() => readingTexts(medida, JOB, 'servo-bore')).toEqual(['+0.150 mm'])
  await context.close()
})
