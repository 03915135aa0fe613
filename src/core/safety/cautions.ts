/** Fields in which a licensed person must sign; the law of the place says who that is. */
export const licensedFields = [
  'pressureEquipment',
  'liftingGear',
  'railAxlesAndWheels',
  'electricalWork',
  'refrigerants',
] as const
export type LicensedField = (typeof licensedFields)[number]

export const licensedFieldLabel: Record<LicensedField, string> = {
  pressureEquipment: 'Pressure equipment',
  liftingGear: 'Lifting gear',
  railAxlesAndWheels: 'Rail axles and wheels',
  electricalWork: 'Electrical work',
  refrigerants: 'Hazardous gas and refrigerants',
}

/** A short warning, shown at the step where it bites. */
export interface Caution {
  readonly id: string
  readonly text: string
  /** Field in which a licensed person must sign; null where none is needed. */
  readonly licensed: LicensedField | null
}

/** Cautions every limit book may name; a book can add its own. */
export const commonCautions: readonly Caution[] = [
  {
    id: 'isolation',
    text: 'Isolate every source of energy, lock and tag it, then try to start: it must not.',
    licensed: null,
  },
  {
    id: 'electrical',
    text: 'Prove dead at the place of work. Only a licensed person opens electrical equipment.',
    licensed: 'electricalWork',
  },
  {
    id: 'stored-pressure',
    text: 'Release pressure through the drain or vent until nothing more comes; a gauge at zero is no proof.',
    licensed: null,
  },
  {
    id: 'pressure-vessel',
    text: 'Opening pressure equipment: a licensed person signs.',
    licensed: 'pressureEquipment',
  },
  {
    id: 'springs',
    text: 'Springs, clips and snap rings fly. Hold them captive, stand aside, wear eye protection.',
    licensed: null,
  },
  {
    id: 'hot-parts',
    text: 'Hot parts: wait the cooling time, then test with the back of a gloved hand.',
    licensed: null,
  },
  {
    id: 'hydraulic-tools',
    text: 'Hydraulic tightening tools: never in line with the fastener, hoses checked, pressure released before touching.',
    licensed: null,
  },
  {
    id: 'toxic-gas',
    text: 'Toxic or pressurised gas is recovered by licensed people only.',
    licensed: 'refrigerants',
  },
  {
    id: 'solvents',
    text: 'Solvents: ventilate, no flame, gloves and eye protection.',
    licensed: null,
  },
  {
    id: 'lifting',
    text: 'Lift with marked and rated gear only, tag line on, nobody underneath, fingers clear.',
    licensed: 'liftingGear',
  },
  {
    id: 'turning-by-hand',
    text: 'Rotating by hand: one person gives the word, hands clear of nips, the barring gear taken off afterwards.',
    licensed: null,
  },
  {
    id: 'test-spray',
    text: 'High-pressure sprays go through skin. Never near hands or face; shield up.',
    licensed: null,
  },
  {
    id: 'confined-space',
    text: 'Confined space: air tested, attendant outside, rescue ready.',
    licensed: null,
  },
  {
    id: 'shrink-heating',
    text: 'Heating for a shrink fit: even heat, no open flame on bearings, watch the material’s limit.',
    licensed: null,
  },
  {
    id: 'grinding-dust',
    text: 'Grinding and scraping dust: extraction and mask; old linings may hold asbestos.',
    licensed: null,
  },
  { id: 'may-fall', text: 'This part can fall when its fixing goes. Support it first.', licensed: null },
  {
    id: 'rail-axle',
    text: 'Rail axles and wheels: a licensed person signs.',
    licensed: 'railAxlesAndWheels',
  },
  { id: 'protection', text: 'Gloves, eye protection, safety shoes, hearing protection as the place asks.', licensed: null },
]
