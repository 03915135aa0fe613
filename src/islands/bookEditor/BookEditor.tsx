import { useMemo, useRef, useState } from 'react'
import type { BookEditView } from '../../contract/bookAnswers'
import { entriesOf, idOf, isNothing, type WrittenBook } from '../../core/book/edits'
import type { BookLine } from '../../core/words/bookFile'
import { bookPlaceWords } from '../../core/words/bookPlaces'
import { sheetNames } from '../../core/words/bookSheets'
import { say } from '../../labels/bookEditor'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault } from '../../ui/Field'
import { receiving } from '../pageData/pageData'
import { AboutForm } from './AboutForm'
import styles from './BookEditor.module.css'
import { useChecked } from './checked'
import { nameOfEntry } from './context'
import { EntryForm } from './EntryForm'
import { EntryGrid } from './EntryGrid'
import { EntryList } from './EntryList'
import { byEntry } from './entryFaults'
import { useBookEdit } from './useBookEdit'

const ABOUT = 'about'

/** The draft of a limit book, every kind of content: by list and entry, as a form or a grid, with what is wrong beside its place. */
function BookEditor({ view: start, person }: { readonly view: BookEditView; readonly person: string }) {
  const edit = useBookEdit(start, person)
  const { book, view, edits } = edit
  const { lists, about } = view
  const { said, isCurrent } = useChecked(book, view.units)
  const [list, setList] = useState('parts')
  const [chosen, setChosen] = useState<string | null>(null)
  const [asGrid, setAsGrid] = useState(false)
  const [discarding, setDiscarding] = useState(false)
  const main = useRef<HTMLElement>(null)
  const fields = lists.find((one) => one.list === list)
  const entries = entriesOf(book, list)
  const entry = entries.find((one) => idOf(one) === chosen) ?? entries[0]
  const changed = useMemo(
    () => new Map(edits.lists.map((one) => [one.list, new Set(one.entries.map(({ id }) => id))] as const)),
    [edits],
  )
  const faultsIn = useMemo(() => byEntry(said?.faults ?? [], book), [said, book])
  const count =
    edits.lists.reduce((sum, one) => sum + Math.max(one.entries.length, one.order ? 1 : 0), 0) + Object.keys(edits.about).length
  const faults = said?.faults ?? []

  /** To where something is wrong: its list, its entry, its field. */
  const goTo = ({ path }: BookLine): void => {
    const [of, at, ...rest] = path
    if (typeof of !== 'string' || typeof at !== 'number') return setList(ABOUT)
    const own = (book[of] as readonly unknown[] | undefined)?.[at] as { readonly id?: unknown } | undefined
    setList(of)
    setAsGrid(false)
    setChosen(String(own?.id ?? ''))
    requestAnimationFrame(() =>
      requestAnimationFrame(() => {
        for (let length = rest.length; length > 0; length -= 1) {
          const field = main.current?.querySelector<HTMLElement>(`[data-path="${CSS.escape(rest.slice(0, length).join('/'))}"]`)
          if (field) return field.focus()
        }
      }),
    )
  }

  return (
    <div className={styles.page}>
      <nav className={styles.lists} aria-label={say.lists}>
        <ul>
          <li>
            <button type="button" aria-pressed={list === ABOUT} onClick={() => setList(ABOUT)}>
              {say.aboutBook}
            </button>
          </li>
          {lists.map(({ list: own }) => {
            const wrong = faults.filter(({ path }) => path[0] === own).length
            return (
              <li key={own}>
                <button
                  type="button"
                  aria-pressed={list === own}
                  data-wrong={wrong > 0 || undefined}
                  data-empty={entriesOf(book, own).length === 0 || undefined}
                  onClick={() => {
                    setList(own)
                    setChosen(null)
                  }}
                >
                  {sheetNames.sheet(own)}
                  <span className="figure">{entriesOf(book, own).length}</span>
                  {wrong > 0 && <span className="hidden-label">{say.wrongCount(wrong)}</span>}
                </button>
              </li>
            )
          })}
        </ul>
      </nav>
      {fields && !asGrid && (
        <EntryList
          key={list}
          list={list}
          entries={entries}
          chosen={entry ? idOf(entry) : null}
          changed={changed.get(list)}
          wrong={faultsIn.get(list)}
          onChoose={setChosen}
          onAdd={(made) => {
            edit.put(list, made, entry ? idOf(entry) : null)
            setChosen(idOf(made))
          }}
          shape={fields.entry}
        />
      )}
      <section ref={main} className={styles.main} data-grid={asGrid || !fields || undefined} aria-labelledby="title">
        <header className={styles.head}>
          <h1 id="title">{fields ? (asGrid || !entry ? sheetNames.sheet(list) : nameOfEntry(entry)) : say.aboutBook}</h1>
          {fields && (
            <Choice
              legend={say.view}
              value={asGrid ? 'grid' : 'form'}
              options={[
                { value: 'form', label: say.form },
                { value: 'grid', label: say.grid },
              ]}
              onChange={(value) => setAsGrid(value === 'grid')}
            />
          )}
        </header>
        {!fields && <AboutForm edit={edit} fields={about} faults={faults} />}
        {fields && asGrid && (
          <EntryGrid key={list} edit={edit} list={list} shape={fields.entry} entries={entries} faults={faultsIn.get(list)} />
        )}
        {fields && !asGrid && entry && (
          <EntryForm
            key={`${list}/${idOf(entry)}`}
            edit={edit}
            list={list}
            entry={entry}
            shape={fields.entry}
            faults={faultsIn.get(list)?.get(idOf(entry)) ?? []}
            isChanged={changed.get(list)?.has(idOf(entry)) ?? false}
            onChoose={setChosen}
          />
        )}
        {fields && !asGrid && !entry && <p className={styles.quiet}>{say.addFirst}</p>}
      </section>
      <aside className={styles.said} aria-live="polite">
        <h2>{isCurrent || said === null ? say.wrong : say.checking}</h2>
        {said !== null && faults.length === 0 && <p className={styles.quiet}>{say.nothingWrong}</p>}
        <Lines lines={faults} book={book} onGo={goTo} />
        {(said?.warnings.length ?? 0) > 0 && <h2>{say.look}</h2>}
        <Lines lines={said?.warnings ?? []} book={book} onGo={goTo} />
      </aside>
      {discarding && (
        <Dialog title={say.discardSure} onClose={() => setDiscarding(false)}>
          <p>{say.changes(count)}</p>
          <DialogActions>
            <Button onClick={() => setDiscarding(false)}>{say.cancel}</Button>
            <Button
              kind="primary"
              onClick={() => {
                edit.discard()
                setDiscarding(false)
              }}
            >
              {say.discard}
            </Button>
          </DialogActions>
        </Dialog>
      )}
      <footer className={styles.foot}>
        <p>
          <b>{count === 0 ? say.noChanges : say.changes(count)}</b>{' '}
          <span className={styles.quiet}>{faults.length > 0 ? say.mendFirst : count > 0 ? say.keptHere : ''}</span>
        </p>
        {edit.both.length > 0 && (
          <div className={styles.both}>
            {say.bothChanged}
            {edit.both.map(({ list: of, id }) => (
              <Button key={`${of}/${id}`} onClick={() => edit.asWas(of, id)}>
                {say.takeTheirs(nameIn(view.book, of, id))}
              </Button>
            ))}
          </div>
        )}
        <p role="status">{edit.note}</p>
        <Fault text={edit.fault} />
        <div className={styles.actions}>
          <Button kind="quiet" disabled={isNothing(edits) || edit.busy} onClick={() => setDiscarding(true)}>
            {say.discard}
          </Button>
          <Button kind="primary" disabled={isNothing(edits) || edit.busy || faults.length > 0} onClick={() => void edit.save()}>
            {say.save}
          </Button>
          <a className={styles.link} href={`/books/${encodeURIComponent(view.book.id)}`}>
            {say.toBook}
          </a>
        </div>
      </footer>
    </div>
  )
}

/** What the draft calls an entry; its id where the other one took it out. */
const nameIn = (draft: BookEditView['book'], list: string, id: string): string =>
  nameOfEntry(entriesOf(draft as unknown as WrittenBook, list).find((one) => idOf(one) === id) ?? { id })

function Lines({
  lines,
  book,
  onGo,
}: {
  readonly lines: readonly BookLine[]
  readonly book: unknown
  readonly onGo: (line: BookLine) => void
}) {
  return (
    <ul className={styles.lines}>
      {lines.slice(0, MOST_LINES).map((line) => (
        <li key={`${line.path.join('/')} ${line.says}`}>
          <button type="button" onClick={() => onGo(line)}>
            <b>{bookPlaceWords(book, line.path)}</b>: {line.says}
          </button>
        </li>
      ))}
      {lines.length > MOST_LINES && <li>{say.andMore(lines.length - MOST_LINES)}</li>}
    </ul>
  )
}
const MOST_LINES = 60

/** As its page shows it. */
export const BookEditorIsland = receiving(BookEditor)
