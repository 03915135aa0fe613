/** The shop floor with sixty machines and twenty open jobs, against its bare rows and a bare table. */
import { type BrowserContext, chromium } from '@playwright/test'
import { v7 } from 'uuid'
import bookJson from '../demo/quillmere/book.json' with { type: 'json' }
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import playwrightConfig from '../playwright.config'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { bookSchema } from '../src/core/book/bookSchema'
import { connect } from '../src/db/client'
import { allJobs } from '../src/db/queries/jobs'
import { allHours, allMachines } from '../src/db/queries/machines'
import { job, machine, machineHours } from '../src/db/schema'
import { type Figure, median } from './figure'
import { servePage } from './serve'

const MACHINES = 60
const OPEN = 20
const RUNS = 9

/** Machines of one book in four places, a third of them open. */
async function fillFloor(dataFolder: string): Promise<void> {
  const { db, pool } = connect(runningClusterUrl(dataFolder) ?? '')
  const book = bookSchema.parse(bookJson)
  await db.transaction(async (tx) => {
    for (let number = 1; number <= MACHINES; number += 1) {
      const id = `floor-${number}`
      const station = `Works ${1 + (number % 4)}`
      await tx.insert(machine).values({ id, station, name: `Turbine ${number}`, units: 'metric', bookId: book.id })
      for (const [readOn, hours] of [
        ['2023-05-01', 4_000 + number * 90],
        ['2026-05-01', 12_000 + number * 90],
      ] as const)
        await tx.insert(machineHours).values({
          id: v7(),
          machineId: id,
          hours,
          readOn,
          readBy: 'demo-planner',
          notedAt: new Date(`${readOn}T08:00:00Z`),
        })
      if (number <= OPEN)
        await tx.insert(job).values({
          id: `floor-job-${number}`,
          machineId: id,
          bookId: book.id,
          bookRevision: book.revision,
          title: `Overhaul ${number}`,
          reason: 'Hours due',
          openedOn: '2026-11-01',
          openedBy: 'demo-planner',
          runningHours: 12_500 + number * 90,
          mustRunHours: 8_000,
          level: 'full',
          policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
          installed: {},
        })
    }
  })
  await pool.end()
}

/** The same rows, as plain HTML. */
const bareTable = (rows: readonly string[]): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Bare table</title><input id="q"><table>${rows.join('')}</table><script>
  const rows = [...document.querySelectorAll('tr')]
  document.querySelector('#q').addEventListener('input', (event) => {
    for (const row of rows) row.hidden = !row.textContent.includes(event.target.value)
  })
  </script></html>`

/**
 * Runs in the page, as text because the compiler would put helpers into a function that the page does not have. Usable: what is
 * typed in the search leaves fewer rows.
 */
const searchUntilAnswered = (field: string): string => `new Promise((resolve) => {
  const look = () => {
    const input = document.querySelector('${field}')
    if (input) {
      input.value = 'Turbine 7'
      input.dispatchEvent(new Event('input', { bubbles: true }))
      if (document.querySelector('tr[hidden]')) return resolve(performance.now())
    }
    requestAnimationFrame(look)
  }
  look()
})`

async function untilUsable(context: BrowserContext, url: string, field: string): Promise<number> {
  const page = await context.newPage()
  await page.goto(url, { waitUntil: 'domcontentloaded' })
  const ms = await page.evaluate<number>(searchUntilAnswered(field))
  await page.close()
  return ms
}

export async function floorFigures(): Promise<Figure[]> {
  const medida = await Medida.start()
  await fillFloor(medida.dataFolder)
  const { db, pool } = connect(runningClusterUrl(medida.dataFolder) ?? '')
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions ?? {})
  const rows = Array.from({ length: MACHINES + OPEN }, (_, at) => `<tr><th>Turbine ${at}</th><td>Works</td><td>Measure</td></tr>`)
  const bare = await servePage(bareTable(rows))
  try {
    const context = await browser.newContext({ baseURL: medida.url, viewport: { width: 1280, height: 800 } })
    await context.request.post('/api/auth/sign-in/username', { data: { username: 'inspector', password: DEMO_PASSWORD } })
    const times = { server: [] as number[], rows: [] as number[], usable: [] as number[], bare: [] as number[] }
    // The first look reads and evaluates each job; every other one only what has changed since.
    await context.request.get('/')
    for (let run = 0; run < RUNS; run += 1) {
      const began = performance.now()
      await (await context.request.get('/')).body()
      times.server.push(performance.now() - began)
      const asked = performance.now()
      const found = [await allMachines(db), await allJobs(db), await allHours(db)]
      await (await context.request.get(bare.url)).body()
      times.rows.push(performance.now() - asked)
      if (found[0]?.length === 0) throw new Error('no machine was found')
      times.usable.push(await untilUsable(context, `${medida.url}/`, '#floor-search'))
      times.bare.push(await untilUsable(context, bare.url, '#q'))
    }
    return [
      {
        name: `shop floor from the server, ${MACHINES} machines and ${OPEN} open jobs, against its bare rows`,
        figure: median(times.server),
        baseline: median(times.rows),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
      {
        name: 'shop floor until its search answers, against a bare table',
        figure: median(times.usable),
        baseline: median(times.bare),
        unit: 'ms',
        bar: { kind: 'ratio', atMost: 4 },
      },
    ]
  } finally {
    await browser.close()
    await pool.end()
    bare.close()
    await medida.clear()
  }
}
