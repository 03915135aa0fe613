import { type Closure, clearanceOf, type PlacedSize } from '../../fit/clearance'
import type { ShaftInBore } from '../../fit/kinds/shaftInBore'
import { coverageFactor, degreesOfFreedom, standardUncertainty } from '../../gauge/errors'
import { guardFactorOf } from '../../limit/conformity'
import { stripClearanceOf } from '../../method/kinds/plasticStrip'
import { differenceOf, type Known, largestOf, over, settled, smallestOf, UNKNOWN } from '../../method/known'
import type { SheetPlace } from '../../method/reduce/places'
import { type Reduced, reduced } from '../../method/reduction'
import { type PlaceOf, placeOf } from '../../method/where'
import type { Disposition } from '../../policy/disposition'
import { exceeds } from '../../quantity/decimal'
import { extentOf } from '../../quantity/extent'
import { type Interval, isPoint, negate } from '../../quantity/interval'
import { sheetAt } from '../../record/reduce'
import { type Missing, openVote, type Settling, type Vote } from '../../verdict/vote'
import type { FitMeasured } from '../results'
import type { FitFound, FitSizes } from './fitInput'

type Input = FitSizes<ShaftInBore>

/** A shaft in its bore: clearance from the measured parts and by strip, and their difference. */
export function shaftInBoreFound(input: Input): FitFound {
  const { fit, policy, reductionsOf } = input
  const guard = guardFactorOf(policy.acceptance)
  const bore = sheetAt(input.characteristic(fit.bore), input.setOf(fit.bore), guard)
  const journal = sheetAt(input.characteristic(fit.journal), input.setOf(fit.journal), guard)
  const places = clearancesOf(bore.places, journal.places, guard)
  const strips = stripsOf(input, guard)
  const closures = strips.flatMap((strip) => closureAt(strip, places, guard) ?? [])
  const strip = policy.clearanceBy === 'strip' && input.stripCounts ? fit.strip : null
  const countsBy = strip === null ? 'measuredParts' : 'strip'
  return {
    clearance: clearanceOf(bore.taken.flatMap(placed), journal.taken.flatMap(placed)),
    stripMm: strips.flatMap(({ station, direction, known }) =>
      known.interval && isPoint(known.interval) ? [{ station, direction, clearanceMm: known.interval.low }] : [],
    ),
    closures: closures.flatMap(({ closure }) => closure ?? []),
    countsBy,
    ...(strip === null ? byParts(places) : byStrip(input)),
    countedOn: strip === null ? [fit.bore, fit.journal] : [strip],
    missing: strip === null ? missingOf(input) : stripMissing(strip, reductionsOf(strip)),
    crossChecks: (strongest) => crossCheckVotes(input, closures, strips.length, strongest, countsBy),
  }
}

const placed = ({ station, direction, known: { interval } }: SheetPlace): PlacedSize[] =>
  interval && isPoint(interval) ? [{ station, direction, value: interval.low }] : []

interface ClearanceAt {
  readonly station: string
  readonly direction: string
  readonly known: Known
  /** Sizes it is the difference of; null where the place has no partner and the mate's outer sizes stand in. */
  readonly pair: { readonly bore: Interval; readonly journal: Interval } | null
}

const at = (
  places: readonly SheetPlace[],
  { station, direction }: Pick<SheetPlace, 'station' | 'direction'>,
): SheetPlace | undefined => places.find((place) => place.station === station && place.direction === direction)

/**
 * Clearance at every place of either part, bore − journal, paired at the same station and direction. A place that the
 * other part's sheet does not have is held against all sizes of that part: it bounds the clearance all the same.
 */
function clearancesOf(bores: readonly SheetPlace[], journals: readonly SheetPlace[], guard: number): readonly ClearanceAt[] {
  const anywhere = (places: readonly SheetPlace[]): Known => {
    const known = places.map((place) => place.known)
    const [least, most] = [over(known, smallestOf), over(known, largestOf)]
    if (!least || !most || !least.interval || !most.interval) return UNKNOWN
    const hull = (low: Interval, high: Interval): Interval => ({ low: low.low, high: high.high })
    const errors = standardUncertainty(least.errors) >= standardUncertainty(most.errors) ? least.errors : most.errors
    return {
      interval: hull(least.interval, most.interval),
      reach: hull(least.reach, most.reach),
      guarded: hull(least.guarded, most.guarded),
      errors,
    }
  }
  const [anyBore, anyJournal] = [anywhere(bores), anywhere(journals)]
  const pair = (place: SheetPlace, bore: Known, journal: Known, isPaired: boolean): ClearanceAt => ({
    station: place.station,
    direction: place.direction,
    known: differenceOf(bore, journal, guard),
    pair: isPaired && bore.interval && journal.interval ? { bore: bore.interval, journal: journal.interval } : null,
  })
  return [
    ...bores.map((bore) => {
      const journal = at(journals, bore)
      return pair(bore, bore.known, journal?.known ?? anyJournal, journal !== undefined)
    }),
    ...journals.filter((journal) => !at(bores, journal)).map((journal) => pair(journal, anyBore, journal.known, false)),
  ]
}

interface Extremes {
  readonly minimum: Reduced | null
  readonly maximum: Reduced | null
}

function byStrip({ fit, reductionsOf }: Input): Extremes {
  const values = fit.strip === null ? undefined : reductionsOf(fit.strip)?.values
  return { minimum: values?.minimum ?? null, maximum: values?.maximum ?? null }
}

