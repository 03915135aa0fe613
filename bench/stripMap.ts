/** The strip map at two hundred positions with photographs, against a bare list of the same size. */
import { type Browser, type BrowserContext, chromium, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { serveBareList } from './bareList'
import { type Figure, median } from './figure'
import { fillStrip, POSITIONS, positionNames, STRIP_JOB } from './fillStrip'

const RUNS = 7
const MOVES = 120
const LONG_MS = 50

interface Probe {
  answeredAt?: number
  openAt?: number
}

/**
 * Runs in the page, as text because the compiler would put helpers into a function that the page does not have. Presses
 * an arrow key in every frame until a row is chosen, and notes when that has happened, and when the part that is chosen
 * lies open beside the tree, its tag ready to be written.
 */
const PRESS_UNTIL_ANSWERED = `{
  const press = () => {
    const list = document.querySelector('[role=tree]') ?? document.body
    list?.focus()
    list?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }))
    requestAnimationFrame(() => {
      const chosen = document.querySelector('[role=treeitem][aria-selected=true], [data-row][aria-selected=true]')
      if (!chosen) return press()
      window.answeredAt = performance.now()
      waitUntilOpen()
    })
  }
  const waitUntilOpen = () => {
    if (document.querySelector('h2 ~ form input')) window.openAt = performance.now()
    else requestAnimationFrame(waitUntilOpen)
  }
  requestAnimationFrame(press)
}`

/** Milliseconds from the start of the navigation until the page answers a key: a row is chosen and shown. */
async function timeUntilAnswered(page: Page, url: string): Promise<number> {
  await page.addInitScript({ content: PRESS_UNTIL_ANSWERED })
  await page.goto(url, { waitUntil: 'commit' })
  await page.waitForFunction(() => (window as unknown as Probe).answeredAt !== undefined)
  return page.evaluate(() => (window as unknown as Probe).answeredAt ?? 0)
}

/** Milliseconds from the start of the navigation until the map can be used: the chosen part lies open, to be laid out and tagged. */
async function timeUntilOpen(page: Page): Promise<number> {
  await page.waitForFunction(() => (window as unknown as Probe).openAt !== undefined)
  return page.evaluate(() => (window as unknown as Probe).openAt ?? 0)
}

/** Opens the page, and ends everything it still does before the next one is timed. */
async function opened(
  context: BrowserContext,
  url: string,
  after: (page: Page) => Promise<number> = async () => 0,
): Promise<{ readonly answered: number; readonly then: number }> {
  const page = await context.newPage()
  const answered = await timeUntilAnswered(page, url)
  const then = await after(page)
  await page.waitForLoadState('load')
  await page.close()
  return { answered, then }
}

interface Drag {
  readonly longFrames: number
  readonly workPerMoveMs: number
}

/** Drags a row over the page for two seconds; long frames from the browser's own long tasks, work from its main thread. */
async function drag(page: Page, row: string): Promise<Drag> {
  const box = await page.locator(row).boundingBox()
  if (!box) throw new Error(`no ${row} on the page`)
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const taskMs = async (): Promise<number> => {
    const { metrics } = await session.send('Performance.getMetrics')
    return (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0) * 1000
  }
  await page.evaluate((least) => {
    const seen = window as unknown as { longFrames: number }
    seen.longFrames = 0
    new PerformanceObserver((list) => {
      seen.longFrames += list.getEntries().filter(({ duration }) => duration > least).length
    }).observe({ type: 'longtask' })
  }, LONG_MS)
  const before = await taskMs()
  await page.mouse.move(box.x + 60, box.y + 10)
  await page.mouse.down()
  for (let move = 0; move < MOVES; move += 1)
    await page.mouse.move(box.x + 60 + move * 5, box.y + 20 + 120 * Math.sin(move / 9) + 130)
  await page.mouse.up()
  const after = await taskMs()
  const longFrames = await page.evaluate(() => (window as unknown as { longFrames: number }).longFrames)
  await session.detach()
  return { longFrames, workPerMoveMs: (after - before) / MOVES }
}

async function signIn(context: BrowserContext): Promise<void> {
  await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
}

export async function stripMapFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  const small = await fillStrip(medida.dataFolder)
  const bare = await serveBareList(positionNames, small)
  const browser: Browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  try {
    const mapUrl = `${medida.url}/jobs/${STRIP_JOB}/strip`
    const times = {
      answered: [] as number[],
      first: [] as number[],
      again: [] as number[],
      bareFirst: [] as number[],
      bareAgain: [] as number[],
    }
    const drags = { map: [] as Drag[], bare: [] as Drag[] }
    for (let run = 0; run < RUNS; run += 1) {
      // A context of its own has an empty cache; the second page in it has a warm one.
      const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
      await signIn(context)
      const { answered, then } = await opened(context, mapUrl, timeUntilOpen)
      times.answered.push(answered)
      times.first.push(then)
      const page = await context.newPage()
      await timeUntilAnswered(page, mapUrl)
      times.again.push(await timeUntilOpen(page))
      drags.map.push(await drag(page, '[role=treeitem] >> nth=3'))
      await context.close()
      const plain = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      times.bareFirst.push((await opened(plain, bare.url)).answered)
      const list = await plain.newPage()
      times.bareAgain.push(await timeUntilAnswered(list, bare.url))
      drags.bare.push(await drag(list, '[data-row] >> nth=3'))
      await plain.close()
    }
    const worst = (all: readonly Drag[]): number => Math.max(...all.map(({ longFrames }) => longFrames))
    const work = (all: readonly Drag[]): number => median(all.map(({ workPerMoveMs }) => workPerMoveMs))
    return [
      {
        name: `strip map answers a key, ${POSITIONS} positions with pictures, empty cache`,
        figure: median(times.answered),
        baseline: median(times.bareFirst),
        unit: 'ms',
        bar: { kind: 'told' },
      },
      {
        name: 'strip map usable: the chosen part lies open with its tag, empty cache',
        figure: median(times.first),
        baseline: median(times.bareFirst),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
      {
        name: 'the same, opened again',
        figure: median(times.again),
        baseline: median(times.bareAgain),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
      {
        name: 'work per move while dragging',
        figure: work(drags.map),
        baseline: work(drags.bare),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 2 },
      },
      {
        name: `frames over ${LONG_MS} ms while dragging, worst of ${RUNS}`,
        figure: worst(drags.map),
        baseline: worst(drags.bare),
        unit: '',
        bar: { kind: 'absolute', atMost: 0 },
      },
    ]
  } finally {
    await browser.close()
    bare.close()
    await medida.clear()
  }
}
