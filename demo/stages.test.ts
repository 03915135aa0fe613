/** After work and as left, beside what was found; and what may change between them. */
import { describe, expect, test } from 'vitest'
import type { ChangeLimit } from '../src/core/book/bookSchema'
import { carryEvaluation, evaluate, startEvaluation } from '../src/core/evaluate/evaluate'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import type { LaterStage } from '../src/core/record/stage'
import { type Stage, stages } from '../src/core/record/stage'
import { standingReadings } from '../src/core/record/standing'
import { demoRecord, foundNow } from './record'
import type { DemoReadings } from './types'

const BORE = Array(6).fill('+0.012')
const later: Record<LaterStage, DemoReadings> = {
  afterWork: { 'bearing-bore': BORE, 'servo-bore': Array(6).fill('+0.005') },
  asLeft: { 'end-float': ['0.31', '0.31', '0.32'], 'ring-gap-1': ['1.10'] },
}
const record = demoRecord(foundNow, later)
const resultOf = (of: InspectionRecord, id: string) => {
  const found = evaluate(of).characteristics.find((result) => result.id === id)
  if (!found) throw new Error(`the demo measures ${id}`)
  return found
}
const stageOf = (of: InspectionRecord, id: string, stage: LaterStage) =>
  resultOf(of, id).stages.find((other) => other.stage === stage)

describe('a reconditioned part', () => {
  test('is judged afresh, and what was found stands', () => {
    expect(resultOf(record, 'bearing-bore')).toMatchObject({ verdict: 'recondition', judged: { value: 220.412 } })
    expect(stageOf(record, 'bearing-bore', 'afterWork')).toMatchObject({
      verdict: 'reuse',
      judged: { value: 220.212 },
    })
    expect(stageOf(record, 'bearing-bore', 'asLeft')).toBeUndefined()
    const shell = evaluate(record).parts.find(({ id }) => id === 'shell')
    // The clearance by strip, past its plan limit as found, stands until a strip is laid again.
    expect(shell?.stages.map(({ stage, verdict }) => `${stage} ${verdict}`)).toEqual([
      'asFound recondition',
      'afterWork recondition',
    ])
    expect(shell?.verdict).toBe('recondition')
    const laid = demoRecord(foundNow, { ...later, afterWork: { ...later.afterWork, 'bearing-strip': ['3.7', '3.7'] } })
    const again = evaluate(laid).parts.find(({ id }) => id === 'shell')
    expect(again?.stages.at(-1)).toMatchObject({ stage: 'afterWork', verdict: 'reuse' })
  })

  test('left beyond its limit is not passed on what was found', () => {
    const worse = demoRecord(
      { ...foundNow, 'end-float': ['0.31', '0.31', '0.32'] },
      { asLeft: { 'end-float': ['0.90', '0.90', '0.90'] } },
    )
    const thrust = evaluate(worse).parts.find(({ id }) => id === 'thrust-bearing')
    expect(thrust?.stages.map(({ stage, verdict }) => `${stage} ${verdict}`)).toEqual(['asFound reuse', 'asLeft hold'])
    // The shaft that the float rests on is not inspected.
    expect(thrust).toMatchObject({ mild: 'adjust', strong: 'replace' })
  })

  test('left in a step, it is held at the next overhaul: the plain limit is not its own', () => {
    const bored = (found: string, left: string): InspectionRecord => {
      const made = demoRecord({ ...foundNow, 'servo-bore': Array(6).fill(found) })
      const shown = demoRecord({ 'servo-bore': Array(6).fill(left) }).job.readings
      const past = made.history.at(-1)
      if (!past) throw new Error('the demo has earlier overhauls')
      const ids = shown.map((reading, index) => ({
        ...reading,
        stage: 'asLeft' as const,
        id: `01990000-0000-7000-8000-00000000ef${String(index).padStart(2, '0')}`,
      }))
      return { ...made, history: [...made.history.slice(0, -1), { ...past, readings: [...past.readings, ...ids] }] }
    }
    expect(resultOf(bored('+0.275', '+0.27'), 'servo-bore')).toMatchObject({
      verdict: 'hold',
      limits: [{ step: 'hone', grade: { mild: 0, strong: 1 } }, {}, {}],
    })
    // One that was left within its plain limit was not worked to any step, wherever the sizes of a route lie.
    expect(resultOf(bored('+0.275', '+0.20'), 'servo-bore').limits[0]).toMatchObject({
      step: null,
      grade: { mild: 1, strong: 1 },
    })
  })

  test('a part worked to a step of a route is judged by that step', () => {
    // Bored to 160.27, beyond the wear limit of 160.25 planned and within what honing may leave.
    const honed = demoRecord(
      { ...foundNow, 'servo-bore': Array(6).fill('+0.24') },
      { afterWork: { 'servo-bore': Array(6).fill('+0.27') } },
    )
    const decision = {
      id: '01990000-0000-7000-8000-0000000000d1',
      part: 'servo-cylinder',
      recommended: 'recondition',
      decided: 'recondition',
      reason: null,
      by: 'Mara Ellwood',
      at: '2026-11-24T12:00:00Z',
    } as const
    const chosen = (route?: string) => ({ ...honed, decisions: [{ ...decision, ...(route === undefined ? {} : { route }) }] })
    for (const record of [chosen(), chosen('hone')])
      expect(stageOf(record, 'servo-bore', 'afterWork')).toMatchObject({
        verdict: 'reuse',
        limits: [{ step: 'hone', grade: { mild: 0, strong: 0 } }, {}, {}],
      })
    // Worked to a step that nobody chose it may be in it by chance, and is held.
    for (const record of [honed, chosen('-'), { ...honed, decisions: [{ ...decision, decided: 'reuse' as const }] }])
      expect(stageOf(record, 'servo-bore', 'afterWork')).toMatchObject({ verdict: 'hold', limits: [{ step: 'hone' }, {}, {}] })
    // Only left there it is what its limits say of it.
    const left = demoRecord(
      { ...foundNow, 'servo-bore': Array(6).fill('+0.24') },
      { asLeft: { 'servo-bore': Array(6).fill('+0.27') } },
    )
    expect(stageOf(left, 'servo-bore', 'asLeft')?.verdict).toBe('replace')
    const beyond = demoRecord(
      { ...foundNow, 'servo-bore': Array(6).fill('+0.24') },
      { afterWork: { 'servo-bore': Array(6).fill('+0.32') } },
    )
    expect(stageOf(beyond, 'servo-bore', 'afterWork')?.verdict).toBe('replace')
  })

  test('a ring as left is reckoned in the bore as it is after work', () => {
    // 1.10 + π × (160.005 − 160)
    expect(stageOf(record, 'ring-gap-1', 'asLeft')?.judged?.value).toBeCloseTo(1.1 + Math.PI * 0.005, 6)
  })

  test('what is not measured at a stage is not known there', () => {
    expect(startEvaluation(record).at('journal', 'asLeft')).toMatchObject({ judged: null, readings: [], verdict: 'hold' })
  })
})

