import type { Field } from '../../core/book/shape'
import { bookFieldName } from '../../core/words/bookFields'
import type { BookLine } from '../../core/words/bookFile'
import { TextField } from '../../ui/Field'
import styles from './BookEditor.module.css'
import type { BookEdit } from './useBookEdit'
import { useTyped } from './useTyped'

interface Props {
  readonly edit: BookEdit
  readonly fields: readonly Field[]
  readonly faults: readonly BookLine[]
}

/** What the book says of itself. */
export function AboutForm({ edit, fields, faults }: Props) {
  return (
    <div className={styles.form}>
      {fields.map(({ key, shape }) => (
        <AboutField
          key={key}
          name={key}
          longest={shape.kind === 'text' ? shape.longest : 200}
          edit={edit}
          error={faults.find(({ path }) => path[0] === key)?.says ?? null}
        />
      ))}
    </div>
  )
}

function AboutField({
  name,
  longest,
  edit,
  error,
}: {
  readonly name: string
  readonly longest: number
  readonly edit: BookEdit
  readonly error: string | null
}) {
  const { text, type, flush } = useTyped(String(edit.book[name] ?? ''), (typed) => edit.writeAbout(name, typed))
  return (
    <TextField
      label={bookFieldName('book', [name])}
      value={text}
      error={error}
      maxLength={longest}
      autoComplete="off"
      onBlur={flush}
      onChange={({ currentTarget }) => type(currentTarget.value)}
    />
  )
}
