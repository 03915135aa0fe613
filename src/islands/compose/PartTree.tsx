import { useMemo, useState } from 'react'
import { inOrderAlong } from '../../core/book/along'
import type { LimitBook } from '../../core/book/bookSchema'
import { mirrored } from '../../core/kit/detail'
import { subtreeOf } from '../../core/kit/subtree'
import { say } from '../../labels/compose'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, TextArea, TextField } from '../../ui/Field'
import styles from './Compose.module.css'
import { DetailDialog } from './DetailDialog'
import type { Draft } from './useDraft'

interface TreeProps {
  readonly draft: Draft
  readonly chosen: string | null
  readonly fresh: ReadonlySet<string>
  readonly mayChange: boolean
  readonly onChoose: (position: string | null) => void
}

interface Row {
  readonly id: string
  readonly name: string
  readonly depth: number
  readonly isPart: boolean
  /** What holds it, from the inside out. */
  readonly within: readonly string[]
  readonly parts: number
  readonly measured: number
}

/** What is on the machine, by position: chosen, it is renamed, copied or taken out. */
export function PartTree({ draft, chosen, fresh, mayChange, onChoose }: TreeProps) {
  const { book } = draft.view
  const all = useMemo(() => rowsOf(book), [book])
  // The parts of an assembly are listed once it is chosen, or one of them.
  const rows = all.filter(({ isPart, within }) => !isPart || within.some((id) => id === chosen || isBeside(all, chosen, id)))
  const [doing, setDoing] = useState<Deed | 'detail' | null>(null)
  const own = rows.find(({ id }) => id === chosen)
  const position = book.positions.find(({ id }) => id === own?.id)
  return (
    <>
      <table className={styles.tree}>
        <thead>
          <tr>
            <th scope="col">{say.partByPosition}</th>
            <th scope="col">{say.parts}</th>
            <th scope="col">{say.measured}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, name, depth, isPart, parts, measured }) => (
            <tr
              key={id}
              data-part={isPart || undefined}
              data-chosen={id === chosen || undefined}
              data-fresh={fresh.has(name) || undefined}
            >
              <th scope="row" style={{ paddingInlineStart: `calc(var(--space-3) + ${depth} * var(--space-4))` }}>
                <button type="button" aria-pressed={id === chosen} onClick={() => onChoose(id === chosen ? null : id)}>
                  {name}
                </button>
              </th>
              <td className="figure">{parts}</td>
              <td className="figure">{measured}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && <p className={styles.empty}>{say.nothingYet}</p>}
      {own && mayChange && (
        <fieldset className={styles.what}>
          <legend className="hidden-label">{say.whatOf(own.name)}</legend>
          <Button onClick={() => setDoing('rename')}>{say.rename}</Button>
          <Button onClick={() => setDoing('copy')}>{say.copy}</Button>
          <Button onClick={() => setDoing('mirror')}>{say.mirror}</Button>
          <Button onClick={() => setDoing('detail')}>{say.detail}</Button>
          <Button onClick={() => setDoing('takeOut')}>{say.takeOut}</Button>
        </fieldset>
      )}
      {position && doing === 'detail' && (
        <DetailDialog
          key={position.id}
          position={position}
          draft={draft}
          onClose={() => {
            draft.forget()
            setDoing(null)
          }}
        />
      )}
      {own && doing && doing !== 'detail' && (
        <Doing
          doing={doing}
          row={own}
          draft={draft}
          onClose={() => {
            draft.forget()
            setDoing(null)
          }}
          onDone={() => {
            if (doing === 'takeOut') onChoose(null)
            setDoing(null)
          }}
        />
      )}
    </>
  )
}

type Deed = 'rename' | 'copy' | 'mirror' | 'takeOut'

interface DoingProps {
  readonly doing: Deed
  readonly row: Row
  readonly draft: Draft
  readonly onClose: () => void
  readonly onDone: () => void
}

function Doing({ doing, row, draft, onClose, onDone }: DoingProps) {
  const full = draft.view.book.positions.find(({ id }) => id === row.id)?.name ?? row.name
  const [text, setText] = useState(doing === 'rename' ? full : doing === 'mirror' ? mirrored(full) : '')
  const title = { rename: say.rename, copy: say.copy, mirror: say.mirror, takeOut: say.takeOutOf(row.name) }[doing]
  const names = text
    .split('\n')
    .map((name) => name.trim())
    .filter((name) => name !== '')
  const act = async (): Promise<void> => {
    const position = row.id
    const done = await draft.make(
      doing === 'rename' || doing === 'mirror'
        ? { kind: doing, position, name: text.trim() }
        : doing === 'copy'
          ? { kind: 'copy', position, names }
          : { kind: 'takeOut', position },
    )
    if (done) onDone()
  }
  const gone = useMemo(() => subtreeOf(draft.view.book, row.id), [draft.view.book, row.id])
  return (
    <Dialog title={title} onClose={onClose}>
      <form
        className={styles.form}
        onSubmit={(event) => {
          event.preventDefault()
          void act()
        }}
      >
        {(doing === 'rename' || doing === 'mirror') && (
          <TextField
            label={doing === 'rename' ? say.newName : say.mirrorName}
            value={text}
            maxLength={120}
            autoFocus
            onChange={({ target }) => setText(target.value)}
          />
        )}
        {doing === 'copy' && (
          <TextArea label={say.copyTo} value={text} rows={4} autoFocus onChange={({ target }) => setText(target.value)} />
        )}
        {doing === 'takeOut' && (
          <p>{say.goesWith(gone.parts.size, gone.characteristics.size, gone.fits.size, gone.steps.size)}</p>
        )}
        <Fault text={draft.faultOf(doing)} />
        <DialogActions>
          <Button type="submit" kind="primary" disabled={draft.busy || (doing !== 'takeOut' && names.length === 0)}>
            {{ rename: say.rename, copy: say.copy, mirror: say.mirror, takeOut: say.takeOut }[doing]}
          </Button>
          <Button onClick={onClose}>{say.cancel}</Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

/** Positions with what sits in them below them. A part alone in the tree is a line; what an assembly brings is counted. */
function rowsOf(book: LimitBook): Row[] {
  const below = new Map<string | null, LimitBook['positions'][number][]>()
  for (const position of book.positions) below.set(position.parent, [...(below.get(position.parent) ?? []), position])
  const measured = new Map<string, number>()
  for (const { part } of book.characteristics) measured.set(part, (measured.get(part) ?? 0) + 1)
  const rows: Row[] = []
  const walk = (parent: string | null, within: readonly string[]): void => {
    for (const { id, name, part } of inOrderAlong(below.get(parent) ?? [], ({ along }) => along)) {
      const own = part === null ? subtreeOf(book, id) : null
      rows.push({
        id,
        name: parent === null ? name : shortName(name, book.positions.find((one) => one.id === parent)?.name),
        depth: within.length,
        isPart: part !== null,
        within,
        parts: own ? own.parts.size : 1,
        measured: own ? own.characteristics.size : (measured.get(part ?? '') ?? 0),
      })
      walk(id, [id, ...within])
    }
  }
  walk(null, [])
  return rows
}

/** Under what holds it, a part is named without it. */
const shortName = (name: string, holder: string | undefined): string =>
  holder !== undefined && name.startsWith(`${holder}: `) ? capital(name.slice(holder.length + 2)) : name
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** Whether what is chosen is a part inside this. */
const isBeside = (rows: readonly Row[], chosen: string | null, holder: string): boolean =>
  rows.some(({ id, isPart, within }) => id === chosen && isPart && within.includes(holder))
