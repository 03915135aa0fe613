import { useEffect, useRef } from 'react'
import { nowMs } from '../../../clock/clock'
import { clockQuestion } from '../../../core/slip/clockQuestion'
import type { SlipQuestion } from '../../../core/slip/slip'

/** The clock of this device against the server's: questioned at the first reading, once for a page. */
export function useClock(madeAt: string, offline: boolean, openedOn: string) {
  const ahead = useRef<number | null>(null)
  const kept = useRef(false)
  useEffect(() => {
    ahead.current = offline ? null : nowMs() - Date.parse(madeAt)
  }, [madeAt, offline])
  return {
    question: (): SlipQuestion | null =>
      kept.current ? null : clockQuestion({ device: nowMs(), ahead: ahead.current, openedOn }),
    keep: (): void => {
      kept.current = true
    },
  }
}
