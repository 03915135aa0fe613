import { useEffect, useRef, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { CAUTION, policyWords } from '../../contract/words'
import { dispositions, type Verdict } from '../../core/policy/disposition'
import { verdictName } from '../../core/words/labels'
import { say } from '../../labels/verdicts'
import { Button, Key } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { VerdictMark } from '../../ui/VerdictMark'
import { receiving } from '../pageData/pageData'
import { Departure } from './Departure'
import { PartRow } from './PartRow'
import { type BoardRow, isAcceptable, needsSomeone, useBoard } from './useBoard'
import styles from './VerdictBoard.module.css'

/** All parts with verdict, reason, limits and way; the inspector accepts or departs with a reason. */
function VerdictBoard({ view }: { readonly view: JobView }) {
  const board = useBoard(view)
  const [only, setOnly] = useState(false)
  const [openPart, setOpenPart] = useState<string | null>(null)
  const [departing, setDeparting] = useState<BoardRow | null>(null)
  const acceptable = board.rows.filter(isAcceptable)
  const waiting = board.rows.filter(needsSomeone)
  const shown = only ? waiting : board.rows
  const assemblies = [...new Set(shown.map(({ part }) => part.assembly))]
  const tally = (['replace', 'recondition', 'hold', 'reuse'] satisfies Verdict[]).map((verdict) => ({
    verdict,
    count: board.rows.filter((row) => verdictShown(row) === verdict).length,
  }))
  const { currency } = board.view.record.book
  const total = totalOf(board.rows)

  const table = useRef<HTMLTableElement>(null)
  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || document.querySelector('dialog[open]')) return
    const target = event.target as HTMLElement
    if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return
    const rows = [...(table.current?.querySelectorAll<HTMLElement>('tr[data-part]') ?? [])]
    const here = target.closest<HTMLElement>('tr[data-part]')
    const row = board.rows.find(({ part }) => part.id === here?.dataset.part)
    if (!here || !row) {
      // Nothing is chosen yet: the arrows begin at the first row, or at the last.
      const first = { ArrowDown: rows[0], ArrowUp: rows.at(-1) }[event.key]
      if (target !== document.body || !first) return
      first.focus()
      return event.preventDefault()
    }
    const to = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    const letter = event.key.toLowerCase()
    if (to !== undefined) rows[rows.indexOf(here) + to]?.focus()
    else if (event.key === ' ' && target === here) setOpenPart(openPart === row.part.id ? null : row.part.id)
    else if (letter === 'a' && board.closed === null && isAcceptable(row)) void board.accept([row])
    else if (letter === 'd' && board.closed === null) setDeparting(row)
    else return
    event.preventDefault()
  }
  useEffect(() => {
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  })

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
      {shown.length === 0 ? (
        <p className={styles.empty}>
          {say.everyPartHas} <a href={`/jobs/${board.view.record.job.id}/report`}>{say.report}</a>
        </p>
      ) : (
        <table ref={table} className={styles.table}>
          <caption className="hidden-label">{say.partsRecommendedDecided}</caption>
          <thead>
            <tr>
              <th scope="col">{say.part}</th>
              <th scope="col">{say.recommendedTitle}</th>
              <th scope="col">{say.strongestReason}</th>
              <th scope="col">{say.againstLimits}</th>
              <th scope="col">{say.way}</th>
              <th scope="col" className={styles.right}>
                {currency}
              </th>
              <th scope="col" className={styles.right}>
                {say.days}
              </th>
              <th scope="col">{say.inspector}</th>
            </tr>
          </thead>
          {assemblies.map((assembly) => (
            <tbody key={assembly}>
              <tr>
                <th colSpan={8} scope="rowgroup" className={styles.assembly}>
                  {assembly}
                </th>
              </tr>
              {shown
                .filter(({ part }) => part.assembly === assembly)
                .map((row) => (
                  <PartRow
                    key={row.part.id}
                    row={row}
                    board={board}
                    open={openPart === row.part.id}
                    onToggle={() => setOpenPart(openPart === row.part.id ? null : row.part.id)}
                    onDepart={() => setDeparting(row)}
                  />
                ))}
            </tbody>
          ))}
          <tfoot>
            <tr>
              <td colSpan={5}>{say.asDecidedAs}</td>
              <td className={`figure ${styles.right}`}>{total.cost}</td>
              <td className={`figure ${styles.right}`}>{total.days}</td>
              <td />
            </tr>
          </tfoot>
        </table>
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
      {departing && <Departure row={departing} levels={dispositions} board={board} onClose={() => setDeparting(null)} />}
    </div>
  )
}

/** What counts of a row: the inspector's verdict once it stands, else the recommended one. */
function verdictShown({ standing, result }: BoardRow): Verdict {
  return standing && !standing.stale ? standing.decided.decided : result.verdict
}

function totalOf(rows: readonly BoardRow[]): { cost: number; days: number } {
  return rows.reduce(
    (sum, row) => {
      const verdict = verdictShown(row)
      const way =
        verdict === 'replace'
          ? row.part.replacement
          : verdict === 'recondition'
            ? row.result.verdict === 'recondition'
              ? row.result.way
              : cheapestRoute(row)
            : null
      return { cost: sum.cost + (way?.cost ?? 0), days: sum.days + (way?.days ?? 0) }
    },
    { cost: 0, days: 0 },
  )
}

const cheapestRoute = ({ part }: BoardRow) => [...part.routes].sort((a, b) => a.cost - b.cost)[0] ?? null

/** As its page shows it. */
export const VerdictBoardIsland = receiving(VerdictBoard)
