import { useState } from 'react'
import { say } from '../../labels/notes'
import { Fault, SelectField } from '../../ui/Field'
import styles from './FittedTypes.module.css'
import type { JobNotes } from './useNotes'

/** Which of the types that the book knows is fitted: parts, limits and fits of the others are left out. */
export function FittedTypes({ noted }: { readonly noted: JobNotes }) {
  const [fault, setFault] = useState<string | null>(null)
  const { variants = [] } = noted.record.book
  if (variants.length === 0) return null
  const choose = (variant: string, option: string): void => {
    setFault(null)
    void noted.write({ kind: 'variantSaid', variant, option }).then((told) => {
      if (told.kind === 'refused') setFault(told.message)
      // What is fitted brings parts and limits of its own: they come with the page.
      else if (told.kind === 'stored') location.reload()
    })
  }
  return (
    <section className={styles.types} aria-label={say.fitted}>
      <h2>{say.fitted}</h2>
      {variants.map(({ id, name, options }) => {
        const said = noted.state.variants.get(id)
        return (
          <SelectField
            key={id}
            label={name}
            hint={said ? say.saidBy(said.by) : say.saySoon}
            disabled={noted.closed !== null}
            value={said?.option ?? ''}
            options={[
              ...(said ? [] : [{ value: '', label: say.notSaidYet }]),
              ...options.map((option) => ({ value: option.id, label: option.name })),
            ]}
            onChange={(event) => choose(id, event.currentTarget.value)}
          />
        )
      })}
      <Fault text={fault} />
    </section>
  )
}
