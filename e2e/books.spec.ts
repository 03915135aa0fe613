/**
 * Limit books: out as files of one installation and into an empty other one, every fault told, corrected, checked and issued by
 * a second person, written on, compared, taken into use.
 */
import type { Page } from '@playwright/test'
import { v7 } from 'uuid'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from './support/medida'
import { expect, expectAccessible, jobBody, open, signedIn, test } from './support/test'

test.describe.configure({ mode: 'serial' })

const BOOK = 'book-tarn-end-winch'
const row = 'Bearing 1: journal Ø, Smallest'
type File = { characteristics: Record<string, unknown>[]; parts: Record<string, unknown>[] }
let other: Medida | undefined
let page: Page
let reviewer: Page
let machine: string
let json: File
let xlsx: Buffer

const post = async (by: Page, path: string, data: object): Promise<Record<string, unknown>> => {
  const answer = await by.request.post(path, { data, headers: { origin: new URL(by.url()).origin } })
  expect(answer.ok(), await answer.text()).toBe(true)
  return (await answer.json()) as Record<string, unknown>
}

/** People of an installation that has none yet: its administrator, an inspector and a reviewer. */
async function peopled(medida: Medida, first: Page): Promise<void> {
  const [code = ''] = /([a-z2-9]{5}-){3}[a-z2-9]{5}/.exec(medida.output) ?? []
  const person = { name: 'Ada Lind', username: 'ada', station: 'Yard', password: DEMO_PASSWORD }
  await first.goto(`${medida.url}/first`)
  await post(first, '/api/first', { id: v7(), code, ...person })
  await post(first, '/api/auth/sign-in/username', { username: 'ada', password: DEMO_PASSWORD })
  for (const [role, name] of [
    ['inspector', 'Jon Pike'],
    ['reviewer', 'Nell Ashby'],
  ]) {
    const made = await post(first, '/api/people', { id: v7(), name, username: role, role, station: 'Yard' })
    await post(first, '/api/set-password', { code: made.code, password: DEMO_PASSWORD })
  }
}

test.beforeAll(async ({ browser, medida }) => {
  test.setTimeout(240_000)
  await medida.startOver()
  const { page: theirs, context } = await signedIn(browser, medida, 'inspector')
  const { revision } = (await (await theirs.request.get(`/api/books/${BOOK}/edits`)).json()) as { revision: string }
  const exported = `/api/books/${BOOK}/${encodeURIComponent(revision)}`
  json = (await (await theirs.request.get(exported)).json()) as File
  xlsx = await (await theirs.request.get(`${exported}?as=xlsx`)).body()
  expect(xlsx.subarray(0, 2).toString()).toBe('PK')
  expect(await (await theirs.request.get(`${exported}?as=csv`)).text()).toContain('Bearing 1: journal Ø,Smallest,at least')
  await context.close()

  const empty = await Medida.start({ asItIs: true, args: ['--empty'] })
  other = empty
  const first = await (await browser.newContext({ baseURL: empty.url })).newPage()
  await peopled(empty, first)
  await first.context().close()
  page = (await signedIn(browser, empty, 'inspector')).page
  reviewer = (await signedIn(browser, empty, 'reviewer')).page
  machine = v7()
  await post(page, '/api/machines', { id: machine, station: 'Yard', name: 'Second winch', units: 'metric', meter: 'starts' })
})
test.afterAll(() => other?.clear())

const choose = (name: string, buffer: Buffer) =>
  page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/octet-stream', buffer })

/** Of a long sheet only the rows in sight are drawn: down to where one stands. */
async function downTo(of: Page, name: string): Promise<void> {
  await expect(async () => {
    await of.evaluate(() => scrollBy(0, innerHeight / 2))
    await expect(of.getByLabel(name).first()).toBeAttached({ timeout: 500 })
  }).toPass()
}

/** A limit typed anew on the sheet by its document and page. */
async function typeLimit(wear: string): Promise<void> {
  await open(page, `/machines/${machine}/limits`)
  await downTo(page, row)
  await page.getByLabel(`${row}: Wear`, { exact: true }).fill(wear)
  await page.getByLabel(`${row}: Document`, { exact: true }).fill('TE-W4')
  await page.getByLabel(`${row}: Page`, { exact: true }).fill('21')
  await page.keyboard.press('Control+s')
  await expect(page.getByRole('button', { name: 'Nothing to save' })).toBeVisible()
}

/** The second person agrees to what waits: to the one with the page before them, to the rest at once. */
async function agreeToAll(): Promise<void> {
  await open(reviewer, `/machines/${machine}/limits`)
  await downTo(reviewer, row)
  await reviewer.getByRole('button', { name: `Agrees ${row}` }).press('Enter')
  await expect(reviewer.getByRole('button', { name: `Agrees ${row}`, pressed: true })).toBeVisible()
  const path = `/api/machines/${machine}/draft`
  type Limits = { judges: string; side: string; typed?: { check: object | null } }[]
  type View = { revision: string; book: Record<'characteristics' | 'fits', { id: string; limits: Limits }[]> }
  const { revision, book } = (await (await reviewer.request.get(path)).json()) as View
  const rows = [...book.characteristics, ...book.fits].flatMap(({ id, limits }) =>
    limits
      .filter(({ typed }) => typed?.check === null)
      .map(({ judges, side }) => ({ of: id, judges, side, agrees: true, note: '' })),
  )
  if (rows.length > 0) await post(reviewer, path, { id: v7(), base: revision, change: { kind: 'check', rows } })
}

