/** A machine that is in no book: composed by keyboard from assemblies, its limits typed and checked in one sheet, measured at once. */
import type { Page } from '@playwright/test'
import { expect, expectAccessible, open, readingField, signedIn, tabTo, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())
test.describe.configure({ mode: 'serial' })

/** What a person presses besides the text that must be typed anyway. */
let keys = 0
let presses = 0
let page: Page
let machine = ''

test.beforeAll(async ({ browser, medida }) => {
  page = (await signedIn(browser, medida, 'inspector')).page
})

const key = async (name: string): Promise<void> => {
  keys += 1
  await page.keyboard.press(name)
}
const isFocused = (name: string): Promise<boolean> =>
  page.evaluate((wanted) => {
    const at = document.activeElement
    const label =
      at?.getAttribute('aria-label') ?? (at instanceof HTMLInputElement ? at.labels?.[0]?.textContent : at?.textContent)
    return (label ?? '').includes(wanted)
  }, name)
/** Tab, or Shift+Tab, until it is there. */
const tab = async (name: string, by = 'Tab'): Promise<void> => {
  for (let at = 0; at < 40 && !(await isFocused(name)); at += 1) await key(by)
  expect(await isFocused(name)).toBe(true)
}
/** An assembly found by a few letters and added as it is asked for. */
const add = async (letters: string, title: string, parts: number): Promise<void> => {
  await page.keyboard.type(letters)
  await expect(page.getByRole('heading', { name: title })).toBeVisible()
  await key('Control+Enter')
  await expect(page.getByText(new RegExp(`^${parts} parts,`))).toBeVisible()
  await expect(page.getByRole('searchbox', { name: 'Find an assembly' })).toBeFocused()
}

test('a winch: from “add a machine” to its first reading', async () => {
  await open(page, '/machines/new')
  await page.keyboard.type('Tarn End Waterworks and Yard')
  await key('Tab')
  await page.keyboard.type('Hoisting winch')
  await tab('Add the machine and compose it')
  await key('Enter')
  await page.waitForURL(/\/compose$/)
  machine = new URL(page.url()).pathname.replace(/\/compose$/, '')
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await expect(page.getByText('0 parts, 0 limits to type')).toBeVisible()
  await expectAccessible(page)
  await add('frame', 'Frame and feet', 4)
  await add('gear pair', 'Gear pair, bevel or worm set', 7)
  await add('gear pair', 'Gear pair, bevel or worm set', 10)
  await add('brake', 'Clutch, brake or friction stack', 14)
  // Four sleeve bearings at once.
  await page.keyboard.type('split')
  await key('Tab')
  await key('Tab')
  for (let at = 0; at < 3; at += 1) await key('ArrowRight')
  await expect(page.getByRole('button', { name: 'Add 4 of bearing' })).toBeVisible()
  await key('Control+Enter')
  await expect(page.getByText(/^50 parts,/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Bearing 4', exact: true })).toBeVisible()

  await tab('Open a job', 'Shift+Tab')
  await key('Enter')
  await page.waitForURL(/\/open$/)
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await page.getByLabel('Running hours').click()
  presses += 1
  await page.keyboard.type('0')
  await tab('Why it is opened')
  await page.keyboard.type('Runs rough')
  await tab('Hours to next overhaul')
  await page.keyboard.type('0')
  await key('Enter')
  await page.waitForURL(/\/plan$/)
  const job = new URL(page.url()).pathname.replace(/\/plan$/, '')
  const bar = async (step: RegExp): Promise<void> => {
    await page.getByRole('link', { name: step }).first().click()
    presses += 1
    await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  }
  await bar(/^Make safe/)
  for (const step of [
    'Isolate, lock and tag every source of energy',
    'The maker’s manual lies at hand',
    'Brake: load held by something else',
  ]) {
    await page.getByRole('button', { name: `Done: ${step}` }).click()
    presses += 1
    await key('Enter')
    await expect(page.getByRole('button', { name: `Reopen: ${step}` })).toBeVisible()
  }
  await bar(/^Measure/)
  await readingField(page)
  await page.keyboard.type('0.05')
  await key('Enter')
  await expect
    .poll(async () => {
      const view = (await (await page.request.get(`/api${job}`)).json()) as { record: { job: { readings: unknown[] } } }
      return view.record.job.readings.length
    })
    .toBe(1)
  process.stdout.write(
    `From “add a machine” to the winch’s first reading: ${keys} keys and ${presses} pointer presses beside typed text.\n`,
  )
  expect(keys).toBeLessThanOrEqual(120)
  expect(presses).toBeLessThanOrEqual(12)
})

test('what stands in the machine is renamed, copied and taken out, and what has readings stays', async () => {
  await open(page, `${machine}/compose`)
  const chosen = async (name: string, what: string): Promise<void> => {
    await page.getByRole('button', { name, exact: true }).press('Enter')
    await tabTo(page, what)
    await page.keyboard.press('Enter')
  }
  await chosen('Bearing 1', 'Rename')
  await page.getByLabel('New name').fill('Bearing 2')
  await page.keyboard.press('Enter')
  await expect(page.getByText('“Bearing 2” is on this machine already. Give it another name.')).toBeVisible()
  await page.getByLabel('New name').fill('Bearing 1, drive side')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Bearing 1, drive side', exact: true })).toBeVisible()
  // What its tag and the strip map go by is said after it was added.
  await chosen('Bearing 4', 'Details')
  await page.getByRole('dialog').getByLabel('Sits in').selectOption({ label: 'Frame' })
  await page.getByLabel('Pieces').fill('none')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Pieces: a whole number from 1 to 999.')).toBeVisible()
  await page.getByLabel('Pieces').fill('1')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.getByRole('button', { name: 'Take out', exact: true }).press('Enter')
  await expect(page.getByText(/With it go 9 parts, 8 measured, 1 fit and 8 steps/)).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^41 parts,/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(page.getByText(/^50 parts,/)).toBeVisible()
  // The first reading stands on the frame.
  await chosen('Frame', 'Take out')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/“Frame: .*” has readings in Overhaul.*: it stays\./)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/^50 parts,/)).toBeVisible()
})

