import {
  differenceUncertaintyMm,
  type Gauge,
  inQuadrature,
  readingUncertaintyMm,
  repeatabilityUncertaintyMm,
} from '../gauge/uncertainty'
import { mean } from '../statistics'
import { reduceDiameters } from './diameters'
import { layoutOf, type Method, type Place, type Slot, slotKey, slotLabel, wearsTowards } from './method'
import { stripClearance } from './plasticStrip'
import type { MethodFault, Reduced, ReductionName, Reductions, Term } from './reduction'
import { reduceRepeats } from './repeats'
import { ringGapChangeMm } from './ringGap'

/** A reading that stands, with the gauge it was taken with. */
export interface TakenReading extends Slot {
  readonly valueMm: number
  readonly gauge: Gauge
}

export interface ReduceContext {
  readonly nominalMm: number
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
}

type Values = Partial<Record<ReductionName, Reduced>>
type Open = Reduced['open']

/** Reduces the standing readings of one characteristic by its method. No readings give no values. */
export function reduceReadings(method: Method, readings: readonly TakenReading[], context: ReduceContext): Reductions {
  const needed = layoutOf(method)
  const taken = needed.filter((slot) => readings.some((reading) => slotKey(reading) === slotKey(slot))).length
  const complete = taken === needed.length
  const { values, faults } = reduceByKind(method, readings, complete, context)
  return { values, faults, taken, needed: needed.length }
}

interface Outcome {
  readonly values: Values
  readonly faults: readonly MethodFault[]
}

function reduceByKind(method: Method, readings: readonly TakenReading[], complete: boolean, context: ReduceContext): Outcome {
  if (readings.length === 0) return { values: {}, faults: [] }
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return { values: diameterValues(method, readings, complete, context.nominalMm), faults: [] }
    case 'plasticStrip':
      return stripOutcome(method, readings, complete, context.nominalMm)
    case 'ringEndGap':
      return { values: ringValues(method, readings, complete, context), faults: [] }
    case 'endFloat':
      return floatOutcome(method, readings, complete, context.nominalMm)
  }
}

/** The largest uncertainty among the gauges used: one judged point may come from any of them. */
const worst = (readings: readonly TakenReading[], uncertainty: (gauge: Gauge) => number): number =>
  Math.max(...readings.map((reading) => uncertainty(reading.gauge)))

function findReading(readings: readonly TakenReading[], valueMm: number): TakenReading {
  const found = readings.find((reading) => reading.valueMm === valueMm)
  if (!found) throw new Error('an extreme is one of the readings')
  return found
}

type DiameterMethod = Extract<Method, { kind: 'outsideDiameter' | 'boreDiameter' }>

function diameterValues(method: DiameterMethod, readings: readonly TakenReading[], complete: boolean, nominalMm: number): Values {
  const at = (station: Place, direction: Place): number | null =>
    readings.find((reading) => reading.station === station.id && reading.direction === direction.id)?.valueMm ?? null
  const grid = method.stations.map((station) => method.directions.map((direction) => at(station, direction)))
  const reduction = reduceDiameters(grid)
  const size = worst(readings, readingUncertaintyMm)
  const difference = worst(readings, differenceUncertaintyMm)
  const open = (kind: Open): Open => (complete ? 'complete' : kind)
  const named = (reading: TakenReading): string => slotLabel(method, reading)
  const values: Values = {}

  if (reduction.maximumMm !== null && reduction.minimumMm !== null && reduction.meanMm !== null) {
    const highest = findReading(readings, reduction.maximumMm)
    const lowest = findReading(readings, reduction.minimumMm)
    values.maximum = {
      valueMm: reduction.maximumMm,
      uncertaintyMm: size,
      where: named(highest),
      sum: [term(named(highest), highest.valueMm)],
      open: open('canOnlyGrow'),
    }
    values.minimum = {
      valueMm: reduction.minimumMm,
      uncertaintyMm: size,
      where: named(lowest),
      sum: [term(named(lowest), lowest.valueMm)],
      open: open('canOnlyShrink'),
    }
    values.mean = {
      valueMm: reduction.meanMm,
      uncertaintyMm: size,
      where: `${readings.length} readings`,
      sum: readings.map((reading) => term(named(reading), reading.valueMm)),
      open: open('eitherWay'),
    }
    values.wear =
      wearsTowards(method) === 'larger'
        ? {
            valueMm: reduction.maximumMm - nominalMm,
            uncertaintyMm: size,
            where: named(highest),
            sum: [term('largest', reduction.maximumMm), term('less new', -nominalMm)],
            open: open('canOnlyGrow'),
          }
        : {
            valueMm: nominalMm - reduction.minimumMm,
            uncertaintyMm: size,
            where: named(lowest),
            sum: [term('new', nominalMm), term('less smallest', -reduction.minimumMm)],
            open: open('canOnlyGrow'),
          }
  }
  if (reduction.outOfRoundMm !== null) {
    const index = reduction.outOfRoundPerStationMm.indexOf(reduction.outOfRoundMm)
    const sizes = (grid[index] ?? []).filter((value) => value !== null)
    values.outOfRound = spreadOf(
      sizes,
      difference,
      `at ${method.stations[index]?.id ?? ''}, ${method.directions.length} directions`,
      open('canOnlyGrow'),
    )
  }
  if (reduction.taperMm !== null) {
    const index = reduction.taperPerDirectionMm.indexOf(reduction.taperMm)
    const sizes = grid.map((station) => station[index] ?? null).filter((value) => value !== null)
    const direction = method.directions[index]
    values.taper = spreadOf(
      sizes,
      difference,
      `direction ${direction?.id ?? ''} ${direction?.label ?? ''}`.trim(),
      open('canOnlyGrow'),
    )
  }
  return values
}

