import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { hear } from './hear'

/** A browser's event stream that the test speaks through. */
class Stream extends EventTarget {
  static readonly CLOSED = 2
  static opened: Stream[] = []
  readyState = 1
  constructor(readonly url: string) {
    super()
    Stream.opened.push(this)
  }
  close(): void {
    this.readyState = Stream.CLOSED
  }
  say(event: string, data: unknown, lastEventId = ''): void {
    this.dispatchEvent(Object.assign(new Event(event), { data: JSON.stringify(data), lastEventId }))
  }
  fail(): void {
    this.readyState = Stream.CLOSED
    this.dispatchEvent(new Event('error'))
  }
}
const newPage = () => Object.assign(new EventTarget(), { hidden: false })
let page = newPage()
const look = (hidden: boolean): void => {
  page.hidden = hidden
  page.dispatchEvent(new Event('visibilitychange'))
}
const latest = (): Stream => Stream.opened.at(-1) as Stream
const begin = (take: (data: unknown) => void = () => {}) =>
  hear({ path: '/events', parameter: 'after', after: '7' }, { entry: take })

beforeEach(() => {
  page = newPage()
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', Stream)
  vi.stubGlobal('document', page)
  Stream.opened = []
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

test('hears what is said, and after a fault of the server goes on from the last it has', () => {
  const heard: unknown[] = []
  begin((data) => heard.push(data))
  expect(latest().url).toBe('/events?after=7')
  latest().say('entry', { n: 8 }, '8')
  latest().say('changed', {})
  latest().fail()
  vi.advanceTimersByTime(4_000)
  expect(latest().url).toBe('/events?after=8')
  latest().say('entry', { n: 9 }, '9')
  expect(heard).toEqual([{ n: 8 }, { n: 9 }])
})

test('a broken network is left to the browser, which calls again by itself', () => {
  begin()
  latest().dispatchEvent(new Event('error'))
  vi.advanceTimersByTime(60_000)
  expect(Stream.opened).toHaveLength(1)
})

test('a tab that nobody looks at holds no connection, and one that is looked at again misses nothing', () => {
  begin()
  latest().say('entry', {}, '12')
  look(true)
  expect(latest().readyState).toBe(Stream.CLOSED)
  vi.advanceTimersByTime(60_000)
  expect(Stream.opened).toHaveLength(1)
  look(false)
  expect(latest().url).toBe('/events?after=12')
})

test('begun in a tab nobody looks at, it waits', () => {
  page.hidden = true
  begin()
  expect(Stream.opened).toHaveLength(0)
  look(false)
  expect(Stream.opened).toHaveLength(1)
})

test('once stopped it stays silent', () => {
  const stop = begin()
  latest().fail()
  stop()
  vi.advanceTimersByTime(60_000)
  look(true)
  look(false)
  expect(Stream.opened).toHaveLength(1)
})
