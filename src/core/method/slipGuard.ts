import type { Limit } from '../limit/limit'
import { formatLength, type UnitSystem } from '../quantity/format'
import { type Method, wearsTowards } from './method'

/** Kinds of slip at the bench, by what was probably meant. */
export type SlipKind =
  | 'decimalPlace'
  | 'thimbleTurn'
  | 'wholeFrame'
  | 'inchForMm'
  | 'comparatorSign'
  | 'signForgotten'
  | 'digitsSwapped'

/** A reading that is questioned, never changed: what was expected here, and what was probably meant. */
export interface Slip {
  /** farOff: beyond anything wear explains; wrongSideOfNew: less worn than a new part. */
  readonly code: 'farOff' | 'wrongSideOfNew'
  readonly valueMm: number
  readonly expectedMm: readonly [number, number]
  readonly likely: { readonly kind: SlipKind; readonly text: string; readonly valueMm: number } | null
}

export interface SlipInput {
  readonly method: Method
  /** As typed, without blanks around. */
  readonly text: string
  readonly valueMm: number
  /** Deviation from the master where the text was signed, else null. */
  readonly deviationMm: number | null
  readonly newMm: readonly [number, number]
  readonly limits: readonly Limit[]
  /** Expanded uncertainty of one reading, mm: a new part may measure this much beyond its own limits. */
  readonly expandedUncertaintyMm: number
  /** Sizes read already on the same set: the likely value is the one nearest to them. */
  readonly neighboursMm: readonly number[]
  readonly system: UnitSystem
  readonly stepMm: number
}

/** How far beyond the wear limit a worn part is still believed, as a part of the whole wear allowance. */
const BELIEVED_BEYOND_WEAR = 0.5
const THIMBLE_TURN_MM = 0.5
const THIMBLE_TURN_IN_MM = 0.635 // 0.025 in
const FRAMES_MM = [25, 25.4]
const MM_PER_INCH = 25.4

/**
 * Questions a reading that lies far from where new part and limits put it, or on the wrong side of new. Null when
 * nothing is wrong, and always for strip widths, which their scale judges. It warns and proposes; a person chooses.
 */
export function questionReading(input: SlipInput): Slip | null {
  if (input.method.kind === 'plasticStrip') return null
  const expectedMm = expectedSizes(input)
  const [from, to] = expectedMm
  if (input.valueMm >= from && input.valueMm <= to) return null
  const larger = wearsTowards(input.method) === 'larger'
  const wrongSide = larger ? input.valueMm < from : input.valueMm > to
  // A little beyond new is a matter of master, temperature or dirt; far beyond it is a slip like any other.
  const span = to - from
  const near = larger ? input.valueMm >= from - span : input.valueMm <= to + span
  return {
    code: wrongSide && near ? 'wrongSideOfNew' : 'farOff',
    valueMm: input.valueMm,
    expectedMm,
    likely: likelyMeant(input, expectedMm),
  }
}

function expectedSizes({ method, newMm, limits, expandedUncertaintyMm }: SlipInput): readonly [number, number] {
  const sizes = limits
    .filter(({ judges }) => ['maximum', 'minimum', 'mean', 'total', 'gapAtWornDiameter'].includes(judges))
    .map(({ wearMm }) => wearMm)
  const low = Math.min(newMm[0], ...sizes)
  const high = Math.max(newMm[1], ...sizes)
  const beyond = BELIEVED_BEYOND_WEAR * (high - low)
  const isDiameter = method.kind === 'boreDiameter' || method.kind === 'outsideDiameter'
  // A gap may be set too small as well as worn too wide; a diameter only wears one way.
  if (!isDiameter) return [Math.max(0, low - beyond), high + beyond]
  return wearsTowards(method) === 'larger'
    ? [newMm[0] - expandedUncertaintyMm, high + beyond]
    : [low - beyond, newMm[1] + expandedUncertaintyMm]
}

interface Candidate {
  readonly kind: SlipKind
  /** What would have been typed: a size, or a deviation from the master. */
  readonly typedMm: number
  readonly valueMm: number
}

