import { useState } from 'react'
import { v7 } from 'uuid'
import { say } from '../../labels/strip'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useNoteForm } from '../notes/useNoteForm'
import type { JobNotes } from '../notes/useNotes'
import styles from './StripMap.module.css'

/** Things put in for the work, counted in and out: none may be left inside. */
export function Temporaries({ noted }: { readonly noted: JobNotes }) {
  const [fault, setFault] = useState<string | null>(null)
  const [adding, setAdding] = useState(false)
  const form = useNoteForm(noted, 'temporary', {
    start: () => ({ name: '' }),
    check: ({ name }) => (name.trim() === '' ? [{ at: 'name', says: say.nameWhatGoes }] : []),
    bodies: ({ name }) => [{ kind: 'putIn', temporary: v7(), name: name.trim(), where: '', count: 1 }],
    done: () => setAdding(false),
  })
  const { temporaries } = noted.record.book
  const known = new Map(noted.state.temporaries.map((thing) => [thing.id, thing]))
  const all = [
    ...temporaries.map(({ id, name: label, where }) => ({
      id,
      name: label,
      where,
      inside: known.get(id)?.inside ?? 0,
      last: known.get(id)?.last ?? null,
    })),
    ...noted.state.temporaries.filter(({ id }) => !temporaries.some((item) => item.id === id)),
  ]
  const tell = (fate: Awaited<ReturnType<JobNotes['write']>>): void => setFault(fate.kind === 'refused' ? fate.message : null)
  return (
    <section className={styles.temporaries} aria-labelledby="temporaries">
      <h2 id="temporaries">{say.temporaryThingsInsideTitle}</h2>
      <ul>
        {all.map((thing) => (
          <li key={thing.id} data-inside={thing.inside > 0 || undefined}>
            <span className={`figure ${styles.inside}`}>{thing.inside}</span>
            <span className={styles.rowName}>
              {thing.name}
              <span className={styles.quiet}>
                {' '}
                {thing.where}
                {thing.last && `, ${thing.last.by}`}
              </span>
            </span>
            {noted.closed === null && (
              <>
                <Button
                  aria-label={say.oneMore(thing.name)}
                  onClick={() =>
                    void noted
                      .write({ kind: 'putIn', temporary: thing.id, name: thing.name, where: thing.where, count: 1 })
                      .then(tell)
                  }
                >
                  {say.inOne}
                </Button>
                <Button
                  aria-label={say.oneOut(thing.name)}
                  disabled={thing.inside === 0}
                  onClick={() => void noted.write({ kind: 'takenOut', temporary: thing.id, count: 1 }).then(tell)}
                >
                  {say.outTitle}
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      <Fault text={fault} />
      {noted.closed === null && !adding && (
        <Button kind="quiet" onClick={() => setAdding(true)}>
          {say.somethingElseGoes}
        </Button>
      )}
      {adding && (
        <form className={styles.form} onSubmit={form.submit} noValidate>
          <TextField label={say.whatGoes} maxLength={200} autoFocus {...form.field('name')} />
          <Fault text={form.fault} />
          <div className={styles.actions}>
            <Button type="submit" kind="primary">
              {say.countOne}
            </Button>
            <Button onClick={() => setAdding(false)}>{say.notNow}</Button>
          </div>
        </form>
      )}
    </section>
  )
}
