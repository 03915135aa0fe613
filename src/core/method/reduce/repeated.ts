import { inQuadrature, repeatabilityUncertainty } from '../../gauge/uncertainty'
import { largest, meanOf, negate, point, rangeOf, scale, smallest } from '../../quantity/interval'
import type { QuantityKind } from '../../quantity/kind'
import { PRESSURE, SPRING } from '../layout'
import type { MethodFault } from '../reduction'
import { reduceRepeats } from '../repeats'
import { loadLossPercent, springLine } from '../spring'
import { openAt, placeMeans } from './points'
import {
  allPoints,
  type Outcome,
  openWhile,
  type ReduceInput,
  reduced,
  type TakenReading,
  term,
  type Values,
  worstDifference,
  worstSize,
} from './taken'

interface RepeatsOptions {
  readonly complete: boolean
  readonly limit: number
  readonly quantity: QuantityKind
  /** Overhung dial: travel at the bearing for one at the dial. */
  readonly factor?: number
}

/** Mean and range of repeats of one thing; a range beyond the limit is a fault that keeps the verdict open. */
function repeatedValues(readings: readonly TakenReading[], { complete, limit, quantity, factor = 1 }: RepeatsOptions): Outcome {
  const intervals = readings.map(({ interval }) => scale(interval, factor))
  const points = allPoints(readings)
  const reduction = points
    ? reduceRepeats(
        readings.map(({ interval }) => interval.low),
        limit,
      )
    : null
  const gauge = factor * worstSize(readings)
  // Repeats that disagree settle nothing until they are taken again.
  const disagree = reduction?.exceedsRepeatability ?? false
  const settled = complete && !disagree
  const spread = reduction?.sampleStandardDeviation ?? null
  const uncertainty = spread === null ? gauge : inQuadrature(gauge, repeatabilityUncertainty(factor * spread, readings.length))
  const terms = readings.map((reading) => term(`repeat ${reading.repeat}`, reading.interval, quantity))
  const sum = factor === 1 ? terms : [...terms, term('lever: at the bearing for 1 at the dial', point(factor), 'count')]
  const high = largest(intervals)
  const low = smallest(intervals)
  const largestTerm = term('largest', high, quantity)
  const smallestTerm = term('less smallest', { low: -low.high, high: -low.low }, quantity)
  const values: Values = {
    mean: reduced(meanOf(intervals), {
      quantity,
      uncertainty,
      where: `mean of ${readings.length}`,
      sum,
      open: openWhile(settled, 'eitherWay'),
    }),
    maximum: reduced(high, {
      quantity,
      uncertainty: gauge,
      where: `${readings.length} repeats`,
      sum,
      open: openWhile(settled, disagree ? 'eitherWay' : 'canOnlyGrow'),
    }),
    minimum: reduced(low, {
      quantity,
      uncertainty: gauge,
      where: `${readings.length} repeats`,
      sum,
      open: openWhile(settled, disagree ? 'eitherWay' : 'canOnlyShrink'),
    }),
  }
  if (readings.length >= 2)
    values.range = reduced(rangeOf(intervals), {
      quantity,
      uncertainty: factor * worstDifference(readings),
      where: `${readings.length} repeats`,
      sum: [largestTerm, smallestTerm],
      open: openWhile(complete, 'canOnlyGrow'),
    })
  const faults: MethodFault[] = reduction?.exceedsRepeatability
    ? [
        {
          code: 'repeatsDisagree',
          at: '',
          range: reduction.range,
          limitValue: limit,
          sticksOut: reduction.sticksOut === null ? null : (readings[reduction.sticksOut]?.repeat ?? null),
        },
      ]
    : []
  return { values, faults }
}

export function reduceEndFloat({ method, readings, complete, nominal }: ReduceInput<'endFloat'>): Outcome {
  const outcome = repeatedValues(readings, { complete, limit: method.repeatabilityLimit, quantity: 'length' })
  const { mean } = outcome.values
  if (!mean || nominal === null) return outcome
  const wear = {
    ...mean,
    value: mean.value === null ? null : mean.value - nominal,
    interval: mean.interval && {
      low: mean.interval.low === null ? null : mean.interval.low - nominal,
      high: mean.interval.high === null ? null : mean.interval.high - nominal,
    },
    sum: [{ ...mean, label: 'mean' }, term('less new', point(-nominal), 'length')],
  }
  return { ...outcome, values: { ...outcome.values, wear } }
}

/** Radial play: total travels (up less down, with sign), an overhung dial scaled back to the bearing. */
export function reduceRadialPlay({ method, readings, complete }: ReduceInput<'radialPlay'>): Outcome {
  const factor = method.lever === null ? 1 : method.lever.bearingMm / method.lever.dialMm
  return repeatedValues(readings, { complete, limit: method.repeatabilityLimit, quantity: 'length', factor })
}

