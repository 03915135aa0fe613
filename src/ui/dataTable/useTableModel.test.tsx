import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import { compareCells, type ModelColumn, useTableModel } from './useTableModel'

interface Gauge {
  readonly code: string
  readonly place: string
  readonly step: number
}
const gauges: readonly Gauge[] = [
  { code: 'BG-04', place: 'Quillmere', step: 0.01 },
  { code: 'OM-12', place: 'Larkhollow', step: 0.001 },
  { code: 'BG-10', place: 'Larkhollow', step: 0.002 },
]
const columns: readonly ModelColumn<Gauge>[] = [
  { id: 'code', by: ({ code }) => code },
  { id: 'place', by: ({ place }) => place },
  { id: 'step', by: ({ step }) => step },
]

function Codes({ words }: { readonly words: string }) {
  const { rows, isSorted } = useTableModel(gauges, columns, ({ code }) => code, words)
  return <>{`${isSorted ? 'sorted ' : ''}${rows.map(({ code }) => code).join(' ')}`}</>
}

test.each([
  ['', 'BG-04 OM-12 BG-10'],
  ['larkhollow', 'OM-12 BG-10'],
  // Every word, wherever it stands.
  ['bg lark', 'BG-10'],
  ['LARK bg', 'BG-10'],
  ['0.001', 'OM-12'],
  ['bg nowhere', ''],
])('“%s” finds %s, in the order the rows come in', (words, found) => {
  expect(renderToStaticMarkup(<Codes words={words} />)).toBe(found)
})

test.each<[(string | number)[], (string | number)[]]>([
  // Digits after the point are not a figure of their own.
  [
    [0.01, 0.002, 0.0025, 0.001, 10, 9],
    [0.001, 0.002, 0.0025, 0.01, 9, 10],
  ],
  [
    ['G-10', 'g-9', 'G-1'],
    ['G-1', 'g-9', 'G-10'],
  ],
  [
    ['2027-01-05', '2026-11-27'],
    ['2026-11-27', '2027-01-05'],
  ],
  [
    ['none', -3, 0],
    [-3, 0, 'none'],
  ],
])('%j is sorted as %j', (given, sorted) => {
  expect([...given].sort(compareCells)).toEqual(sorted)
})
