/** A practice job: opened beside the one that is open, worked in by a trainee, ended, and out of everybody's way. */
import { expect, expectAccessible, open, signedIn, test } from './support/test'

test.beforeAll(({ medida }) => medida.startOver())

test('a trainee works in a practice job and ends it', async ({ browser, medida }) => {
  const planner = await signedIn(browser, medida, 'planner')
  await open(planner.page, '/machines/quillmere-unit-1/open')
  await planner.page.getByLabel('Running hours').fill('100')
  await planner.page.getByLabel('Why it is opened').fill('Learning the bore gauge')
  await planner.page.getByLabel('Hours to next overhaul').fill('8000')
  await planner.page.getByLabel('Practice job').check()
  await planner.page.getByRole('button', { name: 'Open the job' }).click()
  await planner.page.waitForURL(/\/plan$/)
  const job = new URL(planner.page.url()).pathname.replace(/\/plan$/, '')
  await planner.context.close()

  const { page, context } = await signedIn(browser, medida, 'trainee')
  const row = page.getByRole('row').filter({ hasText: 'practice' })
  await expect(row).toHaveCount(1)
  await row.getByRole('link').first().click()
  await expect(page.getByText('Trainees may work in this job')).toBeVisible()
  await open(page, `${job}/look`)
  await page.getByRole('button', { name: 'Inspected, nothing found', exact: true }).click()
  await expect(page.getByText(/Inspected by Jonah Pike|Jonah Pike/).first()).toBeVisible()
  // Where somebody else's work is, they only look.
  await open(page, '/jobs/quillmere-u1-2026/look')
  await expect(page.getByRole('button', { name: 'Inspected, nothing found', exact: true })).toHaveCount(0)

  await open(page, `${job}/look`)
  await page.getByRole('link', { name: 'End it' }).click()
  await page.waitForURL(/\/report$/)
  await expect(page.getByRole('button', { name: 'Send to reviewer' })).toHaveCount(0)
  await page.getByRole('button', { name: 'End practice' }).click()
  await expectAccessible(page)
  await page.getByLabel('What was learned').fill('Swing the gauge for the smallest')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(`${medida.url}/`)
  await expect(row).toHaveCount(0)
  // It can be read, and says why nothing can be changed.
  await open(page, `${job}/report`)
  await expect(page.getByText('Practice ended by Jonah Pike')).toContainText('Swing the gauge for the smallest')
  await expect(page.getByRole('button', { name: 'End practice' })).toHaveCount(0)
  await open(page, `${job}/look`)
  await expect(page.getByText('This practice job has ended').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Inspected, nothing found', exact: true })).toHaveCount(0)
  await context.close()
})
