/**
 * Change of a ring's end gap with the diameter it runs in, mm: Δgap = π·Δd (the ring's circumference follows the wall).
 * Positive when the diameter is larger than the reference. Outward rings open in a worn bore; inward rings close on a worn rod.
 */
export function ringGapChangeMm(diameterMm: number, referenceDiameterMm: number): number {
  return Math.PI * (diameterMm - referenceDiameterMm)
}
