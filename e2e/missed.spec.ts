/** A ventilation fan that is in no book: one measurement is typed at the bench, and everything else is added where it is missed. */
import type { Page } from '@playwright/test'
import { v7 } from 'uuid'
import { expect, expectAccessible, jobBody, open, readingField, signedIn, takeReadings, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())
test.describe.configure({ mode: 'serial' })

let page: Page
let job: string

test.beforeAll(async ({ browser, medida }) => {
  page = (await signedIn(browser, medida, 'inspector')).page
  const machine = v7()
  const post = async (path: string, data: object): Promise<void> => {
    const answer = await page.request.post(path, { data, headers: { origin: medida.url } })
    expect(answer.ok(), await answer.text()).toBe(true)
  }
  await post('/api/machines', { id: machine, station: 'Tarn End', name: 'Ventilation fan', units: 'metric', meter: 'none' })
  const id = v7()
  await post(`/api/machines/${machine}/jobs`, jobBody(id, null))
  job = `/jobs/${id}`
  await post(`/api${job}/confirmations`, { id: v7(), step: 'makeSafe', note: 'Isolated and tagged' })
})

const save = async (): Promise<void> => {
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await readingField(page)
}

test('one seat is typed at the bench as found, and the other is measured the same way', async () => {
  await open(page, `${job}/bench`)
  await page.getByRole('button', { name: 'Add the first one' }).click()
  await page.getByLabel('What is measured').fill('Fixed side: seat Ø')
  await page.getByLabel('Name of the part').fill('Fixed side')
  await page.getByLabel('Stations along').fill('inner, outer')
  await page.getByLabel('Read to').fill('1 µm')
  await save()
  await page.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'OM-20 · Outside micrometers 0 to 75' })
  await takeReadings(page, ['60.012', '60.010', '60.011', '60.009'])
  await page.keyboard.press('a')
  await page.getByLabel('Part', { exact: true }).selectOption({ label: 'another part …' })
  await page.getByLabel('Name of the part').fill('Free side')
  await page.getByLabel('What is measured').fill('Free side: length')
  await page.getByLabel('Method').selectOption('size')
  await page.getByText('The same for other parts:').click()
  await page.getByRole('checkbox', { name: 'Fixed side' }).check()
  await page.getByRole('textbox', { name: /: Wear$/ }).fill('24.5')
  await page.getByLabel('At most or at least').selectOption('lower')
  await page.getByRole('checkbox', { name: /As found: no manual gives it/ }).check()
  // Nobody takes the shop’s word for what may hurt somebody.
  await page.getByRole('checkbox', { name: /Safety-marked/ }).check()
  await page.getByRole('button', { name: 'Save and measure' }).click()
  await expect(page.getByText(/is safety-marked: what it is judged by comes from a document/)).toBeVisible()
  await page.getByRole('checkbox', { name: /Safety-marked/ }).uncheck()
  await save()
  await open(page, `${job}/limits`)
  await expect(page.getByRole('heading', { name: 'Fixed side: length' })).toBeVisible()
  await expect(page.getByText('as found').first()).toBeVisible()
})

