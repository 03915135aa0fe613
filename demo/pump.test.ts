/** The cooling pump of the demo: each verdict in one sentence, and each fit with what it comes to. */
import { describe, expect, test } from 'vitest'
import { startEvaluation } from '../src/core/evaluate/evaluate'
import { speakerOf } from '../src/core/words/speaker'
import { reasonOf, settledBy } from '../src/core/words/votes'
import { pastOverhauls } from './pastOverhauls.fixture'

const record = pastOverhauls.find(({ id }) => id === 'quillmere-p2-2026')?.record
if (!record) throw new Error('the demo has its pump')
const evaluation = startEvaluation(record)
const speaker = speakerOf(record.book, record.machine.units)

test.each([
  ['shaft', 'hold', 'Pump bearing, free side: largest clearance 0.004 ± 0.0024 is too close to the wear limit 0.005 mm to say'],
  ['impeller', 'reuse', 'Smallest 159.36 is inside the limit ≥ 157.90 mm'],
  ['neck-ring', 'replace', 'Impeller in neck ring: largest clearance 1.07 is beyond the wear limit 1.00 mm'],
  ['plates', 'reuse', 'Smallest 0.57 is inside the limit ≥ 0.05 mm'],
  ['housing', 'recondition', 'Pump bearing, fixed side: largest clearance 0.056 is beyond the wear limit 0.050 mm'],
  ['bearing-fixed', 'replace', 'Always renewed at an overhaul'],
  ['bearing-free', 'replace', 'Always renewed at an overhaul'],
  ['hub', 'reuse', 'Largest 38.013 is inside the limit ≤ 38.035 mm'],
  ['key', 'hold', 'Key in coupling hub: largest clearance 0.070 ± 0.024 is too close to the plan limit 0.080 mm to say'],
  ['seal', 'replace', 'Always renewed at an overhaul'],
] as const)('%s: %s, because %s', (id, verdict, because) => {
  const part = evaluation.results.parts.find((one) => one.id === id)
  const strongest = part?.votes[0]
  expect([part?.verdict, strongest && reasonOf(speaker, strongest)]).toEqual([verdict, because])
  if (verdict === 'hold')
    expect(strongest && settledBy(speaker, strongest)).toBe('Measure with a better gauge, or decide on the safe side.')
})

describe('what would mend a fit', () => {
  const bestOf = (id: string) => {
    const index = record.book.fits.findIndex((fit) => fit.id === id)
    const [best] = evaluation.waysAt(index)
    return [best?.by, best?.part, best?.route, best?.state]
  }
  test.each([
    ['fixed-on-shaft', ['leave', null, null, 'holds']],
    ['fixed-in-housing', ['route', 'housing', 'bush-fixed', 'holds']],
    ['free-on-shaft', ['route', 'shaft', 'spray-seats', 'holds']],
    ['hub-on-shaft', ['leave', null, null, 'holds']],
    ['key-in-hub', ['newPart', 'hub', null, 'holds']],
    ['neck-fit', ['newPart', 'neck-ring', null, 'holds']],
  ] as const)('%s', (id, best) => {
    expect(bestOf(id)).toEqual(best)
  })
})

test('a better gauge settles what is too close to say', () => {
  const gauges = record.gauges.map((gauge) =>
    gauge.code === 'OM-30' ? { ...gauge, maximumPermissibleError: 0.0004, resolution: 0.0001 } : gauge,
  )
  const better = startEvaluation({ ...record, gauges })
  expect(better.results.fits.find(({ id }) => id === 'free-on-shaft')?.verdict).toBe('passes')
  expect(better.results.parts.find(({ id }) => id === 'shaft')?.verdict).toBe('reuse')
})
