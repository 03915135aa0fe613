import { formatLength } from '../core/quantity/format'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { say } from '../labels/drawings'
import type { FitDrawing } from './fitDrawing'
import type { Shape } from './ribbonShapes'

/** A gap that is set: where it lies, where it must lie, and where it will lie after what is advised. */
export interface GapRow {
  readonly name: string
  readonly foundMm: readonly [number, number] | null
  readonly wantedMm: readonly [number, number]
  /** Null where nothing is to be changed. */
  readonly thenMm: number | null
}

const WIDTH = 590
const ROW = 74
const BAR = 20
const TOP = 24
const MARGIN = 0.12

/** Gaps over each other on one scale from zero: what opens one and closes another is seen to do so. */
export function gapDrawing(rows: readonly GapRow[], system: UnitSystem, step: number): FitDrawing | null {
  const ends = rows.flatMap(({ foundMm, wantedMm, thenMm }) => [
    ...(foundMm ?? []),
    ...wantedMm,
    ...(thenMm === null ? [] : [thenMm]),
  ])
  if (rows.length === 0) return null
  const [from, to] = [Math.min(0, ...ends), Math.max(0, ...ends)]
  const span = to - from || 1
  const x = (mm: number): number =>
    Math.round(((mm - from + (from < 0 ? span * MARGIN : 0)) / (span * (1 + 2 * MARGIN))) * WIDTH * 100) / 100
  const figure = (mm: number): string => formatLength(mm, system, step)
  return {
    width: WIDTH,
    height: rows.length * ROW,
    shapes: rows.flatMap((row, index) => rowOf(row, index * ROW + TOP, x, figure)),
  }
}

function rowOf(
  { name, foundMm, wantedMm, thenMm }: GapRow,
  top: number,
  x: (mm: number) => number,
  figure: (mm: number) => string,
): Shape[] {
  const [least, greatest] = wantedMm
  const middle = foundMm && (foundMm[0] + foundMm[1]) / 2
  const zero = x(0)
  const moved: Shape[] =
    thenMm === null || middle === null
      ? []
      : [
          {
            kind: 'path',
            d: `M${x(middle)} ${top + BAR + 9}H${x(thenMm)}M${x(thenMm) - Math.sign(thenMm - middle) * 5} ${top + BAR + 5}L${x(thenMm)} ${top + BAR + 9}L${x(thenMm) - Math.sign(thenMm - middle) * 5} ${top + BAR + 13}`,
            stroke: 'pointer',
            width: 1.4,
            fill: null,
          },
          { kind: 'line', x1: x(thenMm), x2: x(thenMm), y1: top - 3, y2: top + BAR + 13, stroke: 'pointer', width: 1.6 },
          { kind: 'text', x: x(thenMm), y: top + BAR + 25, text: say.afterIt(figure(thenMm)), fill: 'pointer' },
        ]
  return [
    { kind: 'rect', x: 0, y: top, width: WIDTH, height: BAR, fill: 'track' },
    { kind: 'rect', x: x(least), y: top, width: Math.max(1, x(greatest) - x(least)), height: BAR, fill: 'bandNew' },
    { kind: 'path', d: `M${x(least)} ${top}H${x(greatest)}V${top + BAR}H${x(least)}Z`, stroke: 'bandEdge', width: 1, fill: null },
    { kind: 'line', x1: zero, x2: zero, y1: top - 4, y2: top + BAR + 4, stroke: 'ink', width: 1.4 },
    ...(foundMm === null
      ? []
      : ([
          {
            kind: 'rect',
            x: x(foundMm[0]),
            y: top + 7,
            width: Math.max(2, x(foundMm[1]) - x(foundMm[0])),
            height: 6,
            fill: 'ink',
          },
        ] as Shape[])),
    ...moved,
    { kind: 'text', x: 0, y: top - 8, text: name, fill: 'ink', anchor: 'start' },
    { kind: 'text', x: WIDTH, y: top - 8, text: say.wanted(figure(least), figure(greatest)), fill: 'label', anchor: 'end' },
  ]
}

/** The same in words. */
export const describeGaps = (rows: readonly GapRow[], system: UnitSystem, step: number): string =>
  rows
    .map(({ name, foundMm, wantedMm, thenMm }) => {
      const figure = (mm: number): string => formatLength(mm, system, step)
      const found = foundMm === null ? say.sideMissing(name) : say.sideFound(name, figure(foundMm[0]), figure(foundMm[1]))
      return [
        found,
        say.wanted(figure(wantedMm[0]), figure(wantedMm[1])),
        ...(thenMm === null ? [] : [say.afterIt(figure(thenMm))]),
      ].join(', ')
    })
    .join('; ')
