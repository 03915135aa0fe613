import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import type { Limit, LimitBy } from '../limit/limit'
import type { Known } from '../method/known'
import type { Method } from '../method/method'
import type { StatedName } from '../method/where'
import type { SettingSpec } from '../setting/setting'
import type { SettingMeans } from '../setting/settingMeans'
import type { BearingClass, BearingTolerance, ClearanceGroup } from './bearingTolerance'
import type { FitShaping } from './shapingSchema'
import type { End } from './sizeEnd'

/** What a shape makes, as it is read back. */
export type Shaped<S extends (of: FitShaping) => z.ZodType> = Frozen<z.output<ReturnType<S>>>

/** A measured size in a fit: the clearance grows with it, or by as much the other way. */
export interface Link {
  readonly characteristic: string
  readonly factor: number
  /** Methods that measure such a size; null where any length does. */
  readonly takes: readonly Method['kind'][] | null
}

/** What a fit adds to its measured sizes without measuring it: a tolerance of a standard, a growth. Negative takes away. */
export interface Stated {
  readonly name: StatedName
  readonly lowMm: number
  readonly highMm: number
}

/** Why a fit cannot be as a book has it, though its shape is right. */
export type FitFault =
  | { readonly code: 'bearingNotInTable'; readonly sizeMm: number; readonly tolerance: BearingClass }
  | { readonly code: 'clearanceNotInTable'; readonly boreMm: number; readonly group: ClearanceGroup }
  | { readonly code: 'chainOfNothing' | 'bandEndsSwapped' }

/** What a fit says beside its clearance: figures that a person works by. */
export type FitNote =
  | ({ readonly code: 'tolerance'; readonly of: 'bore' | 'outside' } & BearingTolerance)
  | {
      readonly code: 'before'
      readonly leastMm: number
      readonly greatestMm: number
      readonly group: ClearanceGroup
      readonly standard: string
      readonly edition: string
    }
  | { readonly code: 'growth'; readonly growthMm: number }
  | {
      readonly code: 'shims'
      readonly opens: string
      readonly closes: string
      /** Negative: to take out. */
      readonly addMm: number
      /** Null where nothing is to be added. */
      readonly stackMm: readonly number[] | null
      readonly opensToMm: number
      readonly closesToMm: number
      readonly holds: boolean
    }
  /** Play or preload as it is, what is wanted, and the gasket that would give it; null where no gasket sets it. */
  | {
      readonly code: 'axialSetting'
      readonly isMm: number
      readonly wantedMm: number
      readonly isIn: boolean
      readonly gasketMm: number | null
    }
  /** Thickness of the pad now, and to what it must be made. */
  | { readonly code: 'pad'; readonly padMm: number; readonly toMm: number; readonly isTooThin: boolean }
  /** The shop’s own band inside the maker’s, and whether the fit lies in it. */
  | { readonly code: 'shopBand'; readonly lower: number | null; readonly upper: number | null; readonly isIn: boolean | null }
  | { readonly code: 'heatTo'; readonly celsius: number; readonly greatestC: number | null; readonly isTooHot: boolean }

/** The tightest and the loosest a fit was found, mm; null while a size is missing. */
export interface FitEnds {
  readonly tightestMm: number | null
  readonly loosestMm: number | null
}

/** How what sets a fit must change, by its own sum. */
export interface SetTo {
  /** Of the shims, the pad, the gasket. */
  readonly changeMm: number
  /** Of the clearance. */
  readonly movesMm: number
  /** Whether that brings it to where it must lie. */
  readonly isReached: boolean
}

/** What every fit has. */
export interface FitBase {
  readonly id: string
  readonly name: string
  readonly limits: readonly Limit[]
  readonly limitsBy?: readonly LimitBy[]
  readonly shop?: { readonly lower: number | null; readonly upper: number | null } | undefined
  readonly direct?: string | undefined
  readonly mendOn: string
  readonly setting?: SettingSpec | undefined
  readonly showTo: number
}

/**
 * Everything that belongs to one kind of fit. Its clearance is the sum of measured sizes, each to its side, and of what is
 * stated; negative is interference. `F` is the fit as a limit book has it.
 */
export interface FitKindOf<F> {
  readonly shape: (of: FitShaping) => z.ZodType<F, unknown>
  readonly links: (fit: F) => readonly Link[]
  readonly stated?: (fit: F) => readonly Stated[]
  /** The clearance at one of its ends, where it is no sum of its sizes; null while one of them is not known. */
  readonly between?: (fit: F, end: End, sizeAt: (characteristic: string, end: End) => Known | null, guard: number) => Known | null
  readonly faults?: (fit: F) => readonly FitFault[]
  /** What it is set by, where it is there to be set; undefined where its clearance tells of wear. */
  readonly setBy?: SettingMeans
  /** How what sets it must change; null while a size is not known. */
  readonly setTo?: (fit: F, sizeAt: (characteristic: string) => number | null) => SetTo | null
  /** `middleOf` a size: between its least and its greatest as measured, mm; null while it is not. */
  readonly notes?: (fit: F, ends: FitEnds, middleOf: (characteristic: string) => number | null) => readonly FitNote[]
}
