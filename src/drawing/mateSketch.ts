import type { FitNote } from '../core/fit/fitKind'
import type { FitSpec } from '../core/fit/kinds'
import { formatLength } from '../core/quantity/format'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { say } from '../labels/drawings'
import type { FitDrawing } from './fitDrawing'
import type { Shape } from './ribbonShapes'

/** What a fit is drawn with where its two sides alone do not show how they stand to each other. */
export interface Mated {
  readonly tightestMm: number | null
  readonly loosestMm: number | null
  readonly notes: readonly FitNote[]
}

const WIDTH = 590

/** How the parts of a fit stand to each other, its play larger than life; null for kinds whose bands say enough. */
export function mateSketch(fit: FitSpec, mated: Mated, system: UnitSystem): FitDrawing | null {
  const figure = (mm: number): string => formatLength(mm, system, fit.showTo)
  switch (fit.kind) {
    case 'float':
      return { width: WIDTH, height: 138, shapes: floatShapes(mated, figure) }
    case 'keyInKeyway':
      return { width: WIDTH, height: 132, shapes: keyShapes(mated, figure) }
    default:
      return null
  }
}

/** The sketch in words, for those who cannot see it. */
export function describeMate(fit: FitSpec, { tightestMm, loosestMm }: Mated, system: UnitSystem): string {
  const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, system, fit.showTo))
  return fit.kind === 'float'
    ? say.floatSays(figure(tightestMm), figure(loosestMm))
    : say.keySays(figure(tightestMm), figure(loosestMm))
}

type Figure = (mm: number) => string

const line = (x1: number, y1: number, x2: number, y2: number, stroke: 'ink' | 'faint' | 'pointer', dash?: string): Shape => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  stroke,
  width: stroke === 'ink' ? 1.6 : 1.2,
  ...(dash === undefined ? {} : { dash }),
})
const box = (x: number, y: number, width: number, height: number, fill: 'track' | 'bandNew' | 'sheet' | null = null): Shape => ({
  kind: 'path',
  d: `M${x} ${y}h${width}v${height}h${-width}Z`,
  stroke: 'ink',
  width: 1.6,
  fill,
})
const text = (x: number, y: number, words: string, fill: 'ink' | 'label' | 'pointer', anchor?: 'start' | 'end'): Shape => ({
  kind: 'text',
  x,
  y,
  text: words,
  fill,
  ...(anchor === undefined ? {} : { anchor }),
})

/** An arrow with a head at its end, or at both. */
function arrow(from: number, to: number, y: number, both: boolean): Shape {
  const head = to >= from ? 5 : -5
  const back = both ? `M${from + head} ${y - 3.5}L${from} ${y}L${from + head} ${y + 3.5}` : ''
  return {
    kind: 'path',
    d: `M${from} ${y}H${to}M${to - head} ${y - 3.5}L${to} ${y}L${to - head} ${y + 3.5}${back}`,
    stroke: 'pointer',
    width: 1.5,
    fill: null,
  }
}

const AXIS = 66
const RACE = { width: 44, height: 62 }
const FIXED = 96
const FREE = 430
/** Room on each side of the free bearing: drawn alike whatever it measures. */
const ROOM = 22

/** A bearing in section over the shaft: its ring, and a ball in it. */
const bearing = (x: number): Shape[] => [
  box(x, AXIS - RACE.height / 2, RACE.width, RACE.height, 'bandNew'),
  ...[-1, 1].map((side): Shape => {
    const y = AXIS + side * 22
    return {
      kind: 'path',
      d: `M${x + RACE.width / 2 - 6} ${y}a6 6 0 1 0 12 0a6 6 0 1 0 -12 0`,
      stroke: 'ink',
      width: 1.3,
      fill: 'sheet',
    }
  }),
]

