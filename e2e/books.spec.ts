/** Limit books: out as files and in again, every fault told, corrected, checked and issued by a second person, compared, taken into use. */
import type { Page } from '@playwright/test'
import { v7 } from 'uuid'
import { expect, expectAccessible, jobBody, open, signedIn, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())
test.describe.configure({ mode: 'serial' })

const BOOK = 'yard-winch'
const row = 'Bearing: journal Ø, Smallest'
let page: Page
let reviewer: Page
let machine: string
let file: { id: string; parts: Record<string, unknown>[]; characteristics: Record<string, unknown>[] }

const post = async (path: string, data: object): Promise<Record<string, unknown>> => {
  const answer = await page.request.post(path, { data, headers: { origin: new URL(page.url()).origin } })
  expect(answer.ok(), await answer.text()).toBe(true)
  return (await answer.json()) as Record<string, unknown>
}
const newMachine = async (name: string): Promise<string> => {
  const id = v7()
  await post('/api/machines', { id, station: 'Yard', name, units: 'metric', meter: 'none' })
  return id
}
/** A limit typed anew on the sheet, and agreed to by the second person. */
async function typeAndAgree(wear: string): Promise<void> {
  await open(page, `/machines/${machine}/limits`)
  await page.getByLabel(`${row}: Wear`, { exact: true }).fill(wear)
  await page.getByLabel(`${row}: Document`, { exact: true }).fill('TE-W4')
  await page.getByLabel(`${row}: Page`, { exact: true }).fill('8')
  await page.keyboard.press('Control+s')
  await expect(page.getByRole('button', { name: 'Nothing to save' })).toBeVisible()
  await open(reviewer, `/machines/${machine}/limits`)
  await reviewer.getByRole('button', { name: `Agrees ${row}` }).press('Enter')
  await expect(reviewer.getByText(/^1 agreed$/)).toBeVisible()
}
async function issueAs(revision: string): Promise<void> {
  await open(reviewer, `/books/${BOOK}`)
  await reviewer.getByLabel('Issue it as revision').fill(revision)
  await reviewer.keyboard.press('Enter')
  await expect(reviewer.getByText(`rev. ${revision}`, { exact: true })).toBeVisible()
}

test.beforeAll(async ({ browser, medida }) => {
  page = (await signedIn(browser, medida, 'inspector')).page
  reviewer = (await signedIn(browser, medida, 'reviewer')).page
  const first = await newMachine('First winch')
  const bearing = { kind: 'add', assembly: 'splitSleeveBearing', names: ['Bearing'], into: null, answers: {} }
  const { book } = (await post(`/api/machines/${first}/draft`, { id: v7(), base: null, change: bearing })) as {
    book: { id: string; revision: string }
  }
  const exported = `/api/books/${book.id}/${encodeURIComponent(book.revision)}`
  file = { ...(await (await page.request.get(exported)).json()), id: BOOK }
  const xlsx = await page.request.get(`${exported}?as=xlsx`)
  expect((await xlsx.body()).subarray(0, 2).toString()).toBe('PK')
  expect(await (await page.request.get(`${exported}?as=csv`)).text()).toContain('Bearing: journal Ø,Smallest,at least')
  machine = await newMachine('Second winch')
})

const choose = (content: object) =>
  page.locator('input[type=file]').setInputFiles({
    name: 'winch.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(content)),
  })

test('a file with faults stores nothing and says where each is; mended it comes in as a draft', async () => {
  await open(page, '/books')
  await expectAccessible(page)
  const [part, ...parts] = file.parts
  const [one, ...others] = file.characteristics
  await choose({
    ...file,
    parts: [{ ...part, assembly: '' }, ...parts],
    characteristics: [{ ...one, gaugeKind: 'thumb' }, ...others],
  })
  await page.getByRole('button', { name: 'Take it in' }).press('Enter')
  await expect(page.getByText('This book has 2 faults. Nothing was stored')).toBeVisible()
  await expect(page.getByRole('row', { name: /› assembly must not be empty/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /› kind of gauge is not known here: one of / })).toBeVisible()
  await choose(file)
  await page.getByLabel('For the machine').selectOption({ label: 'Second winch, Yard' })
  await page.getByRole('button', { name: 'Take it in' }).press('Enter')
  await expect(page).toHaveURL(/\/books\/yard-winch\?rev=draft%201$/)
  await expect(page.getByRole('heading', { name: 'Bearing: journal Ø' })).toBeVisible()
  await expectAccessible(page)
})

test('it is corrected, checked, and issued by the second person, never by whoever worked on it', async () => {
  await typeAndAgree('79.90')
  await open(page, `/books/${BOOK}`)
  await expect(page.getByText('A second person issues it')).toBeVisible()
  await expect(page.getByLabel('Issue it as revision')).toHaveCount(0)
  await issueAs('A')
  await expectAccessible(reviewer)
})

test('the next revision is compared, and taken into use with the job that is open', async () => {
  await post(`/api/machines/${machine}/jobs`, jobBody(v7(), 'full'))
  await open(page, `/books/${BOOK}?rev=A`)
  await page.getByRole('button', { name: 'Begin the next revision' }).press('Enter')
  await expect(page).toHaveURL(/rev=A%20draft%20\d+$/)
  await typeAndAgree('79.95')
  await issueAs('B')
  await open(page, `/books/${BOOK}/compare?from=A&to=B`)
  const changed = page.getByRole('row', { name: /Bearing: journal Ø: Smallest, at least/ })
  await expect(changed).toContainText('79.90 mm')
  await expect(changed).toContainText('79.95 mm')
  await expect(page.getByText('open job, on A')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Use it on Second winch, with its open job' }).press('Enter')
  await expect(page.getByText('Measured against B from now on.')).toBeVisible()
  await open(page, `/books/${BOOK}`)
  await expect(page.getByText('on B')).toBeVisible()
  // Retired with a reason, it is offered no more.
  await page.getByRole('button', { name: 'Retire …' }).press('Enter')
  await page.getByLabel('Why it is retired').fill('Misprinted')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Offer it again …' })).toBeVisible()
})
