import { useId, useState } from 'react'
import { say } from '../../labels/bookEditor'
import { Fault } from '../../ui/Field'
import styles from './BookEditor.module.css'
import type { Named } from './context'

interface TagsProps {
  readonly label: string
  readonly place: string
  readonly error: string | null
  readonly chosen: readonly Named[]
  readonly known: readonly Named[]
  readonly onChange: (ids: readonly string[]) => void
}

/** Several of those there are: each with its way out, and a field that takes one more. */
export function Tags({ label, place, error, chosen, known, onChange }: TagsProps) {
  const [text, setText] = useState('')
  const id = useId()
  const ids = chosen.map((one) => one.id)
  const free = known.filter((one) => !ids.includes(one.id))
  const take = (typed: string): boolean => {
    const words = typed.trim().toLowerCase()
    const one = free.find((of) => of.id.toLowerCase() === words || of.name.toLowerCase() === words)
    if (one) {
      onChange([...ids, one.id])
      setText('')
    }
    return one !== undefined
  }
  /** What nothing is called: the only one that begins like it. */
  const takeOnly = (): void => {
    const words = text.trim().toLowerCase()
    const found = free.filter(
      (of) => words !== '' && (of.id.toLowerCase().includes(words) || of.name.toLowerCase().includes(words)),
    )
    const [only] = found
    if (!take(text) && only && found.length === 1) take(only.id)
  }
  return (
    <fieldset className={styles.tags}>
      <legend>{label}</legend>
      {chosen.length > 0 && (
        <ul>
          {chosen.map((one) => (
            <li key={one.id}>
              {one.name}{' '}
              <button
                type="button"
                aria-label={say.takeOf(label, one.name)}
                onClick={() => onChange(ids.filter((other) => other !== one.id))}
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      )}
      <input
        className={styles.tagInput}
        list={id}
        value={text}
        placeholder={say.addTo(label)}
        aria-label={say.addTo(label)}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        autoComplete="off"
        data-path={place}
        onChange={({ currentTarget }) => take(currentTarget.value) || setText(currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          takeOnly()
        }}
        onBlur={takeOnly}
      />
      <datalist id={id}>
        {free.map((one) => (
          <option key={one.id} value={one.id} label={one.name} />
        ))}
      </datalist>
      <Fault id={`${id}-error`} text={error} />
    </fieldset>
  )
}
