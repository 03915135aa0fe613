import type { Caution, CommonCaution, LicensedField } from '../safety/cautions'

export const licensedFieldName: Readonly<Record<LicensedField, string>> = {
  pressureEquipment: 'Pressure equipment',
  liftingGear: 'Lifting gear',
  railAxlesAndWheels: 'Rail axles and wheels',
  electricalWork: 'Electrical work',
  refrigerants: 'Hazardous gas and refrigerants',
}

const cautionWords: Readonly<Record<CommonCaution, string>> = {
  isolation: 'Isolate every source of energy, lock and tag it, then try to start: it must not.',
  electrical: 'Prove dead at the place of work. Only a licensed person opens electrical equipment.',
  'stored-pressure': 'Release pressure through the drain or vent until nothing more comes; a gauge at zero is no proof.',
  'pressure-vessel': 'Opening pressure equipment: a licensed person signs.',
  springs: 'Springs, clips and snap rings fly. Hold them captive, stand aside, wear eye protection.',
  'hot-parts': 'Hot parts: wait the cooling time, then test with the back of a gloved hand.',
  'hydraulic-tools':
    'Hydraulic tightening tools: never in line with the fastener, hoses checked, pressure released before touching.',
  'toxic-gas': 'Toxic or pressurised gas is recovered by licensed people only.',
  solvents: 'Solvents: ventilate, no flame, gloves and eye protection.',
  lifting: 'Lift with marked and rated gear only, tag line on, nobody underneath, fingers clear.',
  'turning-by-hand': 'Rotating by hand: one person gives the word, hands clear of nips, the barring gear taken off afterwards.',
  'test-spray': 'High-pressure sprays go through skin. Never near hands or face; shield up.',
  'confined-space': 'Confined space: air tested, attendant outside, rescue ready.',
  'shrink-heating': 'Heating for a shrink fit: even heat, no open flame on bearings, watch the material’s limit.',
  'grinding-dust': 'Grinding and scraping dust: extraction and mask; old linings may hold asbestos.',
  'may-fall': 'This part can fall when its fixing goes. Support it first.',
  'rail-axle': 'Rail axles and wheels: a licensed person signs.',
  protection: 'Gloves, eye protection, safety shoes, hearing protection as the place asks.',
}

/** A caution in words: the book's own, or what every book may name. */
export const cautionText = ({ id, text }: Caution): string => text ?? (cautionWords as Readonly<Record<string, string>>)[id] ?? id
