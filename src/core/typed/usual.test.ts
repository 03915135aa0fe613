import { describe, expect, it } from 'vitest'
import { everyMethod } from '../method/everyMethod.fixture'
import type { Method } from '../method/method'
import { judgedBy, usualJudge, usualStep } from './usual'

it.each([
  ['the usual step', 'metric', [], [], '0.01 mm'],
  ['the step of the gauge', 'metric', [], [0.001, 0.01], '0.001 mm'],
  ['the last place of a limit', 'metric', ['110.042', ''], [], '0.001 mm'],
  ['a coarse limit does not make it coarser', 'metric', ['110'], [], '0.01 mm'],
  ['words are no figure', 'metric', ['little'], [], '0.01 mm'],
  ['inches', 'inch', ['4.3325 in'], [], '0.00010 in'],
] as const)('a length is read to %s', (_what, system, typed, resolutions, step) => {
  expect(usualStep(everyMethod.outsideDiameter, system, typed, resolutions)).toBe(step)
})

describe.each(Object.values(everyMethod) as Method[])('$kind', (method) => {
  it('has a usual step in both systems, with its unit', () => {
    for (const system of ['metric', 'inch'] as const) expect(usualStep(method, system, [], [])).toMatch(/^\d/)
  })
  it('what a limit usually judges is one of its values, and has a name', () => {
    const names = judgedBy(method)
    for (const side of ['upper', 'lower'] as const) if (names.length > 0) expect(names).toContain(usualJudge(method, side))
  })
})
