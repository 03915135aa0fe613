import type { ChangeLimit, Characteristic } from '../book/bookSchema'
import { standardUncertainty } from '../gauge/errors'
import { quantityOfValue } from '../method/gives'
import { differenceOf, type Known } from '../method/known'
import { knownOf, type Reduced } from '../method/reduction'
import { type PlaceOf, placeOf } from '../method/where'
import { exceeds } from '../quantity/decimal'
import { type Extent, extentOf } from '../quantity/extent'
import type { Interval } from '../quantity/interval'
import { differenceOf as differenceOfKind, type QuantityKind } from '../quantity/kind'
import { sheetAt } from '../record/reduce'
import type { Stage } from '../record/stage'
import type { ReducedSet } from '../trend/earlier'
import type { Mending } from '../verdict/mending'
import type { Vote } from '../verdict/vote'
import { vote } from '../verdict/vote'

export type ChangeStanding = 'inside' | 'outside' | 'undecided' | 'open'

/** How a value moved between two measurements, against what may change. */
export interface ChangeOutcome {
  readonly limit: ChangeLimit
  readonly from: Reduced | null
  readonly to: Reduced | null
  readonly change: (Extent & { readonly uncertainty: number }) | null
  /** Place that changed most against its limit, where every place is held against it; null where the value itself is. */
  readonly where: PlaceOf | null
  /** open: not measured to the end at both; undecided: within the guard band of what may change. */
  readonly standing: ChangeStanding
}

/** Judges a change: an error that both values have cancels, every other counts (GUM 5.2.2). */
export function changeOutcome(
  characteristic: Characteristic,
  limit: ChangeLimit,
  from: ReducedSet | undefined,
  to: ReducedSet | undefined,
  guard: number,
): ChangeOutcome {
  const [before, after] = [from?.reductions.values[limit.judges] ?? null, to?.reductions.values[limit.judges] ?? null]
  const known = { limit, from: before, to: after }
  const kind = differenceOfKind(quantityOfValue(characteristic.method, limit.judges))
  if (limit.eachPlace) return { ...known, ...worstPlace(characteristic, limit, from, to, guard, kind) }
  if (!before || !after) return { ...known, change: null, where: null, standing: 'open' }
  return { ...known, ...judged(differenceOf(knownOf(after), knownOf(before), guard), limit, kind), where: null }
}

type Judged = Pick<ChangeOutcome, 'change' | 'standing'>

function judged(change: Known, limit: ChangeLimit, kind: QuantityKind): Judged {
  const extent = change.interval && { ...extentOf(change.interval), uncertainty: standardUncertainty(change.errors) }
  return { change: extent, standing: standingOf(change, limit, kind) }
}

function standingOf({ interval, reach, guarded }: Known, limit: ChangeLimit, kind: QuantityKind): ChangeStanding {
  const above = (value: number): boolean => limit.greatest !== null && exceeds(value, limit.greatest, kind)
  const below = (value: number): boolean => limit.least !== null && exceeds(limit.least, value, kind)
  if (above(guarded.low) || below(guarded.high)) return 'outside'
  if (!above(guarded.high) && !below(guarded.low)) return 'inside'
  return interval === null || !isWithin(reach, interval) ? 'open' : 'undecided'
}

/** Whether nothing that is still to be read can move it. */
const isWithin = (reach: Interval, interval: Interval): boolean => reach.low >= interval.low && reach.high <= interval.high

const RANK: Readonly<Record<ChangeStanding, number>> = { inside: 0, open: 1, undecided: 2, outside: 3 }

/** Every place held against the limit; the one that stands worst is told. Means that agree hide what two places did. */
function worstPlace(
  characteristic: Characteristic,
  limit: ChangeLimit,
  from: ReducedSet | undefined,
  to: ReducedSet | undefined,
  guard: number,
  kind: QuantityKind,
): Judged & Pick<ChangeOutcome, 'where'> {
  if (!from || !to) return { change: null, where: null, standing: 'open' }
  const before = sheetAt(characteristic, from.set, guard).places
  const places = sheetAt(characteristic, to.set, guard).places.flatMap((place) => {
    const own = before.find(({ station, direction }) => station === place.station && direction === place.direction)
    return own ? [{ where: placeOf(place), ...judged(differenceOf(place.known, own.known, guard), limit, kind) }] : []
  })
  const [first, ...others] = places
  if (!first) return { change: null, where: null, standing: 'open' }
  return others.reduce((worst, place) => (RANK[place.standing] > RANK[worst.standing] ? place : worst), first)
}

/**
 * What a change says of the part: inside what may change it is no reason for anything; outside it asks what the book says,
 * or holds until the reason is found. Without an earlier measurement there is nothing to hold it against.
 */
export function changeVote(
  { limit, change, standing, where, from, to }: ChangeOutcome,
  characteristic: Characteristic,
  mending: Mending,
): Vote | null {
  // No earlier overhaul to hold it against; and a later stage that is not measured yet is not asked for here.
  const isThere = (value: Reduced | null): boolean => value !== null || (limit.eachPlace === true && where !== null)
  if (limit.from === 'lastOverhaul' && !isThere(from)) return null
  if (limit.to !== 'asFound' && !isThere(to)) return null
  const said = {
    rule: 'change',
    code: standing,
    facts: {
      change: limit.id,
      quantity: quantityOfValue(characteristic.method, limit.judges),
      from: limit.from,
      least: limit.least,
      greatest: limit.greatest,
      moved: change?.value ?? null,
      uncertainty: change?.uncertainty ?? null,
      at: where,
    },
    stage: limit.to satisfies Stage,
    subject: characteristic.id,
    source: limit.source,
  } as const
  if (standing === 'inside') return vote({ ...said, mild: 'reuse', strong: 'reuse' })
  const asSetting = limit.whenPassed === 'mend' && mending.setting ? { setting: mending.setting } : {}
  const asks = limit.whenPassed === 'replace' ? REPLACE : limit.whenPassed === 'mend' ? mending : HOLD
  if (standing === 'outside')
    return vote({
      ...said,
      mild: asks.mild,
      strong: asks.strong,
      settledBy: asks === HOLD ? { code: 'findOutWhy' } : null,
      route: asks === mending ? (mending.route?.id ?? null) : null,
      ...asSetting,
    })
  return vote({
    ...said,
    mild: 'reuse',
    strong: asks.strong,
    settledBy: standing === 'open' ? { code: 'take', missing: [] } : { code: 'betterGauge' },
    ...asSetting,
  })
}

const REPLACE = { mild: 'replace', strong: 'replace' } as const
/** The book does not say: nothing is settled until the reason is known. */
const HOLD = { mild: 'reuse', strong: 'replace' } as const
