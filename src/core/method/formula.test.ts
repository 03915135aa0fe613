import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Interval, point } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import { formulaFaultWords } from '../words/methodFaults'
import { checkFormula, evaluateFormula, type NamedValue, parseFormula } from './formula'

const NAMES = ['a', 'b', 'c']
type Known = Readonly<Record<string, Interval>>
const lengths =
  (known: Known) =>
  (name: string): NamedValue => ({ interval: known[name] ?? point(0), quantity: 'length' })
function value(text: string, known: Known = {}, gives: QuantityKind = 'length'): Interval | null {
  const formula = parseFormula(text, NAMES)
  if (!formula.ok) throw new Error(formula.fault.code)
  return evaluateFormula(formula.value, lengths(known), gives)
}
const fault = (text: string): string => {
  const formula = parseFormula(text, NAMES)
  return formula.ok ? 'understood' : formulaFaultWords(formula.fault)
}

describe('a formula', () => {
  const known = { a: point(8), b: point(2), c: point(-3) }
  it.each<[text: string, gives: number]>([
    ['a + b*c', 2],
    ['(a + b)*c', -30],
    ['a - b - 1', 5],
    ['a/b/2', 2],
    ['-a + b', -6],
    ['2 - -b', 4],
    ['a − b × 2 ÷ 4', 7],
    ['max(a; b; c)', 8],
    ['min(a; b; c)', -3],
    ['mean(a; b; c)', 7 / 3],
    ['abs(c)', 3],
    ['sqrt(a*b)', 4],
    ['pi*b', 2 * Math.PI],
    ['1,5 + .5', 2],
    ['a - 1 in', -17.4],
    ['a + 2 thou', 8.0508],
    ['a - 500 µm', 7.5],
  ])('%s', (text, gives) => {
    expect(value(text, known)?.low).toBeCloseTo(gives, 12)
  })

  it.each<[text: string, says: RegExp]>([
    ['', /ends too early/],
    ['a +', /ends too early/],
    ['a b', /“b” is one too many/],
    ['2 a', /“a” is one too many/],
    ['(a', /ends too early/],
    ['(a;', /“\)” is expected where “;” stands/],
    ['a # b', /“# b” is not understood/],
    ['d + a', /“d” is not a name/],
    ['a + 3 parsecs', /“parsecs” after 3 is not a unit/],
    ['median(a; b)', /“median” is not a function here/],
    ['abs(a; b)', /“abs” takes one value/],
    ['max()', /“\)” is not a name/],
  ])('“%s” is refused', (text, says) => {
    expect(fault(text)).toMatch(says)
  })

  it.each<[text: string, kinds: Record<string, QuantityKind>, gives: QuantityKind, says: RegExp | null]>([
    ['a - b', { a: 'length', b: 'length' }, 'length', null],
    ['a/b', { a: 'force', b: 'length' }, 'stiffness', null],
    ['a*b', { a: 'force', b: 'length' }, 'torque', null],
    ['a/(b*b)', { a: 'force', b: 'length' }, 'pressure', null],
    ['sqrt(a*b)', { a: 'length', b: 'length' }, 'length', null],
    ['a/b', { a: 'length', b: 'length' }, 'percent', null],
    ['a + b', { a: 'length', b: 'force' }, 'length', /adds mm and N/],
    ['a*b', { a: 'length', b: 'length' }, 'length', /gives mm\^2, but mm is wanted/],
    ['max(a; b)', { a: 'length', b: 'time' }, 'length', /“max” mixes mm and s/],
    ['a - 1', { a: 'length' }, 'length', /adds mm and a bare number/],
    ['sqrt(a)', { a: 'length' }, 'length', /gives mm\^0\.5/],
  ])('units of %s: %o', (text, kinds, gives, says) => {
    const formula = parseFormula(text, NAMES)
    if (!formula.ok) throw new Error(formula.fault.code)
    const wrong = checkFormula(formula.value, (name) => kinds[name] ?? 'length', gives)
    if (says === null) expect(wrong).toBeNull()
    else expect(wrong && formulaFaultWords(wrong)).toMatch(says)
  })

  it('comes out in the fixed unit of what it gives', () => {
    const of =
      (a: QuantityKind, b: QuantityKind) =>
      (name: string): NamedValue =>
        name === 'a' ? { interval: point(120), quantity: a } : { interval: point(50), quantity: b }
    const evaluated = (text: string, a: QuantityKind, b: QuantityKind, gives: QuantityKind) => {
      const formula = parseFormula(text, NAMES)
      return formula.ok ? evaluateFormula(formula.value, of(a, b), gives)?.low : undefined
    }
    // 120 N at 50 mm are 6 N·m; 120 N on 50 mm × 50 mm are 0.48 bar; 120 mm in 50 mm are 240 %.
    expect(evaluated('a*b', 'force', 'length', 'torque')).toBeCloseTo(6, 12)
    expect(evaluated('a/(b*b)', 'force', 'length', 'pressure')).toBeCloseTo(0.48, 12)
    expect(evaluated('a/b', 'length', 'length', 'percent')).toBeCloseTo(240, 12)
  })

  it('says nothing where nothing is known: division by what may be zero, a root below it', () => {
    expect(value('a/b', { a: point(1), b: point(0) })).toBeNull()
    expect(value('a/b', { a: point(1), b: { low: -1, high: 1 } })).toBeNull()
    expect(value('sqrt(a)', { a: { low: -0.1, high: 4 } })).toBeNull()
    expect(value('max(a; 1/b)', { a: point(1), b: point(0) })).toBeNull()
  })
})

