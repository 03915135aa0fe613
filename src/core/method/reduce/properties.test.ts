import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { intervalOf } from '../../quantity/extent'
import { differenceOf } from '../../quantity/kind'
import { slotWords } from '../../words/places'
import { everyMethod, take, worn } from '../everyMethod.fixture'
import { givesOf } from '../gives'
import { acceptsSlot, slotKey, slotsOf } from '../layout'
import type { Method } from '../method'
import type { ReductionName } from '../reduction'
import { reduceReadings } from './reduce'

const methods: readonly Method[] = [...Object.values(everyMethod), { ...everyMethod.ringEndGap, springs: 'inward' }]
const INFINITE = Number.POSITIVE_INFINITY

describe('properties, for every method', () => {
  const anyEnds = fc.oneof(
    fc.double({ min: 0, max: 1e5, noNaN: true }),
    fc
      .tuple(fc.double({ min: 0, max: 1e5, noNaN: true }), fc.double({ min: 0, max: 1e5, noNaN: true }))
      .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const),
    fc.double({ min: 0, max: 1e5, noNaN: true }).map((low) => [low, INFINITE] as const),
    fc.double({ min: 0, max: 1e5, noNaN: true }).map((high) => [Number.NEGATIVE_INFINITY, high] as const),
  )
  const anySet = fc.constantFrom(...methods).chain((method) =>
    fc.record({
      method: fc.constant(method),
      readings: fc.array(anyEnds, { maxLength: slotsOf(method).length }).map((values) => take(method, values)),
    }),
  )
  const context = { nominal: 1, runsIn: worn(160.2), resultOf: () => worn(3) }

  test('the order in which readings arrive does not matter', () => {
    fc.assert(
      fc.property(anySet, fc.array(fc.nat(), { minLength: 30, maxLength: 30 }), ({ method, readings }, salts) => {
        const mixed = readings
          .map((reading, index) => ({ reading, salt: salts[index % salts.length] ?? 0 }))
          .sort((a, b) => a.salt - b.salt)
          .map(({ reading }) => reading)
        expect(reduceReadings(method, mixed, context)).toEqual(reduceReadings(method, readings, context))
      }),
      { seed: 8785, numRuns: 400 },
    )
  })

  test('no reading can produce anything but figures and bounds, of the kinds the method says it gives', () => {
    fc.assert(
      fc.property(anySet, ({ method, readings }) => {
        const gives = givesOf(method)
        for (const [name, value] of Object.entries(reduceReadings(method, readings, context).values)) {
          const finite = [value.value, value.interval?.low ?? null, value.interval?.high ?? null].every(
            (end) => end === null || Number.isFinite(end),
          )
          expect({ name, finite, quantity: value.quantity }).toEqual({
            name,
            finite: true,
            quantity: gives[name as ReductionName],
          })
          expect((value.value === null) !== (value.interval === null), `${name} is a figure or an interval`).toBe(true)
          expect(Number.isFinite(value.uncertainty) && value.uncertainty >= 0, `${name} ± ${value.uncertainty}`).toBe(true)
          for (const term of value.sum) expect(term.value ?? 0).not.toBeNaN()
        }
      }),
      { seed: 8785, numRuns: 600 },
    )
  })

  test('a difference is the sum of its terms, with the signs of its readings', () => {
    const signed = fc.double({ min: -1e3, max: 1e3, noNaN: true })
    const anyPoints = fc.constantFrom(...methods).chain((method) =>
      fc.record({
        method: fc.constant(method),
        readings: fc.array(signed, { maxLength: slotsOf(method).length }).map((values) => take(method, values)),
      }),
    )
    fc.assert(
      fc.property(anyPoints, ({ method, readings }) => {
        for (const [name, value] of Object.entries(reduceReadings(method, readings, context).values)) {
          const alike = value.sum.every(({ quantity }) => differenceOf(quantity) === differenceOf(value.quantity))
          if (value.value === null || !alike || !value.sum.some(({ less }) => less)) continue
          const sum = value.sum.reduce((total, term) => total + (term.value ?? Number.NaN), 0)
          expect(Math.abs(sum - value.value), `${method.kind} ${name}`).toBeLessThan(1e-6)
        }
      }),
      { seed: 8785, numRuns: 800 },
    )
  })

  test('a reading known less well never makes a result known better', () => {
    fc.assert(
      fc.property(anySet, fc.nat(), fc.double({ min: 0, max: 10, noNaN: true }), ({ method, readings }, at, by) => {
        if (readings.length === 0) return
        const wider = readings.map((reading, index) =>
          index === at % readings.length
            ? { ...reading, interval: { low: reading.interval.low - by, high: reading.interval.high + by } }
            : reading,
        )
        const [sharp, loose] = [reduceReadings(method, readings, context).values, reduceReadings(method, wider, context).values]
        for (const name of ['maximum', 'minimum', 'mean', 'total', 'totalIndicated', 'outOfRound'] as const) {
          const [a, b] = [sharp[name], loose[name]]
          if (!a || !b) continue
          const [inner, outer] = [intervalOf(a), intervalOf(b)]
          expect(outer.low <= inner.low + 1e-9 && outer.high >= inner.high - 1e-9, name).toBe(true)
        }
      }),
      { seed: 100, numRuns: 400 },
    )
  })

  test('what more readings may still do to a value is all that they do', () => {
    const repeated = { repeatsAtLeast: 2, repeatabilityLimit: 0.02 }
    const more: readonly Method[] = [
      ...methods,
      { ...everyMethod.size, ...repeated },
      { ...everyMethod.markShift, ...repeated },
      { ...everyMethod.spring, ...repeated },
    ]
    const near = fc.integer({ min: 0, max: 40 }).map((steps) => 2 + steps / 100)
    const growing = fc.constantFrom(...more).chain((method) => {
      const count = slotsOf(method).length
      return fc.record({
        method: fc.constant(method),
        readings: fc.array(near, { minLength: count, maxLength: count }).map((values) => take(method, values)),
        keep: fc.array(fc.boolean(), { minLength: count, maxLength: count }),
      })
    })
    fc.assert(
      fc.property(growing, ({ method, readings, keep }) => {
        const end = reduceReadings(method, readings, context)
        const some = reduceReadings(
          method,
          readings.filter((_, index) => keep[index]),
          context,
        )
        for (const [name, before] of Object.entries(some.values)) {
          const after = end.values[name as ReductionName]
          const told = `${method.kind} ${name} ${before.open}`
          // Loads that contradict each other leave no line, which was open before.
          if (!after) {
            expect(before.open, told).toBe('eitherWay')
            continue
          }
          const [from, to] = [intervalOf(before), intervalOf(after)]
          if (before.open === 'complete' || before.open === 'canOnlyGrow')
            expect(to.low, told).toBeGreaterThanOrEqual(from.low - 1e-9)
          if (before.open === 'complete' || before.open === 'canOnlyShrink')
            expect(to.high, told).toBeLessThanOrEqual(from.high + 1e-9)
        }
      }),
      { seed: 85, numRuns: 4000 },
    )
  })

  test('every place of a layout is accepted, once, has a name of its own, and no other is accepted', () => {
    for (const method of methods) {
      const slots = slotsOf(method)
      expect(new Set(slots.map(slotKey)).size).toBe(slots.length)
      expect(new Set(slots.map((slot) => slotWords(method, slot))).size, method.kind).toBe(slots.length)
      expect(slots.every((slot) => acceptsSlot(method, slot))).toBe(true)
      expect(acceptsSlot(method, { station: 'Z', direction: 'Z', repeat: 1 })).toBe(false)
    }
  })
})
