import { checkFormula, parseFormula } from '../formula'
import { wearsTowards } from '../method'
import { propagate } from '../propagate'
import { knownOf, type Reduced } from '../reduction'
import { give, giveWearOf, type Outcome, type ReduceInput, type Values } from './taken'

/** A characteristic that follows from others by a formula, with their uncertainties carried through it. */
export function reduceComputed({ method, resultOf, nominal, guard }: ReduceInput<'computed'>): Outcome {
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
      faults: [{ code: 'formula', why: 'The formula divides by what may be zero, or takes a root of what may be below it.' }],
    }
  const values: Values = {}
  give(values, 'result', found.value, {
    quantity: method.quantity,
    where: method.formula,
    sum: [...known].map(([label, { quantity, value, interval }]) => ({ label, quantity, value, interval })),
  })
  const towards = wearsTowards(method)
  if (nominal !== null && towards !== 'either')
    giveWearOf(values, found.value, values.result, nominal, towards, guard, { larger: 'result', smaller: 'result' })
  return { values, faults: [] }
}
