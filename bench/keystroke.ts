/** The bench at a thousand characteristics: work and paint per key, moving the focus, and how long it takes to come up. */
import { type Browser, chromium, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { type Figure, median } from './figure'
import { fillLarge, LARGE_JOB } from './fillLarge'
import { CHARACTERISTICS } from './largeJob'
import { percentile95, press } from './press'
import { serveRows } from './rows'

const KEYS = 60
const OPENINGS = 5

/** Types a figure and takes it away again, so that every key changes the result. */
const typing = Array.from(
  { length: KEYS },
  (_, index) => ['5', '9', '.', '9', '4', 'Backspace', 'Backspace', 'Backspace', 'Backspace', 'Backspace'][index % 10] ?? '5',
)
const moving = Array.from({ length: KEYS }, (_, index) => (index % 2 === 0 ? 'ArrowLeft' : 'ArrowRight'))

export async function keystrokeFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  await fillLarge(medida.dataFolder)
  const bare = await serveRows(CHARACTERISTICS)
  const trivialPage = await serveRows(0)
  const browser: Browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  try {
    const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
    await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
    const url = `/jobs/${LARGE_JOB}/bench?c=c-1`
    const opened = { bench: [] as number[], bare: [] as number[], script: 0 }
    for (let run = 0; run < OPENINGS; run += 1) {
      const fresh = await browser.newContext({
        baseURL: medida.url,
        storageState: await context.storageState(),
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
      })
      const { ms, scriptKb } = await timeUntilTyped(await fresh.newPage(), url)
      opened.bench.push(ms)
      opened.script = scriptKb
      await fresh.close()
      const plain = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      opened.bare.push((await timeUntilTyped(await plain.newPage(), bare.url)).ms)
      await plain.close()
    }
    const page = await context.newPage()
    await page.goto(url)
    await page.waitForSelector('section[aria-busy=false] input[data-reading]')
    await press(page, typing.slice(0, 20)) // warm
    const keys = await press(page, typing)
    const steps = await press(page, moving)
    const plain = await browser.newPage()
    await plain.goto(trivialPage.url)
    await plain.focus('input')
    await press(plain, typing.slice(0, 20))
    const trivial = await press(plain, typing)
    const frame = 1000 / 60
    return [
      {
        name: 'work per key at 1,000 characteristics and 10,000 readings, 95th percentile',
        figure: percentile95(keys.work),
        baseline: percentile95(trivial.work),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 5 },
      },
      {
        name: 'key until painted, later than on a trivial page',
        figure: median(keys.paint) - median(trivial.paint),
        baseline: median(trivial.paint),
        unit: 'ms',
        bar: { kind: 'absolute', atMost: frame },
      },
      {
        name: 'work per move of the focus, 95th percentile',
        figure: percentile95(steps.work),
        baseline: percentile95(trivial.work),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 3.5 },
      },
      {
        name: 'move of the focus until painted, later than a key on a trivial page',
        figure: median(steps.paint) - median(trivial.paint),
        baseline: median(trivial.paint),
        unit: 'ms',
        bar: { kind: 'absolute', atMost: frame },
      },
      {
        name: 'first JavaScript of the bench, gzip',
        figure: opened.script,
        baseline: 0,
        unit: 'kB',
        bar: { kind: 'absolute', atMost: 220 },
      },
      {
        name: 'bench at 1,000 characteristics until a reading can be typed, empty cache',
        figure: median(opened.bench),
        baseline: median(opened.bare),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
    ]
  } finally {
    await browser.close()
    bare.close()
    trivialPage.close()
    await medida.clear()
  }
}

/** Milliseconds from the start of the navigation until a typed digit stands in the field and has been answered, and the scripts it took. */
async function timeUntilTyped(page: Page, url: string): Promise<{ ms: number; scriptKb: number }> {
  let bytes = 0
  page.on('response', async (response) => {
    if (response.request().resourceType() !== 'script') return
    const sizes = await response
      .request()
      .sizes()
      .catch(() => null)
    bytes += sizes?.responseBodySize ?? 0
  })
  const before = Date.now()
  await page.goto(url, { waitUntil: 'commit' })
  await page.waitForSelector('section[aria-busy=false] input[data-reading], input[data-bare]')
  await page.focus('input[data-reading], input[data-bare]')
  await page.keyboard.press('5')
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('input[data-reading], input[data-bare]')?.value === '5',
  )
  const ms = Date.now() - before
  await page.waitForLoadState('load')
  return { ms, scriptKb: bytes / 1024 }
}
