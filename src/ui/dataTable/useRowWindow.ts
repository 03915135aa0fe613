import { defaultRangeExtractor, type Range, useWindowVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useCallback, useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** So many rows are drawn whole; of more only those in sight are. */
const ALL_DRAWN = 120
const AHEAD = 12

export interface RowWindow {
  /** Which rows are to be drawn, in order. */
  readonly drawn: readonly number[]
  /** Height of what is not drawn before and after them, px. */
  readonly before: number
  readonly after: number
  /** Only some of the rows are drawn. */
  readonly isPart: boolean
  readonly measure: (row: Element | null) => void
  readonly scrollTo: (index: number) => void
}

/** Of a long table that scrolls with its page: the rows in sight. On paper all are. */
export function useRowWindow(table: RefObject<HTMLElement | null>, keys: readonly string[], rowPx: number): RowWindow {
  const isOnPaper = useOnPaper()
  const isPart = keys.length > ALL_DRAWN && !isOnPaper
  const count = keys.length
  const [top, setTop] = useState(0)
  useEffect(() => setTop((table.current?.getBoundingClientRect().top ?? 0) + window.scrollY), [table])
  const virtual = useWindowVirtualizer({
    count,
    estimateSize: () => rowPx,
    getItemKey: (index) => keys[index] ?? index,
    scrollMargin: top,
    overscan: AHEAD,
    initialRect: { width: 1280, height: 800 },
    rangeExtractor: useCallback(
      (range: Range) => (isPart ? defaultRangeExtractor(range) : Array.from({ length: count }, (_, index) => index)),
      [isPart, count],
    ),
  })
  const items = virtual.getVirtualItems()
  const last = items.at(-1)
  return {
    drawn: items.map(({ index }) => index),
    before: isPart ? Math.max(0, (items[0]?.start ?? top) - top) : 0,
    after: isPart && last ? Math.max(0, virtual.getTotalSize() - (last.end - top)) : 0,
    isPart,
    measure: virtual.measureElement,
    scrollTo: (index) => virtual.scrollToIndex(index, { align: 'auto' }),
  }
}

function useOnPaper(): boolean {
  const [isOnPaper, setIsOnPaper] = useState(false)
  useEffect(() => {
    // The browser takes the page as it stands when these have been heard.
    const before = (): void => flushSync(() => setIsOnPaper(true))
    const after = (): void => setIsOnPaper(false)
    addEventListener('beforeprint', before)
    addEventListener('afterprint', after)
    return () => {
      removeEventListener('beforeprint', before)
      removeEventListener('afterprint', after)
    }
  }, [])
  return isOnPaper
}
