import { expect, test } from 'vitest'
import { differingPaths } from './differing'

const signed = { core: '1', parts: [{ id: 'shell', verdict: 'reuse', votes: [{ reason: 'inside', trace: ['a'] }] }], sum: [1] }
const parts = (over: object) => ({ ...signed, parts: [{ ...signed.parts[0], ...over }] })

test.each<[what: string, today: unknown, sameCore: string[], laterCore: string[]]>([
  ['nothing', structuredClone(signed), [], []],
  ['a verdict', parts({ verdict: 'replace' }), ['results.parts.0.verdict'], ['results.parts.0.verdict']],
  ['a reason in words', parts({ votes: [{ reason: 'past', trace: ['a'] }] }), ['results.parts.0.votes.0.reason'], []],
  ['the way in words', parts({ votes: [{ reason: 'inside', trace: ['b'] }] }), ['results.parts.0.votes.0.trace.0'], []],
  ['the way in terms', { ...signed, sum: [-1] }, ['results.sum.0'], []],
  ['one part more', { ...signed, parts: [...signed.parts, { id: 'shaft' }] }, ['results.parts.1'], ['results.parts.1']],
  ['one part less', { ...signed, parts: [] }, ['results.parts.0'], ['results.parts.0']],
  ['said besides', { ...signed, crossChecks: [] }, ['results.crossChecks'], []],
  ['said no more', { ...signed, core: undefined }, ['results.core'], ['results.core']],
  ['nothing where something was', { ...signed, parts: null }, ['results.parts'], ['results.parts']],
])('%s', (_what, today, sameCore, laterCore) => {
  expect(differingPaths(signed, today, 'results', true)).toEqual(sameCore)
  expect(differingPaths(signed, today, 'results', false)).toEqual(laterCore)
})