const term = (label: string, valueMm: number): Term => ({ label, valueMm })

function spreadOf(sizesMm: readonly number[], uncertaintyMm: number, where: string, open: Open): Reduced {
  const high = Math.max(...sizesMm)
  const low = Math.min(...sizesMm)
  return { valueMm: high - low, uncertaintyMm, where, sum: [term('largest', high), term('less smallest', -low)], open }
}

type StripMethod = Extract<Method, { kind: 'plasticStrip' }>

/** Clearance with its standard uncertainty at one strip; null outside the scale. */
export function stripClearanceOf(
  method: StripMethod,
  reading: TakenReading,
): { clearanceMm: number; uncertaintyMm: number } | null {
  const found = stripClearance(reading.valueMm, method.scale)
  if (!found) return null
  const uncertaintyMm = inQuadrature(found.slope * readingUncertaintyMm(reading.gauge), method.scaleUncertaintyMm / Math.sqrt(3))
  return { clearanceMm: found.clearanceMm, uncertaintyMm }
}

function stripOutcome(method: StripMethod, readings: readonly TakenReading[], complete: boolean, nominalMm: number): Outcome {
  const outside: string[] = []
  const strips = readings.flatMap((reading) => {
    const found = stripClearanceOf(method, reading)
    if (!found) outside.push(slotLabel(method, reading))
    return found ? [{ ...found, label: slotLabel(method, reading), widthMm: reading.valueMm }] : []
  })
  const faults: MethodFault[] = outside.length > 0 ? [{ code: 'outsideStripScale', slots: outside }] : []
  const first = strips[0]
  if (!first) return { values: {}, faults }

  const open = (kind: Open): Open => (complete && outside.length === 0 ? 'complete' : kind)
  const uncertaintyMm = Math.max(...strips.map((strip) => strip.uncertaintyMm))
  const widest = strips.reduce((a, b) => (b.clearanceMm > a.clearanceMm ? b : a), first)
  const narrowest = strips.reduce((a, b) => (b.clearanceMm < a.clearanceMm ? b : a), first)
  const read = (strip: typeof first): Term[] => [
    term(`${strip.label}: strip width`, strip.widthMm),
    term('by its scale', strip.clearanceMm),
  ]
  const values: Values = {
    maximum: { valueMm: widest.clearanceMm, uncertaintyMm, where: widest.label, sum: read(widest), open: open('canOnlyGrow') },
    minimum: {
      valueMm: narrowest.clearanceMm,
      uncertaintyMm,
      where: narrowest.label,
      sum: read(narrowest),
      open: open('canOnlyShrink'),
    },
    mean: {
      valueMm: mean(strips.map((strip) => strip.clearanceMm)),
      uncertaintyMm,
      where: `${strips.length} strips`,
      sum: strips.map((strip) => term(strip.label, strip.clearanceMm)),
      open: open('eitherWay'),
    },
    wear: {
      valueMm: widest.clearanceMm - nominalMm,
      uncertaintyMm,
      where: widest.label,
      sum: [term('largest', widest.clearanceMm), term('less new', -nominalMm)],
      open: open('canOnlyGrow'),
    },
  }
  if (strips.length >= 2) {
    const where = `${widest.label} against ${narrowest.label}`
    values.stripTaper = spreadOf(
      strips.map((strip) => strip.clearanceMm),
      Math.SQRT2 * uncertaintyMm,
      where,
      open('canOnlyGrow'),
    )
  }
  return { values, faults }
}

