/** The limits sheet of a machine with a thousand rows: a key in a figure against one in a text, and a pasted block. */

import { chromium } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { now } from '../src/clock/clock'
import type { LimitBook } from '../src/core/book/bookSchema'
import { compose } from '../src/core/kit/compose'
import { emptyComposition } from '../src/core/kit/composition'
import { sheetRows } from '../src/core/kit/limitSheet'
import { connect } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { limitBook, machine } from '../src/db/schema'
import { type Figure, median } from './figure'
import { percentile95, press } from './press'

const ROWS = 1_000
const PASTES = 3
const KEYS = 60
const typing = Array.from({ length: KEYS }, (_, at) => ['8', '1', '5', 'Backspace', 'Backspace', 'Backspace'][at % 6] ?? '5')

function bookOfRows(): LimitBook {
  let book = emptyComposition('bench-sheet', 'A machine of bearings')
  for (let at = 1; sheetRows(book).length < ROWS; at += 1) {
    const made = compose(book, { assembly: 'splitSleeveBearing', names: [`Bearing ${at}`], into: null, answers: {} }, 'metric')
    if (!made.ok) throw new Error(made.fault.code)
    book = made.value
  }
  return { ...book, revision: 'draft 1' }
}

async function fill(dataFolder: string, book: LimitBook): Promise<void> {
  const { db, pool } = connect(runningClusterUrl(dataFolder) ?? '')
  await db.insert(limitBook).values(rowOfBook(book, now()))
  await db.insert(machine).values({ id: 'bench-sheet', station: 'Bench', name: 'Bearings', units: 'metric', bookId: book.id })
  await pool.end()
}

export async function sheetFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  try {
    const book = bookOfRows()
    await fill(medida.dataFolder, book)
    const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
    await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
    const page = await context.newPage()
    await page.goto('/machines/bench-sheet/limits')
    await page.locator('astro-island[ssr]').first().waitFor({ state: 'detached' })
    const cell = (what: string) => page.locator(`input[aria-label$=": ${what}"]`).first()
    const keysIn = async (what: string) => {
      await cell(what).focus()
      await press(page, typing.slice(0, 12)) // warm
      return press(page, typing)
    }
    const text = await keysIn('Page')
    const figure = await keysIn('Wear')
    const block = Array.from({ length: ROWS }, (_, at) => `${(80.2 + (at % 7) / 100).toFixed(2)}\t80.35`).join('\n')
    const pastes: number[] = []
    for (let run = 0; run < PASTES; run += 1) {
      // Each begins with a sheet that says nothing.
      await page.evaluate(() => sessionStorage.clear())
      page.once('dialog', (dialog) => void dialog.accept())
      await page.reload()
      await page.locator('astro-island[ssr]').first().waitFor({ state: 'detached' })
      await cell('Plan').focus()
      pastes.push(
        await page.evaluate(
          async ([typed, rows]) => {
            const data = new DataTransfer()
            data.setData('text/plain', typed)
            const at = performance.now()
            const pasted = new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
            document.activeElement?.dispatchEvent(pasted)
            // All of them are there, and what they still want is said: no page is named yet.
            const told = (): number => {
              const buttons = [...document.querySelectorAll('button')].map(({ textContent }) => textContent ?? '')
              return Number(/\d+$/.exec(buttons.find((text) => text.startsWith('With a fault')) ?? '')?.[0] ?? 0)
            }
            const frame = () => new Promise((done) => requestAnimationFrame(done))
            while (told() < rows) await frame()
            await frame()
            const took = performance.now() - at
            return took
          },
          [block, ROWS - 1] as const,
        ),
      )
    }
    return [
      {
        name: `work per key in a figure of the limits sheet, ${sheetRows(book).length} rows, against one in a text, 95th percentile`,
        figure: percentile95(figure.work),
        baseline: percentile95(text.work),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 2 },
      },
      {
        name: `${ROWS} rows pasted into the limits sheet until they are painted`,
        figure: median(pastes),
        baseline: 0,
        unit: 'ms',
        bar: { kind: 'absolute', atMost: 1_000 },
      },
    ]
  } finally {
    await browser.close()
    await medida.clear()
  }
}
