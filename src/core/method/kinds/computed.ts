import { differenceOf } from '../../quantity/kind'
import { figureForm } from '../form'
import { checkFormula, parseFormula } from '../formula'
import type { MethodKindOf, Shaped } from '../methodKind'
import { propagate } from '../propagate'
import { give, giveWearOf, type Outcome, type ReduceInput, type Values } from '../reduce/taken'
import { knownOf, type Reduced } from '../reduction'
import type { Answers } from '../setUp/answers'
import { unusable } from '../setUp/answers'
import { field, quantityField, wearsField } from '../setUp/fields'
import { namesInFormula } from '../setUp/namesInFormula'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { always } from '../valuesGiven'

const shape = ({ z, measured, quantitySchema, wearsSchema }: Shaping) =>
  z.strictObject({
    kind: z.literal('computed'),
    formula: z.string().min(1).max(400),
    /** What each name in the formula stands for: a reduced value of another characteristic. */
    names: z.record(
      z.string().regex(/^[A-Za-z]\w{0,20}$/),
      z.strictObject({ characteristic: measured, value: z.string().min(1).max(40) }),
    ),
    quantity: quantitySchema,
    wears: wearsSchema,
  })
export type Computed = Shaped<typeof shape>

/** A characteristic that follows from others by a formula, with their uncertainties carried through it. */
function reduceComputed({ method, resultOf, nominal, guard, wears }: ReduceInput<Computed>): Outcome {
  const parsed = parseFormula(method.formula, Object.keys(method.names))
  if (!parsed.ok) return { values: {}, faults: [{ code: 'formula', why: parsed.fault }] }
  const { names } = parsed.value
  const known = new Map<string, Reduced>()
  for (const name of names) {
    const of = method.names[name]
    const value = of ? resultOf(of.characteristic, of.value) : null
    if (of && value) known.set(name, value)
  }
  // Until everything it needs is measured there is no value, and that is no fault.
  if (known.size < names.length) return { values: {}, faults: [] }
  const wrong = checkFormula(parsed.value, (name) => known.get(name)?.quantity ?? method.quantity, method.quantity)
  if (wrong) return { values: {}, faults: [{ code: 'formula', why: wrong }] }
  const named = new Map([...known].map(([name, value]) => [name, { quantity: value.quantity, known: knownOf(value) }] as const))
  const found = propagate(parsed.value, named, method.quantity, guard)
  if (!found)
    return {
      values: {},
      faults: [{ code: 'formula', why: { code: 'mayDivideByZero' } }],
    }
  const values: Values = {}
  give(values, 'result', found.value, {
    quantity: method.quantity,
    where: { code: 'formula', formula: method.formula },
    sum: [...known].map(([name, { quantity, value, interval }]) => ({
      name: { code: 'named', name },
      less: false,
      quantity,
      value,
      interval,
    })),
  })
  if (nominal !== null && wears !== 'either')
    giveWearOf(values, found.value, values.result, nominal, wears, guard, { larger: 'result', smaller: 'result' })
  return { values, faults: [] }
}

/** `a = characteristic.value; b = …`, as the form writes it from what was chosen. */
function formulaNames(a: Answers) {
  const wanted = namesInFormula(a.words('formula'))
  const parsed = parseFormula(a.words('formula'), wanted)
  if (!parsed.ok) throw unusable('formula', { code: 'formula', why: parsed.fault })
  if (wanted.length === 0) throw unusable('formula', { code: 'namesNothing' })
  const named = new Map(a.pairs('names'))
  return Object.fromEntries(
    wanted.map((name) => {
      const of = named.get(name) ?? ''
      const at = of.lastIndexOf('.')
      if (at < 1) throw unusable('names', { code: 'standsFor', name })
      return [name, { characteristic: of.slice(0, at), value: of.slice(at + 1) }]
    }),
  )
}

export const computed: MethodKindOf<Computed> = {
  shape,
  faults: ({ formula, names }) => {
    const parsed = parseFormula(formula, Object.keys(names))
    return parsed.ok ? [] : [{ code: 'formula', why: parsed.fault }]
  },
  wears: ({ wears }) => wears,
  // Nothing is read for it: it has no places at all.
  layout: () => sheet({ stations: [] }),
  form: ({ quantity }) => figureForm(quantity, true),
  gives: ({ quantity }) => ({ result: quantity, wear: differenceOf(quantity) }),
  canGive: always,
  reduce: reduceComputed,
  setUp: [quantityField, wearsField('larger'), field('formula', { start: null }), field('names', { kind: 'names', start: null })],
  build: (a) => ({
    kind: 'computed',
    formula: a.words('formula'),
    names: formulaNames(a),
    quantity: a.choice('quantity'),
    wears: a.choice('wears'),
  }),
  usualGauge: 'eye',
  needs: ({ names }) => Object.values(names).map(({ characteristic }) => characteristic),
  slips: {},
}
