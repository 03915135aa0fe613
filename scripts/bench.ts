/** `npm run bench`: speed goals as ratios to a baseline measured in the same run, as a table. */

import { bookEditorFigures } from '../bench/bookEditor'
import { coreFigures } from '../bench/core'
import type { Figure } from '../bench/figure'
import { floorFigures } from '../bench/floor'
import { importFigures } from '../bench/importing'
import { judgedFigures } from '../bench/judged'
import { keystrokeFigures } from '../bench/keystroke'
import { savingFigures } from '../bench/saving'
import { sheetFigures } from '../bench/sheet'
import { stripMapFigures } from '../bench/stripMap'
import { ensureChromium, ensurePostgres } from './lib/debian'

ensurePostgres()
process.env.MEDIDA_CHROMIUM = ensureChromium()
const parts: Readonly<Record<string, () => Figure[] | Promise<Figure[]>>> = {
  strip: stripMapFigures,
  floor: floorFigures,
  core: coreFigures,
  judged: judgedFigures,
  sheet: sheetFigures,
  book: bookEditorFigures,
  bench: keystrokeFigures,
  saving: savingFigures,
  import: importFigures,
}
/** `npm run bench -- core bench` runs only those. */
const wanted = process.argv.slice(2)
const unknown = wanted.find((name) => !(name in parts))
if (unknown !== undefined) {
  process.stderr.write(`There is no part “${unknown}”. Known: ${Object.keys(parts).join(', ')}.\n`)
  process.exit(2)
}
const AGAIN = 3

const ratioOf = ({ figure, baseline }: Figure): number | null => (baseline === 0 ? null : figure / baseline)
function holds(row: Figure): boolean {
  const ratio = ratioOf(row)
  if (row.bar.kind === 'told') return true
  return row.bar.kind === 'ratio' ? ratio !== null && ratio <= row.bar.atMost : row.figure <= row.bar.atMost
}

/** The row whose ratio is in the middle; its figure where nothing is compared. */
function middle(rows: readonly Figure[]): Figure {
  const sorted = [...rows].sort((a, b) => (ratioOf(a) ?? a.figure) - (ratioOf(b) ?? b.figure))
  return sorted[Math.floor(sorted.length / 2)] as Figure
}

/** The machine is shared: what is over its bar is measured three times more, and the median of those counts. */
async function measured(measure: () => Figure[] | Promise<Figure[]>): Promise<readonly Figure[]> {
  const first = await measure()
  if (first.every(holds)) return first
  const again: Figure[][] = []
  for (let run = 0; run < AGAIN; run += 1) again.push(await measure())
  return first.map((row, at) => (holds(row) ? row : middle(again.flatMap((rows) => rows[at] ?? []))))
}

const figures: Figure[] = []
for (const [name, measure] of Object.entries(parts))
  if (wanted.length === 0 || wanted.includes(name)) figures.push(...(await measured(measure)))

const shown = (value: number, unit: string): string => `${value >= 100 ? value.toFixed(0) : value.toFixed(1)} ${unit}`
const rows = figures.map((row) => {
  const { name, figure, baseline, unit, bar } = row
  const ratio = ratioOf(row)
  return [
    name,
    shown(figure, unit),
    shown(baseline, unit),
    ratio === null ? '–' : ratio.toFixed(2),
    bar.kind === 'told' ? '–' : bar.kind === 'ratio' ? `≤ ${bar.atMost} ×` : `≤ ${Number(bar.atMost.toFixed(1))} ${unit}`,
    bar.kind === 'told' ? '' : holds(row) ? 'ok' : 'over',
  ]
})
const head = ['name', 'figure', 'baseline', 'ratio', 'bar', '']
const widths = head.map((title, column) => Math.max(title.length, ...rows.map((row) => (row[column] ?? '').length)))
for (const row of [head, ...rows])
  process.stdout.write(
    `${row
      .map((cell, column) => cell.padEnd(widths[column] ?? 0))
      .join('  ')
      .trimEnd()}\n`,
  )