/** A spring by two loads at two lengths: rate, load at its working length, how much it has lost, free length, lean. */
export function reduceSpring({ method, readings, complete }: ReduceInput<'spring'>): Outcome {
  const { places, faults } = placeMeans(method, readings, method.repeatabilityLimit)
  const at = (id: string) => places.find(({ place }) => place === id)
  const values: Values = {}
  for (const [id, name] of [
    [SPRING.free, 'freeLength'],
    [SPRING.lean, 'lean'],
  ] as const) {
    const found = at(id)
    if (found)
      values[name] = reduced(found.interval, {
        quantity: 'length',
        uncertainty: found.uncertainty,
        where: found.label,
        sum: [term(found.label, found.interval, 'length')],
        open: openAt(found, [found], true, 'eitherWay'),
      })
  }
  const longer = at(SPRING.longer)
  const shorter = at(SPRING.shorter)
  if (!longer || !shorter) return { values, faults }
  // The steepest and the flattest line that the ends of two intervals leave.
  const lines = [
    springLine(
      { lengthMm: method.longerMm, loadN: longer.interval.high },
      { lengthMm: method.shorterMm, loadN: shorter.interval.low },
    ),
    springLine(
      { lengthMm: method.longerMm, loadN: longer.interval.low },
      { lengthMm: method.shorterMm, loadN: shorter.interval.high },
    ),
  ]
  const [flat, steep] = lines
  if (!flat || !steep) return { values, faults: [...faults, { code: 'noSpringLine' }] }
  const loads = [
    springLine(
      { lengthMm: method.longerMm, loadN: longer.interval.low },
      { lengthMm: method.shorterMm, loadN: shorter.interval.low },
    ),
    springLine(
      { lengthMm: method.longerMm, loadN: longer.interval.high },
      { lengthMm: method.shorterMm, loadN: shorter.interval.high },
    ),
  ].map((line) => line?.loadAt(method.workingMm) ?? Number.NaN)
  const [least = Number.NaN, most = Number.NaN] = loads
  if (Number.isNaN(least) || Number.isNaN(most)) return { values, faults: [...faults, { code: 'noSpringLine' }] }
  const u = Math.max(longer.uncertainty, shorter.uncertainty)
  const open = openAt(longer, [longer, shorter], complete, 'eitherWay')
  const sum = [term(longer.label, longer.interval, 'force'), term(shorter.label, shorter.interval, 'force')]
  const facts = { where: 'at the working length', sum, open } as const
  return {
    faults,
    values: {
      ...values,
      springRate: reduced(
        { low: flat.rateNPerMm, high: steep.rateNPerMm },
        {
          ...facts,
          where: 'between the two lengths',
          quantity: 'stiffness',
          uncertainty: (Math.SQRT2 * worstDifference(readings)) / (method.longerMm - method.shorterMm),
        },
      ),
      loadAtWorking: reduced({ low: least, high: most }, { ...facts, quantity: 'force', uncertainty: u }),
      loadLoss: reduced(
        { low: loadLossPercent(method.newLoadN, most), high: loadLossPercent(method.newLoadN, least) },
        {
          ...facts,
          sum: [term('new load', point(method.newLoadN), 'force'), term('less load', { low: -most, high: -least }, 'force')],
          quantity: 'percent',
          uncertainty: (100 * u) / method.newLoadN,
        },
      ),
    },
  }
}

/** A relief valve on a test pump: where it opens (mean, spread), how far that is from its setting, whether it drips, what it loses. */
export function reduceOpeningPressure({ method, readings, complete }: ReduceInput<'openingPressure'>): Outcome {
  const of = (id: string): TakenReading[] => readings.filter(({ station }) => station === id)
  const opens = of(PRESSURE.opens)
  const enough = complete || opens.length >= method.repeatsAtLeast
  const outcome: Outcome =
    opens.length === 0
      ? { values: {}, faults: [] }
      : repeatedValues(opens, { complete: enough, limit: method.repeatabilityLimit, quantity: 'pressure' })
  const values: Values = { ...outcome.values }
  const { mean } = values
  if (mean) {
    const low = mean.value ?? mean.interval?.low ?? Number.NEGATIVE_INFINITY
    const high = mean.value ?? mean.interval?.high ?? Number.POSITIVE_INFINITY
    const u = worstSize(opens)
    values.mean = { ...mean, uncertainty: Math.max(mean.uncertainty, u) }
    values.adjustment = reduced(
      { low: method.setBar - high, high: method.setBar - low },
      {
        quantity: 'pressure',
        uncertainty: u,
        where: 'to reach its setting',
        sum: [term('to be', point(method.setBar), 'pressure'), term('less mean', negate({ low, high }), 'pressure')],
        open: mean.open,
      },
    )
  }
  const [drip] = of(PRESSURE.drip)
  if (drip)
    values.drips = reduced(
      { low: Math.max(0, 1 - drip.interval.high), high: Math.min(1, 1 - drip.interval.low) },
      {
        quantity: 'count',
        uncertainty: 0,
        where: 'after closing',
        sum: [],
        open: 'complete',
      },
    )
  const [hold] = of(PRESSURE.hold)
  if (hold)
    values.pressureFall = reduced(hold.interval, {
      quantity: 'pressure',
      uncertainty: hold.sizeUncertainty,
      where: `in ${method.holdSeconds ?? 0} s`,
      sum: [term('fall', hold.interval, 'pressure')],
      open: 'complete',
    })
  return { values, faults: outcome.faults }
}
