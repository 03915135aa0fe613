import type { GaugeKind } from '../gauge/gaugeKinds'
import type { QuantityKind } from '../quantity/kind'

/** Kinds of slip at the bench, by what was probably meant. */
export type SlipKind =
  | 'decimalPlace'
  | 'thimbleTurn'
  | 'wholeFrame'
  | 'inchForMm'
  | 'comparatorSign'
  | 'signForgotten'
  | 'digitsSwapped'

/** What a reading is held against. */
export type ExpectedFrom = 'limits' | 'neighbours' | 'lastTime' | 'sisters'

export interface Likely {
  readonly kind: SlipKind
  /** As it would have been typed. */
  readonly text: string
  readonly value: number
}

/** A reading that is questioned, never changed: why, and what was probably meant. */
export type SlipQuestion = { readonly likely: Likely | null } & (
  | {
      /** farOff: beyond what is expected here; wrongSideOfNew: less worn than a new part. */
      readonly code: 'farOff' | 'wrongSideOfNew'
      readonly value: number
      readonly expected: readonly [number, number]
      readonly from: ExpectedFrom
    }
  | { readonly code: 'copiedDown'; readonly text: string; readonly times: number }
  | { readonly code: 'finerThanGauge'; readonly text: string; readonly resolution: number; readonly gauge: string }
  | { readonly code: 'outsideRange'; readonly value: number; readonly range: readonly [number, number]; readonly gauge: string }
  | { readonly code: 'calibrationLapsed'; readonly gauge: string; readonly due: string }
  /** The clock of the device, by which the reading would be taken. */
  | { readonly code: 'clockOff'; readonly device: string; readonly openedOn: string }
  | { readonly code: 'noGauge'; readonly wanted: GaugeKind }
  | {
      readonly code: 'otherKindOfGauge'
      readonly gauge: string
      readonly wanted: GaugeKind
      readonly quantity: QuantityKind
      /** It measures what is read here, so what is read with it counts. */
      readonly settles: boolean
    }
  | { readonly code: 'notOfClass'; readonly gauge: string; readonly error: number; readonly asked: number }
  | { readonly code: 'repeatsSpread'; readonly range: number; readonly limitValue: number; readonly first: string | null }
)