type RingMethod = Extract<Method, { kind: 'ringEndGap' }>

function ringValues(method: RingMethod, readings: readonly TakenReading[], complete: boolean, context: ReduceContext): Values {
  const totalMm = readings.reduce((sum, reading) => sum + reading.valueMm, 0)
  // Gaps of segments add; each was read with its own step and the same gauge error.
  const uncertaintyMm = readings.length * worst(readings, readingUncertaintyMm)
  const open: Open = complete ? 'complete' : 'canOnlyGrow'
  const where = `in ${method.referenceDiameterMm} mm`
  const terms = readings.map((reading) => term(slotLabel(method, reading), reading.valueMm))
  const values: Values = {
    total: { valueMm: totalMm, uncertaintyMm, where, sum: terms, open },
    wear: {
      valueMm: totalMm - context.nominalMm,
      uncertaintyMm,
      where,
      sum: [...terms, term('less new', -context.nominalMm)],
      open,
    },
  }
  const worn = context.runsIn
  if (worn) {
    const changeMm = ringGapChangeMm(worn.valueMm, method.referenceDiameterMm)
    const label = `π × (${method.springs === 'outward' ? 'largest bore' : 'smallest rod'} − reference)`
    values.gapAtWornDiameter = {
      valueMm: totalMm + changeMm,
      uncertaintyMm: inQuadrature(uncertaintyMm, Math.PI * worn.uncertaintyMm),
      where: `where it runs, ${worn.where}`,
      sum: [...terms, term(label, changeMm)],
      open: combineOpen(open, worn.open),
    }
  }
  return values
}

/** What is open about a sum of two values. */
function combineOpen(a: Open, b: Open): Open {
  if (a === 'complete') return b
  if (b === 'complete' || a === b) return a
  return 'eitherWay'
}

type FloatMethod = Extract<Method, { kind: 'endFloat' }>

function floatOutcome(method: FloatMethod, readings: readonly TakenReading[], complete: boolean, nominalMm: number): Outcome {
  const inOrder = [...readings].sort((a, b) => a.repeat - b.repeat)
  const reduction = reduceRepeats(
    inOrder.map((reading) => reading.valueMm),
    method.repeatabilityLimitMm,
  )
  const gauge = worst(readings, readingUncertaintyMm)
  const spread = reduction.sampleStandardDeviationMm
  const uncertaintyMm = spread === null ? gauge : inQuadrature(gauge, repeatabilityUncertaintyMm(spread, readings.length))
  const open: Open = complete && !reduction.exceedsRepeatability ? 'complete' : 'eitherWay'
  const terms = inOrder.map((reading) => term(slotLabel(method, reading), reading.valueMm))
  const where = `mean of ${readings.length}`
  const values: Values = {
    mean: { valueMm: reduction.meanMm, uncertaintyMm, where, sum: terms, open },
    wear: {
      valueMm: reduction.meanMm - nominalMm,
      uncertaintyMm,
      where,
      sum: [term('mean', reduction.meanMm), term('less new', -nominalMm)],
      open,
    },
  }
  if (readings.length >= 2)
    values.range = spreadOf(
      inOrder.map((reading) => reading.valueMm),
      worst(readings, differenceUncertaintyMm),
      `${readings.length} repeats`,
      complete ? 'complete' : 'canOnlyGrow',
    )
  const sticking = reduction.sticksOut === null ? null : (inOrder[reduction.sticksOut]?.repeat ?? null)
  return {
    values,
    faults: reduction.exceedsRepeatability
      ? [{ code: 'repeatsDisagree', rangeMm: reduction.rangeMm, limitMm: method.repeatabilityLimitMm, sticksOut: sticking }]
      : [],
  }
}