/** The shaft held on the left, free to grow on the right between the faces of its housing. */
function floatShapes({ tightestMm, loosestMm, notes }: Mated, figure: Figure): Shape[] {
  const growth = notes.find((note) => note.code === 'growth')
  const [left, right] = [FREE - ROOM, FREE + RACE.width + ROOM]
  const top = AXIS - RACE.height / 2
  const wall = (x: number): Shape => box(x, top - 8, 12, RACE.height + 16, 'track')
  return [
    box(FIXED - 40, AXIS - 11, right - FIXED + 70, 22, 'sheet'),
    ...bearing(FIXED),
    wall(FIXED - 12),
    wall(FIXED + RACE.width),
    ...bearing(FREE),
    wall(left - 12),
    wall(right),
    line(20, AXIS, WIDTH - 20, AXIS, 'faint', '12 4 3 4'),
    text(FIXED + RACE.width / 2, top - 16, say.heldHere, 'label'),
    text(FREE + RACE.width / 2, top - 16, say.freeHere, 'label'),
    arrow(left, FREE, top + RACE.height + 16, true),
    arrow(FREE + RACE.width, right, top + RACE.height + 16, true),
    ...(tightestMm === null || loosestMm === null
      ? []
      : [
          text(
            FREE + RACE.width / 2,
            AXIS + RACE.height / 2 + 36,
            say.bothTogether(figure(tightestMm), figure(loosestMm)),
            'pointer',
          ),
        ]),
    ...(growth === undefined
      ? []
      : [
          growth.growthMm >= 0
            ? arrow(FIXED + RACE.width + 60, left - 60, AXIS - 20, false)
            : arrow(left - 60, FIXED + RACE.width + 60, AXIS - 20, false),
          text(
            (FIXED + RACE.width + left) / 2,
            AXIS - 27,
            growth.growthMm >= 0 ? say.shaftGrows(figure(growth.growthMm)) : say.housingGrows(figure(-growth.growthMm)),
            'pointer',
          ),
        ]),
  ]
}

const KEY = { x: 268, width: 54, top: 40, height: 44 }
const SIDE = 9

/** The key between the flanks, seen along the shaft: its play lies on the flank that does not drive. */
function keyShapes({ tightestMm, loosestMm }: Mated, figure: Figure): Shape[] {
  const middle = KEY.x + KEY.width / 2
  const seat = KEY.top + KEY.height / 2
  const tight = tightestMm !== null && tightestMm < 0
  const [left, right] = tight ? [KEY.x, KEY.x + KEY.width] : [KEY.x, KEY.x + KEY.width + SIDE]
  const foot = KEY.top + KEY.height
  return [
    // Shaft, with the keyway cut into its crown.
    {
      kind: 'path',
      d: `M${middle - 150} ${foot + 40}Q${middle - 130} ${seat} ${left} ${seat - 4}V${foot}H${right}V${seat - 4}Q${middle + 130} ${seat} ${middle + 150} ${foot + 40}Z`,
      stroke: 'ink',
      width: 1.6,
      fill: 'track',
    },
    box(KEY.x, KEY.top, KEY.width, KEY.height, 'bandNew'),
    text(middle, seat + 5, say.key, 'label'),
    text(middle, foot + 26, say.keyway, 'label'),
    line(KEY.x, KEY.top - 10, KEY.x, KEY.top, 'faint', '1.5 2'),
    ...(tightestMm === null || loosestMm === null
      ? []
      : tight
        ? [text(middle, KEY.top - 14, say.keyIsTight(figure(tightestMm), figure(loosestMm)), 'pointer')]
        : [
            line(right, KEY.top - 10, right, seat - 4, 'faint', '1.5 2'),
            arrow(KEY.x + KEY.width + SIDE + 26, right, KEY.top - 6, false),
            arrow(KEY.x + KEY.width - 26, KEY.x + KEY.width, KEY.top - 6, false),
            text(right + 34, KEY.top - 2, say.playOnOneFlank(figure(tightestMm), figure(loosestMm)), 'pointer', 'start'),
          ]),
  ]
}
