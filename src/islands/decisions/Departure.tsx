import { v7 } from 'uuid'
import type { Disposition } from '../../core/policy/disposition'
import { formatAmount } from '../../core/quantity/format'
import { OWN_WAY } from '../../core/record/ownWay'
import { departs } from '../../core/verdict/decidedWay'
import { verdictName } from '../../core/words/labels'
import { reasonOf } from '../../core/words/votes'
import { say } from '../../labels/verdicts'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, TextField } from '../../ui/Field'
import { VerdictWord } from '../../ui/VerdictMark'
import { useKeptForm } from '../forms/useKeptForm'
import styles from './Departure.module.css'
import type { Board, BoardRow } from './useBoard'

export interface DepartureProps {
  readonly row: BoardRow
  readonly levels: readonly Disposition[]
  /** What is chosen when it opens. */
  readonly start?: { readonly decided: Disposition; readonly route: string | null }
  readonly board: Board
  readonly onClose: () => void
}

const priceWords = (cost: number | null, days: number | null, currency: string): string =>
  [
    cost === null ? say.costNotKnown : `${formatAmount(cost)} ${currency}`,
    days === null ? say.daysNotKnown : say.daysOf(formatAmount(days), days),
  ].join(', ')

interface Own {
  readonly id: string
  readonly decided: Disposition | null
  readonly route: string
  readonly reason: string
}

/** The inspector's own verdict on a part, with its reason. */
export function Departure({ row, levels, start, board, onClose }: DepartureProps) {
  const { routes } = row.part
  const recommended = row.result.way?.routes ?? []
  /** The route of an own verdict; a part without routes is reconditioned by a way of one's own. */
  const routeOf = ({ decided, route }: Own): string | null => (decided === 'recondition' ? route : null)
  const isDeparture = (own: Own): boolean =>
    own.decided !== null && departs(row.result, { decided: own.decided, route: routeOf(own) })
  const form = useKeptForm<Own>({
    key: `medida-form:${board.view.record.job.id}:departure:${row.part.id}${start ? `:${start.route ?? start.decided}` : ''}`,
    start: () => ({ id: v7(), decided: start?.decided ?? null, route: start?.route ?? recommended[0] ?? OWN_WAY, reason: '' }),
    check: (own) => [
      ...(own.decided === null ? [{ at: 'decided', says: say.chooseVerdictFirst }] : []),
      ...(isDeparture(own) && own.reason.trim().length < 3 ? [{ at: 'reason', says: say.sayWhyFew }] : []),
    ],
    send: async (own) => {
      const { id, decided, reason } = own
      const refused = decided && (await board.depart(row, { id, decided, reason, route: routeOf(own) }))
      if (refused !== null) return [{ at: '', says: refused }]
      form.done()
      onClose()
      return []
    },
  })
  const { decided } = form.value
  const { error: undecided, ...radio } = form.field('decided')
  const { error: noRoute, ...route } = form.field('route')
  const { currency } = board.view.record.book
  const strongest = row.result.votes[0]
  return (
    <Dialog title={say.yourVerdict(row.part.name)} onClose={onClose}>
      <p>
        {say.recommended} <VerdictWord verdict={row.result.verdict} />.{' '}
        {strongest ? `${reasonOf(board.speaker, strongest)}.` : ''}
      </p>
      {row.safety && <p className={styles.safetyNote}>{say.safetyMarkedReviewer}</p>}
      <form className={styles.departure} onSubmit={form.submit} noValidate>
        <fieldset className={styles.choices}>
          <legend className="hidden-label">{say.verdict}</legend>
          {levels.map((level) => (
            <label key={level} className={styles.choice}>
              <input type="radio" value={level} {...radio} /> <VerdictWord verdict={level} />
            </label>
          ))}
          <Fault text={undecided} />
        </fieldset>
        {decided === 'recondition' && routes.length > 0 && (
          <fieldset className={styles.routes}>
            <legend>{say.byWhichRoute}</legend>
            {routes.map(({ id, name, cost, days }) => (
              <label key={id} className={styles.choice}>
                <input type="radio" value={id} {...route} /> <span>{name}</span>
                <span className={styles.price}>{priceWords(cost, days, currency)}</span>
              </label>
            ))}
            <label className={styles.choice}>
              <input type="radio" value={OWN_WAY} {...route} /> {say.noRouteOfBook}
            </label>
            <Fault text={noRoute} />
          </fieldset>
        )}
        <TextField label={say.why} hint={say.whatYouSaw} maxLength={400} {...form.field('reason')} />
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={form.busy}>
            {decided ? say.decide(verdictName[decided].toLowerCase()) : say.decideTitle}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
