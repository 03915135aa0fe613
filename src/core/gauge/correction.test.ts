import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { testGauge } from '../method/everyMethod.fixture'
import { point } from '../quantity/interval'
import { type Conditions, correctReading } from './correction'
import { standardUncertainty } from './errors'
import type { Gauge } from './gauge'
import { readingUncertainty } from './uncertainty'

const gauge = testGauge({ expansionPerK: 11.5e-6 })
// As a certificate may list them: in no order.
const certified: Gauge = {
  ...gauge,
  corrections: [
    { at: 75, error: -0.002 },
    { at: 25, error: 0.001 },
    { at: 50, error: 0.003 },
  ],
}
const zeroed = (zero: number): Conditions => ({ zero, temperature: null })
const warm = (partC: number, scaleC: number, withinK = 0): Conditions => ({ zero: 0, temperature: { partC, scaleC, withinK } })
const corrected = (over: Partial<Parameters<typeof correctReading>[0]>) =>
  correctReading({
    reading: 'r',
    indicated: point(50),
    master: null,
    gauge,
    conditions: null,
    partPerK: null,
    isLength: true,
    ...over,
  })
const on160 = { sizeMm: 160, withinMm: 0 }

describe('what is done to a reading before it is reduced', () => {
  it.each<[what: string, over: Partial<Parameters<typeof correctReading>[0]>, size: number]>([
    ['nothing noted, nothing done', {}, 50],
    ['what it showed at zero is taken off', { conditions: zeroed(0.004) }, 49.996],
    ['and put on where it showed too little', { conditions: zeroed(-0.004) }, 50.004],
    ['what it shows too much is taken off', { gauge: certified }, 49.997],
    ['between two lines of the certificate, in proportion', { gauge: certified, indicated: point(60) }, 59.999],
    ['below the first line its error holds', { gauge: certified, indicated: point(10) }, 9.999],
    ['beyond the last line its error holds', { gauge: certified, indicated: point(90) }, 90.002],
    [
      'set on a master, the certificate is read at the deviation',
      { gauge: certified, indicated: point(160.03), master: on160 },
      160.029,
    ],
    ['zero and certificate add up', { gauge: certified, conditions: zeroed(0.004) }, 49.993],
    // 100 · (1 + 11.5e-6 · 10)/(1 + 23e-6 · 20), by hand.
    ['a warm part and a warm scale, to 20 °C', { indicated: point(100), conditions: warm(40, 30), partPerK: 23e-6 }, 99.96551586],
    ['a warm part alone', { indicated: point(100), conditions: warm(40, 20), partPerK: 23e-6 }, 99.95402115],
    ['at 20 °C nothing changes', { indicated: point(100), conditions: warm(20, 20), partPerK: 23e-6 }, 100],
    ['at 20 °C nobody needs to know the metal', { indicated: point(100), conditions: warm(20, 20) }, 100],
    [
      'what is no length does not grow',
      { indicated: point(100), conditions: warm(40, 30), partPerK: 23e-6, isLength: false },
      100,
    ],
  ])('%s', (_what, over, size) => {
    const { interval } = corrected(over)
    expect(interval.low).toBeCloseTo(size, 8)
    expect(interval.high).toBe(interval.low)
  })

  it('noted and not corrected for want of the metal, a size is what any metal could make of it', () => {
    const { interval, anyMetal } = corrected({ indicated: point(100), conditions: warm(40, 20) })
    expect(anyMetal).toBe(true)
    // From a metal that does not grow to one of 30e-6 per K.
    expect(interval.high).toBe(100)
    expect(interval.low).toBeCloseTo(100 / (1 + 30e-6 * 20), 9)
    const gaugeUnknown = corrected({
      indicated: point(100),
      conditions: warm(20, 30),
      partPerK: 23e-6,
      gauge: { ...gauge, expansionPerK: null },
    })
    expect(gaugeUnknown).toMatchObject({ anyMetal: true, interval: { low: 100, high: expect.closeTo(100.03, 9) } })
  })

  it('a master may be off, and is so for all that is read on it', () => {
    const { errors } = corrected({ indicated: point(160.03), master: { sizeMm: 160, withinMm: 0.003 } })
    expect(errors.find(({ kind }) => kind === 'master')?.amount).toBeCloseTo(0.003 / Math.sqrt(3), 12)
  })

  it('typed as a size or as a deviation, the table is read at what the comparator showed', () => {
    expect(corrected({ gauge: certified, indicated: point(160.03), master: on160 }).calibration).toBeCloseTo(-0.001, 12)
  })

  it('each step says what it added, and together they are what was done', () => {
    const { interval, zero, calibration, temperature } = corrected({
      gauge: certified,
      conditions: { zero: 0.004, temperature: { partC: 31, scaleC: 24, withinK: 1 } },
      partPerK: 19e-6,
    })
    expect([zero, calibration]).toEqual([-0.004, -0.003])
    expect(50 + zero + calibration + temperature).toBeCloseTo(interval.low, 12)
  })

  it('a bound stays a bound, a range a range', () => {
    const conditions: Conditions = { zero: 0.01, temperature: { partC: 30, scaleC: 20, withinK: 1 } }
    const above = corrected({ indicated: { low: 180, high: Number.POSITIVE_INFINITY }, conditions, partPerK: 1e-5 })
    expect(above.interval.high).toBe(Number.POSITIVE_INFINITY)
    expect(above.interval.low).toBeCloseTo(179.99 / (1 + 1e-4), 9)
    const below = corrected({ indicated: { low: Number.NEGATIVE_INFINITY, high: 0.05 }, conditions, partPerK: 1e-5 })
    expect(below.interval.low).toBe(Number.NEGATIVE_INFINITY)
    expect(below.interval.high).toBeCloseTo(0.04 / (1 + 1e-4), 9)
    for (const { errors, temperature } of [above, below])
      expect(Number.isFinite(standardUncertainty(errors)) && Number.isFinite(temperature)).toBe(true)
  })

  it('each end of a range has its own error, the one told is that of the lower', () => {
    const range = { low: 50, high: 60 }
    expect(corrected({ gauge: certified, indicated: range })).toMatchObject({
      interval: { low: 49.997, high: expect.closeTo(59.999, 9) },
      calibration: -0.003,
    })
    const fromMaster = corrected({ gauge: certified, indicated: { low: 210, high: 220 }, master: on160 })
    expect(fromMaster.interval).toEqual({ low: expect.closeTo(209.997, 9), high: expect.closeTo(219.999, 9) })
    const under = corrected({ gauge: certified, indicated: { low: Number.NEGATIVE_INFINITY, high: 50 } })
    expect(under).toMatchObject({ interval: { low: Number.NEGATIVE_INFINITY, high: 49.997 }, calibration: -0.003 })
  })

  it('a temperature known to a kelvin makes the size less certain, by part and scale', () => {
    const own = readingUncertainty(gauge)
    const uncertainty = standardUncertainty(
      corrected({ indicated: point(300), conditions: warm(40, 30, 1), partPerK: 23e-6 }).errors,
    )
    const [part, scale] = [(300 * 23e-6) / Math.sqrt(3), (300 * 11.5e-6) / Math.sqrt(3)]
    expect(uncertainty).toBeCloseTo(Math.hypot(own, part, scale), 12)
    const exactly = corrected({ indicated: point(300), conditions: warm(40, 30, 0), partPerK: 23e-6 })
    expect(standardUncertainty(exactly.errors)).toBeCloseTo(own, 12)
  })

  it('never turns two readings round, and never makes a figure that is none', () => {
    const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(
        finite(0, 500),
        finite(0, 500),
        finite(-0.05, 0.05),
        finite(-10, 60),
        finite(-10, 60),
        finite(1e-6, 3e-5),
        (a, b, zero, partC, scaleC, partPerK) => {
          const conditions: Conditions = { zero, temperature: { partC, scaleC, withinK: 2 } }
          const [small, large] = [Math.min(a, b), Math.max(a, b)].map((size) =>
            corrected({ indicated: point(size), gauge: certified, conditions, partPerK }),
          )
          expect(small?.interval.low).toBeLessThanOrEqual((large?.interval.low ?? 0) + 1e-9)
          expect(Object.values(large ?? {}).every((value) => typeof value !== 'number' || Number.isFinite(value))).toBe(true)
        },
      ),
      { seed: 232 },
    )
  })
})
