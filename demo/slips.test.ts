import { expect, test } from 'vitest'
import { slotsOf } from '../src/core/method/layout'
import { explainSlip } from '../src/core/method/slip/slip'
import { bookSchema } from '../src/core/record/bookSchema'
import { questionAt } from '../src/core/record/questionAt'
import { gaugeSchema, type InspectionRecord, type Overhaul, type Reading } from '../src/core/record/recordSchema'
import type { Stage } from '../src/core/record/stage'
import { gaugeKindAt, readTyped } from '../src/core/record/typedReading'
import { motion } from './larkhollow/motion/station'
import { larkhollow } from './larkhollow/station'
import { gates } from './quillmere/gates/station'
import { quillmere } from './quillmere/station'
import { demoRecord } from './record'
import type { DemoMachine, DemoOverhaul } from './types'

const machines = [...quillmere, gates, larkhollow, motion]

/** The readings of an overhaul as stored, in walking order. */
function readingsOf(demo: DemoMachine, overhaul: DemoOverhaul): Reading[] {
  const book = bookSchema.parse(demo.book)
  return book.characteristics.flatMap((characteristic) =>
    (overhaul.readings?.[characteristic.id] ?? []).flatMap((text, index): Reading[] => {
      const slot = slotsOf(characteristic.method)[index]
      const typed = slot ? readTyped(characteristic, slot, text, demo.machine.units) : null
      if (!slot || !typed?.ok) throw new Error(`${overhaul.id} ${characteristic.id} ${text}`)
      const common = {
        stage: 'asFound',
        conditions: null,
        gauge: 'g',
        by: '',
        takenAt: '2026-01-01T00:00:00Z',
        supersedes: null,
        reason: null,
      } as const
      return [
        {
          id: `${characteristic.id}-${index}`,
          characteristic: characteristic.id,
          ...slot,
          text,
          ...typed.value.fields,
          ...common,
        },
      ]
    }),
  )
}

const overhauls = machines.flatMap((demo) =>
  demo.overhauls.filter(({ readings }) => readings !== null).map((overhaul) => ({ id: overhaul.id, demo, overhaul })),
)

test.each(overhauls)('taking $id again, nothing honest is questioned', ({ demo, overhaul }) => {
  const store = (demo.gauges.length > 0 ? demo.gauges : quillmere.flatMap(({ gauges }) => gauges)).map((gauge) =>
    gaugeSchema.parse({ ...gauge, calibration: gauge.calibration ?? null }),
  )
  const book = bookSchema.parse(demo.book)
  const past = demo.overhauls.filter((other) => other.readings !== null && other.runningHours < overhaul.runningHours)
  const history = past.map(
    (other): Overhaul => ({
      overhaul: other.title,
      date: other.date,
      runningHours: other.runningHours,
      installed: { ...other.installed },
      readings: readingsOf(demo, other),
    }),
  )
  const record = {
    machine: demo.machine,
    job: { runningHours: overhaul.runningHours, installed: overhaul.installed, readings: [], level: overhaul.level },
    book,
    gauges: store,
    history,
  } as unknown as InspectionRecord
  const all = readingsOf(demo, overhaul)
  const questions = book.characteristics.flatMap((characteristic) => {
    const own = all.filter((reading) => reading.characteristic === characteristic.id)
    return own.flatMap((reading, index) => {
      const typed = readTyped(characteristic, reading, reading.text, demo.machine.units)
      const gauge = store.find(({ kind }) => kind === gaugeKindAt(characteristic, reading))
      if (!typed.ok || !gauge) return []
      const before = all.filter((other) => other.characteristic !== characteristic.id || own.indexOf(other) < index)
      const of = (id: string, stage: Stage = reading.stage): Reading[] =>
        before.filter((other) => other.characteristic === id && other.stage === stage)
      const question = questionAt({
        record,
        characteristic,
        slot: reading,
        text: reading.text,
        parsed: typed.value.parsed,
        gauge,
        conditions: null,
        today: overhaul.date,
        stage: reading.stage,
        standing: of(characteristic.id),
        standingOf: of,
      })
      const figures = { quantity: 'length', system: demo.machine.units, step: characteristic.showTo } as const
      return question ? [`${characteristic.id} ${reading.text}: ${explainSlip(question, figures)}`] : []
    })
  })
  expect(questions).toEqual([])
})

test('a part that was worked on at the last overhaul is expected to wear on from how it was left', () => {
  const bore = (text: string) => ({ 'bearing-bore': Array<string>(6).fill(text) })
  const now = demoRecord({})
  const at = (hoursAgo: number, readings: readonly Reading[]): Overhaul => ({
    overhaul: `${hoursAgo} h ago`,
    date: '2020-01-01',
    runningHours: now.job.runningHours - hoursAgo,
    installed: { ...now.job.installed },
    readings: [...readings],
  })
  // In 8000 h it wore by 0.1 mm; it was lined anew, and the same hours have passed since.
  const history = [
    at(16_000, demoRecord(bore('+0.080')).job.readings),
    at(8_000, demoRecord(bore('+0.180'), { asLeft: bore('+0.080') }).job.readings),
  ]
  const record = { ...now, history }
  const characteristic = record.book.characteristics.find(({ id }) => id === 'bearing-bore')
  const gauge = record.gauges.find(({ kind }) => kind === 'boreGauge')
  const [slot] = characteristic ? slotsOf(characteristic.method) : []
  if (!characteristic || !gauge || !slot) throw new Error('the demo measures this bore')
  const asked = (text: string) => {
    const typed = readTyped(characteristic, slot, text, record.machine.units)
    if (!typed.ok) throw new Error(text)
    const { parsed } = typed.value
    const none = { standing: [], standingOf: () => [] }
    return questionAt({
      record,
      characteristic,
      slot,
      text,
      parsed,
      gauge,
      conditions: null,
      today: now.job.date,
      stage: 'asFound',
      ...none,
    })?.code
  }
  expect(asked('+0.180')).toBeUndefined()
  expect(asked('+0.380')).toBe('farOff')
})
