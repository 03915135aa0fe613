import { formatQuantity, unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseQuantity } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import { unitById } from '../quantity/units'
import type { Likely, SlipKind } from './slip'

const THIMBLE_TURNS_MM = [0.5, 0.635] // 0.5 mm and 0.025 in
const FRAMES_MM = [25, 25.4]
const MM_PER_INCH = 25.4

export interface Typed {
  /** As typed, without blanks around. */
  readonly text: string
  readonly value: number
  /** Deviation from the master where the text was signed, else null. */
  readonly deviation: number | null
  readonly masterMm: number | null
  readonly quantity: QuantityKind
  readonly system: UnitSystem
  readonly step: number
}

/** What a reading would be without one slip: the value it stands for and the text that would have been typed. */
export function candidatesOf(typed: Typed): readonly Likely[] {
  const { deviation, value, text, masterMm, quantity } = typed
  const figure = deviation ?? value
  const base = deviation === null ? 0 : value - deviation
  const meant = (kind: SlipKind, typedFigure: number, of: number = base): Likely => ({
    kind,
    value: of + typedFigure,
    text: textOf(typedFigure, of !== 0 || deviation !== null, typed),
  })
  const isLength = quantity === 'length'
  // A slip is of the figure that was typed, whose scale may begin elsewhere.
  const zero = zeroOfScale(typed)
  return [
    meant('decimalPlace', (figure + zero) * 10 - zero),
    meant('decimalPlace', (figure + zero) / 10 - zero),
    ...swaps(text, figure + zero).map((swapped) => meant('digitsSwapped', swapped - zero)),
    ...(deviation === null ? [] : [meant('comparatorSign', -figure)]),
    ...(deviation === null && masterMm !== null ? [meant('signForgotten', figure, masterMm)] : []),
    ...(isLength
      ? [
          meant('inchForMm', figure * MM_PER_INCH),
          meant('inchForMm', figure / MM_PER_INCH),
          ...[...THIMBLE_TURNS_MM].flatMap((turn) => [meant('thimbleTurn', figure - turn), meant('thimbleTurn', figure + turn)]),
          ...FRAMES_MM.flatMap((frame) => [meant('wholeFrame', figure - frame), meant('wholeFrame', figure + frame)]),
        ]
      : []),
  ]
}

/** What stands before the 0 of the fixed unit on the scale that was typed in: 32 °F, as 17.8 K; 0 for every other unit. */
function zeroOfScale({ text, quantity, system }: Typed): number {
  const read = parseQuantity(text, quantity, unitOf(quantity, system))
  if (!read.ok) return 0
  const { zero, per } = unitById(quantity, read.value.unit)
  return (Number(zero) * Number(per.numerator)) / Number(per.denominator)
}

function textOf(figure: number, signed: boolean, { quantity, system, step }: Typed): string {
  const text = formatQuantity(figure, quantity, system, step).replace('−', '-')
  return signed && figure >= 0 ? `+${text}` : text
}

/** The typed figure with each pair of neighbouring digits exchanged, in the unit it was typed in. */
function swaps(text: string, figure: number): number[] {
  const figures = /^[+-]?(\d*[.,]?\d+)/.exec(text)?.[1]?.replace(',', '.')
  const value = Number(figures)
  if (figures === undefined || value === 0) return []
  const perUnit = figure / value
  return [...figures].flatMap((digit, index) => {
    // Digits on both sides of the point are neighbours too.
    const at = figures[index + 1] === '.' ? index + 2 : index + 1
    const next = figures[at]
    if (next === undefined || !/\d/.test(digit) || !/\d/.test(next) || digit === next) return []
    const swapped = figures.slice(0, index) + next + figures.slice(index + 1, at) + digit + figures.slice(at + 1)
    return [Number(swapped) * perUnit]
  })
}
