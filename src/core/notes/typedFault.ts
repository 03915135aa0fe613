import type { Bare, Coded } from '../base/coded'
import type { NeverGiven } from '../book/bookFault'
import type { Limit } from '../limit/limit'
import type { FormulaFault } from '../method/formula'
import type { ReductionName } from '../method/reduction'
import type { TextFaults } from '../typed/figureText'
import type { CellFault } from '../typed/limitRow'

/** A figure of a typed characteristic that is no limit. */
export type TypedFigure = 'readTo' | 'newLeast' | 'newGreatest' | 'nominal'

/** How the figures of a new size are called where they are refused. */
export const NEW_FIGURE = { lower: 'newLeast', upper: 'newGreatest', nominal: 'nominal' } as const

/** Why a characteristic cannot be typed like this. */
export interface TypedFaults {
  figure: { readonly figure: TypedFigure } & TextFaults['figure']
  sizeClass: { readonly figure: TypedFigure } & TextFaults['sizeClass']
  /** A cell of a limit; `row`: its place among those typed. */
  limit: { readonly judges: ReductionName; readonly side: Limit['side']; readonly row: number } & CellFault
  methodGivesNo: { readonly value: string }
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
  /** A ring gap is wear. */
  neverSet: Bare
  /** A setting rests on a part that is not here. */
  restsOnNothing: { readonly id: string }
  never: { readonly why: NeverGiven }
}
export type TypedFault = Coded<TypedFaults>
