import { err, ok, type Result } from '../base/result'
import { add, type Interval, largest, point, scale, smallest, subtract } from '../quantity/interval'
import { type QuantityKind, quantityKinds } from '../quantity/kind'
import { findUnit } from '../quantity/units'

/** Exponents of the base dimensions; none is a bare number. */
type Dimension = Readonly<Record<string, number>>

/** What one fixed unit of a kind is in coherent base units (mm, N, K, s, kg, °), and its dimension. */
const COHERENT: Readonly<Record<QuantityKind, { readonly scale: number; readonly dimension: Dimension }>> = {
  length: { scale: 1, dimension: { mm: 1 } },
  angle: { scale: 1, dimension: { '°': 1 } },
  torque: { scale: 1000, dimension: { N: 1, mm: 1 } },
  force: { scale: 1, dimension: { N: 1 } },
  pressure: { scale: 0.1, dimension: { N: 1, mm: -2 } },
  stiffness: { scale: 1, dimension: { N: 1, mm: -1 } },
  slope: { scale: 0.001, dimension: {} },
  temperature: { scale: 1, dimension: { K: 1 } },
  temperatureDifference: { scale: 1, dimension: { K: 1 } },
  mass: { scale: 1, dimension: { kg: 1 } },
  resistance: { scale: 1, dimension: { MΩ: 1 } },
  velocity: { scale: 1, dimension: { mm: 1, s: -1 } },
  flow: { scale: 1e6 / 60, dimension: { mm: 3, s: -1 } },
  time: { scale: 1, dimension: { s: 1 } },
  hardness: { scale: 1, dimension: { HB: 1 } },
  hardnessVickers: { scale: 1, dimension: { HV: 1 } },
  hardnessRockwell: { scale: 1, dimension: { HRC: 1 } },
  percent: { scale: 0.01, dimension: {} },
  count: { scale: 1, dimension: {} },
}

type Node =
  | { readonly kind: 'constant'; readonly value: number; readonly dimension: Dimension }
  | { readonly kind: 'name'; readonly name: string }
  | { readonly kind: 'sum' | 'product'; readonly sign: 1 | -1; readonly left: Node; readonly right: Node }
  | { readonly kind: 'call'; readonly name: FunctionName; readonly of: readonly Node[] }

export const FUNCTIONS = ['min', 'max', 'mean', 'abs', 'sqrt'] as const
type FunctionName = (typeof FUNCTIONS)[number]

export interface Formula {
  readonly names: readonly string[]
  readonly root: Node
}

const TOKEN = /\s*(?:(\d+(?:[.,]\d+)?|[.,]\d+)|([A-Za-zπµ°Ω_][\w·µ°Ω]*)|([-+*/(),;×÷−]))/uy
const SAME_SIGN: Readonly<Record<string, string>> = { '×': '*', '÷': '/', '−': '-' }

/** Why a formula cannot be used. */
export type FormulaFault =
  | { readonly code: 'notUnderstood' | 'oneTooMany' | 'noName' | 'noFunction' | 'oneValueOnly'; readonly text: string }
  | { readonly code: 'endsEarly' | 'mayDivideByZero' }
  | { readonly code: 'expected'; readonly wanted: string; readonly found: string }
  | { readonly code: 'temperatureOrDifference' | 'noUnit'; readonly figure: string; readonly unit: string }
  | { readonly code: 'gives'; readonly found: Dimension; readonly wanted: Dimension }
  | { readonly code: 'adds'; readonly left: Dimension; readonly right: Dimension }
  | { readonly code: 'mixes'; readonly text: string; readonly of: readonly Dimension[] }

/**
 * Reads a formula over other results: `(a + b)/2 - c`, `max(a; b) - 0.05 mm`, `pi*(d - 220 mm)`. Known: + - * / ( ),
 * min, max, mean, abs, sqrt, pi, figures with or without a unit. Arguments are parted by a semicolon.
 */
export function parseFormula(text: string, names: readonly string[]): Result<Formula, FormulaFault> {
  const tokens: string[] = []
  TOKEN.lastIndex = 0
  const trimmed = text.trim()
  while (TOKEN.lastIndex < trimmed.length) {
    const at = TOKEN.lastIndex
    const match = TOKEN.exec(trimmed)
    if (!match) return err({ code: 'notUnderstood', text: trimmed.slice(at).trim() })
    tokens.push(match[1] ?? match[2] ?? SAME_SIGN[match[3] ?? ''] ?? match[3] ?? '')
  }
  const reader = new FormulaReader(tokens, names)
  return reader.read()
}

