import { combineErrors, type Errors } from '../../gauge/errors'
import { boundedError } from '../../gauge/uncertainty'
import { exceeds } from '../../quantity/decimal'
import { type Interval, negate, rangeOf } from '../../quantity/interval'
import {
  absoluteOf,
  differenceOf,
  type Known,
  largestOf,
  linear,
  meanOf,
  over,
  settled,
  smallestOf,
  spreadOf,
  times,
  UNKNOWN,
  unsettled,
} from '../known'
import type { MethodOf } from '../method'
import { stripClearance } from '../plasticStrip'
import { knownOf, type MethodFault } from '../reduction'
import { type SheetPlace, sheetOf } from './places'
import { giveExtremes } from './points'
import {
  give,
  giveWear,
  holderOf,
  noFaults,
  type Outcome,
  type ReduceInput,
  type TakenReading,
  taken,
  term,
  type Values,
  wornFrom,
} from './taken'

export interface StripClearance {
  readonly interval: Interval
  readonly errors: Errors
  /** Part of its width lies outside the strip's scale, where nothing is read. */
  readonly outside: boolean
}

/** Clearance under one strip with its errors; the printed scale is the same for every strip of its kind. */
export function stripClearanceOf(
  method: MethodOf<'plasticStrip'>,
  reading: Pick<TakenReading, 'interval' | 'errors'>,
): StripClearance {
  // A wider strip is a smaller clearance: the ends change places.
  const low = stripClearance(reading.interval.high, method.scale)
  const high = stripClearance(reading.interval.low, method.scale)
  const slope = Math.max(Math.abs(low?.slope ?? 0), Math.abs(high?.slope ?? 0))
  return {
    interval: {
      low: low?.clearanceMm ?? Number.NEGATIVE_INFINITY,
      high: high?.clearanceMm ?? Number.POSITIVE_INFINITY,
    },
    errors: [
      ...combineErrors([[-slope, reading.errors]]),
      ...(method.scaleUncertaintyMm === 0 ? [] : [boundedError('stripScale', 'scale', method.scaleUncertaintyMm)]),
    ],
    outside: low === null || high === null,
  }
}

interface Strip {
  readonly place: SheetPlace
  readonly known: Known
  readonly outside: boolean
}

function stripAt(method: MethodOf<'plasticStrip'>, place: SheetPlace, guard: number): Strip {
  const width = place.known.interval
  if (width === null) return { place, known: UNKNOWN, outside: false }
  const { interval, errors, outside } = stripClearanceOf(method, { interval: width, errors: place.known.errors })
  const known = settled(interval, errors, guard)
  const isSettled = !outside && place.readings.every(({ doubt }) => doubt === null)
  return { place, known: isSettled ? known : unsettled(known), outside }
}

/** Clearances under strips: extremes and mean at the crown, taper and tilt along, difference of the strip's two ends. */
export function reduceStrip(input: ReduceInput<'plasticStrip'>): Outcome {
  const { method, guard, nominal } = input
  const sheet = sheetOf(input)
  const strips = sheet.places.map((place) => stripAt(method, place, guard))
  const outside = strips.filter((strip) => strip.outside).map(({ place }) => place.label)
  const faults: MethodFault[] = outside.length > 0 ? [{ code: 'outsideStripScale', slots: outside }] : []
  const crown = strips.filter(({ place }) => place.direction === method.direction.id)
  const read = crown.flatMap(({ place, known, outside: off }) =>
    known.interval && !off ? [{ place, known, interval: known.interval, label: place.label }] : [],
  )
  if (read.length === 0) return { values: {}, faults }

  const quantity = 'length'
  // What lies outside its scale has no figure, and leaves open what it may do.
  const all = crown.map(({ known, outside: off }) => (off ? UNKNOWN : known))
  const sumOf = ({ place, interval, label }: (typeof read)[number]) => [
    term(`${label}: strip width`, taken(place.known), quantity),
    term('by its scale', interval, quantity),
  ]
  const [widest, narrowest] = [holderOf(read, 'largest'), holderOf(read, 'smallest')]
  const values: Values = {}
  const { largest, smallest } = giveExtremes(values, all, guard, {
    quantity,
    largest: { where: widest.label, sum: sumOf(widest) },
    smallest: { where: narrowest.label, sum: sumOf(narrowest) },
    mean: { where: `${read.length} strips`, sum: read.map(({ label, interval }) => term(label, interval, quantity)) },
  })
  giveWear(values, method, { largest, smallest }, nominal, guard)
  give(
    values,
    'stripTaper',
    over(all, (of) => spreadOf(of, guard)),
    {
      quantity,
      where: `${widest.label} against ${narrowest.label}`,
      sum: [term('largest', widest.interval, quantity), term('less smallest', negate(narrowest.interval), quantity)],
    },
  )
  giveTilt(values, method, crown, guard)
  giveSideDifference(values, method, strips, guard)
  return { values, faults }
}

