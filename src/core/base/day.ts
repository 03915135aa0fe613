/** Days and times of a machine's life lie between these years, written as ISO 8601. */
export const inOurTime = (text: string): boolean => text >= '1850' && text < '2200'

/** A day of the calendar as ISO 8601 writes it, in our time. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const [year = 0, month = 0, day = 0] = text.split('-').map(Number)
  const days = [31, year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  return inOurTime(text) && month >= 1 && month <= 12 && day >= 1 && day <= (days[month - 1] ?? 0)
}

// Days are counted in UTC: the same at the server and in every browser.
const DAY_MS = 86_400_000

const count = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY_MS

/** Days from one day to another; negative when it lies before. */
export const daysBetween = (from: string, to: string): number => count(to) - count(from)

/** The day so many days later. */
export const dayAfter = (day: string, days: number): string => new Date((count(day) + days) * DAY_MS).toISOString().slice(0, 10)
