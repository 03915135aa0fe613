import { adjacentPairs } from '../../condition/damagePattern'
import { exceeds } from '../../quantity/decimal'
import type { Interval } from '../../quantity/interval'
import { type Known, largestOf, over } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { counted } from '../reduce/counted'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { give, holderOf, noFaults, type Outcome, type ReduceInput, type Values } from '../reduce/taken'
import { LETTERS } from '../setUp/answers'
import { choiceField, field, figureField, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { numbered, sheet } from '../sheet'
import { placeAt, placeOf } from '../where'

const shape = ({ z, placesOf, placeSchema, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('elementPattern'),
    /** Rings close on themselves; rows end. Each with its number of elements. */
    groups: placesOf(placeSchema.extend({ count: z.int().min(1).max(400) })),
    arranged: z.enum(['rings', 'rows']),
    element: z.string().min(1).max(40),
    /** From so much worn on, percent of its size, an element counts as damaged. */
    damagedFromPercent: figure(z.number().gt(0).max(100), 'percent'),
  })
export type ElementPattern = Shaped<typeof shape>

/** Numbered elements, each worn by so much: how many count as damaged, how many of these are neighbours, the most worn one. */
function reduceElements(input: ReduceInput<ElementPattern>): Outcome {
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
  const damaged = sheet.taken.filter(({ interval }) => perhaps(interval)).map(placeOf)
  const values: Values = {}
  give(values, 'damaged', both(count), {
    quantity: 'count',
    where: damaged.length === 0 ? { code: 'noneOf', count: sheet.taken.length } : { code: 'places', places: damaged },
  })
  give(values, 'adjacentDamaged', both(pairs), {
    quantity: 'count',
    where: { code: 'pairs', acrossJoint: method.arranged === 'rings' },
  })
  const worst = holderOf(sheet.taken, 'largest')
  give(
    values,
    'worstWorn',
    over(
      sheet.places.map(({ known }) => known),
      largestOf,
    ),
    { quantity: 'percent', where: placeAt(worst) },
  )
  giveBroken(values, sheet.places)
  return noFaults(values)
}

const BROKEN_PERCENT = 100
const mayBeBroken = ({ high }: Interval): boolean => high >= BROKEN_PERCENT
const isBroken = ({ low }: Interval): boolean => low >= BROKEN_PERCENT

/** How many are broken, and how worn the rest is: two things that a book limits apart. */
function giveBroken(values: Values, places: readonly SheetPlace[]): void {
  const read = places.flatMap((place) => (place.known.interval ? [{ place, interval: place.known.interval }] : []))
  const number = (all: readonly Interval[]): Interval => ({
    low: all.filter(isBroken).length,
    high: all.filter(mayBeBroken).length,
  })
  const broken = read.filter(({ interval }) => mayBeBroken(interval))
  give(values, 'broken', counted(number(read.map(({ interval }) => interval)), number(places.map(({ known }) => known.reach))), {
    quantity: 'count',
    where:
      broken.length === 0
        ? { code: 'noneOf', count: read.length }
        : { code: 'places', places: broken.map(({ place }) => placeOf(place)) },
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
    { quantity: 'percent', where: placeAt(holderOf(rest, 'largest').place) },
  )
}

export const elementPattern: MethodKindOf<ElementPattern> = {
  shape,
  wears: () => 'larger',
  layout: ({ groups, element }) =>
    sheet({
      stations: groups,
      directions: numbered(Math.max(...groups.map(({ count }) => count)), element),
      without: ({ station, direction }) => Number(direction) > (groups.find(({ id }) => id === station)?.count ?? 0),
    }),
  bare: 'directions',
  form: () => ({ kind: 'element' }),
  gives: () => ({ damaged: 'count', adjacentDamaged: 'count', worstWorn: 'percent', broken: 'count', worstOfRest: 'percent' }),
  canGive: ({ groups }, name) => name !== 'adjacentDamaged' || groups.some(({ count }) => count >= 2),
  reduce: reduceElements,
  setUp: [
    placesField('groups', '1'),
    field('count', { kind: 'count', start: null }),
    choiceField('arranged', 'rings', ['rings', 'rows']),
    field('element', {}),
    figureField('damagedFrom', '25', { quantity: 'percent' }),
  ],
  build: (a) => {
    const count = a.count('count', 400)
    return {
      kind: 'elementPattern',
      groups: a.places('groups', LETTERS).map((group) => ({ ...group, count })),
      arranged: a.choice('arranged'),
      element: a.words('element'),
      damagedFromPercent: a.positive('damagedFrom'),
    }
  },
  usualGauge: 'eye',
  slips: { byScale: true },
}
