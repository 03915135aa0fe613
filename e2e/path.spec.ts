/** The whole path, from the shop floor to a signed report, by keyboard alone; the server is cut off on the way. */
import { writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { isSignedBy } from '../src/server/reports/signingKey'
import { command } from './support/medida'
import { expect, expectAccessible, JOB, open, readingField, signedIn, tabTo, takeReadings, test } from './support/test'

const bench = (characteristic: string): string => `/jobs/${JOB}/bench?c=${characteristic}`
const board = `/jobs/${JOB}/verdicts`
const report = `/jobs/${JOB}/report`

test.describe.configure({ mode: 'serial' })

test.describe('the whole path', () => {
  let page: Page
  let reportId: string

  test.beforeAll(async ({ browser, medida }) => {
    await medida.startOver()
    ;({ page } = await signedIn(browser, medida, 'inspector'))
  })
  test.afterAll(async () => {
    await page.context().close()
  })

  test('the shop floor shows the machine, the open job and what is next', async () => {
    await expect(page.getByRole('heading', { name: 'Shop floor' })).toBeVisible()
    const job = page.getByRole('row', { name: /^Unit 1 .*As found .*End float/ })
    await expect(job).toBeVisible()
    await expect(page.getByRole('row', { name: /^Unit 1 .*100 %.*Overhaul at 23\s260 h/ })).toBeVisible()
    await expect(page.getByText('BG-02')).toBeVisible()
    await expectAccessible(page)
    // Searched, filtered, walked with the arrows and opened: what was asked for stands in the address.
    await page.keyboard.press('/')
    await page.keyboard.type('mara gate')
    await expect(page.getByRole('row', { name: /^Engine No\. 3 .*Strip/ })).toBeHidden()
    await expect(page).toHaveURL(/q=mara/)
    await page.getByRole('button', { name: /^Overdue/ }).click()
    await expect(page.getByText('No open job matches.')).toBeVisible()
    await page.getByRole('button', { name: 'Show all' }).click()
    await page.getByRole('button', { name: 'As found: 1 job' }).press('Enter')
    await expect(page.getByRole('row', { name: /^Gate gear .*Measure/ })).toBeHidden()
    await page.reload()
    await expect(page.getByRole('row', { name: /^Gate gear .*Measure/ })).toBeHidden()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(/\/as-found/)
  })

  test('the job shows where it stands', async () => {
    await open(page, `/jobs/${JOB}`)
    await expect(page.getByRole('listitem').filter({ hasText: 'Make safe' }).filter({ hasText: '7 / 7' })).toBeVisible()
    await expect(page.getByText('0 / 25')).toBeVisible()
    await expectAccessible(page)
    await tabTo(page, 'Confirm Order')
    await page.keyboard.press('Enter')
    await page.keyboard.type('Gasket set ordered by telephone')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Gasket set ordered by telephone')).toBeVisible()
  })

  test('the journal takes readings in every way they are typed, and refuses what it cannot understand', async () => {
    await open(page, bench('journal'))
    await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('Hold')
    await expectAccessible(page)
    await readingField(page)
    await page.keyboard.type('219.9.41')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'two decimal marks' })).toBeVisible()
    await expect(await readingField(page)).toHaveValue('219.9.41')
    await page.keyboard.press('Escape')
    await takeReadings(page, ['219.941', '219,939', '8.6588 in', '219936 um', '219.938 mm'])
    await readingField(page)
    await page.keyboard.type('219.94')
    await expect(page.getByText('including what is typed')).toBeVisible()
    await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('219.934')
    await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('Reuse')
  })

  test('a reload in the middle of typing loses nothing', async () => {
    await page.reload()
    await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
    await expect(await readingField(page)).toHaveValue('219.94')
    await expect(page.getByRole('button', { name: /B middle, 1 vertical: 219\.934/ })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(page.getByText('All 6 readings are in.')).toBeVisible()
  })

  test('the bore is read from its master, while the server is cut off and started again', async ({ medida }) => {
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { level: 1, name: /Bearing bore/ })).toBeVisible()
    await takeReadings(page, ['+0.68'])
    await expect(page.getByRole('alert').filter({ hasText: 'Did you mean' })).toContainText('One turn of the thimble')
    await expectAccessible(page)
    await page.keyboard.press('Enter') // accepts nothing while the warning is open
    await expect(await readingField(page)).toHaveValue('+0.68')
    await page.keyboard.press('Escape')
    await takeReadings(page, ['+1.48'])
    await page.keyboard.press('y')
    await expect(page.getByRole('button', { name: /A drive side, 1 vertical: 220\.348/ })).toBeVisible()
    await takeReadings(page, ['+0.201', '+0.212'])
    await expect(page.getByText('queued')).toHaveCount(0)
    await medida.end('SIGKILL')
    await takeReadings(page, ['+0.131', '+0.180'])
    await expect(page.getByText('2 readings kept on this device')).toBeVisible()
    await page.reload().catch(() => undefined) // the server is away
    await medida.startAgain()
    await open(page, bench('bearing-bore'))
    await expect(page.getByRole('button', { name: /B middle, 2 level: 220\.380/ })).toBeVisible()
    await takeReadings(page, ['+0.195'])
    await expect(page.getByText('queued')).toHaveCount(0)
    await page.reload()
    const result = page.getByRole('complementary', { name: 'Result' })
    await expect(result).toContainText('220.412')
    await expect(result).toContainText('Recondition')
    await expect(result).toContainText('Largest may not last the interval: expected 220.497 (220.374 … 220.621) mm')
  })

  test('the strip, the servomotor and its rings', async () => {
    await open(page, bench('bearing-strip'))
    await takeReadings(page, ['2.55', '2.2'])
    await expect(page.getByText('All 2 readings are in.')).toBeVisible()
    await open(page, bench('ring-gap-1'))
    await takeReadings(page, ['1.25'])
    // Far more than it wore before: the bench asks, and the person keeps it.
    await page.keyboard.press('k')
    await expect(page.getByText(/Take what is missing: .*Servomotor bore Ø, in which it runs/)).toBeVisible()
    await open(page, bench('servo-bore'))
    await takeReadings(page, ['+0.150', '+0.182', '+0.160', '+0.132', '+0.160', '+0.140'])
    await expect(page.getByRole('complementary', { name: 'Result' })).toContainText('160.182')
    await open(page, bench('ring-gap-1'))
    // 1.25 + π × (160.182 − 160)
    await expect(page.getByRole('complementary', { name: 'Result' })).toContainText(
      'Gap where it runs 1.82 is beyond the wear limit 1.60 mm',
    )
    await open(page, bench('ring-gap-2'))
    await takeReadings(page, ['0.95'])
    await expect(page.getByText('The reading is in.')).toBeVisible()
  })

  test('repeats of the end float must agree; a correction supersedes and says why', async () => {
    await open(page, bench('end-float'))
    await takeReadings(page, ['0.31', '14-3/4 thou'])
    await expect(page.getByText('the repeats spread over 0.065 mm')).toBeVisible()
    await page.keyboard.press('k')
    await takeReadings(page, ['0.310'])
    const result = page.getByRole('complementary', { name: 'Result' })
    await expect(result).toContainText('Hold')
    await expect(page.getByText('take repeat 2 again').first()).toBeVisible()
    await expect(page.getByRole('button', { name: /repeat 2: .*out of line/ })).toBeVisible()
    await tabTo(page, /repeat 2/)
    await page.keyboard.press('ArrowLeft')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Space')
    await takeReadings(page, ['0.315'])
    await expect(page.getByText('Say why it is corrected')).toBeVisible()
    await page.keyboard.type('Shaft not turned over')
    await expectAccessible(page)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /repeat 2: 0\.315/ })).toBeVisible()
    await expect(result).toContainText('Reuse')
  })

  test('fits from the measured parts and by strip, with the difference', async () => {
    await open(page, `/jobs/${JOB}/fits`)
    await expect(page.getByText('past plan limit').first()).toBeVisible()
    await page.locator('summary', { hasText: 'Place by place' }).click()
    await expect(page.getByRole('row', { name: /C, 1 vertical 220\.412 219\.938 0\.474/ })).toBeVisible()
    // 2.55 mm lies between 2.4 (0.435) and 2.7 (0.385): 0.410; parts 220.348 − 219.941 = 0.407.
    await expect(page.getByRole('row', { name: /A, 1 0\.407 0\.410 \+0\.003 .*agree/ })).toBeVisible()
    await expectAccessible(page)
  })

  test('verdicts: reasons open to their sums, one is departed from, the others accepted', async () => {
    await open(page, board)
    await expectAccessible(page)
    await page.locator('tr[data-part=shell]').focus()
    await page.keyboard.press('Space')
    await page.locator('summary').filter({ hasText: 'Largest 220.412 is past the plan limit' }).press('Enter')
    await expect(page.getByText('“+0.212”, on the master 220.200 → 220.412 mm').first()).toBeVisible()
    await page.locator('tr[data-part=servo-cylinder]').focus()
    await page.keyboard.press('d')
    await expect(page.getByRole('dialog')).toContainText('Safety-marked')
    await expectAccessible(page)
    await tabTo(page, 'Reuse')
    await page.keyboard.press('ArrowDown')
    await tabTo(page, 'Why')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toContainText('Say why')
    await page.keyboard.type('Two ridges felt by fingernail')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await expect(page.locator('tr[data-part=servo-cylinder]')).toContainText('Two ridges felt by fingernail')
    await tabTo(page, /Accept 6 as recommended/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /Needs a decision/ })).toContainText('0')
  })

  test('a reading corrected after the verdict makes it stale', async () => {
    await open(page, bench('ring-gap-2'))
    await expect(page.locator('section[aria-busy=false]')).toBeVisible()
    await page.keyboard.press('c')
    await takeReadings(page, ['0.60'])
    // Far from what it was last time: the bench asks, and the person keeps it.
    await page.keyboard.press('k')
    await page.keyboard.type('Misread the feeler')
    await page.keyboard.press('Enter')
    await expect(page.getByText('queued')).toHaveCount(0)
    await open(page, report)
    await expect(page.getByText('Decide first on: Piston ring 2.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Send to reviewer' })).toBeDisabled()
    await open(page, board)
    await expect(page.locator('tr[data-part=ring-2]')).toContainText('readings changed')
    await page.locator('tr[data-part=ring-2]').focus()
    await page.keyboard.press('a')
    await expect(page.locator('tr[data-part=ring-2]')).toContainText('accepted')
  })

  test('the reviewer returns it, then signs with the password', async ({ browser, medida }) => {
    await open(page, report)
    await expectAccessible(page)
    await tabTo(page, 'Send to reviewer')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toContainText('Required and not done')
    await tabTo(page, 'Send to reviewer')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'Say why these are not done.' })).toBeVisible()
    await tabTo(page, /^Why these are not done/)
    await page.keyboard.type('Parts ordered; the rebuild is a job of its own')
    await page.keyboard.press('Enter')
    await expect(page.getByText('With the reviewer')).toBeVisible()

    const { page: reviewer, context } = await signedIn(browser, medida, 'reviewer')
    await open(reviewer, report)
    await expect(reviewer.getByText('departs on a safety-marked part')).toBeVisible()
    await tabTo(reviewer, 'Return to inspector')
    await reviewer.keyboard.press('Enter')
    await tabTo(reviewer, 'What needs correcting')
    await reviewer.keyboard.type('Say which ridge')
    await reviewer.keyboard.press('Enter')
    await expect(reviewer.getByText('Returned by Tobias Renn: Say which ridge')).toBeVisible()

    await open(page, report)
    await tabTo(page, 'Send to reviewer')
    await page.keyboard.press('Enter')
    await tabTo(page, /^Why these are not done/)
    await page.keyboard.type('The lower ridge; the rest as before')
    await page.keyboard.press('Enter')
    await expect(page.getByText('With the reviewer')).toBeVisible()

    await open(reviewer, report)
    await tabTo(reviewer, 'Sign report')
    await reviewer.keyboard.press('Enter')
    await tabTo(reviewer, /password/)
    await reviewer.keyboard.type('not it')
    await reviewer.keyboard.press('Enter')
    await expect(reviewer.getByRole('alert').filter({ hasText: 'That is not your password' })).toBeVisible()
    await expectAccessible(reviewer)
    await reviewer.getByLabel('Your password, again').fill(DEMO_PASSWORD)
    await reviewer.keyboard.press('Enter')
    await expect(reviewer).toHaveURL(/\/reports\//)
    await expect(reviewer.getByText('Signed by Tobias Renn')).toBeVisible()
    await expectAccessible(reviewer)
    reportId = reviewer.url().split('/').at(-1) ?? ''
    await context.close()
  })

  test('the report goes out as PDF and as the record that was signed', async () => {
    const pdf = await page.request.get(`/reports/${reportId}/report.pdf`)
    expect(pdf.status()).toBe(200)
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
    const stored = await page.request.get(`/reports/${reportId}/report.json`)
    // Whoever holds the record and the printed key needs nothing else to check it.
    const { 'x-public-key': publicKey = '', 'x-signature': signature = '' } = stored.headers()
    expect(isSignedBy(publicKey, await stored.text(), signature)).toBe(true)
    const content = (await stored.json()) as { record: { job: { readings: { text: string; supersedes: string | null }[] } } }
    const texts = content.record.job.readings.map(({ text }) => text)
    expect(texts).toContain('219,939')
    expect(texts.filter((text) => text === '+0.131')).toHaveLength(1)
    expect(content.record.job.readings.filter(({ supersedes }) => supersedes !== null)).toHaveLength(2)
  })

  test('after the signature nothing can be altered', async () => {
    await open(page, bench('journal'))
    await expect(page.getByText('This job is signed')).toBeVisible()
    await expect(page.locator('input[data-reading]')).toHaveCount(0)
    await open(page, board)
    await expect(page.getByText('This job is signed')).toBeVisible()
    const refused = await page.request.post(`/api/jobs/${JOB}/decisions`, {
      data: {
        id: '01990000-0000-7000-8000-000000000001',
        part: 'shell',
        recommended: 'recondition',
        decided: 'reuse',
        reason: 'changed my mind',
      },
    })
    expect(refused.status()).toBe(409)
  })

  test('verify recomputes hash, chain and results from what is stored', async ({ medida }) => {
    const verified = command('verify', [reportId, '--data', medida.dataFolder])
    expect(verified.stderr).toBe('')
    expect(verified.stdout.split('\n').filter((line) => line.startsWith('FAIL'))).toEqual([])
    expect(verified.stdout).toMatch(/^ok {3}bytes intact.*\nok {3}chain intact: follows signature 2.*\nok {3}results reproduced/)
    expect(verified.status).toBe(0)
  })

  test('the trend has this overhaul beside the two earlier ones', async () => {
    await open(page, '/machines/quillmere-unit-1/trends?c=bearing-bore')
    await expect(
      page.getByRole('img', {
        name: /220\.236 at 15\s180 h, 220\.318 at 23\s260 h, 220\.412 at 31\s240 h; expected 220\.497, 220\.374 to 220\.621, at 39\s240 h/,
      }),
    ).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: /Shaft journal/ }).press('Enter')
    await expect(page.getByRole('row', { name: /31\s240 219\.934 −0\.017/ })).toBeVisible()
  })

  test('the record of the job can be evaluated without server or database', async () => {
    const { record } = JSON.parse(await (await page.request.get(`/reports/${reportId}/report.json`)).text()) as {
      record: unknown
    }
    const file = test.info().outputPath('record.json')
    writeFileSync(file, JSON.stringify(record))
    const evaluated = command('evaluate', [file])
    expect(evaluated.status).toBe(0)
    const results = JSON.parse(evaluated.stdout) as { parts: { id: string; verdict: string }[] }
    expect(results.parts.find(({ id }) => id === 'shell')?.verdict).toBe('recondition')
  })
})
