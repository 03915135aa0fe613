import { formatEnds, formatQuantity, unitOf } from '../core/quantity/format'
import { differenceOf } from '../core/quantity/kind'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { afterFigure } from '../core/words/plain'
import { say } from '../labels/drawings'
import type { RibbonModel } from './ribbonScale'

/** Colours by what they mean; page and paper each have their own values for them. */
export type Tone =
  | 'ink'
  | 'faint'
  | 'track'
  | 'bandNew'
  | 'bandUsed'
  | 'plan'
  | 'wear'
  | 'guard'
  | 'pointer'
  | 'sheet'
  | 'label'
  | 'bandEdge'

export type Shape =
  | {
      readonly kind: 'rect'
      readonly x: number
      readonly y: number
      readonly width: number
      readonly height: number
      readonly fill: Tone
      readonly opacity?: number
    }
  | {
      readonly kind: 'line'
      readonly x1: number
      readonly y1: number
      readonly x2: number
      readonly y2: number
      readonly stroke: Tone
      readonly width: number
      readonly dash?: string
      readonly opacity?: number
    }
  | {
      readonly kind: 'path'
      readonly d: string
      readonly stroke: Tone
      readonly width: number
      readonly fill: Tone | null
      readonly opacity?: number
    }
  | {
      readonly kind: 'text'
      readonly x: number
      readonly y: number
      readonly text: string
      readonly fill: Tone
      readonly anchor?: 'start' | 'end'
    }

export interface RibbonDrawing {
  readonly width: number
  readonly height: number
  readonly shapes: readonly Shape[]
}

export interface RibbonOptions {
  readonly width: number
  /** Figures at the limits below the ribbon. */
  readonly labels: boolean
  readonly system: UnitSystem
}

const BAND = 7
const TOP = 15
const BASE = TOP + BAND
const DOWN = 8
const LABELS = 16
const HATCH_STEP = 5

/** The limit ribbon as plain shapes, the same on the page, on paper and in the PDF. */
export function ribbonShapes(model: RibbonModel, options: RibbonOptions): RibbonDrawing {
  const { width, labels } = options
  const x = (mm: number): number => Math.round(((mm - model.from) / (model.to - model.from)) * width * 100) / 100
  return {
    width,
    height: BASE + DOWN + (labels ? LABELS : 0),
    shapes: [
      { kind: 'rect', x: 0, y: TOP, width, height: BAND, fill: 'track' },
      ...usedBand(model, x),
      ...newBand(model, x),
      ...(model.lowerWear === null ? [] : [...forbidden(0, x(model.lowerWear)), ...limitLine(model.lowerWear, model, x)]),
      ...(model.upperWear === null ? [] : [...forbidden(x(model.upperWear), width), ...limitLine(model.upperWear, model, x)]),
      ...model.plan.map(
        (mm): Shape => ({ kind: 'line', x1: x(mm), x2: x(mm), y1: TOP - 2, y2: BASE, stroke: 'plan', width: 1.5, dash: '2 1.6' }),
      ),
      { kind: 'line', x1: 0, x2: width, y1: BASE, y2: BASE, stroke: 'ink', width: 1 },
      ...model.ticks.map(
        (mm): Shape => ({ kind: 'line', x1: x(mm), x2: x(mm), y1: BASE, y2: BASE + 5, stroke: 'ink', width: 1.1 }),
      ),
      ...ghost(model, x),
      ...pointer(model, x),
      ...(labels ? labelsOf(model, x, options) : []),
    ],
  }
}

type Scale = (mm: number) => number

function newBand({ new: band }: RibbonModel, x: Scale): Shape[] {
  if (band === null) return []
  const [low, high] = band
  return [{ kind: 'rect', x: x(low), y: TOP, width: Math.max(1, x(high) - x(low)), height: BAND, fill: 'bandNew' }]
}

/** The wear allowance used so far: from the new band to the result. */
function usedBand({ result, new: band }: RibbonModel, x: Scale): Shape[] {
  if (band === null) return []
  const [low, high] = band
  // Of a bound or a range what is certain is used: its inner end.
  const inner =
    result &&
    (result.low !== null && result.low > high ? result.low : result.high !== null && result.high < low ? result.high : null)
  if (inner === null) return []
  const [from, to] = inner > high ? [high, inner] : [inner, low]
  return [{ kind: 'rect', x: x(from), y: TOP, width: x(to) - x(from), height: BAND, fill: 'bandUsed' }]
}

const places = (at: number): number => Math.round(at * 100) / 100

/** Hatched zone beyond a wear limit, all its strokes one path. */
function forbidden(from: number, to: number): Shape[] {
  let hatches = ''
  for (let left = from - BAND; left < to; left += HATCH_STEP) {
    // A slanted stroke across the band, cut off at the zone's ends.
    const start = Math.max(0, from - left)
    const end = Math.min(BAND, to - left)
    if (end > start) hatches += `M${places(left + start)} ${places(BASE - start)}L${places(left + end)} ${places(BASE - end)}`
  }
  return hatches === '' ? [] : [{ kind: 'path', d: hatches, stroke: 'wear', width: 1.4, fill: null, opacity: 0.65 }]
}

