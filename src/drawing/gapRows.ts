import type { FitNote } from '../core/fit/fitKind'
import type { FitSpec } from '../core/fit/kinds'
import type { GapRow } from './gapDrawing'

type Ends = readonly [number, number] | null

interface Band {
  readonly leastMm: number
  readonly greatestMm: number
}
const band = ({ leastMm, greatestMm }: Band): readonly [number, number] => [leastMm, greatestMm]

interface Found {
  readonly nameOf: (characteristic: string) => string
  /** Least and greatest of a size as measured. */
  readonly sizeOf: (characteristic: string) => Ends
  /** The fit itself at its tightest and its loosest. */
  readonly clearance: Ends
}

/** Gaps that a fit sets, as they are and as they will be; none for fits that set nothing. */
export function gapRows(fit: FitSpec, notes: readonly FitNote[], { nameOf, sizeOf, clearance }: Found): readonly GapRow[] {
  switch (fit.kind) {
    case 'shimPair': {
      const note = notes.find((one) => one.code === 'shims')
      const moves = note !== undefined && note.addMm !== 0
      return [
        {
          name: nameOf(fit.opens),
          foundMm: sizeOf(fit.opens),
          wantedMm: band(fit.opensTo),
          thenMm: moves ? note.opensToMm : null,
        },
        {
          name: nameOf(fit.closes),
          foundMm: sizeOf(fit.closes),
          wantedMm: band(fit.closesTo),
          thenMm: moves ? note.closesToMm : null,
        },
      ]
    }
    case 'groundPad': {
      const note = notes.find((one) => one.code === 'pad')
      const moves = note !== undefined && note.toMm !== note.padMm && !note.isTooThin
      const wantedMm = band(fit.wanted)
      return [
        { name: nameOf(fit.gap), foundMm: sizeOf(fit.gap), wantedMm, thenMm: moves ? (wantedMm[0] + wantedMm[1]) / 2 : null },
      ]
    }
    case 'axialSetting': {
      const note = notes.find((one) => one.code === 'axialSetting')
      const moves = note !== undefined && !note.isIn && note.gasketMm !== null && note.gasketMm > 0
      return [{ name: fit.name, foundMm: clearance, wantedMm: band(fit.wanted), thenMm: moves ? note.wantedMm : null }]
    }
    default:
      return []
  }
}
