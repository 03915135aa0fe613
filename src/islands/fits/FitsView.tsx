import { useEffect, useMemo, useRef, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { CAUTION } from '../../contract/words'
import { startEvaluation } from '../../core/evaluate/evaluate'
import type { Way } from '../../core/evaluate/fits/ways'
import { dispositions } from '../../core/policy/disposition'
import { say } from '../../labels/fits'
import { Button, Key } from '../../ui/Button'
import { useTableModel } from '../../ui/dataTable/useTableModel'
import { Fault } from '../../ui/Field'
import { SearchField } from '../../ui/SearchField'
import { AddFit } from '../additions/AddFit'
import { boardAddsTo } from '../additions/addsTo'
import { Departure } from '../decisions/Departure'
import { type BoardRow, useBoard } from '../decisions/useBoard'
import type { NotesProps } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import { EqualParts } from './EqualParts'
import { FitSheet } from './FitSheet'
import styles from './Fits.module.css'
import { FitTable } from './FitTable'
import { type FitRow, fitColumns, fitRows } from './fitRows'
import { boardRowOf, decidesFor, isOffered } from './Ways'

/** Every fit of the machine: a row each, and a sheet for the one that is chosen, with the ways to mend it. */
function FitsView({ view, person }: { readonly view: JobView; readonly person: NotesProps['person'] }) {
  const board = useBoard(view)
  const { record } = board.view
  const rows = useMemo(() => fitRows(board), [board])
  const waiting = rows.filter(({ toDecide }) => toDecide)
  const [only, setOnly] = useState(false)
  const [words, setWords] = useState('')
  const model = useTableModel(only ? waiting : rows, fitColumns, idOf, words)
  const [asked, setAsked] = useChosen()
  const chosen = model.rows.find(({ spec }) => spec.id === asked) ?? model.rows.find(({ toDecide }) => toDecide) ?? model.rows[0]
  const index = chosen?.index
  const ways = useMemo(() => (index === undefined ? [] : startEvaluation(record).waysAt(index)), [record, index])
  const [adding, setAdding] = useState(false)
  const [taking, setTaking] = useState<Taking | null>(null)
  const take = (way: Way): void => {
    const row = chosen && boardRowOf(way, chosen, board)
    if (!row) return
    // What was to be decided stays in hand once it is.
    setAsked(chosen.spec.id)
    const decided = decidesFor(way)
    const recommended = row.result.way?.routes ?? []
    const isRecommended =
      decided === row.result.verdict && (way.route === null || (recommended.length === 1 && recommended[0] === way.route))
    if (isRecommended && !row.standing) void board.accept([row])
    else setTaking({ row, start: { decided, route: way.route } })
  }
  const pane = useRef<HTMLDivElement>(null)
  useKeys(pane, ways, chosen, board.closed === null, take)
  return (
    <div className={styles.page} ref={pane}>
      <div className={styles.list}>
        <div className={styles.tools}>
          <h1>{say.fits}</h1>
          <div className={styles.tabs} hidden={rows.length === 0}>
            <Button aria-pressed={!only} onClick={() => setOnly(false)}>
              {say.all} <b className="figure">{rows.length}</b>
            </Button>
            <Button aria-pressed={only} onClick={() => setOnly(true)}>
              {say.toDecide} <b className="figure">{waiting.length}</b>
            </Button>
          </div>
          {rows.length > 0 && <SearchField label={say.findFit} value={words} onChange={setWords} />}
          {board.closedToNotes === null && record.book.characteristics.length > 0 && (
            <Button onClick={() => setAdding(true)}>+ {say.addFit}</Button>
          )}
        </div>
        {board.closed && <p className={styles.closed}>{board.closed}</p>}
        <Fault text={board.fault} />
        {model.rows.length > 0 ? (
          <FitTable model={model} units={record.machine.units} chosen={chosen?.spec.id} onChoose={setAsked} />
        ) : (
          <p className={styles.empty} role="status">
            {rows.length === 0 ? (
              <>
                {record.book.parts.length === 0 ? say.noBookNoFits : say.limitBookMachine}{' '}
                <a href={`/jobs/${encodeURIComponent(record.job.id)}/bench`}>{say.goMeasure}</a>
              </>
            ) : words === '' ? (
              say.nothingToDecide
            ) : (
              say.nothingMatches
            )}
          </p>
        )}
        {(record.book.equalParts ?? []).some(({ kind }) => kind !== 'alike') && <EqualParts view={view} person={person} />}
      </div>
      {chosen && <FitSheet key={chosen.spec.id} row={chosen} board={board} ways={ways} onTake={take} />}
      <p className={styles.foot}>
        {rows.length > 0 && <Keys />}
        <span className={styles.caution}>{CAUTION}</span>
      </p>
      {adding && (
        <AddFit
          to={boardAddsTo(board)}
          onDone={(id) => {
            setAdding(false)
            setAsked(id)
          }}
          onClose={() => setAdding(false)}
        />
      )}
      {taking && <Departure {...taking} levels={dispositions} board={board} onClose={() => setTaking(null)} />}
    </div>
  )
}

const Keys = () => (
  <>
    <span>
      <Key>↑</Key> <Key>↓</Key> {say.fitWord}
    </span>
    <span>
      <Key>{say.enter}</Key> {say.open}
    </span>
    <span>
      <Key>W</Key> {say.ways}
    </span>
    <span>
      <Key>T</Key> {say.takeBest}
    </span>
    <span>
      <Key>/</Key> {say.find}
    </span>
  </>
)

interface Taking {
  readonly row: BoardRow
  readonly start: { readonly decided: ReturnType<typeof decidesFor>; readonly route: string | null }
}

const idOf = ({ spec }: FitRow): string => spec.id

/** The fit that is chosen stands in the address, so that a reload and a link show it again. */
function useChosen(): readonly [string | null, (id: string) => void] {
  const [id, setId] = useState<string | null>(null)
  useEffect(() => setId(new URLSearchParams(location.search).get('f')), [])
  return [
    id,
    (next) => {
      setId(next)
      const address = new URL(location.href)
      address.searchParams.set('f', next)
      history.replaceState(history.state, '', address)
    },
  ]
}

/** Arrows go from fit to fit; Enter to its sheet, W to its ways, T takes the first, / finds. */
function useKeys(
  pane: React.RefObject<HTMLDivElement | null>,
  ways: readonly Way[],
  chosen: FitRow | undefined,
  mayDecide: boolean,
  take: (way: Way) => void,
): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || document.querySelector('dialog[open]'))
        return
      const target = event.target as HTMLElement
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return
      const rows = [...(pane.current?.querySelectorAll<HTMLElement>('tr[data-fit]') ?? [])]
      const here = rows.findIndex((row) => row.dataset.fit === chosen?.spec.id)
      const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
      const isOnButton = target.closest('button, a, summary') !== null
      if (step !== undefined) rows[rows.includes(target) ? rows.indexOf(target) + step : here]?.focus()
      else if (event.key === 'Enter' && !isOnButton) pane.current?.querySelector<HTMLElement>('#fit-name')?.focus()
      else if (event.key === '/') pane.current?.querySelector<HTMLElement>('input[type=search]')?.focus()
      else if (event.key.toLowerCase() === 'w') pane.current?.querySelector<HTMLElement>('[data-take]')?.focus()
      else if (event.key.toLowerCase() === 't' && mayDecide && ways[0] && isOffered(ways[0])) take(ways[0])
      else return
      event.preventDefault()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  })
}

/** As its page shows it. */
export const FitsIsland = receiving(FitsView)
