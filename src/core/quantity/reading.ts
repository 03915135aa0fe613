import { err, ok, type Result } from '../base/result'
import type { QuantityKind } from './kind'
import { addExact, parseQuantity, plainMinus, type Quantity, type QuantityFault } from './quantity'

/** What is typed at a place: a quantity, an answer, a cell of a contact pattern, or the state of a numbered element. */
export type ReadingForm =
  | {
      readonly kind: 'quantity'
      readonly quantity: QuantityKind
      /** Below zero means something here: a dial against its zero, an angle to either side. */
      readonly signed: boolean
      /** Size of the master the gauge is set on; a signed text is then a deviation from it. */
      readonly masterMm: number | null
      /** Up and down with their signs, taken together as one travel. */
      readonly pair: boolean
    }
  | { readonly kind: 'answer' }
  | { readonly kind: 'cell' }
  | { readonly kind: 'element' }

/**
 * A reading understood. A bound or a range stays an interval (null: no bound on that side) and is never made a single
 * figure. Exact decimals are in the fixed unit of the quantity.
 */
export type ParsedReading =
  | {
      readonly kind: 'point'
      /** Master included. */
      readonly value: number
      readonly exact: string
      /** Deviation from the master where the text was signed and a master is set, else null. */
      readonly deviation: number | null
      readonly typedStep: number | null
    }
  | {
      readonly kind: 'interval'
      readonly low: number | null
      readonly high: number | null
      readonly exactLow: string | null
      readonly exactHigh: string | null
    }
  | { readonly kind: 'notApplicable' }

export type ReadingFault =
  | QuantityFault
  | { readonly code: 'negativeSize'; readonly text: string }
  | { readonly code: 'endsSwapped'; readonly text: string }
  | { readonly code: 'pairUnsigned'; readonly text: string }
  | { readonly code: 'noAnswer'; readonly text: string; readonly form: 'answer' | 'cell' | 'element' }

export interface ReadingContext {
  readonly form: ReadingForm
  /** Unit a bare figure takes. */
  readonly defaultUnit: string
}

type QuantityForm = Extract<ReadingForm, { kind: 'quantity' }>

const BOUND = /^(>=|<=|>|<|≥|≤)\s*(.+)$/
const GO_NO = /^(.+?)\s*go\b[\s,;/]*(?:(.+?)\s*no(?:[\s-]*go)?)?$/i
const NO_ALONE = /^(.+?)\s*no(?:[\s-]*go)?$/i
const RANGE = /^(.+?)\s*(?:\.\.\.?|…|\bto\b)\s*(.+)$/i
const PAIR = /^([+-].*?)\s*[\s;/]\s*([+-].+)$/
const PAIR_UNSIGNED = /^\s*[^;]+;[^;]+$/

/**
 * Reads one typed reading: `12.34`, `+0.02` on a master, up and down as `+0.05 -0.03`, a bound `>180 Nm`,
 * feelers `0.15 go 0.20 no`, slop `103.8..104.2`. What is not fully understood is refused.
 *
 * With a master set, an explicit sign makes the text a deviation (`+0.212` on 220.200 is 220.412); an unsigned text is
 * the size itself. Without one, and where the place takes no signs, a size below zero is refused.
 */
export function parseReading(text: string, context: ReadingContext): Result<ParsedReading, ReadingFault> {
  const typed = plainMinus(text.trim())
  const { form } = context
  if (form.kind !== 'quantity') return parseWord(typed, form.kind)

  const bound = BOUND.exec(typed)
  if (bound) return parseBound(bound[1] ?? '', bound[2] ?? '', form, context.defaultUnit)
  const feelers = GO_NO.exec(typed)
  if (feelers) return parseInterval(typed, feelers[1] ?? '', feelers[2] ?? null, form, context.defaultUnit)
  const no = NO_ALONE.exec(typed)
  if (no) return parseBound('<', no[1] ?? '', form, context.defaultUnit)
  const range = RANGE.exec(typed)
  if (range) return parseInterval(typed, range[1] ?? '', range[2] ?? '', form, context.defaultUnit)
  if (form.pair) {
    const pair = PAIR.exec(typed)
    if (pair) return parsePair(pair[1] ?? '', pair[2] ?? '', form, context.defaultUnit)
    if (PAIR_UNSIGNED.test(typed)) return err({ code: 'pairUnsigned', text: typed })
  }
  const point = parsePoint(typed, form, context.defaultUnit)
  if (!point.ok) return point
  const { value, exact, deviation, typedStep } = point.value
  return ok({ kind: 'point', value, exact, deviation, typedStep })
}

interface Point extends Quantity {
  readonly deviation: number | null
}

