import { type InputHTMLAttributes, type SelectHTMLAttributes, type TextareaHTMLAttributes, useId } from 'react'
import styles from './Field.module.css'

interface Texts {
  readonly label: string
  readonly hint?: string | undefined
  readonly error?: string | null | undefined
}

/** What ties hint and error of a field to it for those who cannot see. */
const tiedTo = (id: string, { hint, error }: Omit<Texts, 'label'>) => ({
  'aria-invalid': error ? true : undefined,
  'aria-describedby': [hint && `${id}-hint`, error && `${id}-error`].filter(Boolean).join(' ') || undefined,
})

/** Hint and error below a field. */
function Below({ id, hint, error }: Omit<Texts, 'label'> & { readonly id: string }) {
  return (
    <>
      {hint && (
        <span id={`${id}-hint`} className={styles.hint}>
          {hint}
        </span>
      )}
      <Fault id={`${id}-error`} text={error} />
    </>
  )
}

/** A labelled line of text. */
export function TextField({ label, hint, error, ...input }: Texts & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId()
  return (
    <div className={styles.field} data-invalid={error ? '' : undefined}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <input {...input} id={id} className={styles.input} {...tiedTo(id, { hint, error })} />
      <Below id={id} hint={hint} error={error} />
    </div>
  )
}

/** A labelled field of several lines. */
export function TextArea({ label, hint, error, ...input }: Texts & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  const id = useId()
  return (
    <div className={styles.field} data-invalid={error ? '' : undefined}>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <textarea {...input} id={id} className={styles.input} {...tiedTo(id, { hint, error })} />
      <Below id={id} hint={hint} error={error} />
    </div>
  )
}

/** Something that is so or not so. */
export function CheckField({ label, hint, error, ...input }: Texts & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId()
  return (
    <div className={styles.field} data-invalid={error ? '' : undefined}>
      <label className={styles.check}>
        <input {...input} type="checkbox" {...tiedTo(id, { hint, error })} /> {label}
      </label>
      <Below id={id} hint={hint} error={error} />
    </div>
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
      <select {...select} id={id} className={styles.input} {...tiedTo(id, { hint, error })}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      <Below id={id} hint={hint} error={error} />
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
