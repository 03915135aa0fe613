import { stageLines } from '../../contract/stageLines'
import { formatMoment } from '../../contract/words'
import { formatAmount } from '../../core/quantity/format'
import { departs } from '../../core/verdict/decidedWay'
import { verdictName } from '../../core/words/labels'
import { reasonOf, settledBy, wayWords } from '../../core/words/votes'
import { ribbonOf, ribbonOfFit } from '../../drawing/ribbonScale'
import { say } from '../../labels/verdicts'
import { Button } from '../../ui/Button'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { StageLine } from '../../ui/StageLine'
import { VerdictMark, VerdictWord } from '../../ui/VerdictMark'
import { VoteList } from '../../ui/VoteList'
import { type Board, type BoardRow, isAcceptable } from '../decisions/useBoard'
import styles from './VerdictBoard.module.css'

export interface PartRowProps {
  readonly row: BoardRow
  readonly board: Board
  /** Sorted the rows stand under no assembly, and say theirs. */
  readonly namesAssembly: boolean
  readonly open: boolean
  readonly onToggle: () => void
  readonly onDepart: () => void
  /** Its place among all rows, and what measures it: a long board draws only what is in sight. */
  readonly place: RowPlace
}

export interface RowPlace {
  readonly 'data-index': number
  readonly 'aria-rowindex': number | undefined
  readonly ref: (row: Element | null) => void
}

/** Cost or days of a way; what nobody has priced is said so, and what is still open has none. */
function Amount({ way, of, open }: { readonly way: BoardRow['way']; readonly of: 'cost' | 'days'; readonly open: boolean }) {
  if (way && way[of] === null) return <td className={styles.right}>{say.notKnown}</td>
  return <td className={`figure ${styles.right}`}>{way ? formatAmount(way[of] ?? 0) : open ? '–' : 0}</td>
}

export function PartRow({ row, board, namesAssembly, open, onToggle, onDepart, place }: PartRowProps) {
  const { part, result, safety, way } = row
  const strongest = result.votes[0]
  const isOpen = way === null && result.verdict === 'hold' && (!row.standing || row.standing.stale)
  return (
    <tr
      {...place}
      tabIndex={0}
      data-part={part.id}
      className={styles.row}
      data-open={open ? '' : undefined}
      aria-label={`${part.name}: ${verdictName[result.verdict]}`}
    >
      <th scope="row" className={styles.part}>
        {part.name}
        <span className={styles.position}>
          {namesAssembly ? `${part.assembly} · ${part.position}` : part.position}
          {safety && say.safety}
        </span>
      </th>
      <td>
        <VerdictWord verdict={result.verdict} />
        {result.verdict === 'hold' && (
          <span className={styles.span}>{say.to(verdictName[result.mild], verdictName[result.strong].toLowerCase())}</span>
        )}
        <StageLine lines={stageLines(result)} />
      </td>
      <td>
        <button type="button" className={styles.reason} aria-expanded={open} onClick={onToggle}>
          {strongest ? reasonOf(board.speaker, strongest) : say.nothingJudgesPart}
        </button>
      </td>
      <td className={styles.ribbon}>
        <PartRibbon board={board} row={row} />
      </td>
      <td className={styles.way}>
        {way ? wayWords(board.speaker, part.id, way) : isOpen && strongest ? settledBy(board.speaker, strongest) : ''}
      </td>
      <Amount way={way} of="cost" open={isOpen} />
      <Amount way={way} of="days" open={isOpen} />
      <td>
        <Decided row={row} board={board} onDepart={onDepart} />
      </td>
    </tr>
  )
}

/** Every reason of a part, under its row. */
export function ReasonsRow({
  row,
  board,
  place,
  onAdd,
}: Pick<PartRowProps, 'row' | 'board' | 'place'> & { readonly onAdd: () => void }) {
  return (
    <tr {...place} className={styles.reasons}>
      <td colSpan={8}>
        <VoteList votes={row.result.votes} speaker={board.speaker} />
        {board.closedToNotes === null && (
          <Button kind="quiet" onClick={onAdd}>
            + {say.addWay}
            <span className="hidden-label"> {say.onPart(row.part.name)}</span>
          </Button>
        )}
      </td>
    </tr>
  )
}

/** The ribbon of what gave the strongest vote; of the part's first characteristic when a service rule did. */
function PartRibbon({ board, row }: { readonly board: Board; readonly row: BoardRow }) {
  const { record } = board.view
  const subjects = [row.result.votes[0]?.subject, record.book.characteristics.find((item) => item.part === row.part.id)?.id]
  for (const subject of subjects) {
    const characteristic = record.book.characteristics.find(({ id }) => id === subject)
    const result = board.results.characteristics.find(({ id }) => id === subject)
    if (characteristic && result)
      return <LimitRibbon model={ribbonOf(characteristic, result, record.job.policy)} width={150} system={record.machine.units} />
    const spec = record.book.fits.find(({ id }) => id === subject)
    const fit = board.results.fits.find(({ id }) => id === subject)
    if (spec && fit) return <LimitRibbon model={ribbonOfFit(spec, fit)} width={150} system={record.machine.units} />
  }
  return null
}

function Decided({ row, board, onDepart }: Omit<PartRowProps, 'open' | 'namesAssembly' | 'onToggle' | 'place'>) {
  const { standing, part, result } = row
  if (standing && !standing.stale) {
    const { decided } = standing
    return (
      <div className={styles.decided}>
        <span className={styles.decidedLine} title={`${decided.by}, ${formatMoment(decided.at)}`}>
          <VerdictMark verdict={decided.decided} size={14} />{' '}
          {departs(result, decided) ? verdictName[decided.decided] : say.accepted}
        </span>
        {decided.reason && <span className={styles.position}>{decided.reason}</span>}
        {board.closed === null && (
          <button type="button" className={styles.change} onClick={onDepart}>
            {say.change}
            <span className="hidden-label"> {say.theVerdictOn(part.name)}</span>
          </button>
        )}
      </div>
    )
  }
  if (row.result.need !== 'required')
    return <span className={styles.position}>{row.result.need === 'ifGateFails' ? say.ifGateFails : say.notRequired}</span>
  return (
    <div className={styles.decided}>
      {standing?.stale && (
        <span className={styles.stale}>{say.readingsChanged(verdictName[standing.decided.decided].toLowerCase())}</span>
      )}
      {board.closed === null ? (
        <span className={styles.buttons}>
          {isAcceptable(row) && (
            <Button disabled={board.busy} onClick={() => void board.accept([row])}>
              {say.accept}
              <span className="hidden-label"> {part.name}</span>
            </Button>
          )}
          <Button kind="quiet" onClick={onDepart}>
            {say.depart}
            <span className="hidden-label"> {say.fromVerdict(part.name)}</span>
          </Button>
        </span>
      ) : (
        <span className={styles.position}>{say.notDecided}</span>
      )}
    </div>
  )
}
