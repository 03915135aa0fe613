import { type QuantityKind, quantityKinds } from '../../quantity/kind'

/** What is asked to set a method up where no limit book has done it. Every answer is text, as a person types it. */
export interface SetUpField {
  readonly key: string
  /**
   * places: how many, or their names with commas; angles: how many evenly around, or degrees with commas;
   * figure: a quantity; count: a whole number; choice: one of the options; characteristic: another one that is measured;
   * names: what each name in the formula stands for.
   */
  readonly kind: 'places' | 'angles' | 'figure' | 'count' | 'choice' | 'words' | 'characteristic' | 'names'
  readonly quantity: QuantityKind
  readonly options: readonly string[]
  /** What stands there before anybody types; null: must be typed, '' : may stay empty. */
  readonly start: string | null
}

export const field = (key: string, part: Partial<SetUpField>): SetUpField => ({
  key,
  kind: 'words',
  quantity: 'length',
  options: [],
  start: '',
  ...part,
})
export const placesField = (key: string, start: string): SetUpField => field(key, { kind: 'places', start })
export const anglesField = (key: string, start: string): SetUpField => field(key, { kind: 'angles', start })
export const figureField = (key: string, start: string | null, part: Partial<SetUpField> = {}): SetUpField =>
  field(key, { kind: 'figure', start, ...part })
export const choiceField = (key: string, start: string, options: readonly string[]): SetUpField =>
  field(key, { kind: 'choice', start, options })
export const repeatsField = (start: string): SetUpField => field('repeats', { kind: 'count', start })
export const repeatabilityField = (quantity: QuantityKind, start: string | null): SetUpField =>
  figureField('repeatability', start, { quantity })
export const walkField = choiceField('walk', 'stationFirst', ['stationFirst', 'directionFirst'])
export const wearsField = (start: 'larger' | 'smaller'): SetUpField => choiceField('wears', start, ['larger', 'smaller'])
export const quantityField = choiceField('quantity', 'temperature', quantityKinds)
export const diameterFields = [placesField('stations', '3'), placesField('directions', '2'), walkField]
export const pointFields = (start = '3'): readonly SetUpField[] => [
  placesField('points', start),
  repeatsField('1'),
  repeatabilityField('length', ''),
]

export const YES_OR_NO: readonly string[] = ['yes', 'no']
