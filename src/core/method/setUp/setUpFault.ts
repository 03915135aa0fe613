import type { Bare, Coded } from '../../base/coded'
import type { QuantityFault } from '../../quantity/quantity'
import type { FormulaFault } from '../formula'

/** Why an answer of a set-up cannot be used. `field` is the key of the field that was asked. */
export interface SetUpFaults {
  empty: { readonly field: string }
  notChosen: { readonly field: string }
  wholeNumber: { readonly field: string; readonly most: number }
  notPositive: { readonly field: string }
  howMany: { readonly field: string; readonly most: number }
  sameName: { readonly field: string }
  angleOutside: { readonly field: string }
  sameAngle: { readonly field: string }
  pairs: { readonly field: string; readonly text: string }
  figure: { readonly why: QuantityFault }
  band: { readonly text: string }
  formula: { readonly why: FormulaFault }
  namesNothing: Bare
  standsFor: { readonly name: string }
  shorterIsLonger: Bare
  bothLevers: Bare
  scale: Bare
  distances: { readonly stations: number }
}
export type SetUpFault = Coded<SetUpFaults>
