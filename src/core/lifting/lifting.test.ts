import fc from 'fast-check'
import { expect, test } from 'vitest'
import { liftFaultWords } from '../words/lifting'
import { eyeForThread, type Lift, liftSum } from './lifting'

const lift = (over: Partial<Lift>): Lift => ({
  loadKg: 800,
  legs: 2,
  angleDegrees: 30,
  markedKg: 1200,
  threadMm: 20,
  slingLegKg: 1000,
  ...over,
})

const sums: { name: string; over: Partial<Lift>; perLeg: number; eye: number; most: number; holds: boolean }[] = [
  // 800 ÷ (2 · cos 30°) = 461.88; eye M20 slanted 860; sling 1000 · the weaker carries 860 · 2 · cos 30° = 1489.6.
  { name: 'two legs at 30°', over: {}, perLeg: 461.88, eye: 860, most: 1489.56, holds: true },
  { name: 'one leg straight', over: { legs: 1, angleDegrees: 45 }, perLeg: 800, eye: 1200, most: 1000, holds: true },
  { name: 'of four legs two are counted on', over: { legs: 4 }, perLeg: 461.88, eye: 860, most: 1489.56, holds: true },
  {
    name: 'too heavy for the slanted eye',
    over: { loadKg: 1700, angleDegrees: 45 },
    perLeg: 1202.08,
    eye: 860,
    most: 1216.22,
    holds: false,
  },
  {
    name: 'a mark above the standard is not believed',
    over: { markedKg: 5000 },
    perLeg: 461.88,
    eye: 860,
    most: 1489.56,
    holds: true,
  },
  {
    name: 'thread not known: the smallest share',
    over: { threadMm: null },
    perLeg: 461.88,
    eye: 825,
    most: 1428.94,
    holds: true,
  },
  // M64: 11 000 ÷ 16 000 of the mark.
  {
    name: 'the largest thread by its own share',
    over: { threadMm: 64, markedKg: 16_000, slingLegKg: 20_000 },
    perLeg: 461.88,
    eye: 11_000,
    most: 19_052.56,
    holds: true,
  },
  {
    name: 'a thread beyond the table: the smallest share',
    over: { threadMm: 72, markedKg: 20_000, slingLegKg: 20_000 },
    perLeg: 461.88,
    eye: 13_750,
    most: 23_815.7,
    holds: true,
  },
]
test.each(sums)('$name', ({ over, perLeg, eye, most, holds }) => {
  const sum = liftSum(lift(over))
  expect(sum.ok).toBe(true)
  if (!sum.ok) return
  expect(sum.value.perLegKg).toBeCloseTo(perLeg, 1)
  expect(sum.value.eyeKg).toBeCloseTo(eye, 1)
  expect(sum.value.mostKg).toBeCloseTo(most, 1)
  expect(sum.value.eyeHolds && sum.value.slingHolds).toBe(holds)
})

test.each([
  { name: 'no mark, no rating, whatever the thread', over: { markedKg: null }, says: /thread size alone gives none/ },
  { name: 'an eye pulled too flat', over: { angleDegrees: 50 }, says: /may not be pulled at 50°/ },
  { name: 'legs too flat', over: { angleDegrees: 65 }, says: /pull themselves apart/ },
  { name: 'no load', over: { loadKg: 0 }, says: /Type the load/ },
  { name: 'not a number', over: { slingLegKg: Number.NaN }, says: /Type the sling rating/ },
])('$name is refused with a sentence', ({ over, says }) => {
  const sum = liftSum(lift(over))
  expect(sum.ok).toBe(false)
  if (!sum.ok) expect(liftFaultWords(sum.fault)).toMatch(says)
})

test('eye bolts exist for the threads of the table only', () => {
  expect(eyeForThread(24)).toEqual({ thread: 'M24', straightKg: 1800, slantedKg: 1290 })
  expect(eyeForThread(22)).toBeUndefined()
})

test('a flatter leg never carries less, and the most that may hang is just held', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 44 }), fc.double({ min: 1, max: 5000, noNaN: true }), (angle, load) => {
      const [at, flatter] = [
        liftSum(lift({ angleDegrees: angle, loadKg: load })),
        liftSum(lift({ angleDegrees: angle + 1, loadKg: load })),
      ]
      if (!at.ok || !flatter.ok) throw new Error('both have a sum')
      expect(flatter.value.perLegKg).toBeGreaterThan(at.value.perLegKg)
      const held = liftSum(lift({ angleDegrees: angle, loadKg: at.value.mostKg * 0.999999 }))
      expect(held.ok && held.value.eyeHolds && held.value.slingHolds).toBe(true)
    }),
    { seed: 306 },
  )
})
