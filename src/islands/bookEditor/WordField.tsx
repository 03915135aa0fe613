import { useId } from 'react'
import { valueAt } from '../../core/book/path'
import { say } from '../../labels/bookEditor'
import { TextArea, TextField } from '../../ui/Field'
import { useEntry } from './context'
import { type LineProps, noneOf } from './typedValue'
import { useTyped } from './useTyped'

/** A text; one that names an entry of another list offers those there are. */
export function WordField({ path, label, field }: LineProps<'text'>) {
  const { entry, write, says, named } = useEntry()
  const value = valueAt(entry, path)
  const { text, type, flush } = useTyped(typeof value === 'string' ? value : '', (typed) =>
    write(path, typed === '' ? noneOf(field) : typed),
  )
  const known = named(field.shape.names, path)
  const found = known?.find(({ id }) => id === text)
  const id = useId()
  const shared = {
    label,
    error: says(path),
    value: text,
    maxLength: field.shape.longest,
    'data-path': path.join('/'),
    onBlur: flush,
  }
  if (field.shape.isLong) return <TextArea {...shared} rows={2} onChange={({ currentTarget }) => type(currentTarget.value)} />
  if (known === null)
    return <TextField {...shared} autoComplete="off" onChange={({ currentTarget }) => type(currentTarget.value)} />
  const hint = text === '' ? undefined : found ? (found.name === found.id ? undefined : found.name) : say.unknownEntry(text)
  return (
    <>
      <TextField
        {...shared}
        hint={hint}
        list={id}
        autoComplete="off"
        onChange={({ currentTarget }) => {
          // A name that was chosen or typed to its end is its entry.
          const one = known.find(({ name }) => name === currentTarget.value)
          type(one && !known.some((other) => other.id === currentTarget.value) ? one.id : currentTarget.value)
        }}
      />
      <datalist id={id}>
        {known.map((one) => (
          <option key={one.id} value={one.id} label={one.name} />
        ))}
      </datalist>
    </>
  )
}
