import { type InputHTMLAttributes, type SelectHTMLAttributes, useId } from 'react'
import styles from './Field.module.css'

interface Texts {
  readonly label: string
  readonly hint?: string
  readonly error?: string | null
}

/** A labelled line of text; its hint and its error are tied to it for those who cannot see. */
export function TextField({ label, hint, error, ...input }: Texts & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId()
  return (
    <div className={styles.field} data-invalid={error ? '' : undefined}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <input
        {...input}
        id={id}
        className={styles.input}
        aria-invalid={error ? true : undefined}
        aria-describedby={[hint && `${id}-hint`, error && `${id}-error`].filter(Boolean).join(' ') || undefined}
      />
      {hint && (
        <span id={`${id}-hint`} className={styles.hint}>
          {hint}
        </span>
      )}
      <Fault id={`${id}-error`} text={error} />
    </div>
  )
}

/** What is wrong and what to do, announced when it appears. */
export function Fault({ id, text }: { readonly id?: string; readonly text: string | null | undefined }) {
  return (
    <span id={id} role="alert" className={styles.error} hidden={!text}>
      {text}
    </span>
  )
}

/** A labelled choice from a list. */
export function SelectField({
  label,
  hint,
  error,
  options,
  ...select
}: Texts & {
  readonly options: readonly { readonly value: string; readonly label: string }[]
} & SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId()
  return (
    <div className={styles.field} data-invalid={error ? '' : undefined}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <select {...select} id={id} className={styles.input} aria-describedby={hint ? `${id}-hint` : undefined}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      {hint && (
        <span id={`${id}-hint`} className={styles.hint}>
          {hint}
        </span>
      )}
      <Fault text={error} />
    </div>
  )
}
