import { checkFormula, parseFormula } from '../formula'
import { type Named, propagate } from '../propagate'
import { type Outcome, type ReduceInput, reduced, wearOf } from './taken'

/** A characteristic that follows from others by a formula, with their uncertainties carried through it. */
export function reduceComputed({ method, resultOf, commonOf, nominal }: ReduceInput<'computed'>): Outcome {
  const parsed = parseFormula(method.formula, Object.keys(method.names))
  if (!parsed.ok) return { values: {}, faults: [{ code: 'formula', why: parsed.fault }] }
  const { names } = parsed.value
  const known = new Map<string, Named>()
  for (const name of names) {
    const of = method.names[name]
    const value = of ? resultOf(of.characteristic, of.value) : null
    if (of && value) known.set(name, { value, common: commonOf(of.characteristic, value) })
  }
  // Until everything it needs is measured there is no value, and that is no fault.
  if (known.size < names.length) return { values: {}, faults: [] }
  const values = [...known.values()].map(({ value }) => value)
  const wrong = checkFormula(parsed.value, (name) => known.get(name)?.value.quantity ?? method.quantity, method.quantity)
  if (wrong) return { values: {}, faults: [{ code: 'formula', why: wrong }] }
  const found = propagate(parsed.value, known, method.quantity)
  if (!found)
    return {
      values: {},
      faults: [{ code: 'formula', why: 'The formula divides by what may be zero, or takes a root of what may be below it.' }],
    }
  const result = reduced(found.interval, {
    quantity: method.quantity,
    uncertainty: found.uncertainty,
    where: method.formula,
    sum: [...known].map(([label, { value }]) => ({
      label,
      quantity: value.quantity,
      value: value.value,
      interval: value.interval,
    })),
    open: values.every(({ open }) => open === 'complete') ? 'complete' : 'eitherWay',
  })
  const { wear } = wearOf(method, { maximum: result, minimum: result }, nominal)
  return { values: { result, ...(wear ? { wear } : {}) }, faults: [] }
}
