import { formatLength } from '../core/quantity/format'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { say } from '../labels/drawings'
import type { Shape } from './ribbonShapes'

/** A size in a fit on the scale both sides share: its new band, its limits, and every reading. */
export interface FitSide {
  readonly name: string
  /** Null where no document gives a new size. */
  readonly new: readonly [number, number] | null
  readonly lowerWear: number | null
  readonly upperWear: number | null
  readonly plan: readonly number[]
  readonly readings: readonly number[]
  /** Its least and greatest as they count; null while it is not measured. */
  readonly found: readonly [number, number] | null
}

export interface FitDrawingModel {
  /** What the clearance grows with, above; what closes it, below. */
  readonly outer: FitSide
  readonly inner: FitSide
  readonly tightestMm: number | null
  readonly loosestMm: number | null
  /** How far the inner side grows when warm: taken off the clearance, drawn at its end. */
  readonly growthMm: number
  /** Step its figures are shown to. */
  readonly step: number
}

export interface FitDrawing {
  readonly width: number
  readonly height: number
  readonly shapes: readonly Shape[]
}

const WIDTH = 590
const BAND = 26
const OUTER = 22
const INNER = 132
const HEIGHT = INNER + BAND + 22
const MARGIN = 0.1
const HATCH = 6

const valuesOf = (side: FitSide): readonly number[] => [
  ...(side.new ?? []),
  ...[side.lowerWear, side.upperWear].filter((mm) => mm !== null),
  ...side.plan,
  ...side.readings,
  ...(side.found ?? []),
]

/**
 * The two sides of a fit over each other on one scale, with the clearance between them at its tightest and its loosest: where
 * the outer side lies to the left of the inner one it is interference. Null while there is nothing to draw.
 */
export function fitDrawing(model: FitDrawingModel, system: UnitSystem): FitDrawing | null {
  const { outer, inner, growthMm } = model
  const ends = [...valuesOf(outer), ...valuesOf(inner), ...(inner.found ? [inner.found[1] + growthMm] : [])]
  if (valuesOf(outer).length === 0 || valuesOf(inner).length === 0) return null
  const [from, to] = [Math.min(...ends), Math.max(...ends)]
  const span = to - from || 1
  const x = (mm: number): number => Math.round(((mm - from + span * MARGIN) / (span * (1 + 2 * MARGIN))) * WIDTH * 100) / 100
  const figure = (mm: number): string => formatLength(mm, system, model.step)
  return {
    width: WIDTH,
    height: HEIGHT,
    shapes: [
      ...bandOf(outer, OUTER, x),
      ...bandOf(inner, INNER, x),
      ...growth(model, x),
      ...clearances(model, x, figure),
      ...labels(outer, { y: OUTER - 7, anchor: 'start' }, x, figure),
      ...labels(inner, { y: INNER + BAND + 15, anchor: 'end' }, x, figure),
    ],
  }
}

type Scale = (mm: number) => number

function bandOf(side: FitSide, top: number, x: Scale): Shape[] {
  const { new: fresh, found, lowerWear, upperWear } = side
  // What wear has used: from the new band to where the size lies now.
  const used = found && fresh && ([Math.min(found[0], fresh[1]), Math.max(found[1], fresh[0])] as const)
  return [
    { kind: 'rect', x: 0, y: top, width: WIDTH, height: BAND, fill: 'track' },
    ...(used ? [rect(used[0], used[1], top, x, 'bandUsed')] : []),
    ...(fresh ? [rect(fresh[0], fresh[1], top, x, 'bandNew'), frame(fresh[0], fresh[1], top, x)] : []),
    ...(lowerWear === null ? [] : [...hatched(0, x(lowerWear), top), ...limit(x(lowerWear), top)]),
    ...(upperWear === null ? [] : [...hatched(x(upperWear), WIDTH, top), ...limit(x(upperWear), top)]),
    ...side.plan.map(
      (mm): Shape => ({
        kind: 'line',
        x1: x(mm),
        x2: x(mm),
        y1: top - 3,
        y2: top + BAND,
        stroke: 'plan',
        width: 1.6,
        dash: '3 2.4',
      }),
    ),
    ...side.readings.map(
      (mm): Shape => ({ kind: 'line', x1: x(mm), x2: x(mm), y1: top + BAND / 2, y2: top + BAND + 4, stroke: 'ink', width: 1.3 }),
    ),
  ]
}

const rect = (from: number, to: number, top: number, x: Scale, fill: 'bandNew' | 'bandUsed'): Shape => ({
  kind: 'rect',
  x: x(from),
  y: top,
  width: Math.max(1, x(to) - x(from)),
  height: BAND,
  fill,
})
const frame = (from: number, to: number, top: number, x: Scale): Shape => ({
  kind: 'path',
  d: `M${x(from)} ${top}H${Math.max(x(from) + 1, x(to))}V${top + BAND}H${x(from)}Z`,
  stroke: 'bandEdge',
  width: 1,
  fill: null,
})
const limit = (at: number, top: number): Shape[] => [
  { kind: 'line', x1: at, x2: at, y1: top - 4, y2: top + BAND + 4, stroke: 'wear', width: 2 },
]

