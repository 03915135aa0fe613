import { type KeyboardEvent, memo, useMemo, useRef, useState } from 'react'
import { asVariety, blankOf, freeId } from '../../core/book/blank'
import { type Entry, idOf } from '../../core/book/edits'
import type { ListFields } from '../../core/book/shape'
import { sheetNames } from '../../core/words/bookSheets'
import { say } from '../../labels/bookEditor'
import { Button } from '../../ui/Button'
import { TextField } from '../../ui/Field'
import styles from './BookEditor.module.css'
import { nameOfEntry } from './context'
import type { EntryFaults } from './entryFaults'

interface Props {
  readonly list: string
  readonly entries: readonly Entry[]
  readonly chosen: string | null
  readonly changed: ReadonlySet<string> | undefined
  readonly wrong: EntryFaults | undefined
  readonly shape: ListFields['entry']
  readonly onChoose: (id: string) => void
  readonly onAdd: (entry: Entry) => void
}

/** The entries of a list, to choose from and to add to. */
export function EntryList({ list, entries, chosen, changed, wrong, shape, onChoose, onAdd }: Props) {
  const [words, setWords] = useState('')
  const [adding, setAdding] = useState<string | null>(null)
  /** A short name that another entry has. */
  const [taken, setTaken] = useState<string | null>(null)
  const rows = useRef<HTMLUListElement>(null)
  const shown = useMemo(() => {
    const sought = words.trim().toLowerCase()
    if (sought === '') return entries
    return entries.filter((entry) => `${nameOfEntry(entry)} ${idOf(entry)}`.toLowerCase().includes(sought))
  }, [entries, words])
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (by === undefined) return
    event.preventDefault()
    const at = shown.findIndex((entry) => idOf(entry) === chosen)
    const next = shown[Math.min(shown.length - 1, Math.max(0, at + by))]
    if (!next) return
    onChoose(idOf(next))
    rows.current?.querySelector<HTMLElement>(`[data-id="${CSS.escape(idOf(next))}"]`)?.focus()
  }
  const add = (): void => {
    const name = (adding ?? '').trim()
    if (name === '') return
    const ids = new Set(entries.map(idOf))
    const blank = shape.kind === 'oneOf' ? asVariety(shape, null, shape.of[0]?.value ?? '') : (blankOf(shape) as Entry)
    // A document goes by its own short name.
    const id = list === 'documents' ? name : freeId(name, ids)
    if (ids.has(id)) return setTaken(name)
    const called = 'name' in blank ? { name } : 'title' in blank ? { title: name } : 'text' in blank ? { text: name } : {}
    onAdd({ ...blank, ...called, id })
    setAdding(null)
    setWords('')
  }
  const title = sheetNames.sheet(list)
  return (
    <section className={styles.entries} aria-label={say.entries(title)}>
      <input
        type="search"
        className={styles.find}
        aria-label={say.find}
        placeholder={say.find}
        value={words}
        onChange={({ currentTarget }) => setWords(currentTarget.value)}
      />
      <ul ref={rows} onKeyDown={onKeyDown}>
        {shown.map((entry) => {
          const id = idOf(entry)
          return (
            <Row
              key={id}
              id={id}
              name={nameOfEntry(entry)}
              isChosen={id === chosen}
              isChanged={changed?.has(id) ?? false}
              wrong={wrong?.get(id)?.length ?? 0}
              onChoose={onChoose}
            />
          )
        })}
      </ul>
      {shown.length === 0 && <p className={styles.quiet}>{words === '' ? say.none : say.noneFound(words)}</p>}
      {adding === null ? (
        <Button onClick={() => setAdding('')}>{say.add(title)} …</Button>
      ) : (
        <form
          className={styles.adding}
          onSubmit={(event) => {
            event.preventDefault()
            add()
          }}
          onKeyDown={(event) => {
            if (event.key === 'Escape') setAdding(null)
          }}
        >
          <TextField
            label={list === 'documents' ? say.addId : say.addName}
            value={adding}
            maxLength={list === 'documents' ? 40 : 120}
            autoFocus
            autoComplete="off"
            error={taken === adding.trim() && taken !== '' ? say.idTaken(taken) : null}
            onChange={({ currentTarget }) => setAdding(currentTarget.value)}
          />
          <Button type="submit" kind="primary">
            {say.addIt}
          </Button>
        </form>
      )}
    </section>
  )
}

interface RowProps {
  readonly id: string
  readonly name: string
  readonly isChosen: boolean
  readonly isChanged: boolean
  readonly wrong: number
  readonly onChoose: (id: string) => void
}

const Row = memo(function Row({ id, name, isChosen, isChanged, wrong, onChoose }: RowProps) {
  return (
    <li>
      <button
        type="button"
        data-id={id}
        tabIndex={isChosen ? 0 : -1}
        aria-pressed={isChosen}
        data-changed={isChanged || undefined}
        data-wrong={wrong > 0 || undefined}
        onClick={() => onChoose(id)}
      >
        {name}
        {isChanged && <span className="hidden-label"> {say.changed}</span>}
        {wrong > 0 && (
          <span className={`figure ${styles.wrong}`}>
            {wrong}
            <span className="hidden-label"> {say.wrongCount(wrong)}</span>
          </span>
        )}
      </button>
    </li>
  )
})
