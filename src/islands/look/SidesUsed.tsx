import { useState } from 'react'
import type { Part } from '../../core/book/bookSchema'
import { say } from '../../labels/look'
import { Choice } from '../../ui/Choice'
import { Fault } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'

/** How many sides are used up of a part that can be turned over. */
export function SidesUsed({ noted, part }: { readonly noted: JobNotes; readonly part: Part }) {
  const [fault, setFault] = useState<string | null>(null)
  const has = Math.max(0, ...part.routes.map(({ sides }) => sides ?? 0))
  if (has === 0) return null
  const said = noted.state.sides.get(part.id)
  return (
    <>
      <Choice
        legend={said ? say.sidesUsedBy(said.by) : say.sidesUsed}
        options={Array.from({ length: has + 1 }, (_, used) => ({ value: String(used), label: say.ofSides(used, has) }))}
        value={said ? String(said.used) : ''}
        disabled={noted.closed !== null}
        onChange={(used) =>
          void noted
            .write({ kind: 'sidesSaid', part: part.id, used: Number(used) })
            .then((told) => setFault(told.kind === 'refused' ? told.message : null))
        }
      />
      <Fault text={fault} />
    </>
  )
}
