import { useEffect, useState } from 'react'

/** A form that survives a reload of its page: what is typed stays in this tab until it is sent or forgotten. */
export function useKept<T extends object>(
  key: string,
  empty: () => T,
): readonly [form: T, set: (over: Partial<T>) => void, forget: () => void] {
  const [form, setForm] = useState(empty)
  useEffect(() => {
    try {
      const saved = sessionStorage.getItem(key)
      if (saved !== null) setForm((now) => ({ ...now, ...(JSON.parse(saved) as Partial<T>) }))
    } catch {
      sessionStorage.removeItem(key) // written by something else: not a form of ours
    }
  }, [key])
  return [
    form,
    (over) =>
      setForm((now) => {
        const next = { ...now, ...over }
        sessionStorage.setItem(key, JSON.stringify(next))
        return next
      }),
    () => sessionStorage.removeItem(key),
  ]
}
