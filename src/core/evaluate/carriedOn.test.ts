import { expect, test } from 'vitest'
import { brokenFrom, randomFrom } from '../base/random.fixture'
import { slotsOf } from '../method/layout'
import { anyRecord, readingFrom, typedAt } from '../record/anyRecord.fixture'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { stages } from '../record/stage'
import { standingReadings } from '../record/standing'
import { evaluate, startEvaluation } from './evaluate'

const SEQUENCES = 200
const OPERATIONS = 8
const FROM = 12_600

type Entry = InspectionRecord['job']['entries'][number]

const finding = (number: number, part: string): Entry => ({
  id: `00000000-0000-4000-9000-${String(number).padStart(12, '0')}`,
  by: 'x',
  at: '2026-01-01T00:00:00Z',
  body: {
    kind: 'findingRecorded',
    finding: `f${number}`,
    value: { part, kind: 'crack', severity: 'severe', since: 'service', station: null, clock: null, extent: '', note: '' },
  },
})

/** Reads, corrects, takes back, reads at other stages and notes, at random; a sentence when the evaluation carried on differs. */
function differs(seed: number): string | null {
  const random = randomFrom(seed)
  let record = anyRecord(seed)
  let evaluation = startEvaluation(record)
  const told: string[] = []
  for (let step = 0; step < OPERATIONS; step += 1) {
    const characteristic = random.pick(record.book.characteristics)
    const stage = random.chance(0.6) ? 'asFound' : random.pick(stages)
    const { readings, entries } = record.job
    if (random.chance(0.1)) {
      record = { ...record, job: { ...record.job, entries: [...entries, finding(step, random.pick(record.book.parts).id)] } }
      evaluation = evaluation.noting(record)
      told.push('noted')
    } else {
      const slots = slotsOf(characteristic.method)
      const slot = slots.length === 0 ? null : random.pick(slots)
      const typed = slot && typedAt(characteristic.method, slot, random)
      if (!slot || !typed) continue
      const id = 900_000 + step
      const made = readingFrom(characteristic.id, characteristic.method, slot, id, typed, 'plain', stage)
      const before = standingReadings(readings).find(
        (other) =>
          other.characteristic === made.characteristic &&
          other.stage === stage &&
          other.station === slot.station &&
          other.direction === slot.direction &&
          other.repeat === slot.repeat,
      )
      const takenBack = before !== undefined && random.chance(0.3)
      const reading: Reading = {
        ...made,
        supersedes: before?.id ?? null,
        reason: before ? 'misread' : made.reason,
        ...(takenBack ? { kind: 'withdrawn', value: null, low: null, high: null } : {}),
      }
      record = { ...record, job: { ...record.job, readings: [...readings, reading] } }
      const standing = standingReadings(record.job.readings).filter(
        (other) => other.characteristic === characteristic.id && other.stage === stage,
      )
      evaluation = evaluation.with(characteristic.id, standing, stage)
      told.push(`${takenBack ? 'took back' : 'read'} ${characteristic.id} ${stage} ${reading.text}`)
    }
    // Now and then on the way, and at the end.
    if (step < OPERATIONS - 1 && !random.chance(0.2)) continue
    const [carried, afresh] = [JSON.stringify(evaluation.results), JSON.stringify(evaluate(structuredClone(record)))]
    if (carried !== afresh) return `seed ${seed}, after ${told.join(', ')}: ${firstDifference(carried, afresh)}`
  }
  return null
}

const AROUND = 120
function firstDifference(a: string, b: string): string {
  const at = [...a].findIndex((letter, index) => letter !== b[index])
  return `…${a.slice(Math.max(0, at - AROUND), at + AROUND)} and …${b.slice(Math.max(0, at - AROUND), at + AROUND)}`
}

test(`carried on reading by reading it is what it is from scratch, to the byte: ${SEQUENCES} sequences from seed ${FROM}`, () => {
  expect(brokenFrom(FROM, SEQUENCES, differs)).toEqual([])
}, 240_000)
