import { adjacentPairs } from '../../condition/damagePattern'
import { largest, meanOf, negate, point, scale, smallest, subtract } from '../../quantity/interval'
import { percentOf } from '../../tightening/torque'
import { slotLabel } from '../layout'
import { openAt, placeMeans, pointValues } from './points'
import {
  allPoints,
  holderOf,
  noFaults,
  type Outcome,
  openWhile,
  type ReduceInput,
  reduced,
  type TakenReading,
  term,
  type Values,
  worstSize,
} from './taken'

/** Marking paste on a grid: percent of the area in contact, and how unevenly it is shared by ends and sides. */
export function reduceContact({ method, readings, complete }: ReduceInput<'contactPattern'>): Outcome {
  const share = (own: readonly TakenReading[]) => meanOf(own.map(({ interval }) => interval))
  const open = openWhile(complete, 'eitherWay')
  const values: Values = {
    contactPercent: reduced(share(readings), {
      quantity: 'percent',
      uncertainty: 0,
      where: `${readings.length} cells`,
      sum: [],
      open,
    }),
  }
  const halves = (ids: readonly string[], of: (reading: TakenReading) => string) => {
    const half = Math.floor(ids.length / 2)
    const one = readings.filter((reading) => ids.slice(0, half).includes(of(reading)))
    const two = readings.filter((reading) => ids.slice(ids.length - half).includes(of(reading)))
    return half > 0 && one.length > 0 && two.length > 0
      ? { one: share(one), two: share(two), first: ids[0] ?? '', last: ids.at(-1) ?? '' }
      : null
  }
  const difference = ({ one, two, first, last }: NonNullable<ReturnType<typeof halves>>) => {
    const [more, less] = one.low >= two.low ? [one, two] : [two, one]
    const [at, lessAt] = more === one ? [first, last] : [last, first]
    return reduced(subtract(more, less), {
      quantity: 'percent',
      uncertainty: 0,
      where: `${first} against ${last}`,
      sum: [term(`half at ${at}`, more, 'percent'), term(`less half at ${lessAt}`, negate(less), 'percent')],
      open,
    })
  }
  const ends = halves(
    method.columns.map(({ id }) => id),
    ({ station }) => station,
  )
  if (ends && allPoints(readings)) values.contactEnds = difference(ends)
  const sides = halves(
    method.rows.map(({ id }) => id),
    ({ direction }) => direction,
  )
  if (sides && allPoints(readings)) values.contactSides = difference(sides)
  return noFaults(values)
}

/** Fasteners against their target: lowest and highest as percent of it, extremes, spread. */
export function reduceTorque({ method, readings, complete }: ReduceInput<'torque'>): Outcome {
  const { places } = placeMeans(method, readings, null)
  const values = pointValues(places, readings, { complete, quantity: 'torque', spread: 'variation' })
  const uncertainty = percentOf(worstSize(readings), method.targetNm)
  const ofTarget = (interval: { low: number; high: number }) => scale(interval, 100 / method.targetNm)
  const low = holderOf(readings, 'smallest')
  const high = holderOf(readings, 'largest')
  const sum = (reading: TakenReading) => [
    term(slotLabel(method, reading), reading.interval, 'torque'),
    term('of', point(method.targetNm), 'torque'),
  ]
  const all = readings.map(({ interval }) => ofTarget(interval))
  values.lowestOfTarget = reduced(smallest(all), {
    quantity: 'percent',
    uncertainty,
    where: slotLabel(method, low),
    sum: sum(low),
    open: openWhile(complete, 'canOnlyShrink'),
  })
  values.highestOfTarget = reduced(largest(all), {
    quantity: 'percent',
    uncertainty,
    where: slotLabel(method, high),
    sum: sum(high),
    open: openWhile(complete, 'canOnlyGrow'),
  })
  return noFaults(values)
}

