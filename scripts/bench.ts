/** `npm run bench`: speed goals as ratios to a baseline measured in the same run, as a table. */

import { coreFigures } from '../bench/core'
import type { Figure } from '../bench/figure'
import { importFigures } from '../bench/importing'
import { keystrokeFigures } from '../bench/keystroke'
import { savingFigures } from '../bench/saving'
import { stripMapFigures } from '../bench/stripMap'
import { ensureChromium, ensurePostgres } from './lib/debian'

ensurePostgres()
process.env.MEDIDA_CHROMIUM = ensureChromium()
const parts: Readonly<Record<string, () => Figure[] | Promise<Figure[]>>> = {
  strip: stripMapFigures,
  core: coreFigures,
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
const figures: Figure[] = []
for (const [name, measure] of Object.entries(parts))
  if (wanted.length === 0 || wanted.includes(name)) figures.push(...(await measure()))

const shown = (value: number, unit: string): string => `${value >= 100 ? value.toFixed(0) : value.toFixed(1)} ${unit}`
const rows = figures.map(({ name, figure, baseline, unit, bar }) => {
  const ratio = baseline === 0 ? null : figure / baseline
  const holds = bar.kind === 'told' || (bar.kind === 'ratio' ? ratio !== null && ratio <= bar.atMost : figure <= bar.atMost)
  return [
    name,
    shown(figure, unit),
    shown(baseline, unit),
    ratio === null ? '–' : ratio.toFixed(2),
    bar.kind === 'told' ? '–' : bar.kind === 'ratio' ? `≤ ${bar.atMost} ×` : `≤ ${Number(bar.atMost.toFixed(1))} ${unit}`,
    bar.kind === 'told' ? '' : holds ? 'ok' : 'over',
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
