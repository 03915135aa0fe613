import { type PointerEvent, type RefCallback, useCallback, useEffect, useRef, useState } from 'react'
import { type Dragged, type DropTarget, sameTarget, targetAt } from './dropTarget'

/** A part on its way, and where it would go if it were let go now. */
export interface Dragging {
  readonly id: string
  readonly target: DropTarget | null
}

export interface Drags {
  readonly dragging: Dragging | null
  /** For the element around everything that can be dragged or dropped on. */
  readonly onPointerDown: (event: PointerEvent<HTMLElement>) => void
  /** For what hangs at the pointer meanwhile. */
  readonly carried: RefCallback<HTMLElement>
}

/** A press that moves less than this is a tap, px. */
const DRAG_FROM_PX = 6
/** Nearer to the edge of what scrolls than this, it scrolls, px. */
const EDGE_PX = 36
/** By this much in a frame, px. */
const SCROLL_PX = 9

interface Point {
  readonly x: number
  readonly y: number
}

/**
 * Dragging of what carries `data-drag` with its id. Where it goes is decided where the pointer is let go, by what lies there
 * at that moment: a quick hand on a slow tablet lets go before anything has been drawn.
 */
export function useDragging(enabled: boolean, onDrop: (id: string, target: DropTarget | null) => void): Drags {
  const [dragging, setDragging] = useState<Dragging | null>(null)
  const at = useRef<Point>({ x: 0, y: 0 })
  const element = useRef<HTMLElement | null>(null)
  const ending = useRef<AbortController | null>(null)
  const drop = useRef(onDrop)
  drop.current = onDrop
  useEffect(() => () => ending.current?.abort(), [])

  function onPointerDown(event: PointerEvent<HTMLElement>): void {
    const source = (event.target as Element).closest<HTMLElement>('[data-drag]')
    if (!enabled || !event.isPrimary || event.button !== 0 || !source) return
    const { pointerId } = event
    const id = source.dataset.drag ?? ''
    const dragged: Dragged = { id, fromTray: source.closest('[data-tray]') !== null }
    const from: Point = { x: event.clientX, y: event.clientY }
    let begun = false
    ending.current?.abort()
    const end = new AbortController()
    ending.current = end

    const follow = (): void => {
      hang(element.current, at.current)
      const target = targetAt(at.current, dragged)
      setDragging((before) => (before !== null && sameTarget(before.target, target) ? before : { id, target }))
    }
    const cancel = (): void => {
      end.abort()
      setDragging(null)
    }
    const scroll = (): void => {
      if (end.signal.aborted) return
      if (scrollNear(at.current)) follow()
      requestAnimationFrame(scroll)
    }
    const move = (moved: globalThis.PointerEvent): void => {
      if (moved.pointerId !== pointerId) return
      at.current = { x: moved.clientX, y: moved.clientY }
      // Let go where nobody told this page, outside its window: nothing is dropped.
      if (moved.buttons === 0) cancel()
      else if (begun) follow()
      else if (Math.hypot(at.current.x - from.x, at.current.y - from.y) >= DRAG_FROM_PX) {
        begun = true
        follow()
        scroll()
      }
    }
    const release = (up: globalThis.PointerEvent): void => {
      if (up.pointerId !== pointerId) return
      cancel()
      const point: Point = { x: up.clientX, y: up.clientY }
      if (begun || Math.hypot(point.x - from.x, point.y - from.y) >= DRAG_FROM_PX) drop.current(id, targetAt(point, dragged))
    }
    const cancelByKey = ({ key }: KeyboardEvent): void => {
      if (key === 'Escape' && begun) cancel()
    }
    const options = { signal: end.signal }
    addEventListener('pointermove', move, options)
    addEventListener('pointerup', release, options)
    addEventListener('pointercancel', cancel, options)
    addEventListener('blur', cancel, options)
    // A picture in a row would be dragged by the browser itself, away from the page.
    addEventListener('dragstart', (own) => own.preventDefault(), options)
    addEventListener('keydown', cancelByKey, options)
  }

  const carried = useCallback((node: HTMLElement | null) => {
    element.current = node
    hang(node, at.current)
  }, [])
  return { dragging, onPointerDown, carried }
}

function hang(node: HTMLElement | null, { x, y }: Point): void {
  if (node) node.style.transform = `translate(${x + 12}px, ${y - 16}px)`
}

/** Scrolls what lies under the pointer when that is near its upper or lower edge; whether it moved. */
function scrollNear({ x, y }: Point): boolean {
  for (let node = document.elementFromPoint(x, y); node; node = node.parentElement) {
    const scrolls = node === document.scrollingElement || /auto|scroll/.test(getComputedStyle(node).overflowY)
    if (!scrolls || node.scrollHeight <= node.clientHeight) continue
    const { top, bottom } = node.getBoundingClientRect()
    const before = node.scrollTop
    if (y - Math.max(0, top) < EDGE_PX) node.scrollTop -= SCROLL_PX
    else if (Math.min(innerHeight, bottom) - y < EDGE_PX) node.scrollTop += SCROLL_PX
    if (node.scrollTop !== before) return true
  }
  return false
}