test('carried on reading by reading it says what it says of the whole', () => {
  let evaluation = startEvaluation(demoRecord({}))
  const readings = standingReadings(record.job.readings)
  for (const [index, reading] of readings.entries()) {
    const own = readings
      .slice(0, index + 1)
      .filter((other) => other.characteristic === reading.characteristic && other.stage === reading.stage)
    evaluation = evaluation.with(reading.characteristic, own, reading.stage)
  }
  expect(evaluation.results).toEqual(evaluate(record))
  for (const reading of [...readings].reverse()) evaluation = evaluation.with(reading.characteristic, [], reading.stage)
  expect(evaluation.results).toEqual(evaluate(demoRecord({})))
  expect(stages.flatMap((stage: Stage) => evaluation.takenOf('journal', stage))).toEqual([])
})

test('taken over to a record with more readings it says what it says of that record', () => {
  const { readings } = record.job
  for (const known of [0, 1, 7, readings.length - 1]) {
    const before: InspectionRecord = { ...record, job: { ...record.job, readings: readings.slice(0, known) } }
    const after: InspectionRecord = { ...record, job: { ...record.job, readings: [...readings] } }
    const afresh = evaluate({ ...record })
    startEvaluation(before)
    carryEvaluation(before, after, new Set(readings.slice(known).map(({ characteristic }) => characteristic)))
    expect(evaluate(after)).toEqual(afresh)
    // Nothing is known of a record that was never evaluated, and what is known is not replaced.
    const other: InspectionRecord = { ...after }
    carryEvaluation({ ...before }, other, new Set())
    expect(evaluate(other)).toEqual(afresh)
  }
})

