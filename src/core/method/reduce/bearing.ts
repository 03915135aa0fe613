import { exceeds } from '../../decimal'
import { inQuadrature } from '../../gauge/uncertainty'
import {
  type Interval,
  isPoint,
  largest,
  meanOf,
  negate,
  point,
  rangeOf,
  smallest,
  subtract,
  sumOf,
} from '../../quantity/interval'
import { slotLabel } from '../layout'
import type { MethodOf } from '../method'
import { stripClearance, stripTiltMmPerM } from '../plasticStrip'
import type { MethodFault, Open, Reduced } from '../reduction'
import { ringGapChangeMm } from '../ringGap'
import {
  combineOpen,
  holderOf,
  noFaults,
  type Outcome,
  openWhile,
  type ReduceInput,
  reduced,
  type TakenReading,
  term,
  type Values,
  wearOf,
  worstSize,
} from './taken'

interface StripReading {
  readonly interval: Interval
  readonly uncertainty: number
}

/** Clearance with its standard uncertainty at one strip; null where either end of its width is outside the scale. */
export function stripClearanceOf(method: MethodOf<'plasticStrip'>, reading: TakenReading): StripReading | null {
  // A wider strip is a smaller clearance: the ends change places.
  const low = stripClearance(reading.interval.high, method.scale)
  const high = stripClearance(reading.interval.low, method.scale)
  if (!low || !high) return null
  const slope = Math.max(Math.abs(low.slope), Math.abs(high.slope))
  return {
    interval: { low: low.clearanceMm, high: high.clearanceMm },
    uncertainty: inQuadrature(slope * reading.sizeUncertainty, method.scaleUncertaintyMm / Math.sqrt(3)),
  }
}

/** Clearances under strips: extremes and mean at the crown, taper and tilt along, difference of the strip's two ends. */
export function reduceStrip({ method, readings, complete, nominal }: ReduceInput<'plasticStrip'>): Outcome {
  const outside: string[] = []
  const strips = readings.flatMap((reading) => {
    const found = stripClearanceOf(method, reading)
    if (!found) outside.push(slotLabel(method, reading))
    return found ? [{ ...found, reading, label: slotLabel(method, reading) }] : []
  })
  const faults: MethodFault[] = outside.length > 0 ? [{ code: 'outsideStripScale', slots: outside }] : []
  const crown = strips.filter(({ reading }) => reading.direction === method.direction.id)
  if (crown.length === 0) return { values: {}, faults }

  const all = complete && outside.length === 0
  const quantity = 'length'
  const uncertainty = Math.max(...strips.map((strip) => strip.uncertainty))
  const intervals = crown.map(({ interval }) => interval)
  const read = (strip: (typeof strips)[number]) => [
    term(`${strip.label}: strip width`, strip.reading.interval, quantity),
    term('by its scale', strip.interval, quantity),
  ]
  const widest = holderOf(crown, 'largest')
  const narrowest = holderOf(crown, 'smallest')
  const values: Values = {
    maximum: reduced(largest(intervals), {
      quantity,
      uncertainty,
      where: widest.label,
      sum: read(widest),
      open: openWhile(all, 'canOnlyGrow'),
    }),
    minimum: reduced(smallest(intervals), {
      quantity,
      uncertainty,
      where: narrowest.label,
      sum: read(narrowest),
      open: openWhile(all, 'canOnlyShrink'),
    }),
    mean: reduced(meanOf(intervals), {
      quantity,
      uncertainty,
      where: `${crown.length} strips`,
      sum: crown.map((strip) => term(strip.label, strip.interval, quantity)),
      open: openWhile(all, 'eitherWay'),
    }),
  }
  Object.assign(values, wearOf(method, values, nominal))
  if (crown.length >= 2) {
    values.stripTaper = reduced(rangeOf(intervals), {
      quantity,
      uncertainty: Math.SQRT2 * uncertainty,
      where: `${widest.label} against ${narrowest.label}`,
      sum: [
        term('largest', widest.interval, quantity),
        term('less smallest', { low: -narrowest.interval.high, high: -narrowest.interval.low }, quantity),
      ],
      open: openWhile(all, 'canOnlyGrow'),
    })
    Object.assign(values, tiltOf(method, crown, uncertainty, all))
  }
  if (method.sides) Object.assign(values, sideDifference(method, strips, uncertainty, all))
  return { values, faults }
}