/** Marks on nuts and parts: the one that lies farthest from where it was, to either side. */
export function reduceMarks({ method, readings, complete }: ReduceInput<'markAlignment'>): Outcome {
  const { places, faults } = placeMeans(method, readings, method.repeatabilityLimit)
  const values = pointValues(places, readings, { complete, quantity: 'angle', spread: 'variation' })
  const distances = places.map((place) => ({
    place,
    signed: place.interval,
    interval: {
      low:
        place.interval.low <= 0 && place.interval.high >= 0
          ? 0
          : Math.min(Math.abs(place.interval.low), Math.abs(place.interval.high)),
      high: Math.max(Math.abs(place.interval.low), Math.abs(place.interval.high)),
    },
  }))
  const { place: far, signed } = holderOf(distances, 'largest')
  values.largestAngle = reduced(largest(distances.map(({ interval }) => interval)), {
    quantity: 'angle',
    uncertainty: far.uncertainty,
    where: far.label,
    sum: [term(far.label, signed, 'angle')],
    open: openAt(far, places, complete, 'canOnlyGrow'),
  })
  return { values, faults }
}

/** Numbered elements, each worn by so much: how many count as damaged, how many of these are neighbours, the most worn one. */
export function reduceElements({ method, readings, complete }: ReduceInput<'elements'>): Outcome {
  const isDamaged = (reading: TakenReading | undefined): boolean =>
    reading !== undefined && reading.interval.low >= method.damagedFromPercent && reading.interval.high > 0
  const open = openWhile(complete, 'canOnlyGrow')
  const count = (value: number, where: string, terms: ReturnType<typeof term>[] = []) =>
    reduced(point(value), { quantity: 'count', uncertainty: 0, where, sum: terms, open })
  const damaged = readings.filter(isDamaged)
  const pairs = method.groups.map((group) =>
    adjacentPairs(
      Array.from({ length: group.count }, (_, index) =>
        isDamaged(readings.find(({ station, direction }) => station === group.id && direction === String(index + 1))),
      ),
      method.arranged === 'rings',
    ),
  )
  const worst = holderOf(readings, 'largest')
  return noFaults({
    damaged: count(
      damaged.length,
      damaged.length === 0
        ? `of ${readings.length} seen`
        : damaged
            .map((reading) => slotLabel(method, reading))
            .slice(0, 6)
            .join('; '),
    ),
    adjacentDamaged: count(
      pairs.reduce((sum, pair) => sum + pair, 0),
      method.arranged === 'rings' ? 'pairs, across the joint too' : 'pairs',
    ),
    worstWorn: reduced(worst.interval, { quantity: 'percent', uncertainty: 0, where: slotLabel(method, worst), sum: [], open }),
  })
}

/** Points of a test rig, each against its own band. */
export function reduceBenchTest({ method, readings, complete }: ReduceInput<'benchTest'>): Outcome {
  const { places } = placeMeans(method, readings, null)
  const values = pointValues(places, readings, { complete, quantity: method.quantity, spread: 'variation' })
  const judged = places.map(({ place, label, interval }) => {
    const band = method.points.find(({ id }) => id === place)
    const below = band?.least ?? Number.NEGATIVE_INFINITY
    const above = band?.greatest ?? Number.POSITIVE_INFINITY
    return {
      label,
      surely: interval.high < below || interval.low > above,
      perhaps: interval.low < below || interval.high > above,
    }
  })
  const names = judged.filter(({ perhaps }) => perhaps).map(({ label }) => label)
  values.failedPoints = reduced(
    { low: judged.filter(({ surely }) => surely).length, high: judged.filter(({ perhaps }) => perhaps).length },
    {
      quantity: 'count',
      uncertainty: 0,
      where: names.length === 0 ? `of ${judged.length}` : names.join('; '),
      sum: [],
      open: openWhile(complete, 'canOnlyGrow'),
    },
  )
  return noFaults(values)
}

/** Points answered yes or no by gauge or eye: how many are not as wanted. */
export function reduceLookedAt({ method, readings, complete }: ReduceInput<'lookedAt'>): Outcome {
  const wanted = method.wanted === 'yes' ? 1 : 0
  const others = readings.filter(({ interval }) => interval.low !== wanted)
  return noFaults({
    notAsWanted: reduced(point(others.length), {
      quantity: 'count',
      uncertainty: 0,
      where: others.length === 0 ? `of ${readings.length}` : others.map((reading) => slotLabel(method, reading)).join('; '),
      sum: [],
      open: openWhile(complete, 'canOnlyGrow'),
    }),
  })
}
