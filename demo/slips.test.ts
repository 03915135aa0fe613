import { expect, test } from 'vitest'
import { slotsOf } from '../src/core/method/layout'
import type { InspectionRecord, Overhaul, Reading } from '../src/core/record/recordSchema'
import type { Stage } from '../src/core/record/stage'
import { gaugeKindAt, readTyped } from '../src/core/record/typedReading'
import { questionAt } from '../src/core/slip/questionAt'
import { slipQuestionWords } from '../src/core/words/slips'
import { pastOverhauls } from './pastOverhauls.fixture'
import { demoRecord } from './record'

test.each(pastOverhauls)('taking $id again, nothing honest is questioned', ({ record: taken }) => {
  const { book, machine, gauges: store } = taken
  const all = taken.job.readings
  const record: InspectionRecord = { ...taken, job: { ...taken.job, readings: [] } }
  const questions = book.characteristics.flatMap((characteristic) => {
    const own = all.filter((reading) => reading.characteristic === characteristic.id)
    return own.flatMap((reading, index) => {
      const typed = readTyped(characteristic, reading, reading.text, machine.units)
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
        today: taken.job.date,
        stage: reading.stage,
        standing: of(characteristic.id),
        standingOf: of,
      })
      const figures = { quantity: 'length', system: machine.units, step: characteristic.showTo } as const
      return question ? [`${characteristic.id} ${reading.text}: ${slipQuestionWords(question, figures)}`] : []
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