test('a fit is added at Fits, with the bearing known by its standard', async () => {
  await open(page, `${job}/fits`)
  await page.getByRole('button', { name: '+ Add a fit' }).click()
  await expectAccessible(page)
  await page.getByLabel('Kind').selectOption('bearingOnShaft')
  await page.getByRole('button', { name: 'Add a fit', exact: true }).click()
  await expect(page.getByText('Name the page.')).toBeVisible()
  await page.getByLabel('Document', { exact: true }).fill('VF-2')
  await page.getByLabel('Page', { exact: true }).fill('14')
  await page.getByLabel('Bore of the bearing, mm').fill('60')
  await page.getByLabel('Clearance, at most: Wear').fill('0.500')
  await page.getByRole('button', { name: 'Add a fit', exact: true }).click()
  await expect(page.getByText(/^Seat: choose what measures it/)).toBeVisible()
  await page.getByLabel('Seat', { exact: true }).selectOption({ label: 'Fixed side: seat Ø' })
  await page.getByLabel('Name', { exact: true }).fill('Fixed bearing on its seat')
  await page.getByRole('button', { name: 'Add a fit', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Fixed bearing on its seat' })).toBeVisible()
  await expect(page.getByText(/ISO 492/).first()).toBeVisible()
  // 60 −0.015 … 0 on a seat of 60.008 … 60.011, less what the micrometer shows too much: tight everywhere.
  await expect(page.getByRole('cell', { name: /0\.026/ }).first()).toBeVisible()
})

test('a part is added while looking: found, judged by eye, and renewed always by a rule added at Verdicts', async () => {
  await open(page, `${job}/look`)
  await page.getByRole('button', { name: '+ A part not in the book' }).click()
  await page.getByLabel('Part', { exact: true }).fill('Felt ring')
  await page.getByRole('button', { name: 'Add the part' }).click()
  await expect(page.getByRole('heading', { name: 'Felt ring' })).toBeVisible()
  await page.getByRole('button', { name: 'Inspected, nothing found' }).click()
  await expect(page.getByText(/nothing found/i).first()).toBeVisible()
  // It is the same part on the strip map and on the board.
  await open(page, `${job}/strip`)
  await expect(page.getByText('Felt ring').first()).toBeVisible()
  await open(page, `${job}/verdicts`)
  const row = page.locator('tr[data-part]', { hasText: 'Felt ring' })
  await row.press('Space')
  await page.getByRole('button', { name: /Add a route or a rule/ }).click()
  await page.getByLabel('What is it?').selectOption('always')
  await page.getByRole('checkbox', { name: /As found/ }).check()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(row).toContainText('Replace')
  await expect(row).toContainText('Always renewed at an overhaul')
})

test('a step is added with its caution, hold point and where it stops', async () => {
  await open(page, `${job}/as-found`)
  await page.getByRole('button', { name: '+ Add a step' }).click()
  await page.getByLabel('What is to be done').fill('Slacken the cover bolts')
  await page.getByText('How, caution, hold point').click()
  await page.getByLabel('It stops at').selectOption('slackenOnly')
  await page.getByRole('button', { name: 'Add it at the end' }).click()
  await expect(page.getByText('Say where it stops.')).toBeVisible()
  await page.getByLabel('What exactly').fill('Two turns, the cover stays on')
  await page.getByLabel('Hold point').check()
  await page.getByRole('button', { name: 'Add it at the end' }).click()
  await expect(page.getByText('Slacken only: Two turns, the cover stays on')).toBeVisible()
  await open(page, `${job}/plan`)
  await expect(page.getByRole('link', { name: 'Compose the machine' })).toBeVisible()
})

test('a second person checks the limits of the fit, and the report names all that was added', async ({ browser, medida }) => {
  // What was typed wrong is corrected where it is listed, and waits for its check.
  await open(page, `${job}/limits`)
  const own = page.getByRole('listitem').filter({ hasText: 'Fit added: Fixed bearing on its seat' })
  await expect(own.getByText('at most 0.500')).toBeVisible()
  await own.getByRole('button', { name: 'Edit' }).click()
  await expect(page.getByLabel('Seat', { exact: true })).toHaveValue(/./)
  await page.getByLabel('Clearance, at most: Wear').fill('0.000')
  await page.getByRole('button', { name: 'Save the change' }).click()
  await expect(own.getByText('at most 0.000')).toBeVisible()
  await expect(page.locator('[data-queued="0"]')).toHaveCount(1)
  const { page: reviewer, context } = await signedIn(browser, medida, 'reviewer')
  await open(reviewer, `${job}/limits`)
  const card = reviewer.getByRole('listitem').filter({ hasText: 'Fit added: Fixed bearing on its seat' })
  await card.getByRole('button', { name: 'Agrees with the document' }).click()
  await expect(card.getByText('at most 0.000')).toBeVisible()
  await expect(reviewer.locator('[data-queued="0"]')).toHaveCount(1)
  await context.close()
  await open(page, `${job}/report`)
  await expect(page.getByText('Fit added: Fixed bearing on its seat (VF-2, 14)').last()).toBeVisible()
  await expect(page.getByText('not counted').first()).toBeVisible()
  await expect(page.getByText('Felt ring: renewed always (as found, no document)')).toBeVisible()
  await expect(page.getByText(/Limits of Fixed bearing on its seat.*not checked/)).toHaveCount(0)
})