async function issueAs(revision: string): Promise<void> {
  await open(reviewer, `/books/${BOOK}`)
  await reviewer.getByLabel('Issue it as revision').fill(revision)
  await reviewer.keyboard.press('Enter')
  await expect(reviewer.getByText(`rev. ${revision}`, { exact: true })).toBeVisible()
}

test('a file with faults stores nothing and says where each is; a whole one comes in as a draft', async () => {
  await open(page, '/books')
  await expectAccessible(page)
  const [part, ...parts] = json.parts
  const [one, ...others] = json.characteristics
  const faulty = {
    ...json,
    parts: [{ ...part, assembly: '' }, ...parts],
    characteristics: [{ ...one, gaugeKind: 'thumb' }, ...others],
  }
  await choose('winch.json', Buffer.from(JSON.stringify(faulty)))
  await page.getByRole('button', { name: 'Take it in' }).press('Enter')
  await expect(page.getByText('This book has 2 faults. Nothing was stored')).toBeVisible()
  await expect(page.getByRole('row', { name: /› Assembly must not be empty/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /› Gauge is not known here: one of / })).toBeVisible()
  await choose('winch.xlsx', xlsx)
  await page.getByLabel('For the machine').selectOption({ label: 'Second winch, Yard' })
  await page.getByRole('button', { name: 'Take it in' }).press('Enter')
  await expect(page).toHaveURL(/\/books\/book-tarn-end-winch\?rev=draft%201$/)
  await expect(page.getByRole('heading', { name: 'Bearing 1: journal Ø' })).toBeVisible()
  await expectAccessible(page)
})

test('it is corrected in its form, what is wrong told beside its place, kept over a reload, and saved whole', async () => {
  await page.getByRole('link', { name: 'Edit', exact: true }).press('Enter')
  await page.waitForURL(/\/edit$/)
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
  await page.getByRole('button', { name: /^Characteristics/ }).press('Enter')
  await page.getByLabel('Find by name or id').fill('bearing-1-journal')
  await page.getByRole('button', { name: 'Bearing 1: journal Ø' }).press('Enter')
  await expectAccessible(page)
  const part = page.getByRole('combobox', { name: 'Part', exact: true })
  await part.fill('the attic')
  await page.getByRole('textbox', { name: 'Wear limit, mm' }).fill('eighty')
  await expect(page.getByText('“the attic” is not in this book.')).toBeVisible()
  await expect(page.getByText('“eighty” is not a length.')).toBeVisible()
  const wrong = page.getByRole('button', { name: /Bearing 1: journal Ø › Part: / })
  await expect(wrong).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save as the next draft' })).toBeDisabled()
  // What is typed outlives a reload, and what is wrong leads to its field.
  await page.reload()
  await wrong.press('Enter')
  await expect(part).toBeFocused()
  await expect(part).toHaveValue('the attic')
  await part.fill('bearing-1-journal')
  await page.getByRole('textbox', { name: 'Wear limit, mm' }).fill('3.14 in')
  await page.getByLabel('How', { exact: true }).fill('Three stations, two directions each')
  // A step more, that everybody reads.
  await page.getByRole('button', { name: /^Steps/ }).press('Enter')
  await page.getByRole('button', { name: 'Add to steps …' }).press('Enter')
  await page.keyboard.type('Drum turned on its bearings')
  await page.keyboard.press('Enter')
  await page.getByLabel('Phase', { exact: true }).selectOption('prove')
  await page.getByLabel('Add to Levels').fill('full')
  await expect(page.getByText('Nothing wrong.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save as the next draft' }).press('Enter')
  await expect(page.getByText('Saved as draft 2.')).toBeVisible()
  await open(page, `/books/${BOOK}`)
  await expect(
    page.getByRole('heading', { name: 'Drum turned on its bearings' }).or(page.getByText('Drum turned on its bearings')).first(),
  ).toBeVisible()
})

test('it is checked and issued by the second person, never by whoever worked on it', async () => {
  await typeLimit('79.80')
  await agreeToAll()
  await open(page, `/books/${BOOK}`)
  await expect(page.getByText('A second person issues it')).toBeVisible()
  await expect(page.getByLabel('Issue it as revision')).toHaveCount(0)
  await issueAs('A')
  await expectAccessible(reviewer)
})

test('the next revision is compared, and taken into use with the job that is open', async () => {
  await post(page, `/api/machines/${machine}/jobs`, { ...jobBody(v7(), 'full'), starts: 3200 })
  await open(page, `/books/${BOOK}?rev=A`)
  await page.getByRole('button', { name: 'Begin the next revision' }).press('Enter')
  await expect(page).toHaveURL(/rev=A%20draft%20\d+$/)
  await typeLimit('79.82')
  await agreeToAll()
  await issueAs('B')
  await open(page, `/books/${BOOK}/compare?from=A&to=B`)
  const changed = page.getByRole('row', { name: /Bearing 1: journal Ø: Smallest, at least/ })
  await expect(changed).toContainText('79.80 mm')
  await expect(changed).toContainText('79.82 mm')
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
