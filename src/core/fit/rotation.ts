/** A part of a set of equal ones: how much it can still lose before its limit. */
export interface Rest {
  readonly id: string
  readonly rest: number
}

/** A place of the set: how fast parts wear there, in the same unit per 1000 h. */
export interface PlaceRate {
  readonly id: string
  readonly perThousandHours: number
}

export interface Placed {
  readonly part: string
  readonly place: string
  /** Hours until the part reaches its limit there; infinite where nothing wears. */
  readonly hours: number
}

export interface Rotation {
  readonly placed: readonly Placed[]
  /** Hours until the first of the set reaches its limit. */
  readonly lastsHours: number
  /** The same with every part left where it is; null where the lists do not name the same places. */
  readonly asItIsHours: number | null
}

const hoursOf = (rest: number, perThousandHours: number): number => {
  if (rest <= 0) return 0
  return perThousandHours <= 0 ? Number.POSITIVE_INFINITY : (1000 * rest) / perThousandHours
}
const first = (placed: readonly Placed[]): number => Math.min(...placed.map(({ hours }) => hours))

/**
 * Which of n equal parts goes to which of n places so that the set lasts longest: the part with most left to the place that
 * wears fastest. No other order lasts longer: of two parts that stand the other way round the one with less left wears
 * faster, and changing them lengthens the shorter of the two lives. A part keeps its place where that costs nothing.
 */
export function rotate(parts: readonly Rest[], places: readonly PlaceRate[]): Rotation {
  const byRest = [...parts].sort((a, b) => b.rest - a.rest)
  const byRate = [...places].sort((a, b) => b.perThousandHours - a.perThousandHours)
  const rates = new Map(places.map(({ id, perThousandHours }) => [id, perThousandHours]))
  const asItIs = parts.flatMap(({ id, rest }): Placed[] => {
    const rate = rates.get(id)
    return rate === undefined ? [] : [{ part: id, place: id, hours: hoursOf(rest, rate) }]
  })
  const sorted = byRate.flatMap(({ id, perThousandHours }, at): Placed[] => {
    const part = byRest[at]
    return part ? [{ part: part.id, place: id, hours: hoursOf(part.rest, perThousandHours) }] : []
  })
  const isSame = asItIs.length === sorted.length
  const stays = isSame && first(asItIs) >= first(sorted)
  const placed = stays ? asItIs : sorted
  return {
    placed: [...placed].sort(
      (a, b) => places.findIndex(({ id }) => id === a.place) - places.findIndex(({ id }) => id === b.place),
    ),
    lastsHours: first(placed),
    asItIsHours: isSame ? first(asItIs) : null,
  }
}
