/** The core by itself: how evaluation grows, what traces cost, and what one more reading costs. */

import { evaluate, startEvaluation } from '../src/core/evaluate/evaluate'
import { pairForEvenClearance } from '../src/core/fit/pairing'
import { gradeSpan, guardFactorOf } from '../src/core/limit/conformity'
import { reduceReadings } from '../src/core/method/reduce/reduce'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { gaugesById, standingByCharacteristic, takenOf } from '../src/core/record/standing'
import { type Figure, median } from './figure'
import { largeRecord } from './largeJob'

const RUNS = 9

function timed(run: () => unknown): number {
  const times = Array.from({ length: RUNS + 2 }, () => {
    const before = performance.now()
    run()
    return performance.now() - before
  })
  return median(times.slice(2))
}

/** The same reductions and grades and nothing else: no votes, no words, no traces. */
function evaluateBare(record: InspectionRecord): unknown {
  const gauges = gaugesById(record.gauges)
  const standing = standingByCharacteristic(record.job.readings, 'asFound')
  return record.book.characteristics.map((characteristic) => {
    const { taken } = takenOf(characteristic, standing.get(characteristic.id) ?? [], gauges)
    const { values } = reduceReadings(characteristic.method, taken, {
      nominal: characteristic.new?.nominal ?? null,
      runsIn: null,
      guard: guardFactorOf(record.job.policy.acceptance),
    })
    return characteristic.limits.map((limit) => gradeSpan(values[limit.judges] ?? null, limit))
  })
}

export function coreFigures(): Figure[] {
  const large = largeRecord()
  const small = largeRecord(100)
  const whole = timed(() => evaluate({ ...large }))
  const evaluation = startEvaluation(large)
  const [first] = large.book.characteristics
  const readings = large.job.readings.filter(({ characteristic }) => characteristic === first?.id)
  void evaluation.results
  const next = evaluation.with(first?.id ?? '', readings.slice(0, -1), 'asFound')
  process.stderr.write(
    `re-evaluating after one reading of ${large.job.readings.length} computes ${next.touched} of ${evaluation.touched} characteristics, fits and parts\n`,
  )
  const sizes = (nominal: number): number[] => Array.from({ length: 200 }, (_, at) => nominal + ((at * 7919) % 199) / 2000)
  const pairs = { boresMm: sizes(100.1), journalsMm: sizes(100), targetMm: 0.1, leastMm: 0, greatestMm: 0.2 }
  return [
    {
      name: 'pairing 200 bores with 200 journals',
      figure: timed(() => pairForEvenClearance(pairs)),
      baseline: 0,
      unit: 'ms',
      bar: { kind: 'absolute', atMost: 1000 },
    },
    {
      name: 'evaluating 10,000 readings against 1,000',
      figure: whole,
      baseline: timed(() => evaluate({ ...small })),
      unit: 'ms',
      bar: { kind: 'ratio', atMost: 12 },
    },
    {
      name: 'evaluating with votes and traces, against reductions and grades alone',
      figure: whole,
      baseline: timed(() => evaluateBare(large)),
      unit: 'ms',
      bar: { kind: 'ratio', atMost: 5 },
    },
    {
      name: 'evaluating again after one reading, against everything',
      figure: timed(() => evaluation.with(first?.id ?? '', readings.slice(0, -1), 'asFound').results),
      baseline: whole,
      unit: 'ms',
      bar: { kind: 'ratio', atMost: 0.05 },
    },
    {
      name: 'evaluating again after one note, against everything',
      figure: timed(() => evaluation.noting({ ...large, job: { ...large.job, entries: [...large.job.entries] } }).results),
      baseline: whole,
      unit: 'ms',
      bar: { kind: 'ratio', atMost: 0.1 },
    },
  ]
}
