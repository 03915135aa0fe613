/** The core on a whole record: verdicts argued from readings to rule, on the demo machine. */

import { describe, expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { Verdict } from '../src/core/policy/disposition'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { entry } from './noted'
import { demoRecord, foundNow } from './record'
import { reasonsOf, settlingsOf, traceOf } from './said'
import type { DemoReadings } from './types'

type Change = (record: InspectionRecord) => InspectionRecord
const policy =
  (over: Partial<InspectionRecord['job']['policy']>): Change =>
  (record) => ({ ...record, job: { ...record.job, policy: { ...record.job.policy, ...over } } })
const mustRun =
  (mustRunHours: number): Change =>
  (record) => ({ ...record, job: { ...record.job, mustRunHours } })
const keep: Change = (record) => record
const inspected =
  (...parts: readonly string[]): Change =>
  (record) => ({
    ...record,
    job: { ...record.job, entries: parts.map((part) => entry({ kind: 'inspected', part, note: '' })) },
  })
const partOf = (record: InspectionRecord, id: string) => evaluate(record).parts.find((part) => part.id === id)
const resultOf = (record: InspectionRecord, id: string) => evaluate(record).characteristics.find((result) => result.id === id)

/** Bore and clearance inside their plan limits today. */
const nearlyWorn: DemoReadings = {
  journal: Array(6).fill('219.950'),
  'bearing-bore': Array(6).fill('+0.190'),
  'bearing-strip': ['2.4', '2.4'],
}

const cases: { name: string; texts: DemoReadings; change?: Change; part: string; verdict: Verdict; because: RegExp }[] = [
  {
    name: 'bore past its plan limit',
    texts: {},
    part: 'shell',
    verdict: 'recondition',
    because: /Largest 220\.412 is past the plan limit 220\.400 mm, inside the wear limit 220\.460 mm/,
  },
  {
    name: 'bore beyond its wear limit, five readings missing',
    texts: { 'bearing-bore': ['+0.270'] },
    part: 'shell',
    verdict: 'recondition',
    because: /Largest 220\.470 is beyond the wear limit 220\.460 mm/,
  },
  {
    name: 'bore inside so far, readings missing',
    texts: { 'bearing-bore': ['+0.100'], 'bearing-strip': ['3.2', '2.9'] },
    part: 'shell',
    verdict: 'hold',
    because: /220\.300 so far, 1 of 6 readings/,
  },
  {
    name: 'a journal within limits',
    texts: {},
    part: 'shaft',
    verdict: 'reuse',
    because: /Smallest 219\.936 is inside the limit ≥ 219\.880 mm/,
  },
  {
    name: 'a worn journal that still cleans up',
    texts: { journal: Array(6).fill('219.865'), 'bearing-strip': [] },
    change: policy({ mustLastTheInterval: false }),
    part: 'shaft',
    verdict: 'recondition',
    because: /past the plan limit 219\.880/,
  },
  {
    name: 'a worn journal too small to grind',
    texts: { journal: Array(6).fill('219.71'), 'bearing-strip': [] },
    part: 'shaft',
    verdict: 'replace',
    because: /beyond the wear limit 219\.850/,
  },
  { name: 'nothing measured', texts: { journal: [] }, part: 'shaft', verdict: 'hold', because: /not measured yet/ },
  {
    name: 'ring gap at the worn bore',
    texts: {},
    part: 'ring-1',
    verdict: 'replace',
    because: /Gap where it runs 1\.82 is beyond the wear limit 1\.60 mm/,
  },
  {
    name: 'ring gap with its bore not measured',
    texts: { 'servo-bore': [] },
    part: 'ring-1',
    verdict: 'hold',
    because: /Gap where it runs is not measured yet/,
  },
  { name: 'always renewed', texts: {}, part: 'rod-seals', verdict: 'replace', because: /Always renewed/ },
  { name: 'float within limits', texts: {}, part: 'thrust-bearing', verdict: 'reuse', because: /Mean 0\.312 is inside/ },
  {
    name: 'float too small',
    texts: { 'end-float': ['0.12', '0.12', '0.125'] },
    part: 'thrust-bearing',
    verdict: 'hold',
    because: /beyond the wear limit 0\.150/,
  },
  {
    name: 'the same, and all that the float rests on is inspected',
    texts: { 'end-float': ['0.12', '0.12', '0.125'] },
    change: inspected('thrust-bearing', 'shaft'),
    part: 'thrust-bearing',
    verdict: 'adjust',
    because: /beyond the wear limit 0\.150.*set by shims, up by at least 0\.0[23]/,
  },
  {
    name: 'repeats that disagree hold the verdict',
    texts: { 'end-float': ['0.31', '0.36', '0.312'] },
    part: 'thrust-bearing',
    verdict: 'hold',
    because: /Repeats spread over 0\.050 mm/,
  },
  {
    name: 'one wild repeat takes the mean beyond its limit, which settles nothing',
    texts: { 'end-float': ['0.31', '1.60', '0.312'] },
    part: 'thrust-bearing',
    verdict: 'hold',
    because: /Mean 0\.741 does not count until its readings are taken again, limit ≤ /,
  },
  {
    name: 'inside now, beyond before the next overhaul: three readings on one line',
    texts: { ...nearlyWorn, 'bearing-bore': Array(6).fill('+0.199'), 'bearing-strip': [] },
    change: mustRun(12_000),
    part: 'shell',
    verdict: 'recondition',
    because: /Largest will not last the interval/,
  },
  {
    name: 'a limit within the doubt of the forecast',
    texts: nearlyWorn,
    part: 'shell',
    verdict: 'hold',
    because: /Largest may not last the interval: expected 220\.468 \(220\.383 … 220\.554\) mm/,
  },
  {
    name: 'the same, when the policy counts only the limit',
    texts: nearlyWorn,
    change: policy({ mustLastTheInterval: false }),
    part: 'shell',
    verdict: 'reuse',
    because: /is inside the limit/,
  },
  {
    name: 'too close to the wear limit to say',
    texts: { 'servo-bore': ['+0.248', '+0.248', '+0.248', '+0.248', '+0.248', '+0.248'] },
    change: policy({ mustLastTheInterval: false }),
    part: 'servo-cylinder',
    verdict: 'hold',
    because: /160\.248 ± 0\.005 is too close to the plan limit 160\.250 mm to say/,
  },
  {
    name: 'the same under simple acceptance',
    texts: { 'servo-bore': ['+0.248', '+0.248', '+0.248', '+0.248', '+0.248', '+0.248'] },
    change: policy({ mustLastTheInterval: false, acceptance: { kind: 'simple' } }),
    part: 'servo-cylinder',
    verdict: 'reuse',
    because: /inside the limit/,
  },
  {
    name: 'a worn cylinder that can be honed',
    texts: { 'servo-bore': ['+0.255', '+0.255', '+0.255', '+0.255', '+0.255', '+0.255'] },
    part: 'servo-cylinder',
    verdict: 'recondition',
    because: /past the plan limit 160\.250/,
  },
  {
    name: 'a worn cylinder too large to hone',
    texts: { 'servo-bore': ['+0.270', '+0.270', '+0.270', '+0.270', '+0.270', '+0.270'] },
    part: 'servo-cylinder',
    verdict: 'replace',
    because: /past the plan limit 160\.250/,
  },
]
test.each(cases)('$name: $verdict', ({ texts, change = keep, part, verdict, because }) => {
  const record = change(demoRecord({ ...foundNow, ...texts }))
  const result = partOf(record, part)
  expect(result?.verdict).toBe(verdict)
  expect(reasonsOf(record, result?.votes).join('\n')).toMatch(because)
})

describe('what a verdict rests on', () => {
  test('a hold names both ends and what would settle it', () => {
    const record = demoRecord({ ...foundNow, 'bearing-bore': Array(4).fill('+0.100'), 'bearing-strip': ['3.2', '2.9'] })
    const result = partOf(record, 'shell')
    expect(result).toMatchObject({ verdict: 'hold', mild: 'reuse', strong: 'recondition' })
    expect(settlingsOf(record, result?.votes).join(' ')).toContain(
      'Take what is missing: B middle, 2 level; C runner side, 2 level.',
    )
  })

  test('every vote opens to its trace, from the readings to the rule', () => {
    const record = demoRecord(foundNow)
    const [vote] = partOf(record, 'shell')?.votes ?? []
    expect(vote?.trace.map(({ kind }) => kind)).toEqual([
      'reading',
      'reading',
      'reading',
      'reading',
      'reading',
      'reading',
      'reduction',
      'uncertainty',
      'limit',
      'route',
      'rule',
    ])
    expect(vote && traceOf(record, vote)[0]).toBe('A drive side, 1 vertical: “+0.148”, on the master 220.200 → 220.348 mm')
    expect(vote?.source).toEqual({ document: 'QM-G4', page: 'p. 14' })
  })

  test('the fit from the parts and by strip, with their difference', () => {
    const [fit] = evaluate(demoRecord(foundNow)).fits
    expect(fit?.clearance).toMatchObject({ minimumMm: 0.392, maximumMm: 0.474, outerMinimumMm: 0.39, outerMaximumMm: 0.476 })
    expect(fit?.verdict).toBe('pastPlan')
    // 2.55 mm wide: half way from 2.4 (0.435) to 2.7 (0.385) is 0.410; the parts say 220.348 − 219.941 = 0.407.
    expect(fit?.closures[0]).toMatchObject({ station: 'A', stripMm: 0.41, partsMm: 0.407, differenceMm: 0.003, agrees: true })
  })

  test('the strip counts as the clearance when the policy says so', () => {
    const record = policy({ clearanceBy: 'strip' })(demoRecord({ ...foundNow, 'bearing-bore': [] }))
    expect(evaluate(record).fits[0]).toMatchObject({ countsBy: 'strip', verdict: 'pastPlan' })
  })

  test('inch machines say their reasons in inches', () => {
    const record = demoRecord(foundNow)
    const inch = { ...record, machine: { ...record.machine, units: 'inch' as const } }
    expect(reasonsOf(inch, partOf(inch, 'shell')?.votes)[0]).toBe(
      'Largest 8.67764 is past the plan limit 8.677165 in, inside the wear limit 8.679528 in',
    )
  })
})

describe('wear lines', () => {
  const values = (record: InspectionRecord, id = 'bearing-bore') => resultOf(record, id)?.line.map(({ value }) => value)

  test('run over the earlier overhauls and this one', () => {
    const result = resultOf(demoRecord(foundNow), 'bearing-bore')
    expect(result?.line.map(({ value }) => value)).toEqual([220.236, 220.318, 220.412])
    // By hand: Sxy 1413.08 over Sxx 128 963 466.7 is 1.095721e-5 mm per h; the line is at 220.4974615 mm at 39 240 h.
    expect(result?.rate?.perThousandHours).toBe(0.0109572)
    expect(result?.forecast).toMatchObject({ atHours: 39_240, value: 220.4974615, lasts: 'unsure', hoursToPlan: 0 })
  })

  test('a set that is not complete is not put on the line', () => {
    expect(values(demoRecord({ ...foundNow, 'bearing-bore': ['+0.212'] }))).toEqual([220.236, 220.318])
  })

  test('a replaced part starts a new line', () => {
    const record = demoRecord(foundNow)
    const replaced = { ...record, job: { ...record.job, installed: { ...record.job.installed, shell: 'GB-32' } } }
    expect(values(replaced)).toEqual([220.412])
    expect(values(replaced, 'journal')).toHaveLength(3)
  })

  test('an as-left set after work is a new base', () => {
    const record = demoRecord(foundNow)
    const [first, second] = record.history
    if (!first || !second) throw new Error('two earlier overhauls')
    const asLeft = second.readings
      .filter(({ characteristic }) => characteristic === 'bearing-bore')
      .map((reading, index) => ({
        ...reading,
        id: `01990000-0000-7000-9000-00000000000${index}`,
        stage: 'asLeft' as const,
        text: '+0.010',
        value: 220.21,
      }))
    const mended = { ...record, history: [first, { ...second, readings: [...second.readings, ...asLeft] }] }
    expect(values(mended)).toEqual([220.21, 220.412])
  })
})

test('the same record gives the same bytes, and a correction changes only what depends on it', () => {
  const record = demoRecord(foundNow)
  expect(JSON.stringify(evaluate(record))).toBe(JSON.stringify(evaluate(structuredClone(record))))
  const wrong = record.job.readings.find(({ characteristic }) => characteristic === 'ring-gap-2')
  if (!wrong) throw new Error('ring 2 is measured')
  const correction = {
    ...wrong,
    id: '01990000-0000-7000-9000-0000000000aa',
    text: '0.95',
    value: 0.95,
    supersedes: wrong.id,
    reason: 'Misread',
  }
  const [before, after] = [
    evaluate(record),
    evaluate({ ...record, job: { ...record.job, readings: [...record.job.readings, correction] } }),
  ]
  expect(
    before.parts.filter((part, index) => JSON.stringify(part) !== JSON.stringify(after.parts[index])).map(({ id }) => id),
  ).toEqual(['ring-2'])
})