describe('whatever the formula', () => {
  type Tree = { readonly text: string; readonly at: (known: Readonly<Record<string, number>>) => number }
  const leaf: fc.Arbitrary<Tree> = fc.oneof(
    fc.constantFrom(...NAMES).map((name): Tree => ({ text: name, at: (known) => known[name] ?? 0 })),
    fc.integer({ min: 1, max: 9 }).map((figure): Tree => ({ text: String(figure), at: () => figure })),
  )
  const { tree } = fc.letrec<{ tree: Tree }>((tie) => ({
    tree: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      leaf,
      fc.tuple(tie('tree'), fc.constantFrom('+', '-', '*'), tie('tree')).map(
        ([l, sign, r]): Tree => ({
          text: `(${l.text} ${sign} ${r.text})`,
          at: (known) =>
            sign === '+' ? l.at(known) + r.at(known) : sign === '-' ? l.at(known) - r.at(known) : l.at(known) * r.at(known),
        }),
      ),
      tie('tree').map((of): Tree => ({ text: `abs(${of.text})`, at: (known) => Math.abs(of.at(known)) })),
      tie('tree').map((of): Tree => ({ text: `-${of.text}`, at: (known) => -of.at(known) })),
      fc.tuple(tie('tree'), tie('tree')).map(
        ([l, r]): Tree => ({
          text: `max(${l.text}; ${r.text})`,
          at: (known) => Math.max(l.at(known), r.at(known)),
        }),
      ),
    ),
  }))
  const size = fc.double({ min: -10, max: 10, noNaN: true })

  it('at points it is what the arithmetic gives', () => {
    fc.assert(
      fc.property(tree, size, size, size, (made, a, b, c) => {
        const expected = made.at({ a, b, c })
        const found = value(made.text, { a: point(a), b: point(b), c: point(c) })
        expect(Math.abs((found?.low ?? Number.NaN) - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(expected)))
      }),
      { seed: 232, numRuns: 400 },
    )
  })

  it('what is true at any point of the ranges lies in the range that comes out', () => {
    const range = fc.tuple(size, size).map(([x, y]): Interval => ({ low: Math.min(x, y), high: Math.max(x, y) }))
    const part = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(tree, fc.tuple(range, range, range), fc.tuple(part, part, part), (made, [a, b, c], [s, t, u]) => {
        const within = ({ low, high }: Interval, share: number): number => Math.min(high, low + share * (high - low))
        const found = value(made.text, { a, b, c })
        const inside = made.at({ a: within(a, s), b: within(b, t), c: within(c, u) })
        const slack = 1e-9 * Math.max(1, Math.abs(inside))
        expect(inside).toBeGreaterThanOrEqual((found?.low ?? Number.NaN) - slack)
        expect(inside).toBeLessThanOrEqual((found?.high ?? Number.NaN) + slack)
      }),
      { seed: 232, numRuns: 400 },
    )
  })
})
