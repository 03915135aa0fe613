import { useEffect, useRef, useState } from 'react'
import type { LongWork, Progress } from '../../contract/longWork'

export interface LongWorkState {
  /** Null while nothing runs, or nothing has been said yet. */
  readonly far: Progress | null
  readonly isRunning: boolean
  readonly run: <T>(work: (long: LongWork) => Promise<T>) => Promise<T>
  readonly cancel: () => void
}

/** One long piece of work of a page: how far it is, and a way to cancel it. It ends with the page. */
export function useLongWork(): LongWorkState {
  const [far, setFar] = useState<Progress | null>(null)
  const [isRunning, setRunning] = useState(false)
  const controller = useRef<AbortController | null>(null)
  useEffect(() => () => controller.current?.abort(), [])
  return {
    far,
    isRunning,
    run: async (work) => {
      const own = new AbortController()
      controller.current = own
      setFar(null)
      setRunning(true)
      try {
        return await work({ say: setFar, signal: own.signal })
      } finally {
        setRunning(false)
      }
    },
    cancel: () => controller.current?.abort(),
  }
}
