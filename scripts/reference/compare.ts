export type Tolerance = { readonly abs: number } | { readonly rel: number }

/** What differs between a computed and an expected value, by path; empty when they agree within the tolerance. */
export function differences(got: unknown, expected: unknown, tolerance: Tolerance, path = ''): string[] {
  if (typeof expected === 'number') return agrees(got, expected, tolerance) ? [] : [path]
  if (Array.isArray(expected)) {
    if (!Array.isArray(got) || got.length !== expected.length) return [path]
    return expected.flatMap((value, index) => differences(got[index], value, tolerance, `${path}[${index}]`))
  }
  if (expected !== null && typeof expected === 'object') {
    if (got === null || typeof got !== 'object') return [path]
    return Object.entries(expected)
      .filter(([key]) => !key.startsWith('example_'))
      .flatMap(([key, value]) =>
        differences((got as Record<string, unknown>)[key], value, tolerance, path === '' ? key : `${path}.${key}`),
      )
  }
  return got === expected ? [] : [path]
}

/** An expected 0 under a relative tolerance must be met within 1e-12, as the vectors' definition asks. */
const ZERO_WITHIN = 1e-12

function agrees(got: unknown, expected: number, tolerance: Tolerance): boolean {
  if (typeof got !== 'number' || !Number.isFinite(got)) return false
  if ('abs' in tolerance) return Math.abs(got - expected) <= tolerance.abs
  return Math.abs(got - expected) <= (expected === 0 ? ZERO_WITHIN : tolerance.rel * Math.abs(expected))
}
