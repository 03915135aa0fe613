import { expect, test } from 'vitest'
import { countPattern, type ElementState, judgePattern, type PatternLimits } from '../condition/damagePattern'
import { patternWords } from './patterns'

/** One letter an element: b broken, s sound, w worn by 10 %, W by 40 %, . not looked at. */
const states = (letters: string): Map<number, ElementState> =>
  new Map(
    [...letters].flatMap((letter, index): [number, ElementState][] => {
      const state: ElementState | undefined = {
        b: { kind: 'broken' } as const,
        s: { kind: 'sound' } as const,
        w: { kind: 'worn', fraction: 0.1 } as const,
        W: { kind: 'worn', fraction: 0.4 } as const,
      }[letter]
      return state ? [[index + 1, state]] : []
    }),
  )
const limits: PatternLimits = { brokenAtMost: 2, adjacentAtMost: 1, wornFractionAtMost: 0.2 }

test.each([
  ['bssbssss', /2 of 8 broken/],
  ['bsbsbsss', /3 of 8 broken, at most 2/],
  ['bbssssss', /2 neighbours broken/],
  ['bb......', /2 neighbours/],
  ['bss.....', /3 of 8 elements inspected/],
  ['sssWssss', /element 4 is worn by 40 %/],
  ['ssswssss', /worst worn by 10 %/],
])('%s', (letters, says) => {
  const count = countPattern({ kind: 'ring', count: 8 }, states(letters))
  expect(patternWords(judgePattern(count, limits), count, limits)).toMatch(says)
})
