import { type RefObject, useEffect, useRef } from 'react'
import { stepOf } from '../../../core/method/gives'
import { quantityAt } from '../../../core/method/layout'
import type { Reading } from '../../../core/record/recordSchema'
import type { SlipQuestion } from '../../../core/slip/slip'
import { faultWords } from '../../../core/words/methodFaults'
import { slotWords } from '../../../core/words/places'
import { slipQuestionWords } from '../../../core/words/slips'
import { say } from '../../../labels/bench'
import { UNSENT } from '../../../sync/item'
import { Button, ButtonLink, Key } from '../../../ui/Button'
import type { Bench } from '../benchState'
import { focusReading } from './focusReading'
import styles from './Messages.module.css'

const REASONS = {
  correct: [say.misread, say.mistyped, say.gaugeNotSquare, say.wrongPlace],
  cannot: [say.cannotReached, say.partMissing, say.surfaceDamaged, say.noGaugeReaches],
  retake: [say.partWarm, say.gaugeNotZeroed, say.notClean, say.wrongPose],
} as const

/** Under the readings: what is wrong with what is typed, why something is done, what waits to be sent, what was refused. */
export function Messages({ bench }: { readonly bench: Bench }) {
  const { local, link } = bench.readings
  const queued = local.filter(({ delivery }) => delivery.kind === 'queued').length
  const kept = say.readingKept(queued)
  const { characteristic, mode } = bench
  const complete = bench.slots.length > 0 && bench.slots.every((slot) => bench.standingAt(slot))
  const said = useInSight<HTMLParagraphElement>(bench.fault)
  const refused = local.flatMap(({ reading, delivery }) => (delivery.kind === 'refused' ? reading.id : []))
  const refusals = useInSight<HTMLDivElement>(refused.join())
  return (
    <div className={styles.messages}>
      <p ref={said} id="bench-message" role="alert" className={styles.fault} hidden={!bench.fault}>
        {bench.fault && (
          <>
            <b aria-hidden="true">!</b> {bench.fault}
          </>
        )}
      </p>
      <Theirs bench={bench} />
      {bench.question && <Question bench={bench} slip={bench.question} />}
      {mode.kind !== 'read' && !(mode.kind === 'retake' && mode.begun) && <ReasonForm bench={bench} />}
      {mode.kind === 'retake' && mode.begun && (
        <p className={styles.correction}>
          <span>
            <b>{say.readingSetAgain}</b> {say.ofOne(mode.reason, mode.done.size, bench.slots.length)}
            <Button onClick={() => bench.acts.does({ kind: 'cancel' })}>{say.stopHere}</Button>
          </span>
        </p>
      )}
      {bench.closed && <p className={styles.closed}>{bench.closed}</p>}
      {bench.result.faults.map((fault) => {
        const { reason, settledBy } = faultWords(bench.speaker, characteristic.id, fault)
        return (
          <p key={reason} className={styles.fault}>
            <b aria-hidden="true">!</b> {reason}. {settledBy}
          </p>
        )
      })}
      {complete && mode.kind === 'read' && bench.closed === null && (
        <p className={styles.complete}>
          {say.allReadings(bench.result.reductions.needed)}
          <Button kind={bench.result.faults.length > 0 ? 'plain' : 'primary'} onClick={() => bench.acts.does({ kind: 'accept' })}>
            {say.nextMeasure}
          </Button>
        </p>
      )}
      <div ref={refusals} className={styles.refusals}>
        {local.map(({ reading, delivery }) =>
          delivery.kind === 'refused' ? (
            <p key={reading.id} className={styles.fault}>
              <b aria-hidden="true">!</b>
              <span>{say.notStored(placeOf(bench, reading), reading.text, delivery.message)}</span>
              {delivery.status === 409 && <Button onClick={() => void bench.acts.insist(reading)}>{say.mineCounts}</Button>}
              {delivery.status !== 409 && <Button onClick={() => sendAgain(bench, reading)}>{say.sendAgain}</Button>}
              {delivery.status !== UNSENT && (
                <Button onClick={() => dropAndReload(bench, reading.id)}>
                  {delivery.status === 409 ? say.theirsCounts : say.dropReload}
                </Button>
              )}
            </p>
          ) : null,
        )}
      </div>
      {!bench.readings.keeps && <p className={styles.theirs}>{say.browserKeepsNothing}</p>}
      <p className={styles.queue} role="status">
        {queued > 0 && link === 'offline' && (
          <>
            {say.noConnectionDevice(kept)}
            <Button kind="quiet" onClick={bench.readings.sendNow}>
              {say.sendNow}
            </Button>
          </>
        )}
        {queued > 0 && link === 'signedOut' && (
          <>
            {say.youSignedOut(kept)}
            <ButtonLink href={`/sign-in?next=${encodeURIComponent(`/jobs/${bench.record.job.id}/bench`)}`}>{say.sign}</ButtonLink>
          </>
        )}
      </p>
    </div>
  )
}

/** Where a reading belongs, by name: it may be another part than the one in hand. */
function placeOf({ record, characteristic }: Bench, reading: Reading): string {
  const of = record.book.characteristics.find(({ id }) => id === reading.characteristic)
  const slot = of ? slotWords(of.method, reading) : ''
  return [of && of.id !== characteristic.id ? of.name : '', slot].filter((word) => word !== '').join(', ') || characteristic.name
}

