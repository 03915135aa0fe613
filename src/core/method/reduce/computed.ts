import { checkFormula, evaluateFormula, parseFormula } from '../formula'
import { intervalOf, type Reduced } from '../reduction'
import { type Outcome, type ReduceInput, reduced, wearOf } from './taken'

/**
 * A characteristic that follows from others by a formula. Its uncertainty is carried by how far the result moves when each
 * value moves by its own standard uncertainty (GUM 5.1.3, taken numerically), in quadrature: the values count as independent.
 */
export function reduceComputed({ method, resultOf, nominal }: ReduceInput<'computed'>): Outcome {
  const names = Object.keys(method.names)
  const parsed = parseFormula(method.formula, names)
  if (!parsed.ok) return { values: {}, faults: [{ code: 'formula', why: parsed.fault }] }
  const known = new Map<string, Reduced>()
  for (const name of parsed.value.names) {
    const of = method.names[name]
    const value = of ? resultOf(of.characteristic, of.value) : null
    if (value) known.set(name, value)
  }
  const missing = parsed.value.names.filter((name) => !known.has(name))
  // Until everything it needs is measured there is no value, and that is no fault.
  if (missing.length > 0) return { values: {}, faults: [] }
  const of = (name: string): Reduced => {
    const value = known.get(name)
    if (!value) throw new Error(`formula name ${name} was looked up before`)
    return value
  }
  const wrong = checkFormula(parsed.value, (name) => of(name).quantity, method.quantity)
  if (wrong) return { values: {}, faults: [{ code: 'formula', why: wrong }] }
  const at = (moved: string | null) =>
    evaluateFormula(
      parsed.value,
      (name) => {
        const value = of(name)
        const by = name === moved ? value.uncertainty : 0
        const { low, high } = intervalOf(value)
        return { quantity: value.quantity, interval: { low: low + by, high: high + by } }
      },
      method.quantity,
    )
  const interval = at(null)
  if (!interval)
    return {
      values: {},
      faults: [{ code: 'formula', why: 'The formula divides by what may be zero, or takes a root of what may be below it.' }],
    }
  const moves = parsed.value.names.map((name) => {
    const moved = at(name)
    return moved && Number.isFinite(moved.high) && Number.isFinite(interval.high)
      ? moved.high - interval.high
      : (moved?.low ?? 0) - interval.low
  })
  const complete = parsed.value.names.every((name) => of(name).open === 'complete')
  const result = reduced(interval, {
    quantity: method.quantity,
    uncertainty: Math.hypot(...moves.map((move) => (Number.isFinite(move) ? move : 0))),
    where: method.formula,
    sum: parsed.value.names.map((name) => {
      const value = of(name)
      return { label: name, quantity: value.quantity, value: value.value, interval: value.interval }
    }),
    open: complete ? 'complete' : 'eitherWay',
  })
  const { wear } = wearOf(method, { maximum: result, minimum: result }, nominal)
  return { values: { result, ...(wear ? { wear } : {}) }, faults: [] }
}
