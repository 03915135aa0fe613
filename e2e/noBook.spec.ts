/** A machine that is in no limit book: measured at once, its limits typed, checked by a second person, made a draft book. */
import type { Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { command } from './support/medida'
import { expect, expectAccessible, open, readingField, signedIn, takeReadings, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())
test.describe.configure({ mode: 'serial' })

let page: Page
let job: string

test.beforeAll(async ({ browser, medida }) => {
  page = (await signedIn(browser, medida, 'inspector')).page
})

test('a machine is put on record and a job opened on it', async () => {
  await open(page, '/')
  await page.getByRole('link', { name: 'Measure a machine without a limit book' }).click()
  await expectAccessible(page)
  await page.getByLabel('Station').fill('Ferrin Mill')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Name the machine.')).toBeVisible()
  await page.getByRole('textbox', { name: 'Machine' }).fill('Feed pump 2')
  await page.getByRole('button', { name: 'Add the machine and open a job' }).click()
  await expect(page.getByRole('heading', { name: 'Open a job on Feed pump 2' })).toBeVisible()
  await expect(page.getByText('This machine has no limit book')).toBeVisible()
  await page.getByLabel('Running hours').fill('12 400')
  await page.getByLabel('Why it is opened').fill('Hours due')
  await page.getByLabel('Hours to next overhaul').fill('8000')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/plan$/)
  job = new URL(page.url()).pathname.replace(/\/plan$/, '')
  await open(page, job)
  await page.getByRole('button', { name: 'Confirm' }).first().click()
  await page.keyboard.type('Isolated, tagged, drained')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: /Make safe , done/ })).toBeVisible()
})

test('part, method and limit are typed at the bench, and it is measured at once', async () => {
  await open(page, `${job}/bench`)
  await page.getByRole('button', { name: 'Add the first one' }).click()
  await page.getByLabel('What is measured').fill('Shaft sleeve Ø')
  await page.getByLabel('Name of the part').fill('Shaft sleeve')
  await page.getByLabel('Stations along').fill('drive side, other side')
  await page.getByLabel('Document').fill('FP-7')
  await page.getByLabel('At most or at least').selectOption('lower')
  await page.getByRole('textbox', { name: /: Wear$/ }).fill('about 60')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await expect(page.getByText('Say which document and page it stands on.')).toBeVisible()
  await page.getByLabel('Page').last().fill('31')
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await expect(page.getByText(/“about 60”/)).toBeVisible()
  // A reload in the middle loses nothing that was typed.
  await page.reload()
  await page.getByRole('button', { name: 'Add the first one' }).click()
  await expect(page.getByLabel('What is measured')).toHaveValue('Shaft sleeve Ø')
  await page.getByRole('textbox', { name: /: Wear$/ }).fill('59,90')
  // Its page gives no greatest size, and that is said as well.
  await page.getByRole('button', { name: 'Another limit' }).click()
  await page
    .getByRole('textbox', { name: /: Wear$/ })
    .last()
    .fill('none')
  await page.getByLabel('Read to').fill('1 µm')
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await readingField(page)
  await expect(page.getByText('! Limits not checked yet')).toBeVisible()
  await takeReadings(page, ['59.961', '59.957', '59.948', '59.944'])
  // 59.944 less what the micrometer shows too much there.
  await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('59.943')
  await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('Reuse')
  await page.keyboard.press('m')
  await page.keyboard.type('Burr dressed first')
  await page.keyboard.press('Enter')
  await expect(page.getByText('noted', { exact: true })).toBeVisible()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('without a network a second one is typed and read; both arrive in their order', async () => {
  await page.context().setOffline(true)
  await page.keyboard.press('a')
  await page.getByLabel('What is measured').fill('Wear ring gap')
  await page.getByLabel('Method').selectOption('gapAtPositions')
  await page.getByRole('textbox', { name: /: Wear$/ }).fill('0.60')
  await page.getByLabel('Page').last().fill('33')
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await expect(page.getByRole('heading', { name: 'Wear ring gap' })).toBeVisible()
  await takeReadings(page, ['0.35', '0.40', '>0.65', '0.35'])
  await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('is beyond the wear limit 0.60 mm')
  await expect(page.getByText('queued').first()).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.getByText('queued')).toHaveCount(0)
  await page.reload()
  await expect(page.locator('button[data-state=taken]')).toHaveCount(4)
})

test('unchecked limits are named on the report; a second person checks them, and nobody their own', async ({
  browser,
  medida,
}) => {
  await open(page, `${job}/report`)
  await expect(page.getByText('Limits of Wear ring gap, typed by Mara Ellwood, are not checked by a second person')).toBeVisible()
  await expect(page.getByText('noted: Burr dressed first')).toBeVisible()
  await open(page, `${job}/limits`)
  await expect(page.getByText('0 of 2 checked by a second person')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Agrees with the document' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Make the draft' })).toBeDisabled()

  const { page: reviewer, context } = await signedIn(browser, medida, 'reviewer')
  await open(reviewer, `${job}/limits`)
  await expectAccessible(reviewer)
  await reviewer.getByRole('button', { name: 'Agrees with the document' }).first().click()
  await expect(reviewer.getByText('1 of 2 checked')).toBeVisible()
  await reviewer.getByRole('button', { name: 'Does not agree' }).last().click()
  await reviewer.getByLabel('What the document says instead').fill('0.55 on page 33')
  await reviewer.keyboard.press('Enter')
  await expect(reviewer.getByText('! does not agree')).toBeVisible()

  // The one who typed sees it without reloading, types it anew, and it waits again.
  await expect(page.getByText('refused by Tobias Renn: 0.55 on page 33')).toBeVisible()
  await page.getByRole('button', { name: 'Edit', exact: true }).last().click()
  await expect(page.getByLabel('Method')).toBeDisabled()
  await page.getByRole('textbox', { name: /: Wear$/ }).fill('0.55')
  await page.getByRole('button', { name: 'Edit', exact: true }).last().click()
  await expect(reviewer.getByText('0.550 mm')).toBeVisible()
  await reviewer.getByRole('button', { name: 'Agrees with the document' }).last().click()
  await expect(reviewer.getByText('2 of 2 checked')).toBeVisible()
  // It shows at once; a browser that is closed before it was sent would keep it for the next time.
  await expect(reviewer.locator('[data-queued="0"]')).toHaveCount(1)
  await context.close()
})

