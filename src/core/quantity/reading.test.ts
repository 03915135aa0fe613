import { expect, test } from 'vitest'
import { explainReadingFault, parseReading } from './reading'

const cases: { name: string; text: string; masterMm: number | null; exactMm: string; deviationMm: number | null }[] = [
  { name: 'signed on a master is a deviation', text: '+0.212', masterMm: 220.2, exactMm: '220.412', deviationMm: 0.212 },
  { name: 'below the master', text: '-12 um', masterMm: 220.2, exactMm: '220.188', deviationMm: -0.012 },
  { name: 'unsigned on a master is the size', text: '220.412', masterMm: 220.2, exactMm: '220.412', deviationMm: null },
  { name: 'thou on a metric master', text: '+8 thou', masterMm: 220.2, exactMm: '220.4032', deviationMm: 0.2032 },
  { name: 'a plus without a master is the size', text: '+0.31', masterMm: null, exactMm: '0.31', deviationMm: null },
  { name: 'a size of zero', text: '0', masterMm: null, exactMm: '0', deviationMm: null },
]
test.each(cases)('$name', ({ text, masterMm, exactMm, deviationMm }) => {
  const parsed = parseReading(text, { defaultUnit: 'mm', masterMm })
  expect(parsed.value).toEqual({ valueMm: Number(exactMm), exactMm, deviationMm })
})

test('a size below zero is refused, with a sentence', () => {
  const parsed = parseReading('-0.3', { defaultUnit: 'mm', masterMm: null })
  expect(parsed.fault?.code).toBe('negativeSize')
  if (parsed.fault) expect(explainReadingFault(parsed.fault)).toContain('below zero')
})
