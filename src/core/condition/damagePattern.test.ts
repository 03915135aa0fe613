import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Arrangement, countPattern, type ElementState, judgePattern, type PatternLimits } from './damagePattern'

const broken: ElementState = { kind: 'broken' }
const sound: ElementState = { kind: 'sound' }
const worn = (fraction: number): ElementState => ({ kind: 'worn', fraction })
const ring = (count: number): Arrangement => ({ kind: 'ring', count })
/** One letter an element: b broken, s sound, w worn by 10 %, W by 40 %, . not looked at. */
const states = (letters: string): Map<number, ElementState> =>
  new Map(
    [...letters].flatMap((letter, index): [number, ElementState][] => {
      const state = { b: broken, s: sound, w: worn(0.1), W: worn(0.4) }[letter]
      return state ? [[index + 1, state]] : []
    }),
  )

const counts: { name: string; arrangement: Arrangement; letters: string; broken: number; pairs: number; run: number }[] = [
  { name: 'nothing looked at', arrangement: ring(8), letters: '........', broken: 0, pairs: 0, run: 0 },
  { name: 'neighbours in the middle', arrangement: ring(8), letters: 'ssbbssss', broken: 2, pairs: 1, run: 2 },
  { name: 'neighbours across the joint', arrangement: ring(8), letters: 'bssssssb', broken: 2, pairs: 1, run: 2 },
  { name: 'a run across the joint', arrangement: ring(8), letters: 'bbssssbb', broken: 4, pairs: 3, run: 4 },
  { name: 'all broken: as many pairs as elements', arrangement: ring(5), letters: 'bbbbb', broken: 5, pairs: 5, run: 5 },
  { name: 'two elements are one pair', arrangement: ring(2), letters: 'bb', broken: 2, pairs: 1, run: 2 },
  {
    name: 'an open row does not close on itself',
    arrangement: { kind: 'rows', rows: 2, perRow: 4, closed: false },
    letters: 'bssb' + 'bssb',
    broken: 4,
    pairs: 0,
    run: 1,
  },
  {
    name: 'a closed row does, and rows are not neighbours',
    arrangement: { kind: 'rows', rows: 2, perRow: 4, closed: true },
    letters: 'bssb' + 'ssbs',
    broken: 3,
    pairs: 1,
    run: 2,
  },
]
test.each(counts)('$name', ({ arrangement, letters, broken: count, pairs, run }) => {
  expect(countPattern(arrangement, states(letters))).toMatchObject({ broken: count, adjacentPairs: pairs, longestRun: run })
})

const limits: PatternLimits = { brokenAtMost: 2, adjacentAtMost: 1, wornFractionAtMost: 0.2 }
const standings: { name: string; letters: string; standing: string }[] = [
  { name: 'inside, all seen', letters: 'bssbssss', standing: 'inside' },
  { name: 'too many', letters: 'bsbsbsss', standing: 'beyond' },
  { name: 'neighbours', letters: 'bbssssss', standing: 'beyond' },
  { name: 'beyond at once, whatever is not looked at', letters: 'bb......', standing: 'beyond' },
  { name: 'inside so far is open', letters: 'bss.....', standing: 'open' },
  { name: 'worn too far', letters: 'sssWssss', standing: 'beyond' },
  { name: 'worn within', letters: 'ssswssss', standing: 'inside' },
]
test.each(standings)('$name: $standing', ({ letters, standing }) => {
  expect(judgePattern(countPattern(ring(8), states(letters)), limits)).toBe(standing)
})

describe('properties', () => {
  const letters = fc.string({ unit: fc.constantFrom('b', 's', 'w', '.'), minLength: 3, maxLength: 40 })
  test('turning a ring changes no count', () => {
    fc.assert(
      fc.property(letters, fc.nat(39), (text, by) => {
        const turned = text.slice(by % text.length) + text.slice(0, by % text.length)
        const strip = ({ worst: _, ...rest }: ReturnType<typeof countPattern>) => rest
        expect(strip(countPattern(ring(text.length), states(turned)))).toEqual(
          strip(countPattern(ring(text.length), states(text))),
        )
      }),
      { seed: 303 },
    )
  })
  test('pairs counted one by one give the same', () => {
    fc.assert(
      fc.property(letters, (text) => {
        const pairs = [...text].filter((letter, index) => letter === 'b' && text[(index + 1) % text.length] === 'b').length
        expect(countPattern(ring(text.length), states(text)).adjacentPairs).toBe(pairs)
      }),
      { seed: 304 },
    )
  })
  test('one more broken element never eases the standing', () => {
    const rank = { inside: 0, open: 0, beyond: 1 }
    fc.assert(
      fc.property(letters, fc.nat(39), (text, at) => {
        const worse = states(text).set((at % text.length) + 1, broken)
        const [before, after] = [states(text), worse].map((all) =>
          judgePattern(countPattern(ring(text.length), all), { ...limits, wornFractionAtMost: null }),
        )
        expect(rank[after ?? 'inside']).toBeGreaterThanOrEqual(rank[before ?? 'inside'])
      }),
      { seed: 305 },
    )
  })
})
