/** `npm run bench`: speed goals as ratios to a baseline measured in the same run, as a table. */

import type { Figure } from '../bench/figure'
import { stripMapFigures } from '../bench/stripMap'
import { ensureChromium, ensurePostgres } from './lib/debian'

ensurePostgres()
process.env.MEDIDA_CHROMIUM = ensureChromium()
const figures: readonly Figure[] = await stripMapFigures()

const shown = (value: number, unit: string): string => `${value >= 100 ? value.toFixed(0) : value.toFixed(1)} ${unit}`
const rows = figures.map(({ name, figure, baseline, unit, bar }) => {
  const ratio = baseline === 0 ? null : figure / baseline
  const holds = bar.kind === 'ratio' ? ratio !== null && ratio <= bar.atMost : figure <= bar.atMost
  return [
    name,
    shown(figure, unit),
    shown(baseline, unit),
    ratio === null ? '–' : ratio.toFixed(2),
    bar.kind === 'ratio' ? `≤ ${bar.atMost} ×` : `≤ ${bar.atMost} ${unit}`,
    holds ? 'ok' : 'over',
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