function hatched(from: number, to: number, top: number): Shape[] {
  let d = ''
  for (let left = from - BAND; left < to; left += HATCH) {
    const [start, end] = [Math.max(0, from - left), Math.min(BAND, to - left)]
    if (end > start) d += `M${left + start} ${top + BAND - start}L${left + end} ${top + BAND - end}`
  }
  return d === '' ? [] : [{ kind: 'path', d, stroke: 'wear', width: 1.2, fill: null, opacity: 0.6 }]
}

/** Arrows from the inner side to the outer one, at the places that make the clearance tightest and loosest. */
function clearances(
  { outer, inner, tightestMm, loosestMm, growthMm }: FitDrawingModel,
  x: Scale,
  figure: (mm: number) => string,
): Shape[] {
  if (!outer.found || !inner.found || tightestMm === null || loosestMm === null) return []
  const row = (from: number, to: number, y: number, text: string, tone: 'pointer' | 'plan'): Shape[] => {
    const [a, b] = [x(from), x(to)]
    const head = b >= a ? 5 : -5
    const middle = (a + b) / 2
    const isWide = Math.abs(b - a) > text.length * 7.4 + 24
    const at = isWide ? middle : Math.max(a, b) + 8
    const gap = isWide ? text.length * 3.7 + 6 : 0
    const line = isWide
      ? `M${a} ${y}H${middle - Math.sign(head) * gap}M${middle + Math.sign(head) * gap} ${y}H${b}`
      : `M${a} ${y}H${b}`
    return [
      {
        kind: 'path',
        d: `${line}M${b - head} ${y - 3.5}L${b} ${y}L${b - head} ${y + 3.5}M${a + head} ${y - 3.5}L${a} ${y}L${a + head} ${y + 3.5}`,
        stroke: tone,
        width: 1.4,
        fill: null,
      },
      { kind: 'line', x1: a, x2: a, y1: y, y2: INNER, stroke: 'faint', width: 1, dash: '1.5 2' },
      { kind: 'line', x1: b, x2: b, y1: OUTER + BAND, y2: y, stroke: 'faint', width: 1, dash: '1.5 2' },
      {
        kind: 'text',
        x: at,
        y: y + 4,
        text,
        fill: tone === 'plan' ? 'plan' : 'pointer',
        ...(isWide ? {} : { anchor: 'start' as const }),
      },
    ]
  }
  return [
    ...row(inner.found[1] + growthMm, outer.found[0], OUTER + BAND + 26, say.tightest(figure(tightestMm)), 'pointer'),
    ...row(inner.found[0] + growthMm, outer.found[1], OUTER + BAND + 56, say.loosest(figure(loosestMm)), 'plan'),
  ]
}

function growth({ inner, growthMm }: FitDrawingModel, x: Scale): Shape[] {
  if (growthMm === 0 || !inner.found) return []
  return [
    {
      kind: 'rect',
      x: x(inner.found[1]),
      y: INNER,
      width: Math.max(1, x(inner.found[1] + growthMm) - x(inner.found[1])),
      height: BAND,
      fill: 'guard',
      opacity: 0.5,
    },
  ]
}

const LETTER = 7
const GAP = 6

/**
 * The name of a side, above the outer one and below the inner one, each at the end where wear does not forbid; then its
 * figures: what forbids first, then new, then plan. What would run into one already placed is left out.
 */
function labels(
  { name, new: fresh, lowerWear, upperWear, plan }: FitSide,
  { y, anchor }: { readonly y: number; readonly anchor: 'start' | 'end' },
  x: Scale,
  figure: (mm: number) => string,
): Shape[] {
  const wanted = [
    ...[lowerWear, upperWear]
      .filter((mm) => mm !== null)
      .map((mm) => ({ at: mm, text: say.wear(figure(mm)), fill: 'wear' as const })),
    ...(fresh
      ? [{ at: (fresh[0] + fresh[1]) / 2, text: say.newSize(figure(fresh[0]), figure(fresh[1])), fill: 'label' as const }]
      : []),
    ...plan.map((mm) => ({ at: mm, text: say.plan(figure(mm)), fill: 'plan' as const })),
  ]
  const halfOf = (text: string): number => (text.length * LETTER) / 2
  const half = halfOf(name)
  const placed = [{ x: anchor === 'start' ? half : WIDTH - half, half }]
  const shapes: Shape[] = [{ kind: 'text', x: anchor === 'start' ? 0 : WIDTH, y, text: name, fill: 'ink', anchor }]
  for (const { at, text, fill } of wanted) {
    const own = halfOf(text)
    const middle = Math.min(WIDTH - own, Math.max(own, x(at)))
    if (placed.some((other) => Math.abs(other.x - middle) < other.half + own + GAP)) continue
    placed.push({ x: middle, half: own })
    shapes.push({ kind: 'text', x: middle, y, text, fill })
  }
  return shapes
}

/** The drawing in words, for those who cannot see it. */
export function describeFit({ outer, inner, tightestMm, loosestMm, step }: FitDrawingModel, system: UnitSystem): string {
  const figure = (mm: number): string => formatLength(mm, system, step)
  const side = ({ name, found }: FitSide): string =>
    found ? say.sideFound(name, figure(found[0]), figure(found[1])) : say.sideMissing(name)
  const clearance =
    tightestMm === null || loosestMm === null ? [] : [say.tightest(figure(tightestMm)), say.loosest(figure(loosestMm))]
  return [side(outer), side(inner), ...clearance].join(', ')
}
