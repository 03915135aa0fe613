import { useMemo, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { CAUTION, policyWords } from '../../contract/words'
import { dispositions, type Verdict } from '../../core/policy/disposition'
import { formatAmount } from '../../core/quantity/format'
import { verdictName } from '../../core/words/labels'
import type { Speaker } from '../../core/words/speaker'
import { reasonOf } from '../../core/words/votes'
import { say } from '../../labels/verdicts'
import { Button, Key } from '../../ui/Button'
import { SortHead } from '../../ui/dataTable/SortHead'
import { type ModelColumn, useTableModel } from '../../ui/dataTable/useTableModel'
import { Fault } from '../../ui/Field'
import { SearchField } from '../../ui/SearchField'
import { VerdictMark } from '../../ui/VerdictMark'
import { AddWay } from '../additions/AddWay'
import { boardAddsTo } from '../additions/addsTo'
import { Departure } from '../decisions/Departure'
import { type BoardRow, isAcceptable, needsSomeone, useBoard } from '../decisions/useBoard'
import { receiving } from '../pageData/pageData'
import { type BoardItem, BoardTable } from './BoardTable'
import { PartRow, ReasonsRow } from './PartRow'
import styles from './VerdictBoard.module.css'

/** All parts with verdict, reason, limits and way; the inspector accepts or departs with a reason. */
function VerdictBoard({ view }: { readonly view: JobView }) {
  const board = useBoard(view)
  const [only, setOnly] = useState(false)
  const [openPart, setOpenPart] = useState<string | null>(null)
  const [addingTo, setAddingTo] = useState<BoardRow['part'] | null>(null)
  const [departing, setDeparting] = useState<BoardRow | null>(null)
  const acceptable = board.rows.filter(isAcceptable)
  const waiting = board.rows.filter(needsSomeone)
  const [words, setWords] = useState('')
  const columns = useMemo((): readonly ModelColumn<BoardRow>[] => columnsOf(board.speaker), [board.speaker])
  const model = useTableModel(only ? waiting : board.rows, columns, partOf, words)
  const shown = model.rows
  // In the order of the machine the rows stand by assembly; sorted, each names its own.
  const assemblies = [...new Set(shown.map(({ part }) => part.assembly))]
  const itemsOf = (rows: readonly BoardRow[]): BoardItem[] =>
    rows.flatMap((row): BoardItem[] => [
      { kind: 'part', row },
      ...(openPart === row.part.id ? [{ kind: 'reasons' as const, row }] : []),
    ])
  const items = model.isSorted
    ? itemsOf(shown)
    : assemblies.flatMap((name): BoardItem[] => [
        { kind: 'assembly', name },
        ...itemsOf(shown.filter(({ part }) => part.assembly === name)),
      ])
  const tally = (['replace', 'recondition', 'adjust', 'hold', 'reuse'] satisfies Verdict[]).map((verdict) => ({
    verdict,
    count: board.rows.filter((row) => verdictShown(row) === verdict).length,
  }))
  const { currency } = board.view.record.book
  const total = totalOf(board.rows)

  const toggle = ({ part }: BoardRow): void => setOpenPart(openPart === part.id ? null : part.id)
  const onKey = (key: string, row: BoardRow, isOnRow: boolean): boolean => {
    const letter = key.toLowerCase()
    if (key === ' ' && isOnRow) toggle(row)
    else if (letter === 'a' && board.closed === null && isAcceptable(row)) void board.accept([row])
    else if (letter === 'd' && board.closed === null) setDeparting(row)
    else return false
    return true
  }

  return (
    <div className={styles.page}>
      <div className={styles.head}>
        <h1>{say.verdicts}</h1>
        <ul className={styles.tally}>
          {tally.map(({ verdict, count }) => (
            <li key={verdict}>
              <VerdictMark verdict={verdict} size={18} />
              <b className="figure">{count}</b> {verdictName[verdict]}
            </li>
          ))}
        </ul>
        <div className={styles.actions}>
          {board.rows.length > FEW_ROWS && <SearchField label={say.findPart} value={words} onChange={setWords} />}
          <Button aria-pressed={only} onClick={() => setOnly(!only)}>
            {only ? say.showAll : say.onlyWhatNeeds} <b className="figure">{only ? board.rows.length : waiting.length}</b>
          </Button>
          {board.closed === null && (
            <Button kind="primary" disabled={acceptable.length === 0 || board.busy} onClick={() => void board.accept(acceptable)}>
              {say.acceptAsRecommended(acceptable.length)}
            </Button>
          )}
        </div>
      </div>
      {board.closed && <p className={styles.closed}>{board.closed}</p>}
      <Fault text={board.fault} />
      {shown.length === 0 && words !== '' ? (
        <p className={styles.empty} role="status">
          {say.nothingMatches}
        </p>
      ) : board.rows.length === 0 ? (
        <p className={styles.empty}>
          {say.noPartYet} <a href={`/jobs/${board.view.record.job.id}/limits`}>{say.nameOne}</a>
        </p>
      ) : shown.length === 0 ? (
        <p className={styles.empty}>
          {say.everyPartHas} <a href={`/jobs/${board.view.record.job.id}/report`}>{say.report}</a>
        </p>
      ) : (
        <BoardTable
          items={items}
          onKey={onKey}
          rowOf={(item, place) =>
            item.kind === 'reasons' ? (
              <ReasonsRow row={item.row} board={board} place={place} onAdd={() => setAddingTo(item.row.part)} />
            ) : (
              <PartRow
                row={item.row}
                namesAssembly={model.isSorted}
                board={board}
                open={openPart === item.row.part.id}
                onToggle={() => toggle(item.row)}
                onDepart={() => setDeparting(item.row)}
                place={place}
              />
            )
          }
          head={
            <thead>
              <tr>
                <SortHead text={say.part} head={model.headOf('part')} />
                <SortHead text={say.recommendedTitle} head={model.headOf('recommended')} />
                <th scope="col">{say.strongestReason}</th>
                <th scope="col">{say.againstLimits}</th>
                <th scope="col">{say.way}</th>
                <SortHead text={currency} head={model.headOf('cost')} right />
                <SortHead text={say.days} head={model.headOf('days')} right />
                <SortHead text={say.inspector} head={model.headOf('inspector')} />
              </tr>
            </thead>
          }
          foot={
            <tfoot>
              <tr>
                <td colSpan={5}>{say.asDecidedAs}</td>
                <td className={`figure ${styles.right}`}>{formatAmount(total.cost)}</td>
                <td className={`figure ${styles.right}`}>{formatAmount(total.days)}</td>
                <td>{total.notKnown > 0 && say.andNotKnown(total.notKnown)}</td>
              </tr>
            </tfoot>
          }
        />
      )}
      <p className={styles.foot}>
        <span>
          <Key>↑</Key> <Key>↓</Key> {say.partWord}
        </span>
        <span>
          <Key>{say.space}</Key> {say.openReasons}
        </span>
        <span>
          <Key>A</Key> {say.acceptWord}
        </span>
        <span>
          <Key>D</Key> {say.departReason}
        </span>
        <span className={styles.policy}>{say.policy(policyWords(board.view.record.job.policy).join(' · '))}</span>
        <span className={styles.caution}>{CAUTION}</span>
      </p>
      {addingTo && (
        <AddWay to={boardAddsTo(board)} part={addingTo} onDone={() => setAddingTo(null)} onClose={() => setAddingTo(null)} />
      )}
      {departing && <Departure row={departing} levels={dispositions} board={board} onClose={() => setDeparting(null)} />}
    </div>
  )
}

/** So many parts are seen at a glance. */
const FEW_ROWS = 8

const partOf = ({ part }: BoardRow): string => part.id

/** What the rows are sorted and found by; the worst verdict comes first. */
function columnsOf(speaker: Speaker): readonly ModelColumn<BoardRow>[] {
  const severity: readonly Verdict[] = ['replace', 'hold', 'recondition', 'adjust', 'reuse']
  return [
    { id: 'part', by: ({ part }) => `${part.name} ${part.position}` },
    { id: 'assembly', by: ({ part }) => part.assembly },
    { id: 'recommended', by: ({ result }) => `${severity.indexOf(result.verdict)} ${verdictName[result.verdict]}` },
    { id: 'reason', by: ({ result: { votes } }) => (votes[0] ? reasonOf(speaker, votes[0]) : '') },
    { id: 'cost', by: ({ way }) => way?.cost ?? (way === null ? 0 : '') },
    { id: 'days', by: ({ way }) => way?.days ?? (way === null ? 0 : '') },
    { id: 'inspector', by: (row) => `${needsSomeone(row) ? 0 : 1} ${verdictName[verdictShown(row)]}` },
  ]
}

/** What counts of a row: the inspector's verdict once it stands, else the recommended one. */
function verdictShown({ standing, result }: BoardRow): Verdict {
  return standing && !standing.stale ? standing.decided.decided : result.verdict
}

/** What all of it costs, as far as it is known: what nobody has priced is counted, and never taken for nothing. */
function totalOf(rows: readonly BoardRow[]): { readonly cost: number; readonly days: number; readonly notKnown: number } {
  const ways = rows.flatMap(({ way }) => (way === null ? [] : [way]))
  return {
    cost: ways.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
    days: ways.reduce((sum, { days }) => sum + (days ?? 0), 0),
    notKnown: ways.filter(({ cost }) => cost === null).length,
  }
}

/** As its page shows it. */
export const VerdictBoardIsland = receiving(VerdictBoard)
