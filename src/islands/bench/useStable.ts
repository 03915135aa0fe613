import { useRef } from 'react'

/** Functions that stay the same from one drawing to the next, and do what the latest of them do. */
export function useStable<T extends object>(functions: T): T {
  const latest = useRef(functions)
  latest.current = functions
  const stable = useRef<T | null>(null)
  stable.current ??= Object.fromEntries(
    Object.keys(functions).map((name) => [
      name,
      (...args: unknown[]) => (latest.current as Record<string, (...args: unknown[]) => unknown>)[name]?.(...args),
    ]),
  ) as T
  return stable.current
}
