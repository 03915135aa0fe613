import { useCallback, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { DraftView } from '../../contract/answers'
import type { DraftChange } from '../../contract/bodies'
import { say } from '../../labels/compose'
import { getJson, postJson } from '../../sync/http'

export interface Draft {
  readonly view: DraftView
  readonly busy: boolean
  /** Why the last change was not made, said where it was asked for. */
  readonly faultOf: (...kinds: readonly DraftChange['kind'][]) => string | null
  /** Makes a change; true once it is stored. */
  readonly make: (change: DraftChange) => Promise<boolean>
  /** The same, and why it was not made; null once it is stored. */
  readonly tell: (change: DraftChange) => Promise<string | null>
  readonly forget: () => void
}

/** The draft of a machine's book: each change is stored before the next is made. */
export function useDraft(start: DraftView): Draft {
  const [view, setView] = useState(start)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<{ readonly kind: DraftChange['kind']; readonly says: string } | null>(null)
  /** What was sent and not answered keeps its id: sent again it is the same change. */
  const unanswered = useRef<{ readonly id: string; readonly says: string } | null>(null)
  const path = `/api/machines/${encodeURIComponent(view.machine.id)}/draft`
  const tell = useCallback(
    async (change: DraftChange): Promise<string | null> => {
      const says = JSON.stringify({ base: view.revision, change })
      const id = unanswered.current?.says === says ? unanswered.current.id : v7()
      unanswered.current = { id, says }
      setBusy(true)
      setFault(null)
      const answer = await postJson<DraftView>(path, { id, base: view.revision, change })
      const refused = answer.kind === 'ok' ? null : answer.kind === 'offline' ? say.notReached : answer.message
      if (answer.kind === 'ok') setView(answer.value)
      else {
        setFault({ kind: change.kind, says: refused ?? '' })
        // Somebody else was quicker: what stands now is shown before anything is done again.
        if (answer.kind === 'refused' && answer.status === 409) {
          const now = await getJson<DraftView>(path)
          if (now.kind === 'ok') setView(now.value)
        }
      }
      if (answer.kind === 'ok' || answer.kind === 'refused') unanswered.current = null
      setBusy(false)
      return refused
    },
    [path, view.revision],
  )
  return {
    view,
    busy,
    faultOf: (...kinds) => (fault && kinds.includes(fault.kind) ? fault.says : null),
    make: useCallback(async (change) => (await tell(change)) === null, [tell]),
    tell,
    forget: useCallback(() => setFault(null), []),
  }
}
