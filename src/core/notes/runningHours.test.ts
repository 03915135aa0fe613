import { expect, test } from 'vitest'
import { hoursFaultWords, hoursQuestion } from '../words/hours'
import { checkHours } from './runningHours'

/** About 3.9 h a day between 2018 and 2025. */
const log = [
  { date: '2025-11-03', hours: 26_890 },
  { date: '2018-06-11', hours: 18_420 },
  { date: '2022-04-19', hours: 22_610 },
]
const cases: { name: string; date: string; hours: number; ends: string }[] = [
  { name: 'as it has run before', date: '2026-11-24', hours: 28_200, ends: 'usual' },
  { name: 'not run at all for a week', date: '2025-11-10', hours: 26_890, ends: 'usual' },
  { name: 'fewer hours than the log', date: '2026-11-24', hours: 26_400, ends: 'falls' },
  { name: 'more than the clock allows', date: '2025-11-13', hours: 27_200, ends: 'moreThanTheClock' },
  { name: 'day and night for ten days, just possible', date: '2025-11-13', hours: 26_890 + 11 * 24, ends: 'usual' },
  { name: 'far faster than before', date: '2026-11-24', hours: 34_000, ends: 'jump' },
  { name: 'hardly any hours in a year', date: '2026-11-24', hours: 27_000, ends: 'jump' },
  { name: 'a day before a later entry with fewer hours', date: '2023-01-01', hours: 27_000, ends: 'laterIsLess' },
]
test.each(cases)('$name: $ends', ({ date, hours, ends }) => {
  const checked = checkHours(log, { date, hours })
  expect(checked.ok ? checked.value.kind : checked.fault.code).toBe(ends)
})

test('an empty log takes anything; one entry gives no pace to compare with', () => {
  expect(checkHours([], { date: '2026-01-01', hours: 5 })).toEqual({ ok: true, value: { kind: 'usual' } })
  expect(checkHours([{ date: '2025-01-01', hours: 0 }], { date: '2026-01-01', hours: 8_000 })).toEqual({
    ok: true,
    value: { kind: 'usual' },
  })
})

test('the sentences name what was typed and what the log has', () => {
  const falls = checkHours(log, { date: '2026-11-24', hours: 26_400 })
  expect(falls.ok ? '' : hoursFaultWords(falls.fault, 26_400)).toBe(
    'The meter cannot fall: 26 400 h typed, the log has 26 890 h on 2025-11-03. Read the meter again.',
  )
  const jump = checkHours(log, { date: '2026-11-24', hours: 34_000 })
  expect(jump.ok && jump.value.kind === 'jump' ? hoursQuestion(jump.value, 34_000) : '').toMatch(
    /18\.4 h a day .* ran 3\.1 h a day/,
  )
})
