import type { Bare, Coded } from '../base/coded'
import type { NeverGiven } from '../book/bookFault'
import type { WrittenClassFault } from '../fit/writtenClass'
import type { FormulaFault } from '../method/formula'
import type { ReductionName } from '../method/reduction'
import type { TwoUnitsFault } from '../quantity/twoUnits'

/** A figure of a typed characteristic. */
export type TypedFigure =
  | { readonly of: 'readTo' | 'newLeast' | 'newGreatest' | 'nominal' }
  | { readonly of: 'limit' | 'plan'; readonly judges: ReductionName }

/** Why a characteristic cannot be typed like this. */
export interface TypedFaults {
  figure: { readonly figure: TypedFigure; readonly why: TwoUnitsFault }
  sizeClass: { readonly figure: TypedFigure; readonly why: WrittenClassFault }
  methodGivesNo: { readonly value: string }
  planAfterWear: { readonly judges: ReductionName }
  stepOfNothing: Bare
  newEndsSwapped: Bare
  inTheBook: Bare
  nameTaken: { readonly name: string }
  documentTaken: { readonly id: string; readonly title: string }
  ringRunsInNothing: Bare
  standsForNothing: { readonly name: string }
  noValueOf: { readonly name: string; readonly value: string }
  formula: { readonly why: FormulaFault }
  needsItself: Bare
  /** A limit of the shop’s own on what is safety-marked. */
  ownOnSafety: { readonly name: string }
  never: { readonly why: NeverGiven }
}
export type TypedFault = Coded<TypedFaults>
