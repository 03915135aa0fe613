import iso6194 from '../standards/iso6194.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

/**
 * Nominal sizes of rotary shaft lip seals, mm: shaft diameter and the housing bores made for it
 * (ISO 6194-1, Rotary shaft lip-type seals: Nominal dimensions and tolerances).
 */
const SIZES: readonly (readonly [shaft: number, ...housings: number[]])[] = rowsOf(iso6194)

/** A used seal's outside is read within this of its housing bore, mm; the shaft it ran on is measured, not the lip. */
const SEAL_BAND_MM = 0.5

export interface StandardSeal {
  readonly shaftMm: number
  readonly housingMm: number
}
export type SealIdentity =
  | { readonly kind: 'standard'; readonly seals: readonly StandardSeal[] }
  | { readonly kind: 'none'; readonly nearest: StandardSeal }

const all: readonly StandardSeal[] = SIZES.flatMap(([shaftMm, ...housings]) =>
  housings.map((housingMm) => ({ shaftMm, housingMm })),
)

/** What a lip seal may be, from the shaft it runs on and its outside diameter; the width is ordered as measured. */
export function identifySeal(shaftMm: number, outsideMm: number): SealIdentity {
  const off = (seal: StandardSeal): number => Math.abs(shaftMm - seal.shaftMm) + Math.abs(outsideMm - seal.housingMm)
  const seals = all.filter(
    (seal) => Math.abs(shaftMm - seal.shaftMm) <= SEAL_BAND_MM && Math.abs(outsideMm - seal.housingMm) <= SEAL_BAND_MM,
  )
  return seals.length > 0
    ? { kind: 'standard', seals }
    : { kind: 'none', nearest: all.reduce((best, seal) => (off(seal) < off(best) ? seal : best)) }
}
