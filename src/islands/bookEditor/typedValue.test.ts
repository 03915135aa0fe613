import { expect, test } from 'vitest'
import type { Field } from '../../core/book/shape'
import { asTyped, typedValue } from './typedValue'

const word: Pick<Field, 'shape' | 'empty'> = { shape: { kind: 'text', longest: 40, isLong: false, names: null }, empty: 'asked' }
const figure: Pick<Field, 'shape' | 'empty'> = { shape: { kind: 'number', figure: null }, empty: 'null' }

test.each([
  ['a text', word, 'Journal', null, 'metric', 'Journal'],
  ['no text, where one is asked', word, ' ', null, 'metric', ''],
  ['no text, where there may be none', { ...word, empty: 'absent' as const }, '', null, 'metric', undefined],
  ['a figure in the units of the book', figure, '0,5', 'length', 'inch', 12.7],
  ['a figure with its own unit', figure, '0.3 mm', 'length', 'inch', 0.3],
  ['a size with its class', figure, '80 H7', 'length', 'metric', 80.03],
  ['no figure', figure, '', 'length', 'metric', null],
  ['a bare number, however large', figure, '2500000', null, 'inch', 2_500_000],
  ['what is no figure stays as it was typed', figure, 'eighty', 'length', 'metric', 'eighty'],
  ['nor is a length a bare number', figure, '3 mm', null, 'metric', '3 mm'],
] as const)('%s', (_, field, text, quantity, system, value) => {
  expect(typedValue(field, text, { quantity, system, classOf: 'upper' })).toBe(value)
})

test('what could not be read stands as it was typed', () => {
  expect(asTyped(figure, 'eighty', 'length', 'metric')).toBe('eighty')
  expect(asTyped(figure, 12.7, 'length', 'inch')).toBe('0.5')
  expect(asTyped(word, undefined, null, 'metric')).toBe('')
})
