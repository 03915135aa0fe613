import { daysBetween } from '../base/day'
import { err, ok, type Result } from '../base/result'

/** A meter reading in a machine's log. */
export interface HoursEntry {
  readonly date: string
  readonly hours: number
}

export type HoursFault =
  | { readonly code: 'falls'; readonly before: HoursEntry }
  | { readonly code: 'moreThanTheClock'; readonly before: HoursEntry; readonly most: number }
  | { readonly code: 'laterIsLess'; readonly after: HoursEntry }

/** usual: like before. jump: possible, but far from how the machine has run; a person says that it is right. */
export type HoursAnswer =
  | { readonly kind: 'usual' }
  | { readonly kind: 'jump'; readonly perDay: number; readonly usualPerDay: number }

const HOURS_A_DAY = 24
/** A pace this many times the usual one, or less than one over this, is questioned. */
const QUESTIONED_TIMES = 2.5
/** Within this many days of the last entry a pace says little. */
const LEAST_DAYS = 14

/**
 * Checks a machine's running hours against its log: hours cannot fall, cannot pass the clock (24 h a day, with one day
 * of grace for the hour of reading), and a pace far from the usual one is questioned. The log may be in any order.
 */
export function checkHours(
  log: readonly HoursEntry[],
  now: HoursEntry,
  /** Most that a day can count; what is no clock has none. */
  mostADay = HOURS_A_DAY,
): Result<HoursAnswer, HoursFault> {
  const byDate = [...log].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.hours - b.hours))
  const before = byDate.filter(({ date }) => date <= now.date).at(-1)
  const after = byDate.find(({ date }) => date > now.date)
  if (after && after.hours < now.hours) return err({ code: 'laterIsLess', after })
  if (!before) return ok({ kind: 'usual' })
  if (now.hours < before.hours) return err({ code: 'falls', before })
  const days = daysBetween(before.date, now.date)
  const most = (days + 1) * mostADay
  if (now.hours - before.hours > most) return err({ code: 'moreThanTheClock', before, most })
  const first = byDate[0]
  const usualDays = first ? daysBetween(first.date, before.date) : 0
  if (!first || usualDays < LEAST_DAYS || days < LEAST_DAYS) return ok({ kind: 'usual' })
  const usualPerDay = (before.hours - first.hours) / usualDays
  const perDay = (now.hours - before.hours) / days
  const unusual = perDay > usualPerDay * QUESTIONED_TIMES || perDay < usualPerDay / QUESTIONED_TIMES
  return ok(unusual ? { kind: 'jump', perDay, usualPerDay } : { kind: 'usual' })
}
