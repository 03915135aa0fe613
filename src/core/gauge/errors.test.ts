import { describe, expect, test } from 'vitest'
import { testGauge } from '../method/everyMethod.fixture'
import { point } from '../quantity/interval'
import { combineErrors, coverageFactor, degreesOfFreedom, type Errors, sharesOf, standardUncertainty } from './errors'
import type { Gauge } from './gauge'
import { boundedError, readingErrors, readingUncertainty, spreadError } from './uncertainty'

const gauge = (over: Partial<Gauge>): Gauge => testGauge({ resolution: 0.001, maximumPermissibleError: 0, ...over })
const reading = (of: Gauge, at: number, id = `r${at}`): Errors => readingErrors(of, id, point(at))
const difference = (a: Errors, b: Errors): number =>
  standardUncertainty(
    combineErrors([
      [1, a],
      [-1, b],
    ]),
  )
const sum = (a: Errors, b: Errors): number =>
  standardUncertainty(
    combineErrors([
      [1, a],
      [1, b],
    ]),
  )
const STEP = 0.001 / (2 * Math.sqrt(3))

describe('one reading', () => {
  test.each<[what: string, gauge: Gauge, u: number]>([
    // Rectangular: 0.004/√3 = 2.309 µm; half-step 0.0005/√3 = 0.289 µm; together 2.327 µm.
    ['permissible error and step', gauge({ maximumPermissibleError: 0.004 }), 0.002327],
    ['a perfect gauge with coarse steps', gauge({ resolution: 0.05 }), 0.014434],
    [
      'a certificate without a table takes nothing away from the permissible error',
      gauge({ maximumPermissibleError: 0.004, calibration: { expanded: 0.002, coverage: 2 } }),
      Math.hypot(0.004 / Math.sqrt(3), 0.001, STEP),
    ],
    [
      'a table corrects it, and its own uncertainty stays',
      gauge({
        maximumPermissibleError: 0.004,
        calibration: { expanded: 0.002, coverage: 2 },
        corrections: [{ at: 0, error: 0.001 }],
      }),
      Math.hypot(0.001, STEP),
    ],
    ['known repeatability is in it', gauge({ repeatability: 0.003 }), Math.hypot(0.003, STEP)],
  ])('%s', (_what, of, u) => {
    expect(standardUncertainty(reading(of, 20))).toBeCloseTo(u, 6)
    expect(readingUncertainty(of)).toBeCloseTo(u, 6)
  })
})

describe('two readings', () => {
  const micrometer = gauge({ maximumPermissibleError: 0.004, range: { least: 0, greatest: 25 } })
  const own = 0.004 / Math.sqrt(3)
  test('the same error of one gauge cancels in a difference and doubles in a sum, its steps do neither', () => {
    const [a, b] = [reading(micrometer, 20), reading(micrometer, 20, 'other')]
    expect(difference(a, b)).toBeCloseTo(Math.SQRT2 * STEP, 12)
    expect(sum(a, b)).toBeCloseTo(Math.hypot(2 * own, Math.SQRT2 * STEP), 12)
  })
  test('a permissible error is the same only at nearly the same indication', () => {
    expect(difference(reading(micrometer, 20), reading(micrometer, 20.01))).toBeLessThan(1.1 * Math.SQRT2 * STEP)
    expect(difference(reading(micrometer, 5), reading(micrometer, 20))).toBeCloseTo(Math.hypot(own, own, STEP, STEP), 6)
    const half = difference(reading(micrometer, 20), reading(micrometer, 20.5))
    expect(half).toBeGreaterThan(0.5 * own)
    expect(half).toBeLessThan(Math.SQRT2 * own)
  })
  test('where an indication is only bounded the worse case stands: nothing cancels, everything adds', () => {
    const bounded = readingErrors(micrometer, 'b', { low: 20, high: 20.001 })
    expect(difference(reading(micrometer, 20), bounded)).toBeCloseTo(Math.hypot(own, own, STEP, STEP), 12)
    expect(sum(reading(micrometer, 20), bounded)).toBeCloseTo(Math.hypot(2 * own, STEP, STEP), 12)
  })
  test('errors of two gauges never cancel', () => {
    const other = reading({ ...micrometer, id: 'h' }, 20, 'other')
    expect(difference(reading(micrometer, 20), other)).toBeCloseTo(Math.hypot(own, own, STEP, STEP), 12)
  })
  test('a scale, a master, a temperature that both have is one error', () => {
    const scale = (id: string): Errors => [boundedError('stripScale', 'scale', 0.01), ...reading(gauge({}), 2, id)]
    expect(difference(scale('a'), scale('b'))).toBeCloseTo(Math.SQRT2 * STEP, 12)
    const master = [boundedError('master', '200', 0.002)]
    expect(sum(master, master)).toBeCloseTo((2 * 0.002) / Math.sqrt(3), 12)
  })
  test('a reading less itself has no error', () => {
    const a = reading(micrometer, 20)
    expect(
      combineErrors([
        [1, a],
        [-1, a],
      ]),
    ).toEqual([])
  })
})

describe('degrees of freedom', () => {
  // GUM H.1.6: by the Welch–Satterthwaite formula with 5 repeats of s̄ = 5.8 and others well known.
  test('few repeats limit them only as far as they count', () => {
    const repeats = [spreadError('r', 0.3, 3)]
    expect(degreesOfFreedom(repeats)).toBeCloseTo(2, 12)
    const known = boundedError('gauge', 'g', 0.3)
    const both = [...repeats, known]
    const [ur, ug] = [0.3 / Math.sqrt(3), 0.3 / Math.sqrt(3)]
    expect(degreesOfFreedom(both)).toBeCloseTo((ur ** 2 + ug ** 2) ** 2 / (ur ** 4 / 2), 9)
    expect(degreesOfFreedom([known])).toBeNull()
  })
  test('k is Student’s t at them: 2 where nothing limits them, 13.97 at one (JCGM 100, table G.2)', () => {
    expect(coverageFactor(null)).toBe(2)
    expect(coverageFactor(1)).toBeCloseTo(13.97, 2)
    expect(coverageFactor(10)).toBeCloseTo(2.28, 2)
  })
})

test('shares by source add up to the whole where sources are independent', () => {
  const errors = [
    ...reading(gauge({ maximumPermissibleError: 0.004 }), 20),
    boundedError('master', '20', 0.001),
    spreadError('r', 0.002, 4),
  ]
  const shares = sharesOf(errors)
  expect(shares.map(({ kind }) => kind)).toEqual(['gauge', 'resolution', 'master', 'repeats'])
  expect(Math.hypot(...shares.map(({ standard }) => standard))).toBeCloseTo(standardUncertainty(errors), 12)
})