/** Recursive descent over the tokens; the first thing not understood ends it. */
class FormulaReader {
  private at = 0
  private readonly used = new Set<string>()
  constructor(
    private readonly tokens: readonly string[],
    private readonly names: readonly string[],
  ) {}

  read(): Result<Formula, FormulaFault> {
    try {
      const root = this.sum()
      const more = this.peek()
      if (more !== undefined) return err({ code: 'oneTooMany', text: more })
      return ok({ names: [...this.used], root })
    } catch (broken) {
      if (broken instanceof Broken) return err(broken.fault)
      throw broken
    }
  }
  private peek(): string | undefined {
    return this.tokens[this.at]
  }
  private take(): string {
    const token = this.tokens[this.at]
    if (token === undefined) throw new Broken({ code: 'endsEarly' })
    this.at += 1
    return token
  }
  private expect(token: string): void {
    const found = this.take()
    if (found !== token) throw new Broken({ code: 'expected', wanted: token, found })
  }
  private sum(): Node {
    let left = this.product()
    for (let next = this.peek(); next === '+' || next === '-'; next = this.peek()) {
      this.take()
      left = { kind: 'sum', sign: next === '+' ? 1 : -1, left, right: this.product() }
    }
    return left
  }
  private product(): Node {
    let left = this.factor()
    for (let next = this.peek(); next === '*' || next === '/'; next = this.peek()) {
      this.take()
      left = { kind: 'product', sign: next === '*' ? 1 : -1, left, right: this.factor() }
    }
    return left
  }
  private factor(): Node {
    const token = this.take()
    if (token === '-')
      return { kind: 'product', sign: 1, left: { kind: 'constant', value: -1, dimension: {} }, right: this.factor() }
    if (token === '(') {
      const inner = this.sum()
      this.expect(')')
      return inner
    }
    if (/^[\d.,]/.test(token)) return this.figure(token)
    if (this.peek() === '(') return this.call(token)
    if (this.names.includes(token)) {
      this.used.add(token)
      return { kind: 'name', name: token }
    }
    if (token === 'pi' || token === 'π') return { kind: 'constant', value: Math.PI, dimension: {} }
    throw new Broken({ code: 'noName', text: token })
  }
  private figure(token: string): Node {
    const figure = Number(token.replace(',', '.'))
    const next = this.peek()
    if (next === undefined || !/^[A-Za-zµ°Ω]/u.test(next) || this.names.includes(next))
      return { kind: 'constant', value: figure, dimension: {} }
    for (const kind of quantityKinds) {
      const unit = findUnit(kind, next)
      if (!unit || unit.id === '') continue
      if (unit.zero !== 0n) throw new Broken({ code: 'temperatureOrDifference', figure: token, unit: next })
      this.take()
      const { scale: coherent, dimension } = COHERENT[kind]
      return {
        kind: 'constant',
        value: ((figure * Number(unit.per.numerator)) / Number(unit.per.denominator)) * coherent,
        dimension,
      }
    }
    throw new Broken({ code: 'noUnit', figure: token, unit: next })
  }
  private call(token: string): Node {
    const name = FUNCTIONS.find((known) => known === token)
    if (!name) throw new Broken({ code: 'noFunction', text: token })
    this.expect('(')
    const of = [this.sum()]
    while (this.peek() === ';') {
      this.take()
      of.push(this.sum())
    }
    this.expect(')')
    if ((name === 'abs' || name === 'sqrt') && of.length !== 1) throw new Broken({ code: 'oneValueOnly', text: name })
    return { kind: 'call', name, of }
  }
}

class Broken extends Error {
  constructor(readonly fault: FormulaFault) {
    super(fault.code)
  }
}

const clean = (dimension: Dimension): Dimension =>
  Object.fromEntries(Object.entries(dimension).filter(([, power]) => power !== 0))
const combine = (a: Dimension, b: Dimension, sign: 1 | -1): Dimension =>
  clean(
    Object.fromEntries(
      [...new Set([...Object.keys(a), ...Object.keys(b)])].map((key) => [key, (a[key] ?? 0) + sign * (b[key] ?? 0)]),
    ),
  )
