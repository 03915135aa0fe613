import { useMemo } from 'react'
import { freeId } from '../../core/book/blank'
import { type Entry, entriesOf, idOf } from '../../core/book/edits'
import type { ListFields } from '../../core/book/shape'
import type { BookLine } from '../../core/words/bookFile'
import { say } from '../../labels/bookEditor'
import { Button } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import styles from './BookEditor.module.css'
import { type EntryContext, EntryContextProvider, namedFor, nameOfEntry } from './context'
import { FieldView, ShapeView, Varieties } from './FieldView'
import type { BookEdit } from './useBookEdit'

const PARTS = { FieldView, ShapeView, Varieties }

interface Props {
  readonly edit: BookEdit
  readonly list: string
  readonly entry: Entry
  readonly shape: ListFields['entry']
  /** What is wrong with it, each with its way from the entry on. */
  readonly faults: readonly BookLine[]
  readonly isChanged: boolean
  readonly onChoose: (id: string | null) => void
}

/** An entry with everything it may say. */
export function EntryForm({ edit, list, entry, shape, faults, isChanged, onChoose }: Props) {
  const id = idOf(entry)
  const { book, view, write } = edit
  const context = useMemo((): EntryContext => {
    const at = new Map(faults.map(({ path, says }) => [path.join('/'), says]))
    return {
      list,
      entry,
      system: view.units,
      write: (path, value) => write(list, id, path, value),
      says: (path) => at.get(path.join('/')) ?? null,
      named: (names, path) => namedFor(book, names, entry, path),
      parts: PARTS,
    }
  }, [list, entry, id, faults, book, view.units, write])
  const copy = (): void => {
    const taken = new Set(entriesOf(book, list).map(idOf))
    const own = freeId(id, taken)
    const name = say.copyOf(nameOfEntry(entry))
    edit.put(list, { ...entry, id: own, ...('name' in entry ? { name } : 'title' in entry ? { title: name } : {}) }, id)
    onChoose(own)
  }
  return (
    <EntryContextProvider value={context}>
      <div className={styles.form}>
        <p className={styles.id}>
          <span className="figure">{id}</span> <span className={styles.quiet}>{say.idHint}</span>
        </p>
        <Fault text={faults.find(({ path }) => path.length === 0)?.says} />
        {shape.kind === 'oneOf' ? (
          <Varieties shape={shape} path={[]} />
        ) : (
          shape.fields.filter(({ key }) => key !== 'id').map((field) => <FieldView key={field.key} field={field} path={[]} />)
        )}
      </div>
      <fieldset className={styles.what}>
        <legend className="hidden-label">{nameOfEntry(entry)}</legend>
        <Button onClick={copy}>{say.copy}</Button>
        <Button onClick={() => edit.move(list, id, -1)} aria-label={say.moveUp}>
          {say.up}
        </Button>
        <Button onClick={() => edit.move(list, id, 1)} aria-label={say.moveDown}>
          {say.down}
        </Button>
        <Button
          onClick={() => {
            edit.takeOut(list, id)
            onChoose(null)
          }}
        >
          {say.takeOut}
        </Button>
        {isChanged && <Button onClick={() => edit.asWas(list, id)}>{say.asWas}</Button>}
      </fieldset>
    </EntryContextProvider>
  )
}
