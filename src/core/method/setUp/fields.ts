import type { GaugeKind } from '../../gauge/gauge'
import { type QuantityKind, quantityFacts, quantityKinds } from '../../quantity/kind'
import type { MethodKind } from '../method'

/** What is asked to set a method up where no limit book has done it. Every answer is text, as a person types it. */
export interface SetUpField {
  readonly key: string
  readonly label: string
  readonly hint: string
  /**
   * places: how many, or their names with commas; angles: how many evenly around, or degrees with commas;
   * figure: a quantity; count: a whole number; choice: one of the options; characteristic: another one that is measured;
   * names: what each name in the formula stands for.
   */
  readonly kind: 'places' | 'angles' | 'figure' | 'count' | 'choice' | 'words' | 'characteristic' | 'names'
  readonly quantity: QuantityKind
  readonly options: readonly (readonly [value: string, label: string])[]
  /** What stands there before anybody types; null: must be typed, '' : may stay empty. */
  readonly start: string | null
}

const field = (key: string, label: string, part: Partial<SetUpField>): SetUpField => ({
  key,
  label,
  hint: '',
  kind: 'words',
  quantity: 'length',
  options: [],
  start: '',
  ...part,
})
const places = (key: string, label: string, start: string): SetUpField =>
  field(key, label, { kind: 'places', start, hint: 'How many, or their names with commas between' })
const angles = (key: string, label: string, start: string): SetUpField =>
  field(key, label, { kind: 'angles', start, hint: 'How many evenly around, or degrees with commas between' })
const figure = (key: string, label: string, start: string | null, part: Partial<SetUpField> = {}): SetUpField =>
  field(key, label, { kind: 'figure', start, ...part })
const repeats = (start: string): SetUpField => field('repeats', 'Repeats, at least', { kind: 'count', start })
const repeatability = (quantity: QuantityKind, start: string | null): SetUpField =>
  figure('repeatability', 'Repeats may differ by', start, {
    quantity,
    hint: start === null ? '' : 'Empty where the manual sets none',
  })
const walk = field('walk', 'Walk', {
  kind: 'choice',
  start: 'stationFirst',
  options: [
    ['stationFirst', 'around, then along'],
    ['directionFirst', 'along, then around'],
  ],
})
const wears = (start: 'larger' | 'smaller'): SetUpField =>
  field('wears', 'Wear makes it', {
    kind: 'choice',
    start,
    options: [
      ['larger', 'larger'],
      ['smaller', 'smaller'],
    ],
  })
const quantity = field('quantity', 'What is read', {
  kind: 'choice',
  start: 'temperature',
  options: quantityKinds.map((kind) => [kind, quantityFacts[kind].name] as const),
})
const diameter = [places('stations', 'Stations along', '3'), places('directions', 'Directions around', '2'), walk]
const points = (start = '3'): readonly SetUpField[] => [
  places('points', 'Points', start),
  repeats('1'),
  repeatability('length', ''),
]