function parsePoint(text: string, form: QuantityForm, defaultUnit: string): Result<Point, ReadingFault> {
  const parsed = parseQuantity(text, form.quantity, defaultUnit)
  if (!parsed.ok) return parsed
  const { value, exact, sign } = parsed.value
  if (form.masterMm !== null && sign !== '') {
    const size = addExact(exact, form.masterMm.toFixed(9))
    return ok({ ...parsed.value, value: Number(size), exact: size, deviation: value })
  }
  if (value < 0 && !form.signed) return err({ code: 'negativeSize', text: text.trim() })
  return ok({ ...parsed.value, deviation: null })
}

function parseBound(mark: string, text: string, form: QuantityForm, defaultUnit: string): Result<ParsedReading, ReadingFault> {
  const end = parsePoint(text, form, defaultUnit)
  if (!end.ok) return end
  const { value, exact } = end.value
  if (mark.startsWith('>') || mark === '≥')
    return ok({ kind: 'interval', low: value, high: null, exactLow: exact, exactHigh: null })
  // What takes no sign is not below zero.
  return form.signed
    ? ok({ kind: 'interval', low: null, high: value, exactLow: null, exactHigh: exact })
    : ok({ kind: 'interval', low: 0, high: value, exactLow: '0', exactHigh: exact })
}

function parseInterval(
  typed: string,
  lowText: string,
  highText: string | null,
  form: QuantityForm,
  defaultUnit: string,
): Result<ParsedReading, ReadingFault> {
  if (highText === null) return parseBound('>', lowText, form, defaultUnit)
  const high = parsePoint(highText, form, defaultUnit)
  if (!high.ok) return high
  // A unit after the second figure holds for both.
  const low = parsePoint(lowText, form, /[^\d.,/\s+-]/u.test(lowText) ? defaultUnit : high.value.unit)
  if (!low.ok) return low
  if (low.value.value > high.value.value) return err({ code: 'endsSwapped', text: typed })
  return ok({
    kind: 'interval',
    low: low.value.value,
    high: high.value.value,
    exactLow: low.value.exact,
    exactHigh: high.value.exact,
  })
}

function parsePair(
  upText: string,
  downText: string,
  form: QuantityForm,
  defaultUnit: string,
): Result<ParsedReading, ReadingFault> {
  const ends = { ...form, signed: true, masterMm: null }
  const down = parsePoint(downText, ends, defaultUnit)
  if (!down.ok) return down
  const up = parsePoint(upText, ends, /[^\d.,/\s+-]/u.test(upText) ? defaultUnit : down.value.unit)
  if (!up.ok) return up
  const travel = addExact(up.value.exact, down.value.exact, -1n)
  if (Number(travel) < 0 && !form.signed) return err({ code: 'negativeSize', text: `${upText} ${downText}` })
  const steps = [up.value.typedStep, down.value.typedStep].filter((step) => step !== null)
  return ok({
    kind: 'point',
    value: Number(travel),
    exact: travel,
    deviation: null,
    typedStep: steps.length === 0 ? null : Math.min(...steps),
  })
}

/** Answers, cells and elements in figures; the words are understood too. Values: 1 or 0; percent. */
const WORDS: Readonly<Record<'answer' | 'cell' | 'element', Readonly<Record<string, string | null>>>> = {
  answer: { '+': '1', '1': '1', yes: '1', y: '1', go: '1', '-': '0', '0': '0', no: '0', n: '0', '/': null, 'n/a': null },
  cell: { '2': '100', full: '100', '1': '50', partial: '50', '0': '0', none: '0' },
  element: { sound: '0', ok: '0', '!': '100', broken: '100' },
}

/** Letters with which a word of a form begins; a figure begins with none. */
export const lettersOf = (form: ReadingForm['kind']): string =>
  form === 'quantity' ? '' : [...new Set(Object.keys(WORDS[form]).map((word) => word.charAt(0)))].join('')

function parseWord(typed: string, form: 'answer' | 'cell' | 'element'): Result<ParsedReading, ReadingFault> {
  if (typed === '') return err({ code: 'empty', kind: 'count' })
  const known = WORDS[form][typed.toLowerCase()]
  if (known === null) return ok({ kind: 'notApplicable' })
  if (known !== undefined) return ok({ kind: 'point', value: Number(known), exact: known, deviation: null, typedStep: null })
  // Half of an element is 50 percent and not half a percent: a fraction is not guessed at.
  if (form === 'element' && !typed.includes('/')) {
    const worn = parseQuantity(typed, 'percent', '%')
    if (worn.ok && worn.value.value >= 0 && worn.value.value <= 100)
      return ok({ kind: 'point', value: worn.value.value, exact: worn.value.exact, deviation: null, typedStep: null })
  }
  return err({ code: 'noAnswer', text: typed, form })
}

/** Whether a text is signed, and so a deviation where a master is set; a bound by the figure behind its mark. */
export const signedFromMaster = (text: string): boolean => /^\s*(?:[<>]=?|[≥≤])?\s*[+-]/.test(plainMinus(text))
