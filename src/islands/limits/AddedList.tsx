import { useState } from 'react'
import type { Added } from '../../core/notes/additions'
import { additionsIn } from '../../core/notes/typedBook'
import { additionWords } from '../../core/words/additions'
import { say } from '../../labels/additions'
import { Dialog } from '../../ui/Dialog'
import { AddFit } from '../additions/AddFit'
import { NeedFields } from '../additions/AddNeed'
import { AddWay } from '../additions/AddWay'
import { addsTo } from '../additions/addsTo'
import type { JobNotes } from '../notes/useNotes'
import { Check } from './Check'
import styles from './Limits.module.css'

/** Fits, ways, rules and lines of the plan that were added in this job: each with who added it, and what a second person says of its limits. */
export function AddedList({ noted, person }: { readonly noted: JobNotes; readonly person: string }) {
  const { book, job } = noted.record
  const [editing, setEditing] = useState<Added | null>(null)
  const added = additionsIn(job.entries)
  if (added.length === 0) return null
  const names = { part: (id: string): string => book.parts.find((part) => part.id === id)?.name ?? id }
  return (
    <section className={styles.added} aria-labelledby="added-here">
      <h2 id="added-here">{say.addedHere}</h2>
      <ul className={styles.cards}>
        {added.map((one) => (
          <li key={one.id} className={styles.card} data-state={stateOf(one)}>
            <p>{additionWords(one.what, names)}</p>
            {one.what.of === 'fit' && one.what.limits.length > 0 && (
              <p className="figure">{one.what.limits.map(({ side, wear, plan }) => say.limitAs(side, wear, plan)).join(' · ')}</p>
            )}
            <p className={styles.about}>{say.addedBy(one.by)}</p>
            <Check
              noted={noted}
              typed={one}
              person={person}
              isLimited={isLimited(one)}
              drop={(reason) => ({
                kind: 'thingDropped',
                id: one.id,
                name: additionWords(one.what, names).slice(0, 200),
                reason,
              })}
              onEdit={() => setEditing(one)}
            />
          </li>
        ))}
      </ul>
      {editing && <EditAdded key={editing.entry} noted={noted} added={editing} onClose={() => setEditing(null)} />}
    </section>
  )
}

/** What was added, corrected where it is listed. */
function EditAdded({
  noted,
  added: { id, what },
  onClose,
}: {
  readonly noted: JobNotes
  readonly added: Added
  onClose(): void
}) {
  const to = addsTo(noted)
  switch (what.of) {
    case 'fit':
      return <AddFit to={to} before={{ id, what }} onDone={onClose} onClose={onClose} />
    case 'route':
    case 'rule': {
      const part = noted.record.book.parts.find((one) => one.id === what.part)
      return part ? <AddWay to={to} part={part} before={{ id, what }} onDone={onClose} onClose={onClose} /> : null
    }
    case 'need':
      return (
        <Dialog title={what.name} onClose={onClose}>
          <NeedFields to={to} before={{ id, what }} onDone={onClose} />
        </Dialog>
      )
  }
}

const isLimited = ({ what }: Added): boolean => what.of === 'fit' && what.limits.length > 0

const stateOf = (added: Added): 'checked' | 'unchecked' | 'wrong' =>
  !isLimited(added) || added.check?.agrees ? 'checked' : added.check === null ? 'unchecked' : 'wrong'