test('limits are typed, pasted and saved in one sheet; what is wrong is said, and a reload loses nothing', async () => {
  await open(page, `${machine}/limits`)
  await expectAccessible(page)
  const cell = (row: string, what: string) => page.getByLabel(`${row}: ${what}`, { exact: true })
  const bore = 'Bearing 1, drive side: bore Ø, Largest'
  await cell(bore, 'New size or class').fill('80 H8')
  await cell(bore, 'Plan').fill('80.40')
  await cell(bore, 'Wear').fill('80.35')
  await expect(page.getByText('The plan limit must come before the wear limit.')).toBeVisible()
  await cell(bore, 'Plan').fill('80.28')
  await expect(page.getByText('Say which document and page it stands on.')).toBeVisible()
  await cell(bore, 'Document').fill('TE-W4')
  await cell(bore, 'Page').fill('21')
  await page.reload()
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await expect(cell(bore, 'Wear')).toHaveValue('80.35')
  // A block from a spreadsheet, from the next row on.
  const oval = cell('Bearing 1, drive side: bore Ø, Out-of-round', 'Plan')
  await oval.focus()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text/plain', '0.06\t0.08\n0.06\t0.08\n')
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(cell('Bearing 1, drive side: bore Ø, Taper', 'Wear')).toHaveValue('0.08')
  // The document is carried down to them.
  await expect(cell('Bearing 1, drive side: bore Ø, Taper', 'Document')).toHaveAttribute('placeholder', 'TE-W4')
  await page.keyboard.press('Control+s')
  await expect(page.getByRole('button', { name: 'Nothing to save' })).toBeVisible()
  await expect(page.getByText('3 of 19 typed')).toBeVisible()
  // The page itself, for whoever holds the figure against it.
  await cell(bore, 'Wear').focus()
  // What the way back leaves, by the page that says so.
  await page.getByRole('button', { name: 'Change Re-line and machine' }).click()
  const way = page.getByRole('dialog')
  await way.getByLabel('Least, mm').fill('80.00')
  await way.getByRole('button', { name: 'Save the change' }).click()
  await expect(way.getByText('Give least and most, or leave all of it empty.')).toBeVisible()
  await way.getByLabel('Most, mm').fill('80.03')
  await way.getByRole('checkbox', { name: 'Bearing 1, drive side: journal in bearing' }).check()
  await way.getByLabel('Document', { exact: true }).fill('TE-W4')
  await way.getByLabel('Page', { exact: true }).fill('23')
  await way.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByText('leaves 80 … 80.03')).toBeVisible()
  const file = page.getByLabel('+ Picture or PDF of TE-W4, page 21')
  await file.setInputFiles({ name: 'manual.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7 cut off') })
  await expect(page.getByText(/manual\.pdf cannot be read/)).toBeVisible()
  await file.setInputFiles({ name: 'manual.pdf', mimeType: 'application/pdf', buffer: await twoPages(page) })
  await page.getByLabel('Page of manual.pdf, 1 to 2').fill('3')
  await expect(page.getByText('This file has pages 1 to 2.')).toBeVisible()
  await page.getByLabel('Page of manual.pdf, 1 to 2').fill('2')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('img', { name: 'TE-W4, page 21' })).toBeVisible()
  // Bearings 2 to 4 are of the same make.
  await page.getByRole('button', { name: 'Same for 3 equal' }).click()
  await expect(cell('Bearing 3: bore Ø, Largest', 'Wear')).toHaveValue('80.35')
  await expect(page.getByText('2 of 19 typed')).toHaveCount(0)
  await page.keyboard.press('Control+s')
  await expect(page.getByText('1 of 19 typed')).toHaveCount(3)
})

