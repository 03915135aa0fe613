/** The editor of a limit book with a thousand measurements: a key in a field against the same field in a book of one. */

import { chromium, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { now } from '../src/clock/clock'
import type { LimitBook } from '../src/core/book/bookSchema'
import { compose } from '../src/core/kit/compose'
import { emptyComposition } from '../src/core/kit/composition'
import { connect } from '../src/db/client'
import { rowOfBook } from '../src/db/queries/books'
import { limitBook } from '../src/db/schema'
import type { Figure } from './figure'
import { percentile95, press } from './press'

const MEASUREMENTS = 1_000
const KEYS = 60
const typing = Array.from({ length: KEYS }, (_, at) => ['a', 'b', 'Backspace'][at % 3] ?? 'a')

function bookOf(id: string, assembly: string, least: number): LimitBook {
  let book = emptyComposition(id, 'A machine of bearings')
  for (let at = 1; book.characteristics.length < least; at += 1) {
    const answers: Readonly<Record<string, string>> = assembly === 'generalPart' ? { method: 'outside Ø' } : {}
    const made = compose(book, { assembly, names: [`Bearing ${at}`], into: null, answers }, 'metric')
    if (!made.ok) throw new Error(made.fault.code)
    book = made.value
  }
  return { ...book, revision: 'draft 1' }
}

async function keysIn(page: Page, { id }: LimitBook): Promise<readonly number[]> {
  await page.goto(`/books/${id}/edit`)
  await page.locator('astro-island[ssr]').first().waitFor({ state: 'detached' })
  await page.getByRole('button', { name: /^Characteristics/ }).click()
  await page.getByLabel('Name', { exact: true }).first().focus()
  await press(page, typing.slice(0, 12)) // warm
  return (await press(page, typing)).work
}

export async function bookEditorFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  try {
    const [large, one] = [bookOf('bench-large', 'splitSleeveBearing', MEASUREMENTS), bookOf('bench-one', 'generalPart', 1)]
    const { db, pool } = connect(runningClusterUrl(medida.dataFolder) ?? '')
    for (const book of [large, one]) await db.insert(limitBook).values(rowOfBook(book, now()))
    await pool.end()
    const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
    await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
    const page = await context.newPage()
    const alone = await keysIn(page, one)
    const among = await keysIn(page, large)
    return [
      {
        name: `work per key in the editor of a limit book, ${large.characteristics.length} measurements, against the same field in a book of one, 95th percentile`,
        figure: percentile95(among),
        baseline: percentile95(alone),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 2 },
      },
    ]
  } finally {
    await browser.close()
    await medida.clear()
  }
}
