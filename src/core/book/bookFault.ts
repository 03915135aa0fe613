import type { Bare, Coded } from '../base/coded'
import type { FaultAt } from '../base/fault'
import type { FitFault } from '../fit/fitKind'
import type { SizeClassFault } from '../fit/sizeClass'
import type { FormulaFault } from '../method/formula'
import type { ShapeFault } from '../method/methodKind'
import type { QuantityKind } from '../quantity/kind'
import type { QuantityFault } from '../quantity/quantity'

/** What a book may name that is not in it. */
export type Named = 'variant' | 'option' | 'document' | 'part' | 'characteristic' | 'level' | 'caution' | 'position'

/** Why a value can never come of a characteristic as it is set up. */
export interface NeverGivenFaults {
  /** Too few places, or nothing that gives it. */
  notGiven: { readonly value: string }
  /** No new size, no unworn station, no earlier overhaul. */
  wearFromNothing: Bare
}
export type NeverGiven = Coded<NeverGivenFaults>

/** What is wrong with a book as it is written. */
export interface BookFaults extends NeverGivenFaults {
  sameId: { readonly of: 'part' | 'characteristic' | 'entry' | 'limit' | 'document' | 'fit'; readonly id: string }
  notThere: { readonly what: Named; readonly id: string }
  noRoute: { readonly part: string; readonly route: string }
  otherMethod: { readonly characteristic: string; readonly wanted: readonly string[] }
  noValue: { readonly characteristic: string; readonly value: string }
  methodGivesNo: { readonly value: string }
  noFitOrRing: { readonly id: string }
  emptyWhenIssued: Bare
  growsToItself: Bare
  boundToItself: Bare
  gateNotMeasured: { readonly characteristic: string }
  insideItself: { readonly positions: readonly string[] }
  needEachOther: { readonly characteristics: readonly string[] }
  sizeClass: { readonly why: SizeClassFault }
  /** The limits of a new size are not those of the class it names. */
  notItsClass: { readonly lower: number; readonly upper: number; readonly class: string }
  noLength: { readonly characteristic: string }
  fit: { readonly why: FitFault }
  /** A limit given in two units that differ by more than they are rounded to; one of them cannot be read. */
  unitsDisagree: { readonly text: string; readonly also: string }
  alsoUnread: { readonly why: QuantityFault }
  /** Fewer journals than bores, or limits that nothing lies between. */
  nothingPairs: Bare
  /** Named as unlike the others of a set that it is not in. */
  notInSet: { readonly characteristic: string }
  /** A limit on a place that its method does not have. */
  noPlace: { readonly station: string; readonly direction: string }
  /** A fit that nothing judges. */
  noLimits: Bare
  /** A limit that depends on a size of a type that may not be fitted. */
  notAlwaysFitted: { readonly characteristic: string }
  /** A table by a size that the book does not give. */
  noNewSize: { readonly characteristic: string }
  /** Limits on one value that leave nothing between them. */
  limitsCrossed: { readonly least: number; readonly most: number; readonly quantity: QuantityKind }
  routeSizesSwapped: Bare
  /** A ring gap is never set. */
  neverSet: Bare
  takesOffToNew: Bare
  routeToNowhere: { readonly characteristic: string }
  method: { readonly why: ShapeFault }
  formula: { readonly why: FormulaFault }
}
export type BookFault = Coded<BookFaults>
export type BookFaultAt = FaultAt<BookFault>
