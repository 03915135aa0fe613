import { type QuantityKind, quantityFacts } from './kind'
import type { UnitSystem } from './unitSystem'
import { inUnit, unitById } from './units'

const MM_PER_INCH = 25.4

/** Decimals that show a step: 0.001 → 3, 0.05 → 2, 1 → 0. */
function decimalsOf(step: number): number {
  return Math.max(0, Math.ceil(-Math.log10(step) - 1e-9))
}

/** The step in inches that shows no less than a step in mm: 0.01 mm → 0.0001 in, 0.001 mm → 0.00001 in. */
const inchStepOf = (stepMm: number): number => stepMm / 100

/**
 * A length as bare figures in the given system, to the given step in mm, with a true minus sign.
 *
 * @example formatLength(220.4, 'metric', 0.001) // '220.400'
 */
export function formatLength(valueMm: number, system: UnitSystem, stepMm: number): string {
  const value = system === 'metric' ? valueMm : valueMm / MM_PER_INCH
  const decimals = decimalsOf(system === 'metric' ? stepMm : inchStepOf(stepMm))
  return toDecimals(value, decimals)
}

/** Far wider than thirteen figures of anything up to `MOST_EXACT` can be off. */
const NEAR_HALF = 1e-3
const MOST_EXACT = 1e9

/** Half away from zero on the decimal the value stands for: 0.0125 shown to 3 places is 0.013, not the binary 0.012. */
function toDecimals(value: number, decimals: number): string {
  const scale = 10 ** decimals
  const scaled = Math.abs(value) * scale
  // Only near a half can the binary figure and the decimal one be rounded differently.
  const nearHalf = Math.abs(scaled - Math.floor(scaled) - 0.5) < NEAR_HALF || scaled > MOST_EXACT
  const steps = Math.round(nearHalf ? Number(scaled.toPrecision(13)) : scaled)
  const text = (steps / scale).toFixed(decimals)
  return value < 0 && steps !== 0 ? `−${text}` : text
}

/**
 * A step that becomes more than half of a decimal in another unit is shown by that decimal: 1 N·m is 0.74 lbf·ft, shown to
 * 1; but half a degree is half a degree, and keeps its figure.
 */
const ABOUT_A_UNIT = 1.9

/** A signed difference: always + or −. */
export function formatSignedLength(valueMm: number, system: UnitSystem, stepMm: number): string {
  const text = formatLength(valueMm, system, stepMm)
  return text.startsWith('−') || Number(text) === 0 ? text : `+${text}`
}

export const unitLabel = (system: UnitSystem): string => (system === 'metric' ? 'mm' : 'in')

/** Name of the unit a kind of quantity is shown in. */
export const unitOf = (kind: QuantityKind, system: UnitSystem): string => quantityFacts[kind].shownIn[system]

/**
 * A value in its kind's fixed unit as bare figures of the unit shown in this system, to the given step of the fixed unit.
 *
 * @example formatQuantity(180, 'torque', 'inch', 1) // '133'
 */
export function formatQuantity(value: number, kind: QuantityKind, system: UnitSystem, step: number): string {
  if (kind === 'length') return formatLength(value, system, step)
  const unit = unitById(kind, unitOf(kind, system))
  const stepShown = (step * Number(unit.per.denominator)) / Number(unit.per.numerator)
  const decimals =
    unit.per.numerator === unit.per.denominator ? decimalsOf(step) : Math.max(0, Math.ceil(-Math.log10(ABOUT_A_UNIT * stepShown)))
  return toDecimals(inUnit(value, unit), decimals)
}

/** A value or an interval with whichever ends it has: “12.34”, “≥ 180”, “103.8 … 104.2”. */
export function formatEnds(low: number | null, high: number | null, figure: (value: number) => string): string {
  if (low !== null && high !== null) return low === high ? figure(low) : `${figure(low)} … ${figure(high)}`
  if (low !== null) return `≥ ${figure(low)}`
  return high === null ? 'unknown' : `≤ ${figure(high)}`
}

/** Running hours and other whole figures, grouped by a no-break space: 31240 → '31 240'. */
export const formatHours = (hours: number): string =>
  Math.round(hours)
    .toString()
    .replace(/\B(?=(\d{3})+$)/g, '\u00a0')

/** An amount of money or of days: whole ones grouped, parts to two places. */
export const formatAmount = (amount: number): string => {
  const cents = Math.round((amount - Math.trunc(amount)) * 100)
  return cents === 0 ? formatHours(amount) : `${formatHours(Math.trunc(amount))}.${String(cents).padStart(2, '0')}`
}

/** A figure with its sign, plus too; nothing has none. */
export const withSign = (text: string): string => (text.startsWith('−') || Number(text) === 0 ? text : `+${text}`)
