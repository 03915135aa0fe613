import { isPlainObject } from '../../core/base/plainObject'
import { blankOf } from '../../core/book/blank'
import { type Path, valueAt } from '../../core/book/path'
import type { Shape } from '../../core/book/shape'
import { say } from '../../labels/bookEditor'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import styles from './BookEditor.module.css'
import { useEntry } from './context'
import { useTyped } from './useTyped'

/** Entries by a name each: what the letters of a formula stand for, gauges by place. */
export function NamesField({ of, path, label }: { readonly of: Shape; readonly path: Path; readonly label: string }) {
  const { entry, write, says, parts } = useEntry()
  const { FieldView, ShapeView } = parts
  const value = valueAt(entry, path)
  const named = isPlainObject(value) ? value : {}
  const names = Object.keys(named)
  const free = (): string => {
    for (let n = 0; ; n += 1) {
      const name = n < 26 ? String.fromCharCode(97 + n) : `x${n}`
      if (!(name in named)) return name
    }
  }
  /** In its place, so that rows do not jump while they are named. */
  const rename = (from: string, to: string): void =>
    write(path, Object.fromEntries(Object.entries(named).map(([name, what]) => [name === from ? to : name, what])))
  return (
    <fieldset className={styles.rows} data-path={path.join('/')} tabIndex={-1}>
      <legend>{label}</legend>
      <Fault text={says(path)} />
      {names.map((name, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the name is what is being typed
        <div key={at} className={styles.row}>
          <NameOf name={name} taken={names} onRename={(to) => rename(name, to)} />
          {of.kind === 'group' ? (
            of.fields.map((field) => <FieldView key={field.key} field={field} path={[...path, name]} />)
          ) : (
            <ShapeView shape={of} path={[...path, name]} label={label} empty="asked" />
          )}
          <Fault text={says([...path, name])} />
          <div className={styles.rowActions}>
            <Button kind="quiet" onClick={() => write([...path, name], undefined)} aria-label={say.takeOf(label, name)}>
              {say.takeOut}
            </Button>
          </div>
        </div>
      ))}
      <Button onClick={() => write(path, { ...named, [free()]: blankOf(of) ?? '' })} aria-label={say.addTo(label)}>
        {say.addRow}
      </Button>
    </fieldset>
  )
}

function NameOf({
  name,
  taken,
  onRename,
}: {
  readonly name: string
  readonly taken: readonly string[]
  readonly onRename: (to: string) => void
}) {
  const { text, type, flush } = useTyped(name, (typed) => {
    const to = typed.trim()
    if (to !== '' && to !== name && !taken.includes(to)) onRename(to)
  })
  return (
    <TextField
      label={say.nameOf}
      value={text}
      maxLength={40}
      autoComplete="off"
      onBlur={flush}
      onChange={({ currentTarget }) => type(currentTarget.value)}
    />
  )
}
