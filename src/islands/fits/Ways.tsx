import type { Way, WayState } from '../../core/evaluate/fits/ways'
import type { Verdict } from '../../core/policy/disposition'
import { formatAmount, formatLength, unitLabel } from '../../core/quantity/format'
import { ranAtWords, ranWords } from '../../core/words/meter'
import { setWords } from '../../core/words/settings'
import { routeOf, type Speaker } from '../../core/words/speaker'
import { workWords } from '../../core/words/trace'
import { ribbonOfWay } from '../../drawing/ribbonScale'
import { say } from '../../labels/fits'
import { Button } from '../../ui/Button'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { VerdictMark } from '../../ui/VerdictMark'
import type { Board, BoardRow } from '../decisions/useBoard'
import styles from './Fits.module.css'
import type { FitRow } from './fitRows'

interface WaysProps {
  readonly row: FitRow
  readonly ways: readonly Way[]
  readonly board: Board
  readonly onTake: (way: Way) => void
}

/** Every way to mend a fit, on either part: what it would leave, now and at the next overhaul, and what it costs. */
export function Ways({ row, ways, board, onTake }: WaysProps) {
  const { units } = board.view.record.machine
  return (
    <table className={styles.ways}>
      <caption>{say.whichSide}</caption>
      <thead>
        <tr>
          <th scope="col" className={styles.wayHead}>
            {say.whichSide}
          </th>
          <th scope="col" className={styles.right}>
            {say.clearanceIn(unitLabel(units))}
          </th>
          <th scope="col" className={styles.right}>
            {board.view.record.book.currency}
          </th>
          <th scope="col" className={styles.right}>
            {say.days}
          </th>
          <th scope="col">
            <span className="hidden-label">{say.take}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => (
          <WayRow key={`${way.by}/${way.part}/${way.route}`} way={way} row={row} board={board} onTake={onTake} />
        ))}
      </tbody>
    </table>
  )
}

const markOf: Readonly<Record<WayState, Verdict>> = {
  holds: 'reuse',
  pastPlan: 'recondition',
  passes: 'recondition',
  undecided: 'hold',
  notKnown: 'hold',
  fails: 'replace',
  cannot: 'replace',
}

function WayRow({ way, row, board, onTake }: Omit<WaysProps, 'ways'> & { readonly way: Way }) {
  const { units } = board.view.record.machine
  const { spec } = row
  const figure = (mm: number): string => formatLength(mm, units, spec.showTo)
  const ribbon = ribbonOfWay(spec, way)
  const name = nameOf(way, board.speaker, (mm) => `${figure(mm)} ${unitLabel(units)}`)
  const route = way.part === null || way.route === null ? undefined : routeOf(board.speaker, way.part, way.route)
  const work = route ? workWords({ finish: route.finish ?? null, restores: route.restores ?? [] }) : ''
  return (
    <tr data-way={way.route ?? way.by}>
      <th scope="row">
        <span className={styles.wayName}>
          <VerdictMark verdict={markOf[way.state]} size={17} />
          <span>
            {name}
            <span className={styles.kind}>{outlook(way, row, board.speaker, figure, unitLabel(units))}</span>
            {work !== '' && <span className={styles.kind}>{work}</span>}
          </span>
        </span>
      </th>
      <td className={styles.right}>
        {way.leaves && (
          <span className="figure">
            {figure(way.leaves.tightestMm)} … {figure(way.leaves.loosestMm)}
          </span>
        )}
        {ribbon && <LimitRibbon model={ribbon} width={150} system={units} />}
      </td>
      <td className={`figure ${styles.right}`}>{way.cost === null ? <Unknown /> : formatAmount(way.cost)}</td>
      <td className={`figure ${styles.right}`}>{way.days === null ? <Unknown /> : formatAmount(way.days)}</td>
      <td className={styles.take}>
        {isTaken(way, boardRowOf(way, row, board)) ? (
          <span className={styles.taken}>{say.taken}</span>
        ) : (
          board.closed === null &&
          isOffered(way) && (
            <Button data-take="" disabled={board.busy} onClick={() => onTake(way)}>
              {way.by === 'leave' ? say.leave : say.take}
              <span className="hidden-label"> {name}</span>
            </Button>
          )
        )}
      </td>
    </tr>
  )
}

const Unknown = () => <span className={styles.unknown}>{say.notKnown}</span>

const nameOf = (way: Way, speaker: Speaker, figure: (mm: number) => string): string => {
  const part = way.part === null ? undefined : speaker.part(way.part)
  if (!part) return say.leaveIt
  if (way.set) return setWords(way.set, figure)
  const route = part.routes.find(({ id }) => id === way.route)
  return route ? say.byRoute(part.name, route.name) : say.newPart(part.name)
}

/** What a way comes to, in one line. */
function outlook(way: Way, { spec }: FitRow, speaker: Speaker, figure: (mm: number) => string, unit: string): string {
  const end = spec.limits.some(({ side }) => side === 'upper') ? 'loosestMm' : 'tightestMm'
  switch (way.state) {
    case 'holds': {
      const suits = way.suits ? `, ${say.suits}` : ''
      return way.atNext
        ? say.holdsAt(ranAtWords(way.atNext.atHours, speaker.meter), `${figure(way.atNext[end])} ${unit}`) + suits
        : say.holds + suits
    }
    case 'pastPlan':
      return say.pastPlanNow
    case 'passes':
      return say.passesAfter(ranWords(way.hoursToWear ?? 0, speaker.meter))
    case 'undecided':
      return say.undecidedNow
    case 'fails':
      return say.failsNow
    case 'cannot':
      return way.against ? say.againstOwn : say.cannot
    case 'notKnown':
      return way.against
        ? say.againstOther(speaker.fit(way.against.id)?.name ?? speaker.characteristic(way.against.id)?.name ?? '')
        : say.needsSize
  }
}

/** A way that cannot be, or of which nothing is known, is taken on the board with a reason, if at all; a new part can always be had. */
export const isOffered = ({ state, leaves, by }: Way): boolean => state !== 'cannot' && (leaves !== null || by === 'newPart')

/** The part that a way is decided on: its own, or the one on which the fit is mended. */
export const boardRowOf = (way: Way, { spec }: FitRow, board: Board): BoardRow | undefined =>
  board.rows.find(({ part }) => part.id === (way.part ?? spec.mendOn))

const DECIDES = { set: 'adjust', route: 'recondition', newPart: 'replace', leave: 'reuse' } as const
export const decidesFor = (way: Way) => DECIDES[way.by]

/** Whether the standing verdict of the part is this way. */
function isTaken(way: Way, row: BoardRow | undefined): boolean {
  const standing = row?.standing && !row.standing.stale ? row.standing.decided : null
  if (!row || standing?.decided !== decidesFor(way)) return false
  return way.route === null || (row.way?.routes.includes(way.route) ?? false)
}
