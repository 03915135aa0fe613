import { err, ok, type Result } from '../base/result'
import holes from '../standards/iso286Holes.json' with { type: 'json' }
import shafts from '../standards/iso286Shafts.json' with { type: 'json' }
import grades from '../standards/iso286Tolerances.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

/** Limits of size of one tolerance class at a nominal size, as deviations from it. */
export interface Deviations {
  readonly lowerUm: number
  readonly upperUm: number
}

export type SizeClassFault =
  /** It is not written as a class: a letter or two and a grade, as H7 or js6. */
  | { readonly code: 'notAClass'; readonly text: string }
  /** The standard has no such letter for this size. */
  | { readonly code: 'letterNotHere'; readonly letter: string; readonly nominalMm: number }
  /** The standard has no such grade for this size or letter. */
  | { readonly code: 'gradeNotHere'; readonly grade: string; readonly nominalMm: number }
  /** Beyond 3150 mm, or not above 0. */
  | { readonly code: 'sizeNotInTable'; readonly nominalMm: number }

const GREATEST_MM = 3150
/** Sizes up to this follow the rules of holes with Δ; above it a hole is the mirror of its shaft. */
const LAST_WITH_DELTA_MM = 500

type Row = readonly (number | null)[]
const tolerances = rowsOf<readonly Row[]>(grades)
const shaftRows = rowsOf<Readonly<Record<string, readonly Row[]>>>(shafts)
const holeRows = rowsOf<Readonly<Record<string, readonly Row[]>>>(holes)
const GRADES: readonly string[] = ['01', '0', ...Array.from({ length: 18 }, (_, index) => String(index + 1))]
const WRITTEN = /^([a-z]{1,2})(01|\d{1,2})$/i

/** The row of a size: over the bound of the row before, up to and including its own. */
const rowAt = (rows: readonly Row[], sizeMm: number): Row | undefined => rows.find(([upTo]) => sizeMm <= (upTo ?? 0))

/** Standard tolerance of a grade, µm; null where the table has none for that size (ISO 286-1:2010, table 1). */
export function standardToleranceUm(grade: string, nominalMm: number): number | null {
  const at = GRADES.indexOf(grade)
  return at < 0 ? null : (rowAt(tolerances, nominalMm)?.[at + 1] ?? null)
}

const deviationAt = (rows: readonly Row[] | undefined, nominalMm: number): number | null =>
  (rows && rowAt(rows, nominalMm)?.[1]) ?? null

interface Asked {
  readonly letter: string
  readonly grade: string
  readonly nominalMm: number
  readonly toleranceUm: number
}

/** Grades for which the table gives k; outside them it is 0. */
const K_GRADES = ['4', '5', '6', '7']
const isUpTo = (grade: string, last: string): boolean => GRADES.indexOf(grade) <= GRADES.indexOf(last)

/** a to h lie below the nominal size as shafts, and above it as holes. */
const isMinusSide = (small: string): boolean => small <= 'h'

function shaftOf({ letter, grade, nominalMm, toleranceUm }: Asked): Deviations | null {
  if (letter === 'js') return { lowerUm: -toleranceUm / 2, upperUm: toleranceUm / 2 }
  if (letter === 'k' && !K_GRADES.includes(grade)) return { lowerUm: 0, upperUm: toleranceUm }
  if (letter === 'j') {
    const lower = deviationAt(shaftRows[`j${grade}`], nominalMm)
    return lower === null ? null : { lowerUm: lower, upperUm: lower + toleranceUm }
  }
  const deviation = deviationAt(shaftRows[letter], nominalMm)
  if (deviation === null) return null
  return isMinusSide(letter)
    ? { lowerUm: deviation - toleranceUm, upperUm: deviation }
    : { lowerUm: deviation, upperUm: deviation + toleranceUm }
}

/**
 * Holes follow from the shafts: A to H by the mirror; K to ZC by the mirror raised by Δ = ITn − IT(n−1) for K, M and N up to
 * IT8 and P to ZC up to IT7, from 3 mm to 500 mm (ISO 286-1:2010, 4.3.2.5.3 and table 3).
 */