interface Strip extends StripReading {
  readonly reading: TakenReading
  readonly label: string
}

function tiltOf(method: MethodOf<'plasticStrip'>, crown: readonly Strip[], uncertainty: number, complete: boolean): Values {
  const at = (station: string | undefined) => crown.find(({ reading }) => reading.station === station)
  const first = at(method.stations[0]?.id)
  const last = at(method.stations.at(-1)?.id)
  if (!first || !last || first === last || method.apartMm === undefined || !isPoint(first.interval) || !isPoint(last.interval))
    return {}
  return {
    tilt: reduced(point(stripTiltMmPerM(first.interval.low, last.interval.low, method.apartMm)), {
      quantity: 'slope',
      uncertainty: (Math.SQRT2 * uncertainty * 1000) / method.apartMm,
      where: `${first.label} wider is positive`,
      sum: [
        term(first.label, first.interval, 'length'),
        term(`less ${last.label}`, point(-last.interval.low), 'length'),
        term('apart', point(method.apartMm), 'length'),
      ],
      open: openWhile(complete, 'eitherWay'),
    }),
  }
}

/** The larger difference of clearance between the two ends of a strip: a cap or a shell that lies askew. */
function sideDifference(
  method: MethodOf<'plasticStrip'>,
  strips: readonly Strip[],
  uncertainty: number,
  complete: boolean,
): Values {
  const [one, two] = method.sides ?? []
  const pairs = method.stations.flatMap((station) => {
    const side = (id: string | undefined) =>
      strips.find(({ reading }) => reading.station === station.id && reading.direction === id)
    const [a, b] = [side(one?.id), side(two?.id)]
    return a && b ? [{ station: station.id, a, b, interval: rangeOf([a.interval, b.interval]) }] : []
  })
  const [first, ...others] = pairs
  if (!first) return {}
  const worst = others.reduce((best, pair) => (pair.interval.high > best.interval.high ? pair : best), first)
  const [more, less] = worst.a.interval.high >= worst.b.interval.high ? [worst.a, worst.b] : [worst.b, worst.a]
  return {
    sideDifference: reduced(worst.interval, {
      quantity: 'length',
      uncertainty: Math.SQRT2 * uncertainty,
      where: `at ${worst.station}`,
      sum: [term(more.label, more.interval, 'length'), term(`less ${less.label}`, negate(less.interval), 'length')],
      open: openWhile(complete, 'canOnlyGrow'),
    }),
  }
}

/** End gap of a ring, its segments together, and the gap it has where it runs. */
export function reduceRingGap({ method, readings, complete, nominal, runsIn }: ReduceInput<'ringEndGap'>): Outcome {
  const quantity = 'length'
  const total = sumOf(readings.map(({ interval }) => interval))
  // Gaps of segments add; each was read with its own step and the same gauge error.
  const uncertainty = readings.length * worstSize(readings)
  const open = openWhile(complete, 'canOnlyGrow')
  const where = `in ${method.referenceDiameterMm} mm`
  const terms = readings.map((reading) => term(slotLabel(method, reading), reading.interval, quantity))
  const values: Values = {
    total: reduced(total, { quantity, uncertainty, where, sum: terms, open }),
  }
  if (nominal !== null)
    values.wear = reduced(subtract(total, point(nominal)), {
      quantity,
      uncertainty,
      where,
      sum: [...terms, term('less new', point(-nominal), quantity)],
      open,
    })
  if (runsIn) values.gapAtWornDiameter = gapWhereItRuns(method, total, uncertainty, terms, open, runsIn)
  return noFaults(values)
}

