import type { MethodKind } from '../method/method'
import type { SetUpAnswers } from '../method/setUp/answers'
import type { SetUpFault } from '../method/setUp/setUpFault'
import { formulaFaultWords } from './methodFaults'
import { quantityFaultWords, quantityName } from './quantities'

/** What a field of a set-up asks, what helps to answer it, and the names of its choices. */
export interface FieldWords {
  readonly label: string
  readonly hint?: string
  readonly options?: Readonly<Record<string, string>>
  /** What it is most often. */
  readonly start?: string
}

/** What each measuring method is called. */
export const methodName: Readonly<Record<MethodKind, string>> = {
  outsideDiameter: 'Outside diameter',
  boreDiameter: 'Bore diameter',
  size: 'Length, width, thickness or height',
  grooveWidth: 'Groove width',
  ringEndGap: 'Ring end gap',
  sideClearance: 'Side clearance of ring in groove',
  gapAtPositions: 'Gap at positions',
  endFloat: 'End float',
  radialPlay: 'Radial play',
  runout: 'Runout',
  plasticStrip: 'Clearance by plastic strip',
  capPinch: 'Cap pinch by soft wire',
  shellCrush: 'Shell crush',
  shaftAlignment: 'Shaft alignment',
  setDimension: 'Set dimension',
  contactPattern: 'Contact pattern',
  straightness: 'Straightness or squareness',
  spring: 'Spring',
  openingPressure: 'Opening pressure and leak',
  torque: 'Torque of fasteners',
  markShift: 'Movement of witness marks',
  backlash: 'Backlash, tooth thickness or span',
  elementPattern: 'Pattern of damage',
  remainingThickness: 'Least remaining',
  meter: 'Reading of a meter',
  benchTest: 'Test on a rig',
  visualCheck: 'Go or no-go by eye',
  computed: 'Computed from other results',
}

/** Fields that many methods ask. */
const common: Readonly<Record<string, FieldWords>> = {
  stations: { label: 'Stations along', hint: 'How many, or their names with commas between' },
  directions: { label: 'Directions around', hint: 'How many, or their names with commas between' },
  walk: { label: 'Walk', options: { stationFirst: 'around, then along', directionFirst: 'along, then around' } },
  wears: { label: 'Wear makes it', options: { larger: 'larger', smaller: 'smaller' } },
  points: { label: 'Points', hint: 'How many, or their names with commas between' },
  repeats: { label: 'Repeats, at least' },
  repeatability: { label: 'Repeats may differ by', hint: 'Empty where the manual sets none' },
  positions: { label: 'Positions around', hint: 'How many evenly around, or degrees with commas between' },
  quantity: { label: 'What is read', options: quantityName },
}