const PER_METRE = 1000

function giveTilt(values: Values, method: MethodOf<'plasticStrip'>, crown: readonly Strip[], guard: number): void {
  const at = (station: string | undefined) => crown.find(({ place }) => place.station === station)
  const first = at(method.stations[0]?.id)
  const last = at(method.stations.at(-1)?.id)
  if (!first || !last || first === last || method.apartMm === undefined || first.outside || last.outside) return
  const difference = differenceOf(first.known, last.known, guard)
  if (!difference.interval) return
  const [one, other] = [taken(first.known), taken(last.known)]
  give(values, 'tilt', times(difference, PER_METRE / method.apartMm), {
    quantity: 'slope',
    where: `${first.place.label} wider is positive`,
    sum: [
      term(first.place.label, one, 'length'),
      term(`less ${last.place.label}`, negate(other), 'length'),
      term('apart', { low: method.apartMm, high: method.apartMm }, 'length'),
    ],
  })
}

/** The larger difference of clearance between the two ends of a strip: a cap or a shell that lies askew. */
function giveSideDifference(values: Values, method: MethodOf<'plasticStrip'>, strips: readonly Strip[], guard: number): void {
  const [one, two] = method.sides ?? []
  if (!one || !two) return
  const pairs = method.stations.flatMap(({ id: station }) => {
    const side = (id: string) => strips.find(({ place }) => place.station === station && place.direction === id)
    const [a, b] = [side(one.id), side(two.id)]
    if (!a || !b) return []
    const known = a.outside || b.outside ? UNKNOWN : absoluteOf(differenceOf(a.known, b.known, guard))
    return [{ station, a, b, known }]
  })
  const read = pairs.flatMap((pair) => (pair.known.interval ? [{ ...pair, interval: pair.known.interval }] : []))
  if (read.length === 0) return
  const { station, a, b } = holderOf(read, 'largest')
  const [more, less] = taken(a.known).high >= taken(b.known).high ? [a, b] : [b, a]
  give(
    values,
    'sideDifference',
    over(
      pairs.map(({ known }) => known),
      largestOf,
    ),
    {
      quantity: 'length',
      where: `at ${station}`,
      sum: [
        term(more.place.label, taken(more.known), 'length'),
        term(`less ${less.place.label}`, negate(taken(less.known)), 'length'),
      ],
    },
  )
}

