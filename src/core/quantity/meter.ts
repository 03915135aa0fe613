/** What a machine's running is counted in. Every interval, rate and forecast of it is in that unit; without one nothing is foretold. */
export const meters = ['hours', 'starts', 'cycles', 'kilometres', 'tonnes', 'days', 'none'] as const
export type Meter = (typeof meters)[number]

/** A machine without a word on it counts hours. */
export const meterOf = ({ meter }: { readonly meter?: Meter | undefined }): Meter => meter ?? 'hours'

/** Day 0 of what is counted by dates: its count is the days since then, so that it only grows. */
export const DAY_ZERO = '1850-01-01'

/** A person reads it off something: not a date, and not nothing. */
export const isRead = (meter: Meter): boolean => meter !== 'days' && meter !== 'none'
