import { useEffect, useRef, useState } from 'react'
import type { WrittenBook } from '../../core/book/edits'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { BookLine } from '../../core/words/bookFile'

export interface CheckQuestion {
  readonly turn: number
  readonly book: WrittenBook
  readonly units: UnitSystem
}
export interface CheckAnswer {
  readonly turn: number
  readonly faults: readonly BookLine[]
  readonly warnings: readonly BookLine[]
}

/** So long after the last change a book is checked, ms. */
const PAUSE_MS = 250

/** What is wrong with a book as it is written; null while that is being found out. */
export function useChecked(
  book: WrittenBook,
  units: UnitSystem,
): { readonly said: Omit<CheckAnswer, 'turn'> | null; readonly isCurrent: boolean } {
  const [answer, setAnswer] = useState<CheckAnswer | null>(null)
  const [turn, setTurn] = useState(0)
  const worker = useRef<Worker | null>(null)
  const asked = useRef(0)

  useEffect(() => {
    const made = new Worker(new URL('./checkWorker.ts', import.meta.url), { type: 'module' })
    made.addEventListener('message', ({ data }: MessageEvent<CheckAnswer>) => setAnswer(data))
    worker.current = made
    return () => made.terminate()
  }, [])

  useEffect(() => {
    asked.current += 1
    const own = asked.current
    setTurn(own)
    const timer = setTimeout(() => worker.current?.postMessage({ turn: own, book, units } satisfies CheckQuestion), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [book, units])

  return { said: answer, isCurrent: answer !== null && answer.turn === turn }
}