describe('a change', () => {
  const change = (over: Partial<ChangeLimit>): ChangeLimit => ({
    id: 'change',
    judges: 'mean',
    from: 'asFound',
    to: 'asLeft',
    least: -0.05,
    greatest: 0.05,
    instruction: '',
    source: { document: 'QM-G4', page: 'p. 12' },
    ...over,
  })
  /** End float found at 0.288, left at this. */
  const left = (texts: readonly string[], over: Partial<ChangeLimit>, gauges = record.gauges): InspectionRecord => {
    const made = demoRecord({ ...foundNow, 'end-float': ['0.30', '0.30', '0.30'] }, { asLeft: { 'end-float': [...texts] } })
    const characteristics = made.book.characteristics.map((item) =>
      item.id === 'end-float' ? { ...item, changes: [change(over)] } : item,
    )
    return { ...made, gauges, book: { ...made.book, characteristics } }
  }
  /** Bore found at one size all around, left wider at three places and narrower at three: the means agree. */
  test.each([
    [undefined, 'inside'],
    [true, 'outside'],
  ] as const)('held against every place (%s) is %s where means agree and places do not', (eachPlace, standing) => {
    const made = demoRecord(
      { ...foundNow, 'bearing-bore': Array(6).fill('+0.120') },
      {
        asLeft: {
          'bearing-bore': ['+0.132', '+0.108', '+0.132', '+0.108', '+0.132', '+0.108'],
          'bearing-strip': ['2.7', '2.7'],
        },
      },
    )
    const held = change(eachPlace ? { eachPlace } : {})
    const limits = { ...held, least: -0.006, greatest: 0.006 }
    const characteristics = made.book.characteristics.map((item) =>
      item.id === 'bearing-bore' ? { ...item, changes: [limits] } : item,
    )
    const of = { ...made, book: { ...made.book, characteristics } }
    expect(resultOf(of, 'bearing-bore').changes).toMatchObject([{ standing }])
    const strong = evaluate(of)
      .parts.find(({ id }) => id === 'shell')
      ?.stages.find(({ stage }) => stage === 'asLeft')?.verdict
    expect(strong).toBe(eachPlace ? 'hold' : 'reuse')
  })

  const cases: { name: string; texts: readonly string[]; over?: Partial<ChangeLimit>; standing: string; moved?: number }[] = [
    { name: 'within what may be', texts: ['0.32', '0.32', '0.32'], standing: 'inside', moved: 0.02 },
    { name: 'grown too far', texts: ['0.40', '0.40', '0.40'], standing: 'outside', moved: 0.1 },
    { name: 'shrunk too far', texts: ['0.20', '0.20', '0.20'], standing: 'outside', moved: -0.1 },
    { name: 'exactly at what may be, with doubt', texts: ['0.35', '0.35', '0.35'], standing: 'undecided', moved: 0.05 },
    {
      name: 'a change that must come and does not',
      texts: ['0.30', '0.30', '0.30'],
      over: { least: 0.1, greatest: null },
      standing: 'outside',
      moved: 0,
    },
    { name: 'open at one side', texts: ['0.90', '0.90', '0.90'], over: { greatest: null }, standing: 'inside', moved: 0.6 },
    { name: 'a repeat is missing', texts: ['0.32', '0.32'], standing: 'open' },
    {
      name: 'against the last overhaul',
      texts: [],
      over: { from: 'lastOverhaul', to: 'asFound', least: -0.01, greatest: 0.1 },
      standing: 'inside',
    },
    { name: 'not measured after work', texts: ['0.32', '0.32', '0.32'], over: { from: 'afterWork' }, standing: 'open' },
  ]
  test.each(cases)('$name: $standing', ({ texts, over = {}, standing, moved }) => {
    const [outcome] = resultOf(left(texts, over), 'end-float').changes
    expect(outcome?.standing).toBe(standing)
    if (moved !== undefined) expect(outcome?.change?.value).toBeCloseTo(moved, 9)
  })

  test('what repeats scatter by is in a change, though the gauge be the same', () => {
    const spread = (texts: readonly string[]) => resultOf(left(texts, {}), 'end-float').changes[0]?.change?.uncertainty ?? 0
    expect(spread(['0.31', '0.32', '0.33'])).toBeGreaterThan(1.5 * spread(['0.32', '0.32', '0.32']))
  })

  test('the error of the same gauge is in both and cancels; that of two gauges is not', () => {
    const dialAlone = record.gauges.map((gauge) => ({ ...gauge, maximumPermissibleError: gauge.maximumPermissibleError * 50 }))
    const [same] = resultOf(left(['0.30', '0.30', '0.30'], {}), 'end-float').changes
    const [alsoSame] = resultOf(left(['0.30', '0.30', '0.30'], {}, dialAlone), 'end-float').changes
    expect(alsoSame?.change?.uncertainty).toBeCloseTo(same?.change?.uncertainty ?? 0, 9)
    const own = left(['0.30', '0.30', '0.30'], {})
    const [dial] = own.gauges.filter(({ kind }) => kind === 'dial')
    if (!dial) throw new Error('the demo has a dial')
    const other = {
      ...own,
      gauges: [...own.gauges, { ...dial, id: 'other-dial' }],
      job: {
        ...own.job,
        readings: own.job.readings.map((reading) => (reading.stage === 'asLeft' ? { ...reading, gauge: 'other-dial' } : reading)),
      },
    }
    expect(resultOf(other, 'end-float').changes[0]?.change?.uncertainty ?? 0).toBeGreaterThan(same?.change?.uncertainty ?? 0)
  })
})
