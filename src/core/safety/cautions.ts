/** Fields in which a licensed person must sign; the law of the place says who that is. */
export const licensedFields = [
  'pressureEquipment',
  'liftingGear',
  'railAxlesAndWheels',
  'electricalWork',
  'refrigerants',
] as const
export type LicensedField = (typeof licensedFields)[number]

/** A short warning, shown at the step where it bites. */
export interface Caution {
  readonly id: string
  /** Null for one of the common ones, whose words are `core/words`'. */
  readonly text: string | null
  /** Field in which a licensed person must sign; null where none is needed. */
  readonly licensed: LicensedField | null
}

/** Cautions every limit book may name, with the field in which a licensed person must sign; a book can add its own. */
export const commonCautions = {
  isolation: null,
  electrical: 'electricalWork',
  'stored-pressure': null,
  'pressure-vessel': 'pressureEquipment',
  springs: null,
  'hot-parts': null,
  'hydraulic-tools': null,
  'toxic-gas': 'refrigerants',
  solvents: null,
  lifting: 'liftingGear',
  'turning-by-hand': null,
  'test-spray': null,
  'confined-space': null,
  'shrink-heating': null,
  'grinding-dust': null,
  'may-fall': null,
  'rail-axle': 'railAxlesAndWheels',
  protection: null,
} as const satisfies Readonly<Record<string, LicensedField | null>>
export type CommonCaution = keyof typeof commonCautions

/** The common cautions, as a step names them. */
export const commonCautionList: readonly Caution[] = (Object.keys(commonCautions) as CommonCaution[]).map((id) => ({
  id,
  text: null,
  licensed: commonCautions[id],
}))