const same = (a: Dimension, b: Dimension): boolean => Object.keys(combine(a, b, -1)).length === 0
/** Checks that a formula adds only like to like and gives the kind it is said to give; the fault when not. */
export function checkFormula(formula: Formula, kindOf: (name: string) => QuantityKind, gives: QuantityKind): FormulaFault | null {
  try {
    const found = dimensionOf(formula.root, kindOf)
    const wanted = COHERENT[gives].dimension
    return same(found, wanted) ? null : { code: 'gives', found, wanted }
  } catch (broken) {
    if (broken instanceof Broken) return broken.fault
    throw broken
  }
}

function dimensionOf(node: Node, kindOf: (name: string) => QuantityKind): Dimension {
  switch (node.kind) {
    case 'constant':
      return node.dimension
    case 'name':
      return COHERENT[kindOf(node.name)].dimension
    case 'sum': {
      const [left, right] = [dimensionOf(node.left, kindOf), dimensionOf(node.right, kindOf)]
      if (!same(left, right)) throw new Broken({ code: 'adds', left, right })
      return left
    }
    case 'product':
      return combine(dimensionOf(node.left, kindOf), dimensionOf(node.right, kindOf), node.sign)
    case 'call': {
      const all = node.of.map((inner) => dimensionOf(inner, kindOf))
      const first = all[0] ?? {}
      if (all.some((other) => !same(first, other))) throw new Broken({ code: 'mixes', text: node.name, of: all })
      return node.name === 'sqrt' ? Object.fromEntries(Object.entries(first).map(([unit, power]) => [unit, power / 2])) : first
    }
  }
}

export interface NamedValue {
  readonly interval: Interval
  readonly quantity: QuantityKind
}

/** Value of a formula in the fixed unit of `gives`, as an interval; null when it divides by what may be zero or takes a root below it. */
export function evaluateFormula(formula: Formula, resultOf: (name: string) => NamedValue, gives: QuantityKind): Interval | null {
  const found = valueAt(formula.root, (name) => {
    const { interval, quantity } = resultOf(name)
    return scale(interval, COHERENT[quantity].scale)
  })
  return found && scale(found, 1 / COHERENT[gives].scale)
}

function valueAt(node: Node, resultOf: (name: string) => Interval): Interval | null {
  switch (node.kind) {
    case 'constant':
      return point(node.value)
    case 'name':
      return resultOf(node.name)
    case 'sum': {
      const left = valueAt(node.left, resultOf)
      const right = valueAt(node.right, resultOf)
      return left && right && (node.sign === 1 ? add(left, right) : subtract(left, right))
    }
    case 'product': {
      const left = valueAt(node.left, resultOf)
      const right = valueAt(node.right, resultOf)
      if (!left || !right) return null
      return node.sign === 1 ? times(left, right) : divide(left, right)
    }
    case 'call':
      return callOf(
        node.name,
        node.of.map((inner) => valueAt(inner, resultOf)),
      )
  }
}

function times(a: Interval, b: Interval): Interval | null {
  const all = [a.low * b.low, a.low * b.high, a.high * b.low, a.high * b.high]
  // 0 × ∞: nothing is known.
  return all.some(Number.isNaN) ? null : { low: Math.min(...all), high: Math.max(...all) }
}

function divide(a: Interval, b: Interval): Interval | null {
  return b.low <= 0 && b.high >= 0 ? null : times(a, { low: 1 / b.high, high: 1 / b.low })
}

function callOf(name: FunctionName, of: readonly (Interval | null)[]): Interval | null {
  const all = of.filter((value) => value !== null)
  const first = all[0]
  if (!first || all.length < of.length) return null
  switch (name) {
    case 'min':
      return smallest(all)
    case 'max':
      return largest(all)
    case 'mean':
      return scale(all.slice(1).reduce(add, first), 1 / all.length)
    case 'abs':
      if (first.low >= 0) return first
      return { low: first.high <= 0 ? -first.high : 0, high: Math.max(-first.low, first.high) }
    case 'sqrt':
      return first.low < 0 ? null : { low: Math.sqrt(first.low), high: Math.sqrt(first.high) }
  }
}
