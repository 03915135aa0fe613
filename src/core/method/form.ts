import type { QuantityKind } from '../quantity/kind'
import type { ReadingForm } from '../quantity/reading'

/** A quantity that is typed as a figure. */
export const figureForm = (quantity: QuantityKind, signed = false, pair = false): ReadingForm => ({
  kind: 'quantity',
  quantity,
  signed,
  masterMm: null,
  pair,
})

/** Kinds whose plain reading may lie below zero. */
export const readsBelowZero = (quantity: QuantityKind): boolean => quantity === 'temperature' || quantity === 'pressure'
