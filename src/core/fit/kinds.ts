import { type Known, linear } from '../method/known'
import { exceeds } from '../quantity/decimal'
import type { FitEnds, FitFault, FitKindOf, FitNote, Link, Stated } from './fitKind'
import { type AxialSetting, axialSetting } from './kinds/axialSetting'
import { type BearingClearance, bearingClearance } from './kinds/bearingClearance'
import { type BearingInHousing, type BearingOnShaft, bearingInHousing, bearingOnShaft } from './kinds/bearingSeat'
import { type Chain, chain } from './kinds/chain'
import { type DriveUp, driveUp } from './kinds/driveUp'
import { type Float, float } from './kinds/float'
import { type GroundPad, groundPad } from './kinds/groundPad'
import { type RingInBore, ringInBore } from './kinds/ringInBore'
import { type ShaftInBore, shaftInBore } from './kinds/shaftInBore'
import { type ShimPair, shimPair } from './kinds/shimPair'
import { type ShrinkFit, shrinkFit } from './kinds/shrinkFit'
import { type KeyInKeyway, keyInKeyway, type RingInGroove, ringInGroove } from './kinds/widths'
import { type End, endOfLink } from './sizeEnd'

/** Every kind of fit there is, by its name in a limit book. */
export const fitKinds = {
  shaftInBore,
  bearingOnShaft,
  bearingInHousing,
  bearingClearance,
  driveUp,
  axialSetting,
  keyInKeyway,
  ringInGroove,
  ringInBore,
  float,
  shrinkFit,
  shimPair,
  groundPad,
  chain,
}

export type LinkedFit =
  | BearingOnShaft
  | BearingInHousing
  | BearingClearance
  | DriveUp
  | AxialSetting
  | KeyInKeyway
  | RingInGroove
  | RingInBore
  | Float
  | ShrinkFit
  | ShimPair
  | GroundPad
  | Chain
/** A fit as a limit book has it. */
export type FitSpec = ShaftInBore | LinkedFit
export type FitKindName = keyof typeof fitKinds

export const kindOfFit = ({ kind }: FitSpec): FitKindName => kind ?? 'shaftInBore'
export const isShaftInBore = (fit: FitSpec): fit is ShaftInBore => kindOfFit(fit) === 'shaftInBore'

const ruleOf = (fit: FitSpec): FitKindOf<FitSpec> => fitKinds[kindOfFit(fit)] as unknown as FitKindOf<FitSpec>

/** The measured sizes its clearance follows from, each with how it moves with it. */
export const linksOf = (fit: FitSpec): readonly Link[] => ruleOf(fit).links(fit)
/** What is stated beside them. */
export const statedOf = (fit: FitSpec): readonly Stated[] => ruleOf(fit).stated?.(fit) ?? []
/**
 * The clearance of a fit at one of its ends, from what is known of each size at the end it then stands at. Errors go through
 * by source, so that one gauge used for both sides cancels. Null while a size is not known.
 */
export function clearanceAt(
  fit: FitSpec,
  end: End,
  sizeAt: (characteristic: string, end: End) => Known | null,
  guard: number,
): Known | null {
  const { between } = ruleOf(fit)
  if (between) return between(fit, end, sizeAt, guard)
  const terms: (readonly [number, Known])[] = []
  for (const { characteristic, factor } of linksOf(fit)) {
    const size = sizeAt(characteristic, endOfLink(factor, end))
    if (size === null) return null
    terms.push([factor, size])
  }
  return linear(
    terms,
    guard,
    statedOf(fit).reduce((sum, { lowMm, highMm }) => sum + (end === 'least' ? lowMm : highMm), 0),
  )
}

/** What sets a fit of this kind; undefined where it tells of wear. */
export const setByOf = (fit: FitSpec) => ruleOf(fit).setBy

/** What must change to set it over, by its own sum; undefined where its kind has none. */
export const setTo = (fit: FitSpec, sizeAt: (characteristic: string) => number | null) => ruleOf(fit).setTo?.(fit, sizeAt)

/** Whether its clearance is the sum of its sizes, so that one size follows from the rest. */
export const isSum = (fit: FitSpec): boolean => ruleOf(fit).between === undefined

export const fitFaults = (fit: FitSpec): readonly FitFault[] => ruleOf(fit).faults?.(fit) ?? []
export const fitNotes = (
  fit: FitSpec,
  ends: FitEnds,
  middleOf: (characteristic: string) => number | null,
): readonly FitNote[] => [...(ruleOf(fit).notes?.(fit, ends, middleOf) ?? []), ...shopNotes(fit, ends)]

/** The shop’s own band, for what lies within the maker’s. */
function shopNotes({ shop }: FitSpec, { tightestMm, loosestMm }: FitEnds): readonly FitNote[] {
  if (!shop) return []
  const known = tightestMm !== null && loosestMm !== null
  const isIn = known ? !exceeds(shop.lower ?? tightestMm, tightestMm) && !exceeds(loosestMm, shop.upper ?? loosestMm) : null
  return [{ code: 'shopBand', lower: shop.lower, upper: shop.upper, isIn }]
}

/** Characteristics of the sizes in a fit, each once. */
export const sidesOf = (fit: FitSpec): readonly string[] => [...new Set(linksOf(fit).map(({ characteristic }) => characteristic))]
/** The strip that knows its clearance as well; null where there is none. */
export const stripOf = (fit: FitSpec): string | null => (isShaftInBore(fit) ? fit.strip : null)
/** Everything measured that a fit reads. */
export const readBy = (fit: FitSpec): readonly string[] => {
  const strip = stripOf(fit)
  return [...sidesOf(fit), ...(strip === null ? [] : [strip]), ...(fit.direct === undefined ? [] : [fit.direct])]
}

/** Whether anything judges a fit: one of a draft may still want its limits. */
export const hasLimits = ({ limits, limitsBy = [] }: Pick<FitSpec, 'limits' | 'limitsBy'>): boolean =>
  limits.length > 0 || limitsBy.length > 0