/** A wear limit with its guard band. */
function limitLine(limit: number, { from, to, guard }: RibbonModel, x: Scale): Shape[] {
  const [low, high] = [x(Math.max(from, limit - guard)), x(Math.min(to, limit + guard))]
  return [
    ...(guard > 0
      ? [{ kind: 'rect', x: low, y: TOP, width: places(high - low), height: BAND, fill: 'guard', opacity: 0.35 } as const]
      : []),
    { kind: 'line', x1: x(limit), x2: x(limit), y1: TOP - 3, y2: BASE + 4, stroke: 'wear', width: 1.8 },
  ]
}

function ghost({ ghost }: RibbonModel, x: Scale): Shape[] {
  return ghost === null ? [] : [{ kind: 'path', d: `M${x(ghost)} ${TOP}l-4.2 -7h8.4z`, stroke: 'faint', width: 1.2, fill: null }]
}

const LEAST_ARROW = 6

function pointer(model: RibbonModel, x: Scale): Shape[] {
  const { result, forecastValue } = model
  if (!result) return []
  if (result.low === null || result.low !== result.high) return reach(model, result, x)
  const value = result.low
  const at = x(value)
  const arrowTo = forecastValue === null ? at : x(forecastValue)
  const head = arrowTo > at ? 4 : -4
  const arrow: Shape[] =
    Math.abs(arrowTo - at) < LEAST_ARROW
      ? []
      : [
          {
            kind: 'path',
            d: `M${at} ${TOP - 11}H${arrowTo}M${arrowTo - head} ${TOP - 13.8}L${arrowTo} ${TOP - 11}L${arrowTo - head} ${TOP - 8.2}`,
            stroke: 'pointer',
            width: 1.4,
            fill: null,
          },
        ]
  return [
    ...arrow,
    {
      kind: 'line',
      // What scatters wildly reaches to the ends of the scale, and no further.
      x1: x(Math.max(model.from, value - result.expanded)),
      x2: x(Math.min(model.to, value + result.expanded)),
      y1: TOP + 3.5,
      y2: TOP + 3.5,
      stroke: 'pointer',
      width: 2.6,
    },
    // Hollow while readings are missing: the value is not final.
    {
      kind: 'path',
      d: `M${at} ${TOP + 1}l-4.8 -8.4h9.6z`,
      stroke: 'pointer',
      width: 1.4,
      fill: result.complete ? 'pointer' : 'sheet',
    },
  ]
}

/** A bound or a range: a bar over all it may be, an outlined pointer at each end that is known. */
function reach({ from, to }: RibbonModel, result: NonNullable<RibbonModel['result']>, x: Scale): Shape[] {
  return [
    {
      kind: 'line',
      x1: x(result.low ?? from),
      x2: x(result.high ?? to),
      y1: TOP + 3.5,
      y2: TOP + 3.5,
      stroke: 'pointer',
      width: 2.6,
    },
    ...[result.low, result.high]
      .filter((end) => end !== null)
      .map(
        (end): Shape => ({
          kind: 'path',
          d: `M${x(end)} ${TOP + 1}l-4.8 -8.4h9.6z`,
          stroke: 'pointer',
          width: 1.4,
          fill: 'sheet',
        }),
      ),
  ]
}

const LEAST_LABEL_GAP = 52
const LABEL_MARGIN = 24

/** Wear limits first, then the edge of new, then plan limits; what would run into a label already placed is left out. */
function labelsOf(model: RibbonModel, x: Scale, { width, system }: RibbonOptions): Shape[] {
  const wears = [model.lowerWear, model.upperWear].filter((mm) => mm !== null)
  const wanted = [
    ...wears.map((mm) => ({ mm, fill: 'wear' as const })),
    ...(model.new ? [{ mm: model.new[0], fill: 'label' as const }] : []),
    ...model.plan.map((mm) => ({ mm, fill: 'plan' as const })),
  ]
  const placed: Extract<Shape, { kind: 'text' }>[] = []
  for (const { mm, fill } of wanted) {
    const at = Math.min(width - LABEL_MARGIN, Math.max(LABEL_MARGIN, x(mm)))
    if (placed.some((other) => Math.abs(other.x - at) < LEAST_LABEL_GAP)) continue
    placed.push({ kind: 'text', x: at, y: BASE + DOWN + 12, text: formatQuantity(mm, model.quantity, system, model.step), fill })
  }
  return placed
}

/** The ribbon in words, for those who cannot see it. */
export function describeRibbon(model: RibbonModel, system: UnitSystem): string {
  const unit = afterFigure(unitOf(model.quantity, system))
  const figure = (value: number): string => formatQuantity(value, model.quantity, system, model.step)
  const inUnit = (value: number): string => `${figure(value)}${unit}`
  const spread = (value: number): string => formatQuantity(value, differenceOf(model.quantity), system, model.step)
  return [
    model.result
      ? say.ribbonResult(formatEnds(model.result.low, model.result.high, figure), spread(model.result.expanded), unit)
      : say.notMeasuredYet,
    ...(model.lowerWear === null ? [] : [say.wearLimitAtLeast(inUnit(model.lowerWear))]),
    ...(model.upperWear === null ? [] : [say.wearLimitAtMost(inUnit(model.upperWear))]),
    ...(model.ghost === null ? [] : [say.lastOverhaul(inUnit(model.ghost))]),
    ...(model.forecastValue === null ? [] : [say.expectedNext(inUnit(model.forecastValue))]),
  ].join(', ')
}
