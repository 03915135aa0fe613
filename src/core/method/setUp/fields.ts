import { type QuantityKind, quantityFacts, quantityKinds } from '../../quantity/kind'

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

export const field = (key: string, label: string, part: Partial<SetUpField>): SetUpField => ({
  key,
  label,
  hint: '',
  kind: 'words',
  quantity: 'length',
  options: [],
  start: '',
  ...part,
})
export const placesField = (key: string, label: string, start: string): SetUpField =>
  field(key, label, { kind: 'places', start, hint: 'How many, or their names with commas between' })
export const anglesField = (key: string, label: string, start: string): SetUpField =>
  field(key, label, { kind: 'angles', start, hint: 'How many evenly around, or degrees with commas between' })
export const figureField = (key: string, label: string, start: string | null, part: Partial<SetUpField> = {}): SetUpField =>
  field(key, label, { kind: 'figure', start, ...part })
export const repeatsField = (start: string): SetUpField => field('repeats', 'Repeats, at least', { kind: 'count', start })
export const repeatabilityField = (quantity: QuantityKind, start: string | null): SetUpField =>
  figureField('repeatability', 'Repeats may differ by', start, {
    quantity,
    hint: start === null ? '' : 'Empty where the manual sets none',
  })
export const walkField = field('walk', 'Walk', {
  kind: 'choice',
  start: 'stationFirst',
  options: [
    ['stationFirst', 'around, then along'],
    ['directionFirst', 'along, then around'],
  ],
})
export const wearsField = (start: 'larger' | 'smaller'): SetUpField =>
  field('wears', 'Wear makes it', {
    kind: 'choice',
    start,
    options: [
      ['larger', 'larger'],
      ['smaller', 'smaller'],
    ],
  })
export const quantityField = field('quantity', 'What is read', {
  kind: 'choice',
  start: 'temperature',
  options: quantityKinds.map((kind) => [kind, quantityFacts[kind].name] as const),
})
export const diameterFields = [
  placesField('stations', 'Stations along', '3'),
  placesField('directions', 'Directions around', '2'),
  walkField,
]
export const pointFields = (start = '3'): readonly SetUpField[] => [
  placesField('points', 'Points', start),
  repeatsField('1'),
  repeatabilityField('length', ''),
]

export const choiceField = (key: string, label: string, start: string, options: SetUpField['options']): SetUpField =>
  field(key, label, { kind: 'choice', start, options })

export const YES_OR_NO: SetUpField['options'] = [
  ['yes', 'yes'],
  ['no', 'no'],
]
