/**
 * The one clock: every moment and every day that these sources ask for is asked here (`oneClock.test.ts` holds it), so that a
 * test that moves it moves all of them. On the server it says what day it is; in a browser it is the clock of the device, good
 * for when something was taken and for what waits a minute, never for a day: pages are told the day by the server.
 */
export const now = (): Date => new Date()

export const nowMs = (): number => now().getTime()

/** The day of a moment where this process stands (its time zone), ISO 8601: what its people call today. */
export function dayOf(at: Date): string {
  const two = (figure: number): string => String(figure).padStart(2, '0')
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
}

/** Time that runs on whatever anybody does to the clock, ms: for measuring spans. */
export const spanMs = (): number => performance.now()
