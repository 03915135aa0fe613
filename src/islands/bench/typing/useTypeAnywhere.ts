import { useEffect, useRef } from 'react'

/** What a reading may begin with. */
const FIGURE = /^[\d+\-−<>.,]$/

/**
 * Figures typed while nothing else takes them land in the reading field. A gauge that types like a keyboard does not know
 * where the focus is: it must not lose its first digits, nor press a button with its Enter.
 */
export function useTypeAnywhere(): void {
  const onKey = useRef((event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || !FIGURE.test(event.key)) return
    const target = event.target as HTMLElement
    if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || document.querySelector('dialog[open]')) return
    // The key itself goes on to where the focus is now.
    document.querySelector<HTMLInputElement>('input[data-reading]')?.focus({ preventScroll: true })
  })
  useEffect(() => {
    const listener = onKey.current
    addEventListener('keydown', listener, { capture: true })
    return () => removeEventListener('keydown', listener, { capture: true })
  }, [])
}
