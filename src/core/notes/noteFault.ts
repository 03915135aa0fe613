import type { Bare, Coded } from '../base/coded'
import type { QuantityFault } from '../quantity/quantity'
import type { LicensedField } from '../safety/cautions'
import type { AdditionFault } from './additions'
import type { TypedFault } from './typedFault'

/** Why a note cannot be taken as things stand. Facts are names as people gave them, ids where nothing has a name. */
export interface NoteFaults {
  noStep: { readonly id: string }
  closed: { readonly step: string; readonly until: string }
  waitNotStarted: { readonly step: string; readonly minutes: number; readonly waitsFor: string }
  stillWaiting: { readonly step: string; readonly leftMs: number; readonly waitsFor: string }
  needsLicence: { readonly step: string; readonly field: LicensedField }
  destroysEvidence: { readonly step: string; readonly position: string }
  stillInside: { readonly step: string; readonly things: readonly string[] }
  /** Settings that are not taken as left and inside. */
  notSet: { readonly step: string; readonly things: readonly string[] }
  mustNotBeSkipped: { readonly step: string; readonly makesSafe: boolean }
  mayBeSkipped: { readonly step: string }
  nobodySaysSo: { readonly step: string }
  agreedAlready: { readonly by: string }
  saidYourself: { readonly step: string }
  openAlready: { readonly step: string }
  stepIdTaken: Bare
  noStepBefore: { readonly id: string }
  notThere: { readonly step: string }
  noWait: { readonly step: string }
  noPosition: { readonly id: string }
  noCaution: { readonly id: string }
  noPart: { readonly id: string }
  noCharacteristic: { readonly id: string }
  noFinding: Bare
  outBefore: { readonly step: string }
  notSafeYet: Bare
  positionIdTaken: Bare
  insideItself: { readonly positions: readonly string[] }
  noJoint: { readonly id: string }
  noStation: { readonly id: string }
  noPiece: { readonly piece: number; readonly count: number }
  noPattern: { readonly id: string }
  tooManyElements: { readonly pattern: string; readonly count: number }
  elementTwice: { readonly pattern: string }
  noHandTest: { readonly id: string }
  methodStays: { readonly name: string }
  notTypedHere: Bare
  hasReadings: { readonly name: string }
  usedBy: { readonly name: string }
  typedAnew: { readonly name: string }
  typedYourself: { readonly name: string }
  sayWhatDiffers: Bare
  typed: { readonly why: readonly TypedFault[] }
  noSize: { readonly why: QuantityFault }
  sizeOfNothing: { readonly text: string }
  noPitch: { readonly text: string }
  notExplainedYet: Bare
  noPicture: Bare
  neverPutIn: Bare
  onlySoMany: { readonly name: string; readonly inside: number; readonly count: number }
  noPlanLine: { readonly id: string }
  noReading: Bare
  tooManySides: { readonly part: string; readonly has: number }
  addition: { readonly why: readonly AdditionFault[] }
  notAddedHere: Bare
  decidedBy: { readonly name: string }
  noVariant: { readonly id: string }
  readOnOther: { readonly name: string }
}
export type NoteFault = Coded<NoteFaults>
