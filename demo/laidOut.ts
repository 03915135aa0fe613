/** The demo as it is on the day it is laid out: written down as of one day, and moved whole to any other. */
import { dayAfter, daysBetween } from '../src/core/base/day'
import type { DemoMachine } from './types'

/** Today of the demo as it is written down. */
const WRITTEN_ON = '2026-11-26'

/** A day of the demo as it is written down, where it lies when the demo is laid out on another day. */
export const movedTo =
  (today: string) =>
  (written: string): string =>
    dayAfter(written, daysBetween(WRITTEN_ON, today))

/** Moments at which people of the demo did something in a book: `at` beside `by`. What its maker dates, stays. */
function moved(value: unknown, day: (written: string) => string): unknown {
  if (Array.isArray(value)) return value.map((one) => moved(one, day))
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value).map(([key, of]) => [
      key,
      key === 'at' && typeof of === 'string' && 'by' in value ? day(of.slice(0, 10)) + of.slice(10) : moved(of, day),
    ]),
  )
}

/** Machines with everything that has a day (jobs, meter readings, calibrations, what was typed) as many days from this one. */
export function laidOutOn(today: string, machines: readonly DemoMachine[]): readonly DemoMachine[] {
  const day = movedTo(today)
  return machines.map((demo) => ({
    ...demo,
    book: moved(demo.book, day),
    gauges: demo.gauges.map((gauge) => ({ ...gauge, calibrationDue: day(gauge.calibrationDue) })),
    hours: demo.hours.map(({ date, hours }) => ({ date: day(date), hours })),
    overhauls: demo.overhauls.map((overhaul) => ({
      ...overhaul,
      date: day(overhaul.date),
      returnBy: overhaul.returnBy && day(overhaul.returnBy),
    })),
  }))
}