/** What somebody else read at the place in hand since this page came, and what of theirs cannot be shown yet. */
function Theirs({ bench }: { readonly bench: Bench }) {
  const { mode, active, awaitingReload } = bench
  const here = mode.kind === 'read' ? bench.standingAt(active) : undefined
  const by = here ? bench.arrivedFrom(here.id) : null
  const said = useInSight<HTMLParagraphElement>(here && by !== null ? here.id : null)
  return (
    <div role="status" className={styles.said}>
      {here && by !== null && (
        <p ref={said} className={styles.theirs}>
          <b>{by}</b> {say.readHereJustNow(here.text)}{' '}
          {bench.text.trim() === '' ? (
            <>
              <Key>{say.enter}</Key> {say.goesPressFigure}
            </>
          ) : (
            <>
              <Key>{say.enter}</Key> {say.putsYoursOver} <Key>{say.esc}</Key> {say.leavesTheirs}
            </>
          )}
        </p>
      )}
      {awaitingReload > 0 && (
        <p className={styles.theirs}>
          {say.takenElsewhereNeed(awaitingReload)} <Button onClick={() => location.reload()}>{say.reload}</Button>
        </p>
      )}
    </div>
  )
}

/** What is said under a long sheet is brought in sight when it is said: nothing may wait for an answer that nobody sees. */
function useInSight<E extends HTMLElement>(said: unknown): RefObject<E | null> {
  const ref = useRef<E>(null)
  useEffect(() => {
    if (said) ref.current?.scrollIntoView({ block: 'nearest' })
  }, [said])
  return ref
}

/** A reading that looks like a slip: what is expected, what was probably meant, one key for each answer. */
function Question({ bench, slip }: { readonly bench: Bench; readonly slip: SlipQuestion }) {
  const { method, showTo } = bench.characteristic
  const quantity = quantityAt(method, bench.active)
  const figures = { quantity, system: bench.record.machine.units, step: stepOf(method, showTo, quantity) }
  const asked = useInSight<HTMLDivElement>(slip)
  return (
    <div ref={asked} className={styles.fault} role="alert">
      <b aria-hidden="true">!</b>
      <p className={styles.question}>{slipQuestionWords(slip, figures)}</p>
      {slip.likely && (
        <Button kind="primary" onClick={() => bench.acts.does({ kind: 'takeSuggestion' })}>
          <Key>Y</Key> {say.take(slip.likely.text)}
        </Button>
      )}
      <Button onClick={() => bench.acts.does({ kind: 'keepTyped' })}>
        <Key>K</Key> {say.keep(bench.text.trim())}
      </Button>
    </div>
  )
}

function sendAgain(bench: Bench, reading: Reading): void {
  bench.readings.again(reading.id)
  focusReading()
}

function dropAndReload(bench: Bench, id: string): void {
  bench.readings.drop(id)
  location.reload()
}

/** Why a reading is corrected, cannot be taken, or a whole set is read again. */
function ReasonForm({ bench }: { readonly bench: Bench }) {
  const ref = useRef<HTMLInputElement>(null)
  const { mode, characteristic, fault } = bench
  const asksAtOnce = mode.kind === 'cannot' || mode.kind === 'retake'
  useEffect(() => {
    if (asksAtOnce || fault?.startsWith('Say why')) ref.current?.focus()
  }, [fault, asksAtOnce])
  const form = useRef<HTMLDivElement>(null)
  // In braces: newer browsers answer with a promise, which an effect must not hand back.
  useEffect(() => {
    form.current?.scrollIntoView({ block: 'nearest' })
  }, [])
  if (mode.kind === 'read') return null
  const place = slotWords(characteristic.method, bench.active) || characteristic.name
  return (
    <div ref={form} className={styles.correction}>
      {mode.kind === 'correct' && (
        <p>
          <b>{say.correcting(slotWords(characteristic.method, mode.of) || characteristic.name)}</b>
          {say.readAs} <span className="figure">“{mode.of.text}”</span> {say.typeRightFigure(mode.of.by)}
        </p>
      )}
      {mode.kind === 'cannot' && (
        <p>
          <b>{say.cannotBeMeasured(place)}</b> {say.whyTitle}
        </p>
      )}
      {mode.kind === 'retake' && (
        <p>
          <b>{say.readAllAgain(characteristic.name)}</b> {say.whatStandsKept}
        </p>
      )}
      <div className={styles.reasonRow}>
        <label className={styles.reasonField}>
          <span className="hidden-label">{mode.kind === 'correct' ? say.whyCorrected : say.why}</span>
          <input
            ref={ref}
            className={styles.reasonInput}
            value={mode.reason}
            placeholder={say.why}
            maxLength={400}
            onChange={(event) => bench.acts.does({ kind: 'setReason', reason: event.currentTarget.value })}
            onKeyDown={(event) => {
              if (event.key === 'Escape') bench.acts.does({ kind: 'cancel' })
              if (event.key !== 'Enter') return
              // The same press must not reach the reading that takes the focus now.
              event.preventDefault()
              bench.acts.does({ kind: 'accept' })
            }}
          />
        </label>
        {REASONS[mode.kind].map((reason) => (
          <Button
            key={reason}
            aria-pressed={mode.reason === reason}
            onClick={() => bench.acts.does({ kind: 'setReason', reason })}
          >
            {reason}
          </Button>
        ))}
      </div>
      <div className={styles.reasonRow}>
        <Button kind="primary" onClick={() => bench.acts.does({ kind: 'accept' })}>
          {{ correct: say.acceptCorrection, cannot: say.markAsNot, retake: say.beginAgain }[mode.kind]}
        </Button>
        <Button onClick={() => bench.acts.does({ kind: 'cancel' })}>
          {mode.kind === 'correct' ? say.keep(mode.of.text) : say.leave}
        </Button>
      </div>
    </div>
  )
}
