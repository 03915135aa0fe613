import { adjacentPairs } from '../../condition/damagePattern'
import { exceeds } from '../../quantity/decimal'
import { type Interval, negate, point } from '../../quantity/interval'
import { absoluteOf, differenceOf, type Known, largestOf, meanOf, over, times } from '../known'
import { type SheetPlace, sheetOf, type TakenPlace } from './places'
import { pointValues } from './points'
import { give, holderOf, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from './taken'

/** Marking paste on a grid: percent of the area in contact, and how unevenly it is shared by ends and sides. */
export function reduceContact(input: ReduceInput<'contactPattern'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const share = (places: readonly SheetPlace[]): Known | null =>
    over(
      places.map(({ known }) => known),
      (of) => meanOf(of, guard),
    )
  const values: Values = {}
  give(values, 'contactPercent', share(sheet.places), { quantity: 'percent', where: `${sheet.taken.length} cells` })
  const halves = (name: 'contactEnds' | 'contactSides', ids: readonly string[], of: (place: SheetPlace) => string): void => {
    const half = Math.floor(ids.length / 2)
    if (half === 0) return
    const one = share(sheet.places.filter((place) => ids.slice(0, half).includes(of(place))))
    const two = share(sheet.places.filter((place) => ids.slice(ids.length - half).includes(of(place))))
    if (!one || !two) return
    const [first, last] = [ids[0] ?? '', ids.at(-1) ?? '']
    const [a, b] = [taken(one), taken(two)]
    const [more, less, at, lessAt] = a.low >= b.low ? [a, b, first, last] : [b, a, last, first]
    give(values, name, absoluteOf(differenceOf(one, two, guard)), {
      quantity: 'percent',
      where: `${first} against ${last}`,
      sum: [term(`half at ${at}`, more, 'percent'), term(`less half at ${lessAt}`, negate(less), 'percent')],
    })
  }
  halves(
    'contactEnds',
    method.columns.map(({ id }) => id),
    ({ station }) => station,
  )
  halves(
    'contactSides',
    method.rows.map(({ id }) => id),
    ({ direction }) => direction,
  )
  return noFaults(values)
}

/** Fasteners against their target: lowest and highest as percent of it, extremes, spread. */
export function reduceTorque(input: ReduceInput<'torque'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const { values, largest, smallest } = pointValues(sheet.places, sheet.taken, { quantity: 'torque', guard, spread: 'variation' })
  if (!largest || !smallest) return noFaults(values)
  const percent = 100 / method.targetNm
  const sum = (place: TakenPlace) => [term(place.label, place.interval, 'torque'), term('of', point(method.targetNm), 'torque')]
  const [low, high] = [holderOf(sheet.taken, 'smallest'), holderOf(sheet.taken, 'largest')]
  give(values, 'lowestOfTarget', times(smallest, percent), { quantity: 'percent', where: low.label, sum: sum(low) })
  give(values, 'highestOfTarget', times(largest, percent), { quantity: 'percent', where: high.label, sum: sum(high) })
  return noFaults(values)
}

/** Marks on nuts and parts: the one that lies farthest from where it was, to either side. */
export function reduceMarks(input: ReduceInput<'markAlignment'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input, method.repeatabilityLimit)
  const { values } = pointValues(sheet.places, sheet.taken, { quantity: 'angle', guard, spread: 'variation' })
  const distances = sheet.places.map(({ known }) => absoluteOf(known))
  const read = sheet.taken.map((place) => ({ place, interval: taken(absoluteOf(place.known)) }))
  if (read.length === 0) return { values, faults: sheet.faults }
  const { place } = holderOf(read, 'largest')
  give(values, 'largestAngle', over(distances, largestOf), {
    quantity: 'angle',
    where: place.label,
    sum: [term(place.label, place.interval, 'angle')],
  })
  return { values, faults: sheet.faults }
}

/** A number of things, of which so many are sure and so many possible. */
const counted = (interval: Interval, reach: Interval, guarded: Interval = reach): Known => ({
  interval,
  reach,
  guarded,
  errors: [],
})

