/** A guide bearing measured by gauges that send their readings themselves; and what can go wrong with them. */
import { gaugeLine } from '../src/core/gauge/lineProtocol'
import { SimulatedGauge, type SimulatedKind } from '../src/gauges/simulated'
import { readingTexts } from './support/database'
import { expect, expectAccessible, JOB, open, readingField, signedIn, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())

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
  const micrometer = new SimulatedGauge(exact('OM-12', false), medida.port + 1, () => 0)
  const bore = new SimulatedGauge(exact('BG-04', true), medida.port + 1, () => 0)
  const taken = page.locator('button[data-state=taken]')

  await open(page, `/jobs/${JOB}/bench?c=journal`)
  await readingField(page)
  await page.getByRole('button', { name: 'Listen to it' }).click()
  await expect(page.getByText('listening, no gauge heard yet')).toBeVisible()
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
  await page.getByRole('button', { name: 'Listen to it' }).click()
  await expect(page.getByText('listening, no gauge heard yet')).toBeVisible()
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

test('a gauge belongs to the bench that took it last; the one before is told', async ({ browser, medida }) => {
  const first = await signedIn(browser, medida, 'inspector')
  const second = await signedIn(browser, medida, 'inspector')
  for (const { page } of [first, second]) {
    await open(page, `/jobs/${JOB}/bench?c=end-float`)
    await readingField(page)
    await page.getByRole('button', { name: 'Listen to it' }).click()
    await expect(page.getByText('listening, no gauge heard yet')).toBeVisible()
  }
  await expect(first.page.getByText('another bench has taken it')).toBeVisible()
  const dial = new SimulatedGauge({ ...exact('DI-07', false), step: 0.005 }, medida.port + 1, () => 0)
  await dial.send(0.31)
  await expect(second.page.locator('button[data-state=taken]')).toHaveCount(1)
  await expect(first.page.locator('button[data-state=taken]')).toHaveCount(0)
  dial.stop()
  await first.context.close()
  await second.context.close()
})
