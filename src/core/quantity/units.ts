import type { QuantityKind } from './kind'

export interface Rational {
  readonly numerator: bigint
  readonly denominator: bigint
}

/** A unit: the value in the kind's fixed unit is (figure − zero) × per, exactly. */
export interface Unit {
  readonly id: string
  readonly per: Rational
  /** Figure of this unit that stands for 0 of the fixed one; 0 for all but °F. */
  readonly zero: bigint
  /** Other ways it is typed. */
  readonly also: readonly string[]
}

const rational = (text: string): Rational => {
  const [top = '1', bottom = '1'] = text.split('/')
  const scaled = (decimal: string): [bigint, bigint] => {
    const [whole = '0', places = ''] = decimal.split('.')
    return [BigInt(whole + places), 10n ** BigInt(places.length)]
  }
  const [topFigures, topScale] = scaled(top)
  const [bottomFigures, bottomScale] = scaled(bottom)
  return { numerator: topFigures * bottomScale, denominator: topScale * bottomFigures }
}

const unit = (id: string, per: string, also: readonly string[] = [], zero = 0n): Unit => ({ id, per: rational(per), also, zero })

/**
 * Units by kind, the fixed one first. Exact by definition: 1 in = 25.4 mm and 1 lb = 0.45359237 kg (agreement of 1959),
 * standard gravity 9.80665 m/s² (CGPM 1901), hence 1 lbf = 4.4482216152605 N.
 */
export const unitsOf: Readonly<Record<QuantityKind, readonly Unit[]>> = {
  length: [
    unit('mm', '1'),
    unit('cm', '10'),
    unit('m', '1000'),
    // Micro sign and Greek mu look the same.
    unit('um', '0.001', ['\u00b5m', '\u03bcm']),
    // Tablets make a crossCheck quotation mark of the inch mark.
    unit('in', '25.4', ['"', '\u201d']),
    unit('thou', '0.0254'),
  ],
  angle: [unit('°', '1', ['deg']), unit("'", '1/60', ['\u2032', 'min'])],
  torque: [
    unit('N·m', '1', ['nm', 'n m']),
    unit('kN·m', '1000', ['knm', 'kn m']),
    unit('lbf·ft', '1.3558179483314004', ['lbf ft', 'ft lb', 'ft·lb', 'lb ft', 'ft-lb']),
    unit('lbf·in', '0.1129848290276167', ['lbf in', 'in lb', 'in·lb', 'lb in', 'in-lb']),
  ],
  force: [unit('N', '1'), unit('kN', '1000'), unit('lbf', '4.4482216152605', ['lb']), unit('kgf', '9.80665', ['kp'])],
  pressure: [
    unit('bar', '1'),
    unit('mbar', '0.001'),
    unit('Pa', '0.00001'),
    unit('kPa', '0.01'),
    unit('MPa', '10'),
    unit('psi', '44.482216152605/645.16', ['lbf/in²', 'lb/in²']),
  ],
  stiffness: [unit('N/mm', '1'), unit('kN/m', '1'), unit('lbf/in', '4.4482216152605/25.4', ['lb/in'])],
  slope: [unit('mm/m', '1'), unit('thou/ft', '25.4/304.8'), unit('thou/in', '1')],
  temperature: [unit('°C', '1', ['c', 'degc']), unit('°F', '5/9', ['f', 'degf'], 32n)],
  temperatureDifference: [unit('K', '1', ['°C', 'c', 'degc']), unit('°F', '5/9', ['f', 'degf'])],
  mass: [unit('kg', '1'), unit('g', '0.001'), unit('t', '1000'), unit('lb', '0.45359237'), unit('oz', '0.028349523125')],
  resistance: [
    unit('MΩ', '1', ['Mohm']),
    unit('GΩ', '1000', ['Gohm']),
    unit('kΩ', '0.001', ['kohm']),
    unit('Ω', '0.000001', ['ohm']),
    unit('mΩ', '0.000000001', ['mohm']),
  ],
  velocity: [unit('mm/s', '1'), unit('in/s', '25.4')],
  flow: [unit('l/min', '1'), unit('m³/h', '50/3', ['m3/h']), unit('ml/min', '0.001')],
  time: [unit('s', '1'), unit('min', '60'), unit('h', '3600')],
  hardness: [unit('HB', '1', ['hbw'])],
  hardnessVickers: [unit('HV', '1')],
  hardnessRockwell: [unit('HRC', '1')],
  percent: [unit('%', '1')],
  count: [unit('', '1')],
}

/** Finds a unit as typed: exactly first (MΩ is not mΩ), then without regard to capitals where that is unambiguous. */
export function findUnit(kind: QuantityKind, text: string): Unit | null {
  const units = unitsOf[kind]
  const exact = units.find(({ id, also }) => id === text || also.includes(text))
  if (exact) return exact
  const lower = text.toLowerCase()
  const alike = units.filter(({ id, also }) => [id, ...also].some((name) => name.toLowerCase() === lower))
  return alike.length === 1 ? (alike[0] ?? null) : null
}

/** The unit of this id; throws for an id that is not in the table, which is a bug. */
export function unitById(kind: QuantityKind, id: string): Unit {
  const found = unitsOf[kind].find((candidate) => candidate.id === id)
  if (!found) throw new Error(`${kind} has no unit “${id}”`)
  return found
}

/** A value of the fixed unit as a figure of another one. */
export const inUnit = (value: number, { per, zero }: Unit): number =>
  per.numerator === per.denominator && zero === 0n
    ? value
    : (value * Number(per.denominator)) / Number(per.numerator) + Number(zero)
