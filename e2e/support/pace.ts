import type { BrowserContext } from '@playwright/test'

export interface Pace {
  /** Presses of a button or link, fields filled, keys that do something. */
  readonly steps: number
  /** How long a person takes for them. */
  readonly seconds: number
}

/**
 * Operators of the keystroke-level model (Card, Moran and Newell, Comm. ACM 23, 1980), s: a key of somebody who types little, pointing
 * with the mouse and its press, a hand going over to it and back, making up one's mind. And a page read before anything is done.
 */
const KEY = 0.5
const POINT = 1.2
const HOMING = 0.8
const MIND = 1.35
const READING = 20

/** Counts what is done in a browser's pages, and how long a person would take for it. */
export async function countPace(context: BrowserContext): Promise<() => Pace> {
  const count = { keys: 0, points: 0, fields: 0, pages: 0 }
  await context.exposeBinding('tellPace', (_, what: keyof typeof count, many: number) => {
    count[what] += many
  })
  await context.addInitScript(() => {
    const tell = (what: string, many: number): void =>
      (window as unknown as { tellPace: (what: string, many: number) => void }).tellPace(what, many)
    const lengths = new WeakMap<EventTarget, number>()
    tell('pages', 1)
    document.addEventListener('click', ({ isTrusted, detail }) => isTrusted && detail > 0 && tell('points', 1), true)
    document.addEventListener(
      'focusin',
      ({ target }) => (target as HTMLElement).matches?.('input, select, textarea') && tell('fields', 1),
      true,
    )
    document.addEventListener('keydown', ({ key }) => key.length > 1 && tell('keys', 1), true)
    document.addEventListener(
      'input',
      ({ target }) => {
        const { length } = (target as HTMLInputElement).value ?? ''
        tell('keys', Math.max(1, length - (lengths.get(target as EventTarget) ?? 0)))
        lengths.set(target as EventTarget, length)
      },
      true,
    )
  })
  return () => ({
    steps: count.points + count.fields,
    seconds: Math.round(count.keys * KEY + count.points * (POINT + HOMING + MIND) + count.fields * MIND + count.pages * READING),
  })
}
