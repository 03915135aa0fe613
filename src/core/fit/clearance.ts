import { mean } from '../base/statistics'

/** A size at one place of a part: station along, direction around. */
export interface PlacedSize {
  readonly station: string
  readonly direction: string
  readonly value: number
}

export interface PlacedClearance extends PlacedSize {
  readonly boreMm: number
  readonly journalMm: number
}

/** Diametral clearance of a journal in its bore; negative is interference. */
export interface Clearance {
  /** bore − journal at each place measured on both parts, in the bore's order. */
  readonly matched: readonly PlacedClearance[]
  readonly minimumMm: number | null
  readonly maximumMm: number | null
  readonly meanMm: number | null
  /** Smallest bore − largest journal, and largest bore − smallest journal, whatever was matched. */
  readonly outerMinimumMm: number | null
  readonly outerMaximumMm: number | null
}

/**
 * Clearance = bore − journal, mm, paired where both were measured at the same station and direction. Two-point sizes do
 * not see bow and lobes (envelope, ISO 14405-1): runout and contact complete the picture.
 */
export function clearanceOf(bore: readonly PlacedSize[], journal: readonly PlacedSize[]): Clearance {
  const matched = bore.flatMap((b) => {
    const j = journal.find((size) => size.station === b.station && size.direction === b.direction)
    return j
      ? [{ station: b.station, direction: b.direction, value: b.value - j.value, boreMm: b.value, journalMm: j.value }]
      : []
  })
  const values = matched.map((place) => place.value)
  const bores = bore.map((size) => size.value)
  const journals = journal.map((size) => size.value)
  const both = bores.length > 0 && journals.length > 0
  return {
    matched,
    minimumMm: values.length > 0 ? Math.min(...values) : null,
    maximumMm: values.length > 0 ? Math.max(...values) : null,
    meanMm: values.length > 0 ? mean(values) : null,
    outerMinimumMm: both ? Math.min(...bores) - Math.max(...journals) : null,
    outerMaximumMm: both ? Math.max(...bores) - Math.min(...journals) : null,
  }
}

/** One clearance known twice: by strip and from the measured parts at the same place. */
export interface Closure {
  readonly station: string
  readonly direction: string
  readonly stripMm: number
  readonly partsMm: number
  /** strip − parts. */
  readonly differenceMm: number
  /** Expanded uncertainty of the difference, mm. */
  readonly allowedMm: number
  readonly agrees: boolean
}
