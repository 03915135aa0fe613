/** Every form: all that is wrong with it stands at its fields at once, and a reload loses nothing that was typed. */
import type { Page } from '@playwright/test'
import { expect, JOB, open, signedIn, test } from './support/test'

interface FormCase {
  readonly name: string
  readonly who: string
  readonly at: string
  /** What is pressed before the form is there; again after a reload. */
  readonly opens?: (page: Page) => Promise<void>
  /** What is typed, by label; the faults stand at these and no more. */
  readonly typed: Readonly<Record<string, string>>
  readonly sends: string
  /** Fields at which something is wrong, in their order. */
  readonly wrong: readonly string[]
  /** Typed and not kept: passwords. */
  readonly secret?: readonly string[]
}

const press =
  (name: string | RegExp) =>
  (page: Page): Promise<void> =>
    page.getByRole('button', { name }).first().click()

const cases: readonly FormCase[] = [
  {
    name: 'open a job',
    who: 'planner',
    at: '/machines/quillmere-unit-2/open',
    typed: {
      'Running hours': 'many',
      'Why it is opened': 'x',
      'Hours to next overhaul': 'long',
      'Complaint of the owner': 'It hums',
    },
    sends: 'Open the job',
    wrong: ['Running hours', 'Why it is opened', 'Hours to next overhaul'],
  },
  {
    name: 'a machine without a book',
    who: 'planner',
    at: '/machines/new',
    typed: { Station: ' ', Machine: '' },
    sends: 'Add the machine and open a job',
    wrong: ['Station', 'Machine'],
  },
  {
    name: 'a gauge',
    who: 'planner',
    at: '/gauges',
    opens: press('Add a gauge'),
    typed: { Code: 'OM-99', Name: 'Micrometer', 'Step, mm': 'fine', 'Permissible error': '-1' },
    sends: 'Add to the store',
    wrong: ['Step, mm', 'Permissible error', 'Calibrated until'],
  },
  {
    name: 'earlier readings',
    who: 'planner',
    at: '/machines/quillmere-unit-1/history',
    typed: { 'Where they come from': 'x' },
    sends: 'Import readings',
    wrong: ['Where they come from'],
  },
  {
    name: 'a person',
    who: 'admin',
    at: '/people',
    opens: press('Add a person'),
    typed: { Name: '', 'User name': 'Not This!', Station: 'Quillmere Power Station' },
    sends: 'Add a person',
    wrong: ['Name', 'User name'],
  },
  {
    name: 'the own password',
    who: 'visitor',
    at: '/account',
    typed: { 'Current password': '', 'New password': 'short', 'Password, again': 'other' },
    sends: 'Change it',
    wrong: ['Current password', 'New password', 'Password, again'],
    secret: ['Current password', 'New password', 'Password, again'],
  },
  {
    name: 'a step that is done',
    who: 'inspector',
    at: '/jobs/quillmere-g1-2026/as-found',
    opens: press(/Add a step/),
    typed: { 'What is to be done': ' ' },
    sends: 'Add it at the end',
    wrong: ['What is to be done'],
  },
  {
    name: 'a part the book does not know',
    who: 'inspector',
    at: `/jobs/${JOB}/strip`,
    opens: press(/A part not in the book/),
    typed: { Part: ' ', Pieces: 'two' },
    sends: 'Add the part',
    wrong: ['Part', 'Pieces'],
  },
  {
    name: 'a temporary thing',
    who: 'inspector',
    at: `/jobs/${JOB}/strip`,
    opens: press(/Something else goes in/),
    typed: { 'What goes in': ' ' },
    sends: 'Add it',
    wrong: ['What goes in'],
  },
  {
    name: 'something to measure that no book has',
    who: 'inspector',
    at: '/jobs/quillmere-g1-2026/limits',
    opens: press('Add from the manual'),
    typed: { 'What is measured': ' ', '.*: Wear': '0.40' },
    sends: 'Save and measure',
    wrong: ['What is measured', 'Document', '.*: Page'],
  },
  {
    name: 'what the gauge shows at zero',
    who: 'inspector',
    at: `/jobs/${JOB}/bench?c=journal`,
    opens: async (page) => {
      await page.locator('input[data-reading]').press('e')
    },
    typed: { 'shows at zero': 'none', 'Temperature of the part': '900' },
    sends: 'Apply to the readings that follow',
    wrong: ['shows at zero', 'Temperature of the part', 'Temperature of the gauge'],
  },
  {
    name: 'a person changed',
    who: 'admin',
    at: '/people',
    opens: press('Edit Mara Ellwood'),
    typed: { Name: '', Station: 'Tarn End' },
    sends: 'Save',
    wrong: ['Name'],
  },
  {
    name: 'a verdict of one’s own',
    who: 'inspector',
    at: '/jobs/quillmere-u3-2026/verdicts',
    opens: async (page) => {
      await press(/^Depart/)(page)
      await page.getByRole('radio', { name: 'Replace' }).check()
    },
    typed: { Why: 'x' },
    sends: 'Decide: replace',
    wrong: ['Why'],
  },
  {
    name: 'returned to the inspector',
    who: 'reviewer',
    at: '/jobs/quillmere-u5-2026/report',
    opens: press('Return to inspector'),
    typed: { 'What needs correcting': 'x' },
    sends: 'Return to inspector',
    wrong: ['What needs correcting'],
  },
  {
    name: 'signed',
    who: 'reviewer',
    at: '/jobs/quillmere-u5-2026/report',
    opens: press('Sign report'),
    typed: { 'Your password, again': '' },
    sends: 'Sign report',
    wrong: ['Your password, again'],
    secret: ['Your password, again'],
  },
  {
    name: 'a finding',
    who: 'inspector',
    at: `/jobs/${JOB}/look`,
    typed: { 'How far it reaches': '40 mm', Note: 'seen with the glass' },
    sends: 'Save the finding',
    wrong: ['What is found'],
  },
  {
    name: 'what explains the complaint',
    who: 'inspector',
    at: `/jobs/${JOB}/look`,
    typed: {},
    sends: 'This explains it',
    wrong: ['Explained by'],
  },
  {
    name: 'the thickness of a shim',
    who: 'inspector',
    at: `/jobs/${JOB}/strip?p=gb-shim-left`,
    typed: { 'Measured thickness': ' ' },
    sends: 'Save the thickness',
    wrong: ['Measured thickness'],
  },
  {
    name: 'a gauge that is paired',
    who: 'inspector',
    at: '/gauges',
    opens: async (page) => {
      await page.getByLabel('Pair', { exact: true }).selectOption('di-07')
    },
    typed: { 'Adapter or place': ' ' },
    sends: 'Make the code',
    wrong: ['Adapter or place'],
  },
  {
    name: 'a password by its code',
    who: 'visitor',
    at: '/set-password',
    typed: { Code: '', Password: 'short', 'Password, again': 'other' },
    sends: 'Set the password',
    wrong: ['Code', 'Password', 'Password, again'],
    secret: ['Code', 'Password', 'Password, again'],
  },
]

