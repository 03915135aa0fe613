/** Earlier readings taken over from a table: whole or not at all, once, and known to trends and bench from then on. */
import { onDatabase } from './support/database'
import { expect, expectAccessible, open, readingField, signedIn, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())

const HEAD = 'overhaul;date;running_hours;characteristic;station;direction;stage;reading;gauge'
const rows = (sizes: readonly string[]): string =>
  sizes
    .map(
      (size, index) =>
        `First overhaul;2009-05-11;4 100;Shaft journal Ø;${'ABC'[index >> 1]};${(index % 2) + 1};as found;${size};`,
    )
    .join('\n')
const csv = (text: string) => ({ name: 'sheets.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

test('a table of earlier readings joins the history', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'planner')
  await open(page, '/')
  await page.getByRole('link', { name: 'Earlier readings' }).first().click()
  await expectAccessible(page)
  const heading = await page.getByRole('heading', { level: 1 }).textContent()
  expect(heading).toContain('Earlier readings of')
  await open(page, '/machines/quillmere-unit-1/history')
  await page.getByRole('button', { name: 'Import readings' }).click()
  await expect(page.getByText('Say where the readings come from.')).toBeVisible()
  await page.getByLabel('Where they come from').fill('Record sheets, folder 3')
  const good = rows(['219,985', '219,984', '219,986', '219,984', '219,985', '219,986'])
  await page.getByLabel('Table as CSV').setInputFiles(csv(`${HEAD}\n${good}\nFirst overhaul;2009-05-11;4 100;Piston;A;1;;60;\n`))
  await page.getByRole('button', { name: 'Import readings' }).click()
  await expect(page.getByText('One row of the table cannot be imported, so nothing was.')).toBeVisible()
  await expect(page.getByRole('row', { name: 'line 8 The limit book has no characteristic “Piston”.' })).toBeVisible()
  await page.getByLabel('Table as CSV').setInputFiles(csv(`${HEAD}\n${good}\n`))
  await page.getByRole('button', { name: 'Import readings' }).click()
  await expect(page.getByText('Imported: 6 readings of 1 overhaul.')).toBeVisible()
  await expectAccessible(page)

  await open(page, '/')
  await page
    .getByRole('row', { name: /^Unit 1 / })
    .getByText('2 earlier overhauls')
    .click()
  await expect(page.getByRole('link', { name: /First overhaul/ })).toBeVisible()
  await open(page, '/machines/quillmere-unit-1/trends?c=journal')
  await expect(page.getByRole('cell', { name: '4 100', exact: true })).toBeVisible()
  await context.close()

  const inspector = await signedIn(browser, medida, 'inspector')
  // It is history: nothing is typed into it.
  await open(inspector.page, '/')
  await inspector.page
    .getByRole('row', { name: /^Unit 1 / })
    .getByText('2 earlier overhauls')
    .click()
  await inspector.page
    .getByRole('link', { name: /First overhaul/ })
    .first()
    .click()
  await open(inspector.page, `${new URL(inspector.page.url()).pathname}/bench`)
  await expect(inspector.page.getByText('This overhaul was imported from earlier records')).toBeVisible()
  // And the open job knows it.
  await open(inspector.page, '/jobs/quillmere-u1-2026/bench?c=journal')
  await readingField(inspector.page)
  await inspector.context.close()
})

test('cancelled while it is imported a table leaves nothing, and is imported by the next try', async ({ browser, medida }) => {
  const { page, context } = await signedIn(browser, medida, 'planner')
  await open(page, '/machines/quillmere-unit-1/history')
  await page.getByLabel('Where they come from').fill('Logger of the guide bearing')
  const table = rows(Array(6).fill('219,985')).replaceAll('2009-05-11;4 100', '2008-03-04;3 100')
  await page.getByLabel('Table as CSV').setInputFiles(csv(`${HEAD}\n${table}\n`))
  const stored = await onDatabase(medida, async (client) => {
    // Somebody else holds the machine: the import waits, and so does the question what became of it.
    await client.query('BEGIN')
    await client.query(`SELECT id FROM machine WHERE id = 'quillmere-unit-1' FOR UPDATE`)
    await page.getByRole('button', { name: 'Import readings' }).click()
    await expect(page.getByRole('progressbar')).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Cancel' }).click()
    await client.query('COMMIT')
    await expect(page.getByText('Cancelled. Nothing was imported.')).toBeVisible()
    return Number((await client.query(`SELECT count(*) AS n FROM job WHERE imported_from LIKE 'Logger%'`)).rows[0].n)
  })
  expect(stored).toBe(0)
  // What was typed is still there, and the same table is imported by the next try.
  await expect(page.getByLabel('Where they come from')).toHaveValue('Logger of the guide bearing')
  await page.getByRole('button', { name: 'Import readings' }).click()
  await expect(page.getByText('Imported: 6 readings of 1 overhaul.')).toBeVisible()
  await context.close()
})
