/** The interval of a machine: how much of it is used, and when it will be. */
import { dayAfter, daysBetween } from '../base/day'
import { DAY_ZERO, type Meter } from '../quantity/meter'

/** A meter reading: day (ISO) and hours. */
export interface HoursAt {
  readonly on: string
  readonly hours: number
}

export interface IntervalUsed {
  /** Hours since the last overhaul. */
  readonly since: number
  /** Part of the interval that is used: 1 at its end, more beyond it. */
  readonly used: number
  /** Hours to the next overhaul; negative when it is past due. */
  readonly left: number
  /** Day by which it will be used up at the pace of the log; null where no pace is known. */
  readonly dueOn: string | null
}

/** What is counted by dates has run until today, whoever looks. */
export const countedToday = (meter: Meter, today: string): readonly HoursAt[] =>
  meter === 'days' ? [{ on: today, hours: daysBetween(DAY_ZERO, today) }] : []

/** A pace is taken from at least so many days: two readings of one week say little. */
const LEAST_DAYS = 14
/** Nobody plans further ahead. */
const MOST_DAYS = 3650

/** Hours a day over the last year of the log, or over all of it where it is shorter; null where it does not tell. */
export function pacePerDay(log: readonly HoursAt[]): number | null {
  const last = log.at(-1)
  if (!last) return null
  const since = log.find(({ on }) => daysBetween(on, last.on) <= 366) ?? last
  const first = daysBetween(since.on, last.on) >= LEAST_DAYS ? since : log[0]
  if (!first) return null
  const days = daysBetween(first.on, last.on)
  return days >= LEAST_DAYS && last.hours > first.hours ? (last.hours - first.hours) / days : null
}

/**
 * Interval of a machine that was last overhauled at these hours and must run so many. Its meter is taken on to today at the
 * pace of the log. Null where nothing says when it was overhauled, or how far it is to run.
 *
 * @param log meter readings by day, earliest first
 */
export function intervalUsed(
  log: readonly HoursAt[],
  last: { readonly hours: number; readonly mustRun: number } | null,
  today: string,
): IntervalUsed | null {
  const read = log.at(-1)
  if (!last || last.mustRun <= 0 || !read) return null
  const pace = pacePerDay(log)
  const now = Math.max(read.hours + (pace ?? 0) * Math.max(0, daysBetween(read.on, today)), last.hours)
  const left = last.hours + last.mustRun - now
  const days = pace === null ? null : Math.floor(left / pace)
  return {
    since: Math.round(now - last.hours),
    used: (now - last.hours) / last.mustRun,
    left: Math.round(left),
    dueOn: days === null || !(Math.abs(days) <= MOST_DAYS) ? null : dayAfter(today, days),
  }
}