function byParts(places: readonly ClearanceAt[]): Extremes {
  const known = places.map((place) => place.known)
  const extreme = (of: Known | null, holder: ClearanceAt | undefined): Reduced | null => {
    if (!of?.interval || !holder) return null
    const { station, direction, pair } = holder
    return reduced(of, {
      quantity: 'length',
      where: { code: 'place', station, direction },
      sum:
        pair === null
          ? []
          : [
              { name: { code: 'bore' }, less: false, quantity: 'length', ...extentOf(pair.bore) },
              { name: { code: 'journal' }, less: true, quantity: 'length', ...extentOf(negate(pair.journal)) },
            ],
    })
  }
  const taken = places.flatMap((place) => (place.known.interval ? [{ place, interval: place.known.interval }] : []))
  const [least, most] = [
    [...taken].sort((a, b) => a.interval.low - b.interval.low)[0]?.place,
    [...taken].sort((a, b) => b.interval.high - a.interval.high)[0]?.place,
  ]
  return { minimum: extreme(over(known, smallestOf), least), maximum: extreme(over(known, largestOf), most) }
}

interface StripAt {
  readonly station: string
  readonly direction: string
  readonly known: Known
}

function stripsOf(input: Input, guard: number): readonly StripAt[] {
  const { fit } = input
  if (fit.strip === null || !input.stripCounts) return []
  const characteristic = input.characteristic(fit.strip)
  const { method } = characteristic
  if (method.kind !== 'plasticStrip') throw new Error(`${fit.strip} is no plastic strip`)
  return sheetAt(characteristic, input.setOf(fit.strip), guard).taken.flatMap(
    ({ station, direction, known, interval, readings }) => {
      if (direction !== method.direction.id || readings.some(({ doubt }) => doubt !== null)) return []
      const { interval: clearance, errors } = stripClearanceOf(method, { interval, errors: known.errors })
      return [{ station, direction, known: settled(clearance, errors, guard) }]
    },
  )
}

/** How strip and parts stand to each other at one place: beyond doubt together, apart, or not known to figures. */
interface ClosureAt {
  readonly at: PlaceOf
  readonly standing: 'agrees' | 'disagrees' | 'open'
  readonly closure: Closure | null
}

function closureAt(strip: StripAt, places: readonly ClearanceAt[], guard: number): ClosureAt | null {
  const { station, direction } = strip
  const parts = places.find((place) => place.station === station && place.direction === direction && place.pair !== null)
  if (!parts || !strip.known.interval || !parts.known.interval) return null
  const difference = differenceOf(strip.known, parts.known, guard)
  const of = difference.interval
  if (!of) return null
  const allowedMm = coverageFactor(degreesOfFreedom(difference.errors)) * standardUncertainty(difference.errors)
  const apart = exceeds(of.low, allowedMm) || exceeds(-allowedMm, of.high)
  const together = !exceeds(of.high, allowedMm) && !exceeds(-allowedMm, of.low)
  const closure: Closure | null =
    isPoint(of) && isPoint(strip.known.interval) && isPoint(parts.known.interval)
      ? {
          station,
          direction,
          stripMm: strip.known.interval.low,
          partsMm: parts.known.interval.low,
          differenceMm: of.low,
          allowedMm,
          agrees: !apart,
        }
      : null
  return { at: { station, direction }, standing: together ? 'agrees' : apart ? 'disagrees' : 'open', closure }
}

/**
 * Strip and parts know the same thing. While they differ beyond their doubt one of them is wrong, and neither passes the
 * fit. One of them may be left out, but where the book demands both.
 */
function crossCheckVotes(
  { fit, stage }: Input,
  closures: readonly ClosureAt[],
  strips: number,
  strongest: Disposition,
  countsBy: FitMeasured['countsBy'],
): Vote[] {
  const apart = closures.filter(({ standing }) => standing === 'disagrees').map(({ at: place }) => place)
  const open = closures.filter(({ standing }) => standing === 'open').map(({ at: place }) => place)
  const saying = (code: 'apart' | 'notFigures' | 'oneWayOnly', settledBy: Settling, places: readonly PlaceOf[]): Vote =>
    openVote({
      rule: 'crossCheck',
      code,
      facts: { places, has: countsBy },
      stage,
      subject: fit.id,
      strong: strongest,
      settledBy,
    })
  if (apart.length > 0) return [saying('apart', { code: 'newStrip' }, apart)]
  if (open.length > 0) return [saying('notFigures', { code: 'figuresThere' }, open)]
  const missing = countsBy === 'strip' ? closures.length === 0 : strips === 0
  return fit.bothWays && fit.strip !== null && missing ? [saying('oneWayOnly', { code: 'otherWayToo' }, [])] : []
}

/** What is still to be read before the clearance is complete. */
function missingOf({ fit, characteristic, setOf }: Input): Missing[] {
  return [fit.bore, fit.journal].flatMap((id): Missing[] => {
    const { places } = sheetAt(characteristic(id), setOf(id), 0)
    const open = places.filter(({ known }) => known.interval === null)
    const bounds = places.filter(({ known }) => known.interval !== null && !isPoint(known.interval))
    return [
      ...(open.length === 0 ? [] : [{ code: 'readings', characteristic: id, count: open.length } as const]),
      ...(bounds.length === 0 ? [] : [{ code: 'toAFigure', characteristic: id, places: bounds.map(placeOf) } as const]),
    ]
  })
}

const stripMissing = (characteristic: string, reductions: ReturnType<Input['reductionsOf']>): Missing[] =>
  reductions && reductions.taken === reductions.needed
    ? []
    : [{ code: 'readings', characteristic, count: (reductions?.needed ?? 0) - (reductions?.taken ?? 0) }]
