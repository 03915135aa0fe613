import { useEffect, useRef, useState } from 'react'

/** So long after the last key what is typed goes into the book, ms. */
const PAUSE_MS = 200

/**
 * What is being typed in one field: a key changes the field alone, and the book once it pauses, or the field is left. What
 * another hand writes there shows at once.
 */
export function useTyped(value: string, write: (text: string) => void) {
  const [text, setText] = useState(value)
  const [stood, setStood] = useState(value)
  const waiting = useRef<{ readonly timer: ReturnType<typeof setTimeout>; readonly text: string } | null>(null)
  const latest = useRef(write)
  latest.current = write
  if (value !== stood) {
    setStood(value)
    if (waiting.current === null) setText(value)
  }
  const flush = useRef(() => {
    if (waiting.current === null) return
    clearTimeout(waiting.current.timer)
    const { text: typed } = waiting.current
    waiting.current = null
    latest.current(typed)
  }).current
  useEffect(() => {
    // Before the book is kept, where the page ends: capturing comes first.
    addEventListener('pagehide', flush, true)
    return () => {
      removeEventListener('pagehide', flush, true)
      flush()
    }
  }, [flush])
  return {
    text,
    type: (typed: string): void => {
      setText(typed)
      if (waiting.current !== null) clearTimeout(waiting.current.timer)
      waiting.current = { text: typed, timer: setTimeout(flush, PAUSE_MS) }
    },
    flush,
  }
}