function likelyMeant(input: SlipInput, [from, to]: readonly [number, number]): Slip['likely'] {
  const { neighboursMm } = input
  const centre = neighboursMm.length > 0 ? neighboursMm.reduce((sum, mm) => sum + mm, 0) / neighboursMm.length : (from + to) / 2
  const [best] = candidates(input)
    .filter(({ valueMm }) => valueMm >= from && valueMm <= to)
    .sort((a, b) => Math.abs(a.valueMm - centre) - Math.abs(b.valueMm - centre))
  if (!best) return null
  const figures = formatLength(best.typedMm, input.system, input.stepMm).replace('−', '-')
  const signed = best.valueMm !== best.typedMm && best.typedMm >= 0 ? `+${figures}` : figures
  return { kind: best.kind, text: signed, valueMm: best.valueMm }
}

function candidates(input: SlipInput): Candidate[] {
  const masterMm = input.method.kind === 'boreDiameter' ? input.method.masterMm : null
  const { deviationMm, valueMm, text } = input
  const typedMm = deviationMm ?? valueMm
  const base = deviationMm === null ? 0 : valueMm - deviationMm
  const meant = (kind: SlipKind, typed: number): Candidate => ({ kind, typedMm: typed, valueMm: base + typed })
  const turns = [THIMBLE_TURN_MM, THIMBLE_TURN_IN_MM].flatMap((turn) => [
    meant('thimbleTurn', typedMm - turn),
    meant('thimbleTurn', typedMm + turn),
  ])
  const frames = FRAMES_MM.flatMap((frame) => [meant('wholeFrame', typedMm - frame), meant('wholeFrame', typedMm + frame)])
  return [
    meant('decimalPlace', typedMm * 10),
    meant('decimalPlace', typedMm / 10),
    meant('inchForMm', typedMm * MM_PER_INCH),
    meant('inchForMm', typedMm / MM_PER_INCH),
    ...turns,
    ...frames,
    ...(deviationMm === null ? [] : [meant('comparatorSign', -typedMm)]),
    ...(deviationMm === null && masterMm !== null
      ? [{ kind: 'signForgotten' as const, typedMm, valueMm: masterMm + typedMm }]
      : []),
    ...swaps(text, typedMm).map((typed) => meant('digitsSwapped', typed)),
  ]
}

/** The typed figure with each pair of neighbouring digits exchanged, in the unit it was typed in. */
function swaps(text: string, typedMm: number): number[] {
  const figures = /^[+-]?(\d*[.,]?\d+)/.exec(text)?.[1]?.replace(',', '.')
  const value = Number(figures)
  if (figures === undefined || value === 0) return []
  const perUnit = typedMm / value
  return [...figures].flatMap((digit, index) => {
    const next = figures[index + 1]
    if (next === undefined || !/\d/.test(digit) || !/\d/.test(next) || digit === next) return []
    return [Number(figures.slice(0, index) + next + digit + figures.slice(index + 2)) * perUnit]
  })
}

const kindWords: Record<SlipKind, string> = {
  decimalPlace: 'The decimal point one place off.',
  thimbleTurn: 'One turn of the thimble is 0.5 mm, or 0.025 in.',
  wholeFrame: 'One frame of the gauge is 25 mm, or 1 in.',
  inchForMm: 'Inches and millimetres mixed.',
  comparatorSign: 'The sign of the comparator.',
  signForgotten: 'Read from the master, without its sign.',
  digitsSwapped: 'Two digits swapped.',
}

/** The warning in one or two sentences. */
export function explainSlip(slip: Slip, system: UnitSystem, stepMm: number): string {
  const figure = (mm: number): string => formatLength(mm, system, stepMm)
  const [from, to] = slip.expectedMm
  if (slip.code === 'wrongSideOfNew' && slip.likely === null)
    return `${figure(slip.valueMm)} is on the wrong side of new. Usually master, temperature or dirt; sometimes plating, picked-up metal or a closed-in shell.`
  const far = `${figure(slip.valueMm)} is far from what new part and limits let expect here, ${figure(from)} … ${figure(to)}.`
  return slip.likely ? `${far} ${kindWords[slip.likely.kind]} Did you mean ${slip.likely.text}?` : far
}