test('a second person holds them against the page, nobody their own; the reading is judged by them', async ({
  browser,
  medida,
}) => {
  await page.getByText('Check', { exact: true }).click()
  await expect(page.getByText('You typed it: a second person checks.').first()).toBeVisible()
  await expect(page.getByText('Nothing waits to be checked.')).toBeVisible()
  const second = (await signedIn(browser, medida, 'reviewer')).page
  await open(second, `${machine}/limits`)
  await expectAccessible(second)
  await second.getByRole('button', { name: 'Agrees Bearing 1, drive side: bore Ø, Largest' }).focus()
  await expect(second.getByRole('img', { name: 'TE-W4, page 21' })).toBeVisible()
  await second.getByRole('button', { name: 'Agrees Bearing 1, drive side: bore Ø, Largest' }).click()
  await expect(second.getByText(/^1 agreed$/)).toBeVisible()
  await second.getByRole('button', { name: 'Differs Bearing 1, drive side: bore Ø, Out-of-round' }).click()
  await second.getByLabel('What the page says').fill('0.09')
  await second.keyboard.press('Enter')
  await expect(second.getByRole('cell', { name: 'Tobias Renn: 0.09' })).toBeVisible()
  await open(page, `${machine}/limits`)
  await page.getByRole('button', { name: /^To check/ }).click()
  await expect(page.getByRole('cell', { name: 'Tobias Renn: 0.09' })).toBeVisible()
  const { record } = (await (await page.request.get(`/api${new URL(await jobAddress(page)).pathname}`)).json()) as {
    record: { book: { characteristics: { name: string; limits: { wear: number }[] }[] } }
  }
  const bore = record.book.characteristics.find(({ name }) => name === 'Bearing 1, drive side: bore Ø')
  expect(bore?.limits.map(({ wear }) => wear)).toEqual([80.35, 0.08, 0.08])
})

/** A manual of two pages. */
async function twoPages(from: Page): Promise<Buffer> {
  const sheet = await from.context().newPage()
  await sheet.setContent('<p>Page 20</p><p style="break-before: page">Page 21: bore 80.35 mm</p>')
  const pdf = await sheet.pdf({ format: 'A5' })
  await sheet.close()
  return pdf
}

/** Of the job that is open on the machine. */
async function jobAddress(from: Page): Promise<string> {
  await open(from, `${machine}/compose`)
  return from.getByRole('link', { name: 'To the job' }).evaluate((link) => (link as HTMLAnchorElement).href)
}
