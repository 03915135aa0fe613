import { expect, test } from 'vitest'
import { daysBetween } from '../base/day'
import { checkHours } from '../notes/runningHours'
import { DAY_ZERO, type Meter, meters } from '../quantity/meter'
import { smallRecord } from '../record/smallMachine.fixture'
import { ageOf } from '../verdict/serviceVote'
import { hoursFaultWords, hoursQuestion } from './hours'
import { meterName, perThousandWords, ranAtWords, ranWords } from './meter'

test.each<[Meter, string, string]>([
  ['hours', '31 240 h', '31 240 h'],
  ['starts', '31 240 starts', '31 240 starts'],
  ['kilometres', '31 240 km', '31 240 km'],
  ['tonnes', '31 240 t', '31 240 t'],
  ['cycles', '31 240 cycles', '31 240 cycles'],
  ['none', 'not counted', 'not counted'],
])('%s', (meter, ran, at) => {
  expect(ranWords(31_240, meter).replaceAll('\u00a0', ' ')).toBe(ran)
  expect(ranAtWords(31_240, meter).replaceAll('\u00a0', ' ')).toBe(at)
})

test('by dates a place on the meter is its day, and a length is days', () => {
  expect(ranAtWords(daysBetween(DAY_ZERO, '2026-11-28'), 'days')).toBe('2026-11-28')
  expect(ranWords(400, 'days')).toBe('400 days')
})

test('every meter has a name, and a rate is by a thousand of it', () => {
  for (const meter of meters) expect(meterName[meter]).not.toBe('')
  expect(perThousandWords('kilometres')).toBe('per 1\u00a0000 km')
})

test('only hours are held to the clock; no meter runs backwards', () => {
  const log = [{ date: '2026-01-01', hours: 1000 }]
  const far = { date: '2026-01-03', hours: 9000 }
  expect(checkHours(log, far)).toMatchObject({ ok: false, fault: { code: 'moreThanTheClock' } })
  expect(checkHours(log, far, Number.POSITIVE_INFINITY).ok).toBe(true)
  const back = checkHours(log, { date: '2026-01-03', hours: 900 }, Number.POSITIVE_INFINITY)
  expect(back.ok ? '' : hoursFaultWords(back.fault, 900, 'kilometres')).toMatch(/900 km typed, the log has 1.000 km/)
  expect(hoursQuestion({ kind: 'jump', perDay: 40, usualPerDay: 3 }, 9000, 'cycles')).toMatch(/40\.0 cycles a day/)
})

test('what nobody counts has no age, and a rule by hours asks for it instead of taking it for new', () => {
  const { machine, ...record } = smallRecord()
  const job = { ...record.job, installed: { shaft: 'S-1' } }
  expect(ageOf({ ...record, job, machine }, 'shaft')?.hours).toBe(job.runningHours)
  expect(ageOf({ ...record, job, machine: { ...machine, meter: 'none' } }, 'shaft')).toMatchObject({ hours: null })
})
