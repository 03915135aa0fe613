import { mean, range } from '../base/statistics'

const TURN_DEG = 360
const radians = (degrees: number): number => (degrees * Math.PI) / 180
const degreesWithin = (angleRad: number, turnDeg: number): number => {
  const degrees = ((((angleRad * 180) / Math.PI) % turnDeg) + turnDeg) % turnDeg
  return degrees === turnDeg ? 0 : degrees
}

/** Dial readings around, split by least squares into y = c0 + c1 cos t + s1 sin t + c2 cos 2t + s2 sin 2t. */
export interface HarmonicFit {
  /** Largest minus smallest reading: total indicated reading. */
  readonly totalIndicated: number
  readonly mean: number
  /** √(c1² + s1²): eccentricity of the surface to the axis it turns about; its share of the total indicated reading is twice that. */
  readonly firstAmplitude: number
  /** Angle of the high point of the first harmonic, 0 to 360°. */
  readonly highPointDeg: number
  /** √(c2² + s2²); null with too few angles to tell it from the first (fewer than five). */
  readonly secondAmplitude: number | null
  /** First of the two high points of the second harmonic, 0 to 180°. */
  readonly secondHighPointDeg: number | null
  /** Root of the mean squared residual, divisor n. */
  readonly residualRms: number
}

/** One reading at its angle, degrees in the direction the sheet counts. */
export interface AnglePoint {
  readonly angleDeg: number
  readonly value: number
}

/** Fewest angles for a mean and one harmonic, and for two harmonics. */
const FIRST_NEEDS = 3
const SECOND_NEEDS = 5

/**
 * Least-squares fit of mean, first and second harmonic (any angles, equally spaced or not). With three or four angles
 * only the first harmonic is fitted. Null with fewer than three, or when the angles do not tell the terms apart.
 */
export function harmonicFit(points: readonly AnglePoint[]): HarmonicFit | null {
  if (points.length < FIRST_NEEDS) return null
  const orders = points.length >= SECOND_NEEDS ? [1, 2] : [1]
  const rows = rowsOf(
    points.map(({ angleDeg }) => angleDeg),
    orders,
  )
  const values = points.map(({ value }) => value)
  const solved = leastSquares(rows, values)
  if (solved === null) return null
  const [c0 = 0, c1 = 0, s1 = 0, c2, s2] = solved
  const residuals = rows.map(
    (row, index) => (values[index] ?? 0) - row.reduce((sum, term, at) => sum + term * (solved[at] ?? 0), 0),
  )
  const second = c2 === undefined || s2 === undefined ? null : { c2, s2 }
  return {
    totalIndicated: range(values),
    mean: c0,
    firstAmplitude: Math.hypot(c1, s1),
    highPointDeg: degreesWithin(Math.atan2(s1, c1), TURN_DEG),
    secondAmplitude: second && Math.hypot(second.c2, second.s2),
    secondHighPointDeg: second && degreesWithin(Math.atan2(second.s2, second.c2) / 2, TURN_DEG / 2),
    residualRms: Math.sqrt(mean(residuals.map((residual) => residual ** 2))),
  }
}

/** Weights of each reading in the cosine and the sine part of a harmonic, in the order of the angles. */
export interface HarmonicWeights {
  readonly first: { readonly cos: readonly number[]; readonly sin: readonly number[] }
  /** Null with too few angles to tell it from the first (fewer than five). */
  readonly second: { readonly cos: readonly number[]; readonly sin: readonly number[] } | null
}

const weightsByAngles = new Map<string, HarmonicWeights | null>()
const MOST_KEPT = 200

/**
 * The least-squares fit of `harmonicFit` as weights: every coefficient is a sum of readings, each times its weight, so
 * that bounds and errors can be carried through it. Null with fewer than three angles, or when they do not tell the terms apart.
 */
export function harmonicWeights(anglesDeg: readonly number[]): HarmonicWeights | null {
  const key = anglesDeg.join(' ')
  const known = weightsByAngles.get(key)
  if (known !== undefined) return known
  if (weightsByAngles.size >= MOST_KEPT) weightsByAngles.clear()
  const made = weightsOf(anglesDeg)
  weightsByAngles.set(key, made)
  return made
}

function weightsOf(anglesDeg: readonly number[]): HarmonicWeights | null {
  if (anglesDeg.length < FIRST_NEEDS) return null
  const orders = anglesDeg.length >= SECOND_NEEDS ? [1, 2] : [1]
  const rows = rowsOf(anglesDeg, orders)
  const solutions = rows.map((_, index) =>
    leastSquares(
      rows,
      rows.map((_row, at) => (at === index ? 1 : 0)),
    ),
  )
  if (solutions.some((solved) => solved === null)) return null
  const column = (at: number): number[] => solutions.map((solved) => solved?.[at] ?? 0)
  return {
    first: { cos: column(1), sin: column(2) },
    second: orders.length === 2 ? { cos: column(3), sin: column(4) } : null,
  }
}

const rowsOf = (anglesDeg: readonly number[], orders: readonly number[]): number[][] =>
  anglesDeg.map((angleDeg) => [
    1,
    ...orders.flatMap((order) => [Math.cos(order * radians(angleDeg)), Math.sin(order * radians(angleDeg))]),
  ])

/** Below this a pivot of the normal equations (whose diagonal is of the order of n) is nothing but rounding. */
const SMALLEST_PIVOT = 1e-9

/** Solves the normal equations by elimination with pivoting; null when the columns do not tell each other apart. */
function leastSquares(rows: readonly (readonly number[])[], values: readonly number[]): number[] | null {
  const size = rows[0]?.length ?? 0
  const system = Array.from({ length: size }, (_, i) => [
    ...Array.from({ length: size }, (_, j) => rows.reduce((sum, row) => sum + (row[i] ?? 0) * (row[j] ?? 0), 0)),
    rows.reduce((sum, row, at) => sum + (row[i] ?? 0) * (values[at] ?? 0), 0),
  ])
  for (let column = 0; column < size; column += 1) {
    const pivot = system
      .slice(column)
      .reduce((best, row) => (Math.abs(row[column] ?? 0) > Math.abs(best[column] ?? 0) ? row : best))
    if (Math.abs(pivot[column] ?? 0) < SMALLEST_PIVOT) return null
    system.splice(system.indexOf(pivot), 1)
    system.splice(column, 0, pivot)
    for (const row of system) {
      if (row === pivot) continue
      const factor = (row[column] ?? 0) / (pivot[column] ?? 1)
      for (let at = column; at <= size; at += 1) row[at] = (row[at] ?? 0) - factor * (pivot[at] ?? 0)
    }
  }
  return system.map((row, index) => (row[size] ?? 0) / (row[index] ?? 1))
}
