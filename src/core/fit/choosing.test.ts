/** Pairs, shims and rotation against every possible choice, on small sets. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { pairForEvenClearance } from './pairing'
import { rotate } from './rotation'
import { afterShims, chooseShims, shimBetween } from './shims'

const orders = <T>(items: readonly T[], count: number): T[][] =>
  count === 0
    ? [[]]
    : items.flatMap((item, at) =>
        orders([...items.slice(0, at), ...items.slice(at + 1)], count - 1).map((rest) => [item, ...rest]),
      )

const um = fc.integer({ min: -60, max: 60 })

test('no pairing has less to its squares, and none is missed', () => {
  fc.assert(
    fc.property(fc.array(um, { minLength: 1, maxLength: 4 }), fc.array(um, { minLength: 1, maxLength: 5 }), (bores, journals) => {
      const input = {
        boresMm: bores.map((of) => 50.1 + of / 1000),
        journalsMm: journals.map((of) => 50 + of / 1000),
        targetMm: 0.1,
        leastMm: 0.05,
        greatestMm: 0.16,
      }
      const best = orders([...journals.keys()], bores.length)
        .map((order) => order.map((journal, at) => 100 + (bores[at] ?? 0) - (journals[journal] ?? 0)))
        .filter((clearances) => clearances.every((of) => of >= 50 && of <= 160))
        .map((clearances) => clearances.reduce((sum, of) => sum + (of - 100) ** 2, 0))
      const found = pairForEvenClearance(input)
      if (best.length === 0 || journals.length < bores.length) expect(found).toBeNull()
      else {
        expect(Math.round((found?.squaresMm2 ?? -1) * 1e6)).toBe(Math.min(...best))
        expect(new Set(found?.journalOf).size).toBe(bores.length)
      }
    }),
    { seed: 1955, numRuns: 300 },
  )
})

test('no stack from the box comes nearer, and none as near has fewer shims', () => {
  const box = fc.uniqueArray(fc.record({ size: fc.integer({ min: 1, max: 12 }), count: fc.integer({ min: 1, max: 3 }) }), {
    maxLength: 4,
    selector: ({ size }) => size,
  })
  fc.assert(
    fc.property(box, fc.integer({ min: -5, max: 60 }), (stock, target) => {
      const all = stock.reduce<number[][]>(
        (stacks, { size, count }) =>
          stacks.flatMap((stack) =>
            Array.from({ length: count + 1 }, (_, taken) => [...stack, ...new Array<number>(taken).fill(size)]),
          ),
        [[]],
      )
      const scored = all.map((stack) => [Math.abs(stack.reduce((sum, size) => sum + size, 0) - target), stack.length] as const)
      const [away, count] = scored.reduce((best, one) =>
        one[0] < best[0] || (one[0] === best[0] && one[1] < best[1]) ? one : best,
      )
      const found = chooseShims(
        stock.map(({ size, count: pieces }) => ({ thicknessMm: size / 100, count: pieces })),
        target / 100,
      )
      expect([Math.round(Math.abs(found.residualMm) * 100), found.thicknessesMm.length]).toEqual([away, count])
    }),
    { seed: 7, numRuns: 400 },
  )
})

test('shims in thousandths of an inch are exact', () => {
  expect(
    chooseShims(
      [
        { thicknessMm: 0.0127, count: 3 },
        { thicknessMm: 0.0508, count: 2 },
      ],
      0.0762,
    ),
  ).toEqual({
    thicknessesMm: [0.0508, 0.0127, 0.0127],
    sumMm: 0.0762,
    residualMm: 0,
  })
})

const band = (gapMm: number, leastMm: number, greatestMm: number) => ({ gapMm, leastMm, greatestMm })
test.each([
  { name: 'one opens what the other closes', opens: band(0.1, 0.2, 0.4), closes: band(0.5, 0.2, 0.4), addMm: 0.2, holds: true },
  { name: 'nothing to do is nothing', opens: band(0.3, 0.2, 0.4), closes: band(0.3, 0.2, 0.4), addMm: 0, holds: true },
  { name: 'shims are taken out', opens: band(0.5, 0.2, 0.4), closes: band(0.1, 0.2, 0.4), addMm: -0.2, holds: true },
  { name: 'both worn: no stack holds both', opens: band(0.5, 0.2, 0.4), closes: band(0.5, 0.2, 0.4), addMm: 0, holds: false },
])('$name', ({ opens, closes, addMm, holds }) => {
  const move = shimBetween(opens, closes)
  expect({ addMm: move.addMm, holds: move.holds }).toEqual({ addMm, holds })
  expect(afterShims(opens, closes, move.addMm)).toMatchObject({ opensToMm: move.opensToMm, closesToMm: move.closesToMm })
  expect(move.opensToMm + move.closesToMm).toBeCloseTo(opens.gapMm + closes.gapMm, 9)
})

test('no order of the parts lasts longer', () => {
  const amount = fc.integer({ min: 0, max: 40 })
  fc.assert(
    fc.property(fc.array(fc.tuple(amount, amount), { minLength: 1, maxLength: 5 }), (set) => {
      const parts = set.map(([rest], at) => ({ id: `p${at}`, rest }))
      const places = set.map(([, rate], at) => ({ id: `p${at}`, perThousandHours: rate }))
      const lives = orders(parts, parts.length).map((order) =>
        Math.min(
          ...order.map(({ rest }, at) => {
            const rate = places[at]?.perThousandHours ?? 0
            return rest === 0 ? 0 : rate === 0 ? Number.POSITIVE_INFINITY : (1000 * rest) / rate
          }),
        ),
      )
      const found = rotate(parts, places)
      expect(found.lastsHours).toBe(Math.max(...lives))
      expect(new Set(found.placed.map(({ part }) => part)).size).toBe(parts.length)
      expect(found.lastsHours).toBeGreaterThanOrEqual(found.asItIsHours ?? 0)
      if (found.asItIsHours === found.lastsHours) expect(found.placed.every(({ part, place }) => part === place)).toBe(true)
    }),
    { seed: 11, numRuns: 200 },
  )
})