/** End gap of a ring, its segments together, and the gap it has where it runs. */
export function reduceRingGap(input: ReduceInput<'ringEndGap'>): Outcome {
  const { method, nominal, runsIn, guard } = input
  const quantity = 'length'
  const sheet = sheetOf(input)
  // Gaps of segments add: an error of the gauge is in each of them, every step is its own.
  const total = over(
    sheet.places.map(({ known }) => known),
    (of) =>
      linear(
        of.map((gap) => [1, gap] as const),
        guard,
      ),
  )
  if (!total) return noFaults({})
  const where = `in ${method.referenceDiameterMm} mm`
  const terms = sheet.taken.map(({ label, interval }) => term(label, interval, quantity))
  const values: Values = {}
  give(values, 'total', total, { quantity, where, sum: terms })
  if (nominal !== null) {
    // A ring that springs outward opens as it wears; one that closes on a rod closes.
    const outward = method.springs === 'outward'
    const from = taken(nominal)
    give(values, 'wear', wornFrom(total, nominal, outward ? 'larger' : 'smaller', guard), {
      quantity,
      where,
      sum: outward
        ? [...terms, term('less new', negate(from), quantity)]
        : [
            term('new', from, quantity),
            ...sheet.taken.map(({ label, interval }) => term(`less ${label}`, negate(interval), quantity)),
          ],
    })
  }
  if (runsIn) {
    // The ring's circumference follows the wall: Δgap = π·Δd, both for a bore that wore larger and a rod that wore smaller.
    const worn = knownOf(runsIn)
    const moved = times(linear([[1, worn]], guard, -method.referenceDiameterMm), Math.PI)
    const label = `π × (${method.springs === 'outward' ? 'largest bore' : 'smallest rod'} − reference)`
    give(
      values,
      'gapAtWornDiameter',
      linear(
        [
          [1, total],
          [1, moved],
        ],
        guard,
      ),
      { quantity, where: `where it runs, ${runsIn.where}`, sum: [...terms, term(label, taken(moved), quantity)] },
    )
  }
  return noFaults(values)
}

/** Cap pinch: shim less flattened wire, at each wire. Positive holds the shell, negative is loose. */
export function reduceCapPinch(input: ReduceInput<'capPinch'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const isShim = ({ station }: SheetPlace): boolean => method.shims.some(({ id }) => id === station)
  const shims = sheet.places.filter(isShim)
  const wires = sheet.places.filter((place) => !isShim(place))
  const read = sheet.taken.filter(isShim)
  const between = rangeOf(read.length > 0 ? read.map(({ interval }) => interval) : [{ low: 0, high: 0 }])
  const differ = exceeds(between.high, method.shimsWithinMm)
  const range = Number.isFinite(between.high) ? between.high : between.low
  const faults: MethodFault[] = differ ? [{ code: 'shimsUnequal', range, limitValue: method.shimsWithinMm }] : []
  const shim = over(
    shims.map(({ known }) => known),
    (of) => meanOf(of, guard),
  )
  if (!shim || sheet.taken.length === read.length) return { values: {}, faults }
  // While the shims differ, so may every pinch, to either side.
  const stands = differ ? unsettled(shim) : shim
  const quantity = 'length'
  const pinches = wires.map((wire) => ({ wire, known: differenceOf(stands, wire.known, guard), label: wire.label }))
  const taking = pinches.flatMap((pinch) => (pinch.known.interval ? [{ ...pinch, interval: pinch.known.interval }] : []))
  const all = pinches.map(({ known }) => known)
  const sumAt = ({ wire, label }: (typeof taking)[number]) => [
    term('shim', taken(shim), quantity),
    term(`less wire ${label}`, negate(taken(wire.known)), quantity),
  ]
  const [high, low] = [holderOf(taking, 'largest'), holderOf(taking, 'smallest')]
  const values: Values = {}
  give(values, 'minimum', over(all, smallestOf), { quantity, where: low.label, sum: sumAt(low) })
  give(values, 'maximum', over(all, largestOf), { quantity, where: high.label, sum: sumAt(high) })
  give(
    values,
    'mean',
    over(all, (of) => meanOf(of, guard)),
    {
      quantity,
      where: `${taking.length} wires`,
      sum: taking.map(({ interval, label }) => term(label, interval, quantity)),
    },
  )
  give(
    values,
    'variation',
    over(all, (of) => spreadOf(of, guard)),
    {
      quantity,
      where: `${high.label} against ${low.label}`,
      sum: [term('largest', high.interval, quantity), term('less smallest', negate(low.interval), quantity)],
    },
  )
  return { values, faults }
}
