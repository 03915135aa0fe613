/** ISO 1: sizes hold at this temperature. */
const REFERENCE_C = 20

export interface Thermal {
  readonly partC: number
  readonly partPerK: number
  readonly scaleC: number
  readonly scalePerK: number
}

/** Size at 20 °C from what a warm scale shows on a warm part: L·(1 + αs(Ts − 20))/(1 + αp(T − 20)), the full quotient. */
export const sizeAt20 = (indicatedMm: number, { partC, partPerK, scaleC, scalePerK }: Thermal): number =>
  (indicatedMm * (1 + scalePerK * (scaleC - REFERENCE_C))) / (1 + partPerK * (partC - REFERENCE_C))

/** Growth of a size given at 20 °C between two temperatures: L20·α·ΔT, mm, signed. */
export const thermalGrowthMm = (sizeAt20Mm: number, perK: number, fromC: number, toC: number): number =>
  sizeAt20Mm * perK * (toC - fromC)

/** Temperature to which the outer part is heated to go over the inner one: ambient + (interference + clearance)/(α·d), °C. */
export const heatingTemperatureC = (
  ambientC: number,
  interferenceMm: number,
  clearanceMm: number,
  perK: number,
  boreMm: number,
): number => ambientC + (interferenceMm + clearanceMm) / (perK * boreMm)
