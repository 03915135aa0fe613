/** Keys pressed one by one: what each costs the page, and when it is painted. */
import type { Page } from '@playwright/test'

interface Painted {
  painted: Promise<number> | null
}

interface KeyTimes {
  /** Main-thread time of each key, ms. */
  readonly work: number[]
  /** From the key to the frame after the one that shows it, ms. */
  readonly paint: number[]
}

/** Presses keys one by one and waits for each to be painted; work is the browser's own count of main-thread task time. */
export async function press(page: Page, keys: readonly string[]): Promise<KeyTimes> {
  const session = await page.context().newCDPSession(page)
  // Time of the thread, not of the clock: on a shared machine other programs take turns with it.
  await session.send('Performance.enable', { timeDomain: 'threadTicks' })
  const taskMs = async (): Promise<number> => {
    const { metrics } = await session.send('Performance.getMetrics')
    return (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0) * 1000
  }
  await page.evaluate(`window.painted = null; addEventListener('keydown', () => {
    const at = performance.now(); window.painted = null
    window.painted = new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - at))))
  }, true)`)
  const work: number[] = []
  const paint: number[] = []
  for (const key of keys) {
    const before = await taskMs()
    await page.keyboard.press(key)
    paint.push((await page.evaluate(() => (window as unknown as Painted).painted)) ?? 0)
    work.push((await taskMs()) - before)
  }
  await session.detach()
  return { work, paint }
}

export const percentile95 = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0