test('together they become a draft book, once, and the next job is measured against it', async () => {
  const make = page.getByRole('button', { name: 'Make the draft' })
  await expect(make).toBeEnabled()
  await make.click()
  await expect(page.getByText('Made: Feed pump 2: limits, draft 1.')).toBeVisible()
  await make.click()
  await expect(page.getByText('Already there: Feed pump 2: limits, draft 1.')).toBeVisible()
  const file = await page.request.get((await page.getByRole('link', { name: 'Its file' }).getAttribute('href')) ?? '')
  expect(await file.json()).toMatchObject({
    title: 'Feed pump 2: limits',
    issued: null,
    characteristics: [
      { name: 'Shaft sleeve Ø', wants: [{ judges: 'maximum', side: 'upper', none: { source: { page: '31' } } }] },
      { name: 'Wear ring gap', limits: [{ wear: 0.55, source: { document: 'FP-7', page: '33' } }] },
    ],
  })
})

test('signed with its typed limits it verifies, and the next job takes the draft', async ({ browser, medida }) => {
  await open(page, `${job}/verdicts`)
  await page.getByRole('button', { name: /^Accept .* as recommended/ }).click()
  await expect(page.getByRole('button', { name: /Needs a decision/ })).toContainText('0')
  await open(page, `${job}/report`)
  await page.getByRole('button', { name: 'Send to reviewer' }).click()
  await page
    .getByRole('dialog')
    .getByLabel(/^Why these are not done/)
    .fill('Only sleeve and wear ring were asked for')
  await page.getByRole('dialog').getByRole('button', { name: 'Send to reviewer' }).click()
  await expect(page.getByText('With the reviewer')).toBeVisible()
  const { page: reviewer, context } = await signedIn(browser, medida, 'reviewer')
  await open(reviewer, `${job}/report`)
  await reviewer.getByRole('button', { name: 'Sign report' }).click()
  await reviewer.getByLabel('Your password, again').fill(DEMO_PASSWORD)
  await reviewer.keyboard.press('Enter')
  await expect(reviewer).toHaveURL(/\/reports\//)
  await expect(reviewer.getByText('none: limits were typed while measuring')).toBeVisible()
  const report = reviewer.url().split('/').at(-1) ?? ''
  expect((await reviewer.request.get(`/reports/${report}/report.pdf`)).status()).toBe(200)
  await context.close()
  const verified = command('verify', [report, '--data', medida.dataFolder])
  expect(verified.stdout).toMatch(/^ok {3}bytes intact.*\nok {3}chain intact: first signature.*\nok {3}results reproduced/)

  await open(page, '/')
  await page
    .getByRole('row', { name: /^Feed pump 2 / })
    .getByRole('link', { name: 'Open a job' })
    .click()
  await expect(page.getByText('Feed pump 2: limits, rev. draft 1 (a draft, typed and checked while measuring)')).toBeVisible()
})
