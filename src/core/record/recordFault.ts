import type { Bare, Coded } from '../base/coded'
import type { FaultAt } from '../base/fault'
import type { BookFault } from '../book/bookFault'

/** What does not hold together in a record. */
export interface RecordFaults {
  sameReadingId: Bare
  sameEntryId: Bare
  noCharacteristic: { readonly id: string }
  noGauge: { readonly id: string }
  noPart: { readonly id: string }
  noLevel: { readonly id: string }
  noSuchPlace: Bare
  /** A reading that cannot be taken or is taken back. */
  noReason: Bare
  otherKind: { readonly text: string; readonly reading: string }
  otherValue: { readonly text: string; readonly value: number | null }
  otherEnds: Bare
  correctsNothing: Bare
  correctsElsewhere: Bare
  correctedTwice: Bare
  correctionWithoutReason: Bare
  twoAtOnePlace: Bare
  notAsTyped: Bare
  hoursAfterThis: Bare
  departureWithoutReason: Bare
  noRoute: { readonly part: string; readonly route: string }
}
export type RecordFault = Coded<RecordFaults>

/** Faults with which a record can never be settled. */
export type UnsettledFault = BookFault | { readonly code: 'noReadingOf'; readonly text: string; readonly characteristic: string }

export type RecordFaultAt = FaultAt<RecordFault>
export type UnsettledFaultAt = FaultAt<UnsettledFault>