function holeOf({ letter, grade, nominalMm, toleranceUm }: Asked): Deviations | null {
  if (letter === 'JS') return { lowerUm: -toleranceUm / 2, upperUm: toleranceUm / 2 }
  if (letter === 'J') {
    const upper = deviationAt(holeRows[`J${grade}`], nominalMm)
    return upper === null ? null : { lowerUm: upper - toleranceUm, upperUm: upper }
  }
  const small = letter.toLowerCase()
  const deviation = deviationAt(shaftRows[small], nominalMm)
  if (deviation === null) return null
  const from = (lower: number): Deviations => ({ lowerUm: lower, upperUm: lower + toleranceUm })
  if (isMinusSide(small)) return from(0 - deviation)
  const upTo = (upper: number): Deviations => ({ lowerUm: upper - toleranceUm, upperUm: upper })
  const isFine = ['k', 'm', 'n'].includes(small) ? isUpTo(grade, '8') : isUpTo(grade, '7')
  if (nominalMm > LAST_WITH_DELTA_MM) return upTo(-deviation)
  // The table has K above IT8 only up to 3 mm, and N above IT8 at 0 from 3 mm.
  if (small === 'k' && !isFine) return nominalMm <= 3 ? upTo(0) : null
  if (small === 'n' && !isFine) return upTo(nominalMm <= 3 ? 0 - deviation : 0)
  // The one value of the table that the rule does not give.
  if (letter === 'M' && grade === '6' && nominalMm > 250 && nominalMm <= 315) return upTo(-9)
  const finer = GRADES[GRADES.indexOf(grade) - 1] ?? ''
  const finerUm = standardToleranceUm(finer, nominalMm)
  const delta = !isFine || nominalMm <= 3 || finerUm === null || !isUpTo('3', grade) ? 0 : toleranceUm - finerUm
  return upTo(-deviation + delta)
}

/**
 * Deviations of a tolerance class at a nominal size: capital letters are holes, small ones shafts. The tables of
 * ISO 286-1:2010 govern, from above 0 up to 3150 mm; JS and js are half the tolerance to either side, not rounded.
 */
export function sizeClass(nominalMm: number, written: string): Result<Deviations, SizeClassFault> {
  if (!(nominalMm > 0 && nominalMm <= GREATEST_MM)) return err({ code: 'sizeNotInTable', nominalMm })
  const [, letter = '', grade = ''] = WRITTEN.exec(written.trim()) ?? []
  const isHole = letter === letter.toUpperCase()
  if (letter === '' || (!isHole && letter !== letter.toLowerCase())) return err({ code: 'notAClass', text: written })
  const small = letter.toLowerCase()
  if (small !== 'js' && small !== 'j' && shaftRows[small] === undefined) return err({ code: 'letterNotHere', letter, nominalMm })
  const toleranceUm = standardToleranceUm(grade, nominalMm)
  // Grades from 14 are not for sizes up to 1 mm (table 1, note).
  if (toleranceUm === null || (nominalMm <= 1 && isUpTo('14', grade))) return err({ code: 'gradeNotHere', grade, nominalMm })
  const asked = { letter, grade, nominalMm, toleranceUm }
  const deviations = isHole ? holeOf(asked) : shaftOf(asked)
  if (deviations) return ok(deviations)
  return err(
    small === 'j' || (small === 'k' && isHole)
      ? { code: 'gradeNotHere', grade, nominalMm }
      : { code: 'letterNotHere', letter, nominalMm },
  )
}

/** Limits of size of a class, mm, to the tenth of a micrometre. */
export function limitsOfSize(
  nominalMm: number,
  written: string,
): Result<{ readonly lowerMm: number; readonly upperMm: number }, SizeClassFault> {
  const found = sizeClass(nominalMm, written)
  if (!found.ok) return found
  const mm = (um: number): number => Math.round((nominalMm + um / 1000) * 1e7) / 1e7
  return ok({ lowerMm: mm(found.value.lowerUm), upperMm: mm(found.value.upperUm) })
}

export type FitKind = 'clearance' | 'transition' | 'interference'

export interface ClassFit {
  readonly hole: Deviations
  readonly shaft: Deviations
  readonly leastClearanceUm: number
  readonly greatestClearanceUm: number
  readonly kind: FitKind
}

/** The fit of a hole class and a shaft class; negative clearance is interference (ISO 286-1:2010, 3.3). */
export function fitOfClasses(nominalMm: number, hole: string, shaft: string): Result<ClassFit, SizeClassFault> {
  const [of, on] = [sizeClass(nominalMm, hole), sizeClass(nominalMm, shaft)]
  if (!of.ok) return of
  if (!on.ok) return on
  const leastClearanceUm = of.value.lowerUm - on.value.upperUm
  const greatestClearanceUm = of.value.upperUm - on.value.lowerUm
  const kind = leastClearanceUm >= 0 ? 'clearance' : greatestClearanceUm <= 0 ? 'interference' : 'transition'
  return ok({ hole: of.value, shaft: on.value, leastClearanceUm, greatestClearanceUm, kind })
}