/** A field by the beginning of its label; in the dialog where one is open. */
const field = (page: Page, label: string) =>
  page
    .locator('dialog[open], main')
    .last()
    .getByLabel(new RegExp(`^(\\S+ )?${label}`))
    .and(page.locator('input, select'))
    .first()

test.use({ actionTimeout: 10_000 })
test.beforeAll(({ medida }) => medida.startOver())

test('each form says all faults at their fields, goes to the first, and keeps what is typed over a reload', async ({
  medida,
  browser,
}) => {
  test.setTimeout(300_000)
  for (const who of new Set(cases.map((one) => one.who))) {
    const { page, context } = await signedIn(browser, medida, who)
    for (const { name, at, opens, typed, sends, wrong, secret = [] } of cases.filter((one) => one.who === who))
      await test.step(name, async () => {
        await open(page, at)
        await opens?.(page)
        for (const [label, text] of Object.entries(typed)) await field(page, label).fill(text)
        await page.getByRole('button', { name: sends, exact: true }).last().click()
        await expect(field(page, wrong[0] ?? ''), name).toHaveAttribute('aria-invalid', 'true')
        const said = await page
          .locator('[aria-invalid=true]')
          .evaluateAll((all) =>
            all.map((one) => (one as HTMLInputElement).labels?.[0]?.textContent ?? one.getAttribute('aria-label') ?? ''),
          )
        expect(said, name).toEqual(wrong.map((label) => expect.stringMatching(new RegExp(`^(\\S+ )?${label}`))))
        await expect(field(page, wrong[0] ?? ''), name).toBeFocused()
        await open(page, at)
        await opens?.(page)
        for (const [label, text] of Object.entries(typed))
          await expect(field(page, label), `${name}: ${label}`).toHaveValue(secret.includes(label) ? '' : text)
        if (secret.length < Object.keys(typed).length) await page.evaluate(() => sessionStorage.clear())
      })
    await context.close()
  }
})
