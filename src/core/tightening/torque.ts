/** Setting of a wrench with an inline extension beyond its square: T·L/(L + E). Lengths in mm, torques in N·m. */
export const wrenchSettingNm = (torqueNm: number, wrenchMm: number, extensionMm: number): number =>
  (torqueNm * wrenchMm) / (wrenchMm + extensionMm)

/** Torque for the same preload at another nut factor: T = K·d·F, so it changes as K. */
export const torqueAtNutFactorNm = (torqueNm: number, nutFactor: number, otherNutFactor: number): number =>
  (torqueNm * otherNutFactor) / nutFactor

/** Preload from torque, kN: T/(K·d), with the thread diameter in mm. */
export const preloadKN = (torqueNm: number, nutFactor: number, threadMm: number): number => torqueNm / (nutFactor * threadMm)

/** A torque as percent of another one. */
export const percentOf = (torqueNm: number, ofNm: number): number => (100 * torqueNm) / ofNm
