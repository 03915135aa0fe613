/**
 * Distribution functions that uncertainty and forecasts need. A package that has them for degrees of freedom that are no
 * whole numbers weighs 52 kB in the bench, which must stay small; these are a page, tested against published tables.
 */

/** Lanczos approximation of ln Γ (g = 7, nine terms): relative error below 1e-13 for x > 0 (Press et al., section 6.1). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
  -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
] as const

function logGamma(x: number): number {
  const [first, ...others]: readonly [number, ...number[]] = LANCZOS
  const t = x + 6.5
  const series = others.reduce<number>((sum, term, index) => sum + term / (x + index), first)
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(series)
}

const CONTINUED_FRACTION_STEPS = 500
const CONVERGED = 1e-15
const TINY = 1e-300

/** Regularised incomplete beta function I_x(a, b) by its continued fraction (DLMF 8.17.22), modified Lentz. */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a)
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a
  const kept = (value: number): number => (Math.abs(value) < TINY ? TINY : value)
  let c = 1
  let d = 1 / kept(1 - ((a + b) * x) / (a + 1))
  let fraction = d
  for (let m = 1; m <= CONTINUED_FRACTION_STEPS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / kept(1 + even * d)
    c = kept(1 + even / c)
    fraction *= d * c
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / kept(1 + odd * d)
    c = kept(1 + odd / c)
    const factor = d * c
    fraction *= factor
    if (Math.abs(factor - 1) < CONVERGED) break
  }
  return front * fraction
}

/** Probability that Student's t with so many degrees of freedom (any number above 0) is at most t. */
export function studentProbability(t: number, degreesOfFreedom: number): number {
  const tail = 0.5 * incompleteBeta(degreesOfFreedom / (degreesOfFreedom + t * t), degreesOfFreedom / 2, 0.5)
  return t > 0 ? 1 - tail : tail
}

const BISECTIONS = 200

/**
 * Quantile of Student's t: the value that t with so many degrees of freedom stays below with probability p, 0 < p < 1;
 * of the normal distribution where they are null (infinite). By bisection of its probability, relative error below 1e-12.
 */
export function studentQuantile(p: number, degreesOfFreedom: number | null): number {
  if (degreesOfFreedom === null || degreesOfFreedom > NORMAL_FROM) return normalQuantile(p)
  return quantile(p, (t) => studentProbability(t, degreesOfFreedom))
}

/** From so many degrees of freedom on t is normal to six figures. */
const NORMAL_FROM = 1e6

function quantile(p: number, probability: (value: number) => number): number {
  if (p === 0.5) return 0
  if (p < 0.5) return -quantile(1 - p, probability)
  let high = 1
  while (probability(high) < p) high *= 2
  let low = 0
  for (let step = 0; step < BISECTIONS && high - low > CONVERGED * high; step += 1) {
    const middle = (low + high) / 2
    if (probability(middle) < p) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Probability that a normal value with mean 0 and standard deviation 1 is at most z: through the incomplete gamma function's continued fraction and series. */
export function normalProbability(z: number): number {
  if (z === Number.POSITIVE_INFINITY) return 1
  if (z === Number.NEGATIVE_INFINITY) return 0
  const half = 0.5 * incompleteGammaOfHalf((z * z) / 2)
  return z >= 0 ? 0.5 + half : 0.5 - half
}

/** Regularised lower incomplete gamma P(1/2, x) = erf(√x): series below 1.5, continued fraction above (DLMF 8.11.4, 8.9.2). */
function incompleteGammaOfHalf(x: number): number {
  if (x === 0) return 0
  const a = 0.5
  const front = Math.exp(-x + a * Math.log(x) - logGamma(a))
  if (x < a + 1) {
    let term = 1 / a
    let sum = term
    for (let n = 1; n < CONTINUED_FRACTION_STEPS && Math.abs(term) > CONVERGED * Math.abs(sum); n += 1) {
      term *= x / (a + n)
      sum += term
    }
    return front * sum
  }
  let b = x + 1 - a
  let c = 1 / TINY
  let d = 1 / b
  let fraction = d
  for (let n = 1; n < CONTINUED_FRACTION_STEPS; n += 1) {
    const an = -n * (n - a)
    b += 2
    d = 1 / (an * d + b)
    c = b + an / c
    const factor = d * c
    fraction *= factor
    if (Math.abs(factor - 1) < CONVERGED) break
  }
  return 1 - front * fraction
}

const quantiles = new Map<number, number>()

/** Quantile of the normal distribution with mean 0 and standard deviation 1, 0 < p < 1. */
export function normalQuantile(p: number): number {
  const known = quantiles.get(p)
  if (known !== undefined) return known
  const found = quantile(p, normalProbability)
  quantiles.set(p, found)
  return found
}
