import { useEffect, useRef, useState } from 'react'
import type { Slot } from '../../../core/method/layout'
import type { Stage } from '../../../core/record/stage'

export interface Draft {
  readonly characteristic: string
  readonly slot: Slot
  readonly stage: Stage
  readonly text: string
}

/** What is typed and not yet accepted survives a reload, on this device and in this tab. */
export function useDraft(jobId: string, draft: Draft, restore: (draft: Draft) => void): void {
  const key = `medida-draft:${jobId}`
  const [restored, setRestored] = useState(false)
  const onRestore = useRef(restore)
  useEffect(() => {
    try {
      const saved = sessionStorage.getItem(key)
      if (saved) onRestore.current(JSON.parse(saved) as Draft)
    } catch {
      sessionStorage.removeItem(key) // written by something else: not a draft of ours
    }
    setRestored(true)
  }, [key])
  useEffect(() => {
    if (!restored) return
    if (draft.text === '') sessionStorage.removeItem(key)
    else sessionStorage.setItem(key, JSON.stringify(draft))
  }, [restored, key, draft])
}