/** Numbered elements, each worn by so much: how many count as damaged, how many of these are neighbours, the most worn one. */
export function reduceElements(input: ReduceInput<'elements'>): Outcome {
  const { method } = input
  const sheet = sheetOf(input)
  const from = method.damagedFromPercent
  const at = new Map(sheet.places.map((place) => [`${place.station}/${place.direction}`, place.known] as const))
  const surely = (ends: Interval | null): boolean => ends !== null && !exceeds(from, ends.low, 'percent')
  const perhaps = (ends: Interval | null): boolean => ends !== null && !exceeds(from, ends.high, 'percent')
  const count = (is: (known: Known) => boolean): number => sheet.places.filter(({ known }) => is(known)).length
  const pairs = (is: (known: Known) => boolean): number =>
    method.groups.reduce((sum, group) => {
      const damaged = Array.from({ length: group.count }, (_, index) => {
        const known = at.get(`${group.id}/${index + 1}`)
        return known !== undefined && is(known)
      })
      return sum + adjacentPairs(damaged, method.arranged === 'rings')
    }, 0)
  // What does not exist here is neither damaged nor a neighbour.
  const both = (number: typeof count): Known =>
    counted(
      { low: number(({ interval }) => surely(interval)), high: number(({ interval }) => perhaps(interval)) },
      { low: number(({ reach }) => surely(reach)), high: number(({ reach }) => perhaps(reach)) },
    )
  const damaged = sheet.taken.filter(({ interval }) => perhaps(interval)).map(({ label }) => label)
  const values: Values = {}
  give(values, 'damaged', both(count), {
    quantity: 'count',
    where: damaged.length === 0 ? `of ${sheet.taken.length} seen` : damaged.slice(0, 6).join('; '),
  })
  give(values, 'adjacentDamaged', both(pairs), {
    quantity: 'count',
    where: method.arranged === 'rings' ? 'pairs, across the joint too' : 'pairs',
  })
  const worst = holderOf(sheet.taken, 'largest')
  give(
    values,
    'worstWorn',
    over(
      sheet.places.map(({ known }) => known),
      largestOf,
    ),
    { quantity: 'percent', where: worst.label },
  )
  giveBroken(values, sheet.places)
  return noFaults(values)
}

const BROKEN_PERCENT = 100
const mayBeBroken = ({ high }: Interval): boolean => high >= BROKEN_PERCENT
const isBroken = ({ low }: Interval): boolean => low >= BROKEN_PERCENT

/** How many are broken, and how worn the rest is: two things that a book limits apart. */
function giveBroken(values: Values, places: readonly SheetPlace[]): void {
  const read = places.flatMap(({ known, label }) => (known.interval ? [{ label, interval: known.interval }] : []))
  const number = (all: readonly Interval[]): Interval => ({
    low: all.filter(isBroken).length,
    high: all.filter(mayBeBroken).length,
  })
  const broken = read.filter(({ interval }) => mayBeBroken(interval))
  give(values, 'broken', counted(number(read.map(({ interval }) => interval)), number(places.map(({ known }) => known.reach))), {
    quantity: 'count',
    where:
      broken.length === 0
        ? `of ${read.length} seen`
        : broken
            .map(({ label }) => label)
            .slice(0, 6)
            .join('; '),
  })
  const rest = read.filter(({ interval }) => !isBroken(interval))
  if (rest.length === 0) return
  // One that may be broken may be among the rest or not: the most worn is at least the most worn of those that are not.
  const worstOf = (all: readonly Interval[]): Interval => ({
    low: Math.max(0, ...all.filter((one) => !mayBeBroken(one)).map(({ low }) => low)),
    high: Math.max(0, ...all.filter((one) => !isBroken(one)).map(({ high }) => Math.min(high, BROKEN_PERCENT))),
  })
  give(
    values,
    'worstOfRest',
    counted(worstOf(read.map(({ interval }) => interval)), worstOf(places.map(({ known }) => known.reach))),
    { quantity: 'percent', where: holderOf(rest, 'largest').label },
  )
}

/** Points of a test rig, each against its own band, with its own doubt. */
export function reduceBenchTest(input: ReduceInput<'benchTest'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const { values } = pointValues(sheet.places, sheet.taken, { quantity: method.quantity, guard, spread: 'variation' })
  const judged = sheet.places.map(({ station, label, known }) => {
    const band = method.points.find(({ id }) => id === station)
    const below = (value: number): boolean => band?.least != null && exceeds(band.least, value, method.quantity)
    const above = (value: number): boolean => band?.greatest != null && exceeds(value, band.greatest, method.quantity)
    const ends = (of: Interval | null) => ({
      surely: of !== null && (below(of.high) || above(of.low)),
      perhaps: of !== null && (below(of.low) || above(of.high)),
    })
    return { label, taken: ends(known.interval), reach: ends(known.reach), guarded: ends(known.guarded) }
  })
  const number = (of: 'taken' | 'reach' | 'guarded'): Interval => ({
    low: judged.filter((point) => point[of].surely).length,
    high: judged.filter((point) => point[of].perhaps).length,
  })
  const names = judged.filter(({ taken: { perhaps } }) => perhaps).map(({ label }) => label)
  give(values, 'failedPoints', counted(number('taken'), number('reach'), number('guarded')), {
    quantity: 'count',
    where: names.length === 0 ? `of ${sheet.taken.length}` : names.join('; '),
  })
  return noFaults(values)
}

/** Points answered yes or no by gauge or eye: how many are not as wanted. */
export function reduceLookedAt(input: ReduceInput<'lookedAt'>): Outcome {
  const { method } = input
  const sheet = sheetOf(input)
  const wanted = method.wanted === 'yes' ? 1 : 0
  const others = sheet.taken.filter(({ interval }) => interval.low !== wanted)
  const values: Values = {}
  give(
    values,
    'notAsWanted',
    counted(point(others.length), { low: others.length, high: others.length + sheet.places.length - sheet.taken.length }),
    {
      quantity: 'count',
      where: others.length === 0 ? `of ${sheet.taken.length}` : others.map(({ label }) => label).join('; '),
    },
  )
  return noFaults(values)
}