function gapWhereItRuns(
  method: MethodOf<'ringEndGap'>,
  total: Interval,
  uncertainty: number,
  terms: Reduced['sum'],
  open: Reduced['open'],
  worn: Reduced,
): Reduced {
  const low = ringGapChangeMm(worn.value ?? worn.interval?.low ?? Number.NEGATIVE_INFINITY, method.referenceDiameterMm)
  const high = ringGapChangeMm(worn.value ?? worn.interval?.high ?? Number.POSITIVE_INFINITY, method.referenceDiameterMm)
  const label = `π × (${method.springs === 'outward' ? 'largest bore' : 'smallest rod'} − reference)`
  return reduced(
    { low: total.low + low, high: total.high + high },
    {
      quantity: 'length',
      uncertainty: inQuadrature(uncertainty, Math.PI * worn.uncertainty),
      where: `where it runs, ${worn.where}`,
      sum: [...terms, term(label, { low, high }, 'length')],
      open: combineOpen(open, worn.open),
    },
  )
}

/** Cap pinch: shim less flattened wire, at each wire. Positive holds the shell, negative is loose. */
export function reduceCapPinch({ method, readings, complete }: ReduceInput<'capPinch'>): Outcome {
  const isShim = ({ station }: TakenReading): boolean => method.shims.some(({ id }) => id === station)
  const shims = readings.filter(isShim)
  const wires = readings.filter((reading) => !isShim(reading))
  const between = rangeOf(shims.length > 0 ? shims.map(({ interval }) => interval) : [point(0)])
  const faults: MethodFault[] = exceeds(between.high, method.shimsWithinMm)
    ? [{ code: 'shimsUnequal', range: between.high, limitValue: method.shimsWithinMm }]
    : []
  if (shims.length === 0 || wires.length === 0) return { values: {}, faults }
  // While a shim is missing or they differ, so may every pinch, to either side.
  const shimsStand = faults.length === 0 && shims.length === method.shims.length
  const openOnce = (further: Open): Open => openWhile(complete && shimsStand, shimsStand ? further : 'eitherWay')
  const quantity = 'length'
  const shim = meanOf(shims.map(({ interval }) => interval))
  // Shim and wire are read with one gauge: its error cancels.
  const uncertainty = Math.max(...readings.map((reading) => reading.differenceUncertainty))
  const pinches = wires.map((wire) => ({ interval: subtract(shim, wire.interval), wire, label: slotLabel(method, wire) }))
  const intervals = pinches.map(({ interval }) => interval)
  const sumAt = ({ wire, label }: (typeof pinches)[number]) => [
    term('shim', shim, quantity),
    term(`less wire ${label}`, { low: -wire.interval.high, high: -wire.interval.low }, quantity),
  ]
  const high = holderOf(pinches, 'largest')
  const low = holderOf(pinches, 'smallest')
  const values: Values = {
    minimum: reduced(smallest(intervals), {
      quantity,
      uncertainty,
      where: low.label,
      sum: sumAt(low),
      open: openOnce('canOnlyShrink'),
    }),
    maximum: reduced(largest(intervals), {
      quantity,
      uncertainty,
      where: high.label,
      sum: sumAt(high),
      open: openOnce('canOnlyGrow'),
    }),
    mean: reduced(meanOf(intervals), {
      quantity,
      uncertainty,
      where: `${pinches.length} wires`,
      sum: pinches.map(({ interval, label }) => term(label, interval, quantity)),
      open: openOnce('eitherWay'),
    }),
  }
  if (pinches.length >= 2)
    values.variation = reduced(rangeOf(intervals), {
      quantity,
      uncertainty,
      where: `${high.label} against ${low.label}`,
      sum: [
        term('largest', high.interval, quantity),
        term('less smallest', { low: -low.interval.high, high: -low.interval.low }, quantity),
      ],
      open: openOnce('canOnlyGrow'),
    })
  return { values, faults }
}
