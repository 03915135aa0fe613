import { useCallback, useEffect, useRef, useState } from 'react'

/**
 * A form's values that survive a reload until they are noted, on this device and in this tab. `forget` is called when
 * they have been noted.
 */
export function useFormDraft<T extends object>(name: string, initial: T): [T, (value: T) => void, () => void] {
  const key = `medida-form:${name}`
  const [value, setValue] = useState(initial)
  const first = useRef(initial)
  useEffect(() => {
    try {
      const saved = sessionStorage.getItem(key)
      if (saved !== null) setValue({ ...first.current, ...(JSON.parse(saved) as Partial<T>) })
    } catch {
      sessionStorage.removeItem(key) // written by something else: not a draft of ours
    }
  }, [key])
  const change = useCallback(
    (next: T) => {
      setValue(next)
      sessionStorage.setItem(key, JSON.stringify(next))
    },
    [key],
  )
  const forget = useCallback(() => sessionStorage.removeItem(key), [key])
  return [value, change, forget]
}
