/**
 * Nominal sizes of rotary shaft lip seals, mm: shaft diameter and the housing bores made for it
 * (ISO 6194-1, Rotary shaft lip-type seals: Nominal dimensions and tolerances).
 */
const SIZES: readonly (readonly [shaft: number, ...housings: number[]])[] = [
  [6, 16, 22],
  [7, 22],
  [8, 22, 24],
  [9, 22],
  [10, 22, 25],
  [12, 24, 25, 30],
  [15, 26, 30, 35],
  [16, 30],
  [18, 30, 35],
  [20, 35, 40],
  [22, 35, 40, 47],
  [25, 40, 47, 52],
  [28, 40, 47, 52],
  [30, 42, 47, 52],
  [32, 45, 47, 52],
  [35, 50, 52, 55],
  [38, 55, 58, 62],
  [40, 55, 62],
  [42, 55, 62],
  [45, 62, 65],
  [50, 68, 72],
  [55, 72, 80],
  [60, 80, 85],
  [65, 85, 90],
  [70, 90, 95],
  [75, 95, 100],
  [80, 100, 110],
  [85, 110, 120],
  [90, 120],
  [95, 120],
  [100, 125],
  [110, 140],
  [120, 150],
  [130, 160],
  [140, 170],
  [150, 180],
  [160, 190],
  [170, 200],
  [180, 210],
  [190, 220],
  [200, 230],
]

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
