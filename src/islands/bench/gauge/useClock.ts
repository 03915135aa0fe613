import { useEffect, useRef } from 'react'
import { clockQuestion } from '../../../core/slip/clockQuestion'
import type { SlipQuestion } from '../../../core/slip/slip'

/** The clock of this device against the server's: questioned at the first reading, once for a page. */
export function useClock(madeAt: string, offline: boolean, openedOn: string) {
  const ahead = useRef<number | null>(null)
  const kept = useRef(false)
  useEffect(() => {
    ahead.current = offline ? null : Date.now() - Date.parse(madeAt)
  }, [madeAt, offline])
  return {
    question: (): SlipQuestion | null =>
      kept.current ? null : clockQuestion({ device: Date.now(), ahead: ahead.current, openedOn }),
    keep: (): void => {
      kept.current = true
    },
  }
}