/** What must be asked to set up each method. */
const setUp: Readonly<Record<MethodKind, readonly SetUpField[]>> = {
  outsideDiameter: diameter,
  boreDiameter: [
    ...diameter,
    figure('master', 'Set on a master of', '', { hint: 'Then readings may be typed as + and − from it' }),
  ],
  size: [
    field('what', 'What is measured', {
      kind: 'choice',
      start: 'thickness',
      options: (['length', 'width', 'thickness', 'height', 'depth'] as const).map((word) => [word, word] as const),
    }),
    wears('smaller'),
    ...points(),
  ],
  grooveWidth: points(),
  ringEndGap: [
    places('segments', 'Segments of the ring', '1'),
    field('springs', 'The ring springs', {
      kind: 'choice',
      start: 'outward',
      options: [
        ['outward', 'outward, in a bore'],
        ['inward', 'inward, on a rod'],
      ],
    }),
    figure('reference', 'Gap taken in a diameter of', null),
    field('runsIn', 'It runs in', {
      kind: 'characteristic',
      start: null,
      hint: 'A bore or outside diameter measured in this job',
    }),
  ],
  sideClearance: points('4'),
  gapAtPositions: [angles('positions', 'Positions around', '4'), wears('larger')],
  endFloat: [repeats('3'), repeatability('length', null)],
  radialPlay: [
    repeats('3'),
    repeatability('length', null),
    figure('leverDial', 'Overhung dial: from fulcrum to dial', '', { hint: 'Empty where the dial stands at the bearing' }),
    figure('leverBearing', 'From fulcrum to bearing', ''),
  ],
  runout: [
    places('stations', 'Stations along', '1'),
    field('distances', 'Distances from the first', { hint: 'With commas between, where the bow is wanted', start: '' }),
    angles('angles', 'Angles', '8'),
  ],
  plasticStrip: [
    places('stations', 'Stations along', '2'),
    field('direction', 'The clearance lies', { start: 'vertical' }),
    field('scale', 'Scale of the strip', {
      start: null,
      hint: 'Width = clearance, with semicolons between: 2.0 = 0.10; 3.0 = 0.06',
    }),
    figure('scaleUncertainty', 'The scale is good to', '0'),
  ],
  capPinch: [
    places('shims', 'Shims', '2'),
    places('wires', 'Wires', '3'),
    figure('shimsWithin', 'Shims count as equal within', null),
  ],
  shellCrush: points('1'),
  alignment: [
    angles('positions', 'Positions around', '4'),
    figure('face', 'Face dial runs on a diameter of', '', { hint: 'Empty where only the rim is read' }),
  ],
  setDimension: points('1'),
  contactPattern: [places('rows', 'Rows', '4'), places('columns', 'Columns', '6'), walk],
  straightness: points('4'),
  spring: [
    figure('longer', 'Longer test length', null),
    figure('shorter', 'Shorter test length', null),
    figure('working', 'Working length', null),
    figure('newLoad', 'Load of a new one there', null, { quantity: 'force' }),
    repeats('1'),
    repeatability('force', ''),
  ],
  openingPressure: [
    figure('set', 'To open at', null, { quantity: 'pressure' }),
    repeats('3'),
    repeatability('pressure', null),
    figure('hold', 'Fall of pressure is read after', '', { quantity: 'time', hint: 'Empty where no leak test belongs to it' }),
    field('drip', 'Looked at for drips', {
      kind: 'choice',
      start: 'yes',
      options: [
        ['yes', 'yes'],
        ['no', 'no'],
      ],
    }),
  ],
  torque: [
    places('fasteners', 'Fasteners', '8'),
    field('arranged', 'Arranged in', {
      kind: 'choice',
      start: 'circle',
      options: [
        ['circle', 'a circle'],
        ['rows', 'rows'],
      ],
    }),
    field('taken', 'Torque taken', {
      kind: 'choice',
      start: 'final',
      options: [
        ['final', 'final tightening'],
        ['loosening', 'loosening (information)'],
        ['tighteningFurther', 'tightening further (information)'],
      ],
    }),
    figure('target', 'Target', null, { quantity: 'torque' }),
  ],
  markAlignment: [places('points', 'Fasteners', '4'), repeats('1'), repeatability('angle', '')],
  backlash: [
    field('what', 'What is measured', {
      kind: 'choice',
      start: 'backlash',
      options: [
        ['backlash', 'backlash'],
        ['toothThickness', 'tooth thickness'],
        ['span', 'span over teeth'],
      ],
    }),
    ...points('4'),
  ],
  elements: [
    places('groups', 'Rings or rows', '1'),
    field('count', 'Elements in each', { kind: 'count', start: null }),
    field('arranged', 'Arranged in', {
      kind: 'choice',
      start: 'rings',
      options: [
        ['rings', 'rings: the last one is the neighbour of the first'],
        ['rows', 'rows'],
      ],
    }),
    field('element', 'One is called', { start: 'tooth' }),
    figure('damagedFrom', 'Damaged from so much worn on', '25', { quantity: 'percent' }),
  ],
  remaining: [field('what', 'What remains', { start: 'lining' }), ...points('4')],
  meter: [quantity, wears('larger'), ...points('1')],
  benchTest: [
    quantity,
    field('points', 'Test points with their bands', {
      start: null,
      hint: 'Name = least..greatest, with semicolons between: idle = 10..12; full = 38..42',
    }),
  ],
  lookedAt: [
    field('question', 'The question', { start: null, hint: 'One that is answered by yes or no' }),
    places('points', 'Points', '1'),
    field('wanted', 'As it should be', {
      kind: 'choice',
      start: 'yes',
      options: [
        ['yes', 'yes'],
        ['no', 'no'],
      ],
    }),
  ],
  computed: [
    quantity,
    wears('larger'),
    field('formula', 'Formula', { start: null, hint: 'Over other results: (a + b)/2 − c; known: min, max, mean, abs, sqrt, pi' }),
    field('names', 'What its names stand for', { kind: 'names', start: null }),
  ],
}

export const setUpOf = (kind: MethodKind): readonly SetUpField[] => setUp[kind]

/** Gauge each method is usually taken with. */
export const usualGauge: Readonly<Record<MethodKind, GaugeKind>> = {
  outsideDiameter: 'outsideMicrometer',
  boreDiameter: 'boreGauge',
  size: 'caliper',
  grooveWidth: 'caliper',
  ringEndGap: 'feeler',
  sideClearance: 'feeler',
  gapAtPositions: 'feeler',
  endFloat: 'dial',
  radialPlay: 'dial',
  runout: 'dial',
  plasticStrip: 'stripScale',
  capPinch: 'outsideMicrometer',
  shellCrush: 'feeler',
  alignment: 'dial',
  setDimension: 'rule',
  contactPattern: 'eye',
  straightness: 'dial',
  spring: 'springTester',
  openingPressure: 'testPump',
  torque: 'torqueWrench',
  markAlignment: 'protractor',
  backlash: 'dial',
  elements: 'eye',
  remaining: 'caliper',
  meter: 'thermometer',
  benchTest: 'flowMeter',
  lookedAt: 'eye',
  computed: 'eye',
}
