/** Sixty fits opened, and the board of a thousand parts scrolled, against a bare list of as many rows. */
import { type BrowserContext, chromium, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { serveBareList } from './bareList'
import { type Figure, median } from './figure'
import { fillLarge } from './fillLarge'
import { largeBook } from './largeJob'

const RUNS = 5
const FITS = 60
const PARTS = 1_000
const TURNS = 100
const LONG_MS = 50
const NOTHING = Buffer.alloc(0)

/** In the page, as text: presses an arrow key in every frame until a row has answered it. */
const PRESS_UNTIL_ANSWERED = `{
  const press = () => {
    document.body?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }))
    requestAnimationFrame(() => {
      const row = document.activeElement?.closest('tr[data-fit]') ?? document.querySelector('[data-row][aria-selected=true]')
      if (row) window.answeredAt = performance.now()
      else press()
    })
  }
  requestAnimationFrame(press)
}`

async function timeUntilAnswered(context: BrowserContext, url: string): Promise<number> {
  const page = await context.newPage()
  await page.addInitScript({ content: PRESS_UNTIL_ANSWERED })
  await page.goto(url, { waitUntil: 'commit' })
  await page.waitForFunction(() => (window as unknown as { answeredAt?: number }).answeredAt !== undefined)
  const answered = await page.evaluate(() => (window as unknown as { answeredAt: number }).answeredAt)
  await page.waitForLoadState('load')
  await page.close()
  return answered
}

/** Frames over the bound while the list is scrolled from its top to its end. */
async function longFrames(page: Page, list: string): Promise<number> {
  await page.locator(list).first().hover()
  await page.evaluate((least) => {
    const seen = window as unknown as { longFrames: number }
    seen.longFrames = 0
    new PerformanceObserver((all) => {
      seen.longFrames += all.getEntries().filter(({ duration }) => duration > least).length
    }).observe({ type: 'longtask' })
  }, LONG_MS)
  for (let turn = 0; turn < TURNS; turn += 1) await page.mouse.wheel(0, 400)
  return page.evaluate(() => (window as unknown as { longFrames: number }).longFrames)
}

export async function judgedFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  const names = (count: number): string[] => Array.from({ length: count }, (_, index) => `Journal ${index + 1}`)
  const [bareFits, bareParts] = [await serveBareList(names(FITS), NOTHING), await serveBareList(names(PARTS), NOTHING)]
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  try {
    await fillLarge(medida.dataFolder, { id: 'bench-fits', book: largeBook(2 * FITS, 2, FITS), leftOpen: 0, from: 0 })
    await fillLarge(medida.dataFolder, { id: 'bench-board', book: largeBook(PARTS, 1), leftOpen: 0, from: 1_000_000 })
    const times = { fits: [] as number[], bare: [] as number[] }
    const frames = { board: [] as number[], bare: [] as number[] }
    for (let run = 0; run < RUNS; run += 1) {
      const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
      await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
      await timeUntilAnswered(context, '/jobs/bench-fits/fits') // scripts and styles are kept from here on
      times.fits.push(await timeUntilAnswered(context, '/jobs/bench-fits/fits'))
      const board = await context.newPage()
      await board.goto('/jobs/bench-board/verdicts')
      await board.locator('astro-island[ssr]').first().waitFor({ state: 'detached' })
      frames.board.push(await longFrames(board, 'tr[data-part]'))
      await context.close()
      const plain = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      times.bare.push(await timeUntilAnswered(plain, bareFits.url))
      const list = await plain.newPage()
      await list.goto(bareParts.url)
      frames.bare.push(await longFrames(list, '[data-row]'))
      await plain.close()
    }
    return [
      {
        name: `${FITS} fits opened until a key is answered`,
        figure: median(times.fits),
        baseline: median(times.bare),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
      {
        name: `frames over ${LONG_MS} ms while ${PARTS} parts are scrolled (a bare list has ${median(frames.bare)})`,
        figure: median(frames.board),
        baseline: 0,
        unit: '',
        bar: { kind: 'absolute', atMost: median(frames.bare) },
      },
    ]
  } finally {
    await browser.close()
    bareFits.close()
    bareParts.close()
    await medida.clear()
  }
}
