/** Two people on one job through two servers, and a quick hand at the strip map. */
import type { Browser, Locator, Page } from '@playwright/test'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { countRows, onDatabase } from './support/database'
import { Medida } from './support/medida'
import { expect, JOB, open, readingField, signedIn, takeReadings, test } from './support/test'

const STRIP = `/jobs/${JOB}/strip`
/** What the issue of a change may take until the other person sees it. */
const SEEN_WITHIN_MS = 2_000

/** A second inspector, with the demo's password. */
const addInspector = (medida: Medida): Promise<void> =>
  onDatabase(medida, async (client) => {
    await client.query(
      `INSERT INTO "user" (id, name, email, email_verified, username, display_username, role, created_at, updated_at)
       VALUES ('test-lena', 'Lena Voss', 'lena@quillmere.example', true, 'lena', 'lena', 'inspector', now(), now())`,
    )
    await client.query(
      `INSERT INTO account (id, account_id, provider_id, user_id, password, created_at, updated_at)
       SELECT 'test-lena-password', 'test-lena', 'credential', 'test-lena', password, created_at, updated_at FROM account WHERE user_id = 'demo-inspector'`,
    )
  })

async function openStrip(browser: Browser, medida: Medida, username: string, part: string): Promise<Page> {
  const { page } = await signedIn(browser, medida, username)
  await open(page, `${STRIP}?p=${part}`)
  return page
}

