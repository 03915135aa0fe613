/** A hand winch that is composed from the kit: stripped, looked at, measured, judged with a route and reported, by keyboard alone. */
import type { Page } from '@playwright/test'
import { v7 } from 'uuid'
import { expect, jobBody, open, readingField, signedIn, tabTo, takeReadings, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())
test.describe.configure({ mode: 'serial' })

let page: Page
let job: string

const LIMITS: readonly (readonly [string, string, 'lower' | 'upper', string])[] = [
  ['bearing-strip', 'maximum', 'upper', '0.40'],
  ['bearing-pinch', 'minimum', 'lower', '0.02'],
  ['bearing-contact', 'contactPercent', 'lower', '70'],
  ['bearing-float', 'maximum', 'upper', '0.60'],
  ['gears-backlash', 'maximum', 'upper', '0.70'],
]

/** What compose.spec.ts and missed.spec.ts do by keyboard is done here by the same calls. */
test.beforeAll(async ({ browser, medida }) => {
  page = (await signedIn(browser, medida, 'inspector')).page
  const second = (await signedIn(browser, medida, 'reviewer')).page
  const machine = v7()
  let base: string | null = null
  const post = async (by: Page, path: string, data: object): Promise<{ revision: string }> => {
    const answer = await by.request.post(path, { data, headers: { origin: medida.url } })
    expect(answer.ok(), await answer.text()).toBe(true)
    return (await answer.json()) as { revision: string }
  }
  const change = async (by: Page, what: object): Promise<void> => {
    base = (await post(by, `/api/machines/${machine}/draft`, { id: v7(), base, change: what })).revision
  }
  await post(page, '/api/machines', { id: machine, station: 'Tarn End', name: 'Hand winch', units: 'metric', meter: 'none' })
  await change(page, { kind: 'add', assembly: 'gearPair', names: ['Gears'], into: null, answers: {} })
  await change(page, { kind: 'add', assembly: 'splitSleeveBearing', names: ['Bearing'], into: null, answers: { thrust: 'one' } })
  await change(page, {
    kind: 'limits',
    rows: LIMITS.map(([of, judges, side, wear]) => {
      const row = { of, judges, side, wear, new: '', plan: '', whenPassed: 'mend', instruction: '' }
      return { ...row, document: 'HW-2', page: '8' }
    }),
  })
  await change(second, {
    kind: 'check',
    rows: LIMITS.map(([of, judges, side]) => ({ of, judges, side, agrees: true, note: '' })),
  })
  const id = v7()
  await post(page, `/api/machines/${machine}/jobs`, jobBody(id, 'full', 'Knocks under load'))
  job = `/jobs/${id}`
})

/** A stage’s steps, each done by its button and Enter. */
async function doSteps(stage: string): Promise<void> {
  await open(page, `${job}/${stage}`)
  const next = page.getByRole('button', { name: /^Done: / })
  const done = page.getByRole('button', { name: /^Reopen: / })
  // What comes after a hold point is offered once that is done.
  for (let at = 0; (await next.count()) > 0; at += 1) {
    const left = await next.count()
    await next.first().press('Enter')
    await expect(next).toHaveCount(left - 1) // its question has opened
    await page.keyboard.press('Enter')
    await expect(done).toHaveCount(at + 1)
  }
}

test('made safe, stripped with mark and tag, and a finding noted', async () => {
  await doSteps('make-safe')
  await open(page, `${job}/strip`)
  await tabTo(page, 'Machine by position')
  for (let at = 0; at < 5; at += 1) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('treeitem', { name: /upper half.*out, in Tray 1/ })).toBeVisible()
  await page.keyboard.press('t')
  await expect(page.getByLabel('Number', { exact: true })).toBeFocused()
  await tabTo(page, 'Save the tag')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Bearing: upper half: no tag')).toHaveCount(0)
  await open(page, `${job}/look?part=bearing-lower`)
  await tabTo(page, 'What is found')
  await page.keyboard.type('rub')
  await page.keyboard.press('Enter')
  await tabTo(page, 'Save the finding')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('article', { name: /Metal-to-metal touch/ })).toBeVisible()
})

test('strip, pinch, contact, float and backlash are measured, and judged as they are typed', async () => {
  const result = page.getByRole('complementary', { name: 'Result' })
  const measure = async (id: string, texts: readonly string[]): Promise<void> => {
    await open(page, `${job}/bench?c=${id}`)
    await takeReadings(page, texts)
  }
  await open(page, `${job}/bench?c=bearing-crush`)
  await readingField(page)
  // No limit is typed for it: what is not judged is no reason to reuse anything.
  await expect(result).toContainText('Information only')
  await measure('bearing-strip', ['0.20', '0.25'])
  await expect(result).toContainText('Reuse')
  await measure('bearing-pinch', ['1.00', '1.00', '0.94', '0.95'])
  await expect(result).toContainText('0.05')
  await measure('bearing-contact', [...Array(12).fill('2'), ...Array(6).fill('0')])
  await expect(result).toContainText('66.67')
  await expect(result).toContainText('Recondition')
  await measure('bearing-float', ['0.31', '0.32', '0.31'])
  await measure('gears-backlash', ['0.42', '0.44', '0.43', '0.42'])
  await expect(result).toContainText('0.44')
})

test('the part that fails is reconditioned by a route of the kit, and the report says all of it', async () => {
  await open(page, `${job}/verdicts`)
  const row = page.locator('tr[data-part="bearing-lower"]')
  await expect(row).toContainText('Recondition')
  await row.focus()
  await page.keyboard.press('d')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toBeVisible()
  await dialog.getByRole('radio', { name: /Recondition/ }).press('Space')
  await dialog.getByRole('radio', { name: /Scrape to bed/ }).press('Space')
  await tabTo(page, 'Why')
  await page.keyboard.type('Lining is sound, contact is not')
  await tabTo(page, /Decide/)
  await page.keyboard.press('Enter')
  await expect(dialog).toHaveCount(0)
  await expect(row).toContainText('Scrape to bed')
  await open(page, `${job}/report`)
  await expect(page.getByText('Scrape to bed').first()).toBeVisible()
  await expect(page.getByText('HW-2').first()).toBeVisible()
  await expect(page.getByText('Lining is sound, contact is not').first()).toBeVisible()
})