/** Fields of one method alone, and those it asks in other words. */
const own: Readonly<Partial<Record<MethodKind, Readonly<Record<string, FieldWords>>>>> = {
  boreDiameter: {
    master: { label: 'Set on a master of', hint: 'Then readings may be typed as + and − from it' },
  },
  size: {
    what: {
      label: 'What is measured',
      options: { length: 'length', width: 'width', thickness: 'thickness', height: 'height', depth: 'depth' },
    },
  },
  ringEndGap: {
    segments: { label: 'Segments of the ring', hint: 'How many, or their names with commas between' },
    springs: { label: 'The ring springs', options: { outward: 'outward, in a bore', inward: 'inward, on a rod' } },
    reference: { label: 'Gap taken in a diameter of' },
    runsIn: { label: 'It runs in', hint: 'A bore or outside diameter measured in this job' },
  },
  endFloat: {
    repeatability: { label: 'Repeats may differ by' },
  },
  radialPlay: {
    repeatability: { label: 'Repeats may differ by' },
    leverDial: { label: 'Overhung dial: from fulcrum to dial', hint: 'Empty where the dial stands at the bearing' },
    leverBearing: { label: 'From fulcrum to bearing' },
  },
  openingPressure: {
    repeatability: { label: 'Repeats may differ by' },
    set: { label: 'Set to open at' },
    hold: { label: 'Fall of pressure is read after', hint: 'Empty where no leak test belongs to it' },
    drip: { label: 'Checked for drips', options: { yes: 'yes', no: 'no' } },
  },
  runout: {
    distances: { label: 'Distances from the first', hint: 'With commas between, where the bow is wanted' },
    angles: { label: 'Angles', hint: 'How many evenly around, or degrees with commas between' },
  },
  plasticStrip: {
    direction: { label: 'The clearance lies' },
    scale: { label: 'Scale of the strip', hint: 'Width = clearance, with semicolons between: 2.0 = 0.10; 3.0 = 0.06' },
    scaleUncertainty: { label: 'Uncertainty of the scale' },
  },
  capPinch: {
    shims: { label: 'Shims', hint: 'How many, or their names with commas between' },
    wires: { label: 'Wires', hint: 'How many, or their names with commas between' },
    shimsWithin: { label: 'Shims count as equal within' },
  },
  shaftAlignment: {
    face: { label: 'Face dial runs on a diameter of', hint: 'Empty where only the rim is read' },
  },
  contactPattern: {
    rows: { label: 'Rows', hint: 'How many, or their names with commas between' },
    columns: { label: 'Columns', hint: 'How many, or their names with commas between' },
  },
  spring: {
    longer: { label: 'Longer test length' },
    shorter: { label: 'Shorter test length' },
    working: { label: 'Working length' },
    newLoad: { label: 'Load of a new one there' },
  },
  torque: {
    fasteners: { label: 'Fasteners', hint: 'How many, or their names with commas between' },
    arranged: { label: 'Arranged in', options: { circle: 'a circle', rows: 'rows' } },
    taken: {
      label: 'Torque taken',
      options: {
        final: 'final tightening',
        loosening: 'loosening (information)',
        tighteningFurther: 'tightening further (information)',
      },
    },
    target: { label: 'Target' },
  },
  markShift: {
    points: { label: 'Fasteners', hint: 'How many, or their names with commas between' },
  },
  backlash: {
    what: {
      label: 'What is measured',
      options: { backlash: 'backlash', toothThickness: 'tooth thickness', span: 'span over teeth' },
    },
  },
  elementPattern: {
    groups: { label: 'Rings or rows', hint: 'How many, or their names with commas between' },
    count: { label: 'Elements in each' },
    arranged: { label: 'Arranged in', options: { rings: 'rings: the last one is the neighbour of the first', rows: 'rows' } },
    element: { label: 'One is called', start: 'tooth' },
    damagedFrom: { label: 'Damaged from so much worn on' },
  },
  remainingThickness: {
    what: { label: 'What remains' },
  },
  benchTest: {
    points: {
      label: 'Test points with their bands',
      hint: 'Name = least..greatest, with semicolons between: idle = 10..12; full = 38..42',
    },
  },
  visualCheck: {
    question: { label: 'The question', hint: 'One that is answered by yes or no' },
    wanted: { label: 'As it should be', options: { yes: 'yes', no: 'no' } },
  },
  computed: {
    formula: { label: 'Formula', hint: 'Over other results: (a + b)/2 − c; known: min, max, mean, abs, sqrt, pi' },
    names: { label: 'What its names stand for' },
  },
}

/** What a field of a method's set-up asks. */
export const setUpWords = (kind: MethodKind, key: string): FieldWords => own[kind]?.[key] ?? common[key] ?? { label: key }

/** Answers in words that a set-up begins with. */
export const setUpStarts = (kind: MethodKind): SetUpAnswers =>
  Object.fromEntries(Object.entries(own[kind] ?? {}).flatMap(([key, { start }]) => (start === undefined ? [] : [[key, start]])))

/** Why an answer of a set-up cannot be used. */
export function setUpFaultWords(kind: MethodKind, fault: SetUpFault): string {
  const label = (key: string): string => `“${setUpWords(kind, key).label}”`
  switch (fault.code) {
    case 'empty':
      return `${label(fault.field)} must be filled in.`
    case 'notChosen':
      return `Choose for ${label(fault.field)}.`
    case 'wholeNumber':
      return `${label(fault.field)}: type a whole number from 1 to ${fault.most}.`
    case 'notPositive':
      return `${label(fault.field)} must be more than zero.`
    case 'howMany':
      return `${label(fault.field)}: from 1 to ${fault.most} of them.`
    case 'sameName':
      return `${label(fault.field)}: two have the same name.`
    case 'angleOutside':
      return `${label(fault.field)}: angles from 0° to less than 360°.`
    case 'sameAngle':
      return `${label(fault.field)}: two are at the same angle.`
    case 'pairs':
      return `“${fault.text}” is not understood. Type it like this: ${(setUpWords(kind, fault.field).hint ?? '').toLowerCase()}.`
    case 'figure':
      return quantityFaultWords(fault.why)
    case 'band':
      return `“${fault.text}” is not a band: type least..greatest; leave out an end that nothing bounds.`
    case 'formula':
      return formulaFaultWords(fault.why)
    case 'namesNothing':
      return 'The formula names no other result.'
    case 'standsFor':
      return `Choose what “${fault.name}” stands for.`
    case 'shorterIsLonger':
      return 'The shorter length must be shorter than the longer one.'
    case 'bothLevers':
      return 'The lever needs both lengths, or neither.'
    case 'scale':
      return 'The scale needs two points or more; a wider strip means less clearance.'
    case 'distances':
      return `${fault.stations} stations need ${fault.stations} distances, or none.`
  }
}