test.describe('two people, two servers, one database', () => {
  let second: Medida
  let mara: Page
  let lena: Page

  test.beforeAll(async ({ browser, medida }) => {
    await medida.startOver()
    await addInspector(medida)
    second = await Medida.start({ DATABASE_URL: runningClusterUrl(medida.dataFolder) ?? '' })
    mara = await openStrip(browser, medida, 'inspector', 'gb-cap')
    lena = await openStrip(browser, second, 'lena', 'gb-cap')
  })
  test.afterAll(async () => {
    await mara.context().close()
    await lena.context().close()
    await second.clear()
  })

  test('each sees the other’s tags and ticks without reloading', async () => {
    await mara.getByRole('button', { name: 'Lay out in Tray 1' }).click()
    await expect(lena.getByRole('region', { name: 'Tray 1' }).getByRole('button', { name: 'Cap' })).toBeVisible({
      timeout: SEEN_WITHIN_MS,
    })
    await open(lena, `/jobs/${JOB}/as-found`)
    const tick = lena.getByRole('button', { name: 'Done: Look at the drained oil' })
    await tick.click()
    await lena.getByLabel('Note').fill('Clear')
    await open(mara, `/jobs/${JOB}/as-found`)
    await lena.keyboard.press('Enter')
    await expect(mara.getByText(/✓ Lena Voss.*Clear/)).toBeVisible({ timeout: SEEN_WITHIN_MS })
  })

  test('both change one tag: the second is told who and what, and chooses', async () => {
    await open(mara, `${STRIP}?p=gb-cap`)
    await open(lena, `${STRIP}?p=gb-cap`)
    await lena.getByLabel('Note', { exact: true }).fill('Bruised on the edge')
    await mara.getByLabel('Number', { exact: true }).fill('12')
    await mara.getByRole('button', { name: 'Save the tag' }).click()
    // What she typed stays while the other's tag arrives.
    await expect(lena.getByRole('treeitem', { name: /^Cap.*12/ })).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(lena.getByLabel('Note', { exact: true })).toHaveValue('Bruised on the edge')
    // A reload keeps what she typed, and what she had seen when she began.
    await open(lena, `${STRIP}?p=gb-cap`)
    await expect(lena.getByLabel('Note', { exact: true })).toHaveValue('Bruised on the edge')
    await lena.getByRole('button', { name: 'Save the tag' }).click()
    const dialog = lena.getByRole('dialog')
    await expect(dialog).toContainText('Mara Ellwood changed this at')
    await expect(dialog).toContainText('Tag of Cap: No. 12')
    await expect(dialog).toContainText('Bruised on the edge')
    await lena.getByRole('button', { name: 'Use mine' }).click()
    await expect(dialog).toHaveCount(0)
    await expect(mara.getByText(/Lena Voss/).first()).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(mara.getByLabel('Note', { exact: true })).toHaveValue('Bruised on the edge')
    // Keeping the other's leaves it as it is.
    await lena.getByLabel('Note', { exact: true }).fill('Bruised, dressed')
    await mara.getByLabel('Note', { exact: true }).fill('Bruised twice')
    await mara.getByRole('button', { name: 'Save the tag' }).click()
    await expect(mara.getByText(/Mara Ellwood,/).first()).toBeVisible()
    await lena.getByRole('button', { name: 'Save the tag' }).click()
    await lena.getByRole('button', { name: 'Use theirs' }).click()
    await expect(lena.getByLabel('Note', { exact: true })).toHaveValue('Bruised twice')
  })

  test('a cut network loses nothing and stores nothing twice', async ({ medida }) => {
    const before = await countRows(medida, 'job_entry')
    await mara.context().setOffline(true)
    await mara.getByRole('button', { name: 'One more Pipe cap in' }).click()
    await mara.getByRole('button', { name: 'One more Pipe cap in' }).click()
    await expect(mara.getByText('2 saved on this device')).toBeVisible()
    await expect(mara.getByText('2 temporary items inside')).toBeVisible()
    await mara.context().setOffline(false)
    await expect(mara.getByText('saved on this device')).toHaveCount(0)
    await expect(lena.getByText('2 temporary items inside')).toBeVisible()
    expect(await countRows(medida, 'job_entry')).toBe(before + 2)
    await mara.reload()
    await expect(mara.getByText('2 temporary items inside')).toBeVisible()
    expect(await countRows(medida, 'job_entry')).toBe(before + 2)
  })

  test('at the bench each sees what the other reads; what is typed where the other reads first is not lost', async () => {
    const bench = '/jobs/quillmere-g1-2026/bench?c=pump-lash'
    await open(mara, bench)
    await open(lena, bench)
    await takeReadings(mara, ['0.11'])
    await expect(lena.getByText('Mara Ellwood read “0.11” here just now.')).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(lena.getByRole('button', { name: /tooth 1: 0\.110, by Mara Ellwood/ })).toContainText('ME')
    await lena.keyboard.press('Enter')
    const field = await readingField(lena)
    await expect(field).toHaveAccessibleName(/tooth 2/)
    await lena.keyboard.type('0.13')
    await takeReadings(mara, ['0.12'])
    await expect(lena.getByText('Mara Ellwood read “0.12” here just now.')).toBeVisible({ timeout: SEEN_WITHIN_MS })
    await expect(field).toHaveValue('0.13')
    await expect(field).toBeFocused()
    await lena.keyboard.press('Enter')
    await lena.getByRole('button', { name: 'Gauge not square' }).click()
    await lena.getByRole('button', { name: 'Accept correction' }).click()
    const corrected = mara.getByRole('button', { name: /tooth 2: 0\.130, by Lena Voss, corrected/ })
    await expect(corrected).toBeVisible({ timeout: SEEN_WITHIN_MS })
    // Undoing is of one's own: it takes nothing of the other's back, and nothing that was not meant.
    await mara.keyboard.press('z')
    await expect(mara.getByText('Someone else has since corrected your “0.12”.')).toBeVisible()
    await expect(corrected).toBeVisible()
  })

  test('dragging lays out in order, moves to another tray and puts back; a quick hand loses nothing', async () => {
    await open(mara, STRIP)
    const tray = (name: string): Locator => mara.getByRole('region', { name, exact: true })
    const lying = (name: string): Locator => tray(name).locator('[data-card]')
    const inTree = (name: RegExp): Locator => mara.getByRole('treeitem', { name }).first()
    const card = (id: string): Locator => mara.locator(`[data-card=${id}] button`)
    const middle = async (of: Locator): Promise<{ x: number; y: number; height: number }> => {
      const box = await of.boundingBox()
      if (!box) throw new Error(`not on the page: ${of}`)
      return { x: box.x + box.width / 2, y: box.y + box.height / 2, height: box.height }
    }
    /** Takes hold and goes to the upper or lower half of something, where it is then; in one move, as a quick hand does. */
    const carry = async (what: Locator, to: Locator, half: 'upper' | 'lower'): Promise<void> => {
      const from = await middle(what)
      await mara.mouse.move(from.x, from.y)
      await mara.mouse.down()
      const { x, y, height } = await middle(to)
      await mara.mouse.move(x, y + (half === 'upper' ? -height : height) / 4)
    }
    const drag = async (...args: Parameters<typeof carry>): Promise<void> => {
      await carry(...args)
      await mara.mouse.up()
    }

    // A busy page hears of a quick hand all at once, before it has drawn anything of it.
    await inTree(/^Dowels/).evaluate((row) => {
      const place = document.querySelector('[data-card=gb-cap]')?.getBoundingClientRect()
      if (!place) throw new Error('the cap lies in a tray')
      const at = row.getBoundingClientRect()
      const say = (type: string, clientX: number, clientY: number): void => {
        const buttons = type === 'pointerup' ? 0 : 1
        const on = document.elementFromPoint(clientX, clientY) ?? row
        on.dispatchEvent(
          new PointerEvent(type, { bubbles: true, isPrimary: true, pointerId: 1, button: 0, buttons, clientX, clientY }),
        )
      }
      say('pointerdown', at.left + 40, at.top + 10)
      say('pointermove', at.left + 90, at.top + 12)
      say('pointermove', place.left + 40, place.bottom - 3)
      say('pointerup', place.left + 40, place.bottom - 3)
    })
    await expect(lying('Tray 1')).toContainText(['Cap', 'Dowels'])
    await drag(inTree(/^Oil guard(?! gasket)/), card('gb-cap'), 'upper')
    await expect(lying('Tray 1')).toContainText(['Oil guard', 'Cap', 'Dowels'])
    await card('gb-dowels').focus()
    await mara.keyboard.press('Alt+ArrowUp')
    await expect(lying('Tray 1')).toContainText(['Oil guard', 'Dowels', 'Cap'])

    // What would happen is shown while it hangs at the pointer, and Escape lets it be.
    await carry(card('gb-guard'), card('gb-cap'), 'lower')
    await expect(tray('Tray 1')).toHaveAttribute('data-over', 'true')
    await mara.keyboard.press('Escape')
    await mara.mouse.up()
    await expect(tray('Tray 1')).not.toHaveAttribute('data-over')
    await mara.getByRole('button', { name: 'New tray' }).click()
    await drag(card('gb-guard'), mara.getByText('Drag parts here, or press Enter'), 'lower')
    await expect(lying('Tray 2')).toContainText(['Oil guard'])
    await expect(lying('Tray 1')).toContainText(['Dowels', 'Cap'])
    await drag(card('gb-dowels'), mara.getByRole('tree'), 'upper')
    await expect(lying('Tray 1')).toHaveCount(1)
    await expect(inTree(/^Dowels/)).not.toContainText('out')

    // In a narrow window the trays lie below the tree: the page goes there while a part hangs at the pointer.
    await mara.setViewportSize({ width: 800, height: 600 })
    const row = await middle(inTree(/^Cap bolts/))
    await mara.mouse.move(row.x, row.y)
    await mara.mouse.down()
    await mara.mouse.move(row.x, 590)
    await expect.poll(() => mara.evaluate(() => scrollY)).toBeGreaterThan(100)
    await mara.mouse.move(row.x, 300) // away from the edge it stands still
    const cap = await middle(card('gb-cap'))
    await mara.mouse.move(cap.x, cap.y + cap.height / 4)
    await mara.mouse.up()
    await expect(lying('Tray 1')).toContainText(['Cap', 'Cap bolts'])
  })
})
