/**
 * Pinch of a bearing cap on the shell's back by soft wire, mm: shim thickness minus flattened wire thickness.
 * Positive holds the shell, zero is line to line, negative is a gap.
 */
export function capPinchMm(shimMm: number, flattenedWireMm: number): number {
  return shimMm - flattenedWireMm
}
