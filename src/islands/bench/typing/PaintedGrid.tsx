import { type PointerEvent, type ReactNode, useRef, useState } from 'react'
import type { Slot } from '../../../core/method/layout'
import { say } from '../../../labels/bench'
import type { Bench } from '../benchState'
import styles from './PaintedGrid.module.css'

/** What a place of the print is painted with, as it is typed. */
const BRUSHES = [
  { text: '2', name: say.fullContact },
  { text: '1', name: say.partialContact },
  { text: '0', name: say.noContact },
] as const

/** The sheet of a contact print, painted by finger, pen or mouse; the keys 2, 1 and 0 type the same. */
export function PaintedGrid({ bench, children }: { readonly bench: Bench; readonly children: ReactNode }) {
  const [brush, setBrush] = useState<string | null>(null)
  // Each place is painted once in a stroke, however often the finger crosses it.
  const stroke = useRef<Set<string> | null>(null)
  const paint = (event: PointerEvent): void => {
    if (brush === null || stroke.current === null) return
    const cell = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-slot]')
    const key = cell?.dataset.slot
    if (!key || stroke.current.has(key)) return
    stroke.current.add(key)
    const [station = '', direction = '', repeat = '1'] = key.split('/')
    const slot: Slot = { station, direction, repeat: Number(repeat) }
    bench.acts.does({ kind: 'paint', slot, text: brush })
  }
  const end = (): void => {
    if (stroke.current === null) return
    stroke.current = null
    bench.acts.does({ kind: 'leavePainted' })
  }
  return (
    <>
      <fieldset className={styles.brushes} disabled={bench.closed !== null}>
        <legend className="hidden-label">{say.paintPrint}</legend>
        <span aria-hidden="true">{say.paint}</span>
        {BRUSHES.map(({ text, name }) => (
          <button
            key={text}
            type="button"
            data-brush={text}
            aria-pressed={brush === text}
            onClick={() => setBrush(brush === text ? null : text)}
          >
            {name}
          </button>
        ))}
        {brush !== null && <span>{say.drawOverPrint}</span>}
      </fieldset>
      <div
        className={styles.painted}
        data-brush={brush ?? undefined}
        onPointerDown={(event) => {
          if (brush === null) return
          event.preventDefault()
          event.currentTarget.setPointerCapture(event.pointerId)
          stroke.current = new Set()
          paint(event)
        }}
        onPointerMove={paint}
        onPointerUp={end}
        onPointerCancel={end}
        onClickCapture={(event) => {
          if (brush === null) return
          event.preventDefault()
          event.stopPropagation()
        }}
      >
        {children}
      </div>
    </>
  )
}
