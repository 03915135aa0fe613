import { mean, range } from '../statistics'

/** Readings of a diameter: [station][direction] in mm, null where none was taken. */
export type DiameterGrid = readonly (readonly (number | null)[])[]

export interface DiameterReduction {
  readonly meanMm: number | null
  readonly maximumMm: number | null
  readonly minimumMm: number | null
  readonly stationMeanMm: readonly (number | null)[]
  /** Difference of diameters at a station, not halved; null with fewer than two directions. Not ISO roundness, which is radial. */
  readonly outOfRoundPerStationMm: readonly (number | null)[]
  readonly outOfRoundMm: number | null
  /** Largest minus smallest station mean; null with fewer than two stations. */
  readonly taperOfStationMeansMm: number | null
  /** Per direction, largest minus smallest along the part; null with fewer than two stations in it. */
  readonly taperPerDirectionMm: readonly (number | null)[]
  /** The largest of these: the taper that limits judge. */
  readonly taperMm: number | null
}

const present = (values: readonly (number | null)[]): number[] => values.filter((value) => value !== null)
const largest = (values: readonly (number | null)[]): number | null => {
  const taken = present(values)
  return taken.length === 0 ? null : Math.max(...taken)
}
const rangeOrNull = (values: readonly (number | null)[]): number | null => {
  const taken = present(values)
  return taken.length < 2 ? null : range(taken)
}

/**
 * Reduces the diameters of a bore or a journal, mm in and mm out. Readings not taken are left out of every figure;
 * a figure without enough readings is null, never 0.
 */
export function reduceDiameters(grid: DiameterGrid): DiameterReduction {
  const all = present(grid.flat())
  const directions = Math.max(0, ...grid.map((station) => station.length))
  const stationMeanMm = grid.map((station) => (present(station).length === 0 ? null : mean(present(station))))
  const outOfRoundPerStationMm = grid.map(rangeOrNull)
  const taperPerDirectionMm = Array.from({ length: directions }, (_, direction) =>
    rangeOrNull(grid.map((station) => station[direction] ?? null)),
  )
  return {
    meanMm: all.length === 0 ? null : mean(all),
    maximumMm: largest(all),
    minimumMm: all.length === 0 ? null : Math.min(...all),
    stationMeanMm,
    outOfRoundPerStationMm,
    outOfRoundMm: largest(outOfRoundPerStationMm),
    taperOfStationMeansMm: rangeOrNull(stationMeanMm),
    taperPerDirectionMm,
    taperMm: largest(taperPerDirectionMm),
  }
}
