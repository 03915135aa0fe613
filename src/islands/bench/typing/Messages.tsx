import { type RefObject, useEffect, useRef } from 'react'
import { stepOf } from '../../../core/method/gives'
import { quantityAt } from '../../../core/method/layout'
import type { Reading } from '../../../core/record/recordSchema'
import type { SlipQuestion } from '../../../core/slip/slip'
import { faultWords } from '../../../core/words/methodFaults'
import { slotWords } from '../../../core/words/places'
import { slipQuestionWords } from '../../../core/words/slips'
import { UNSENT } from '../../../sync/item'
import { Button, ButtonLink, Key } from '../../../ui/Button'
import type { Bench } from '../benchState'
import { focusReading } from './focusReading'
import styles from './Messages.module.css'

const REASONS = {
  correct: ['Misread', 'Mistyped', 'Gauge not square', 'Wrong place'],
  cannot: ['Cannot be reached', 'Part missing', 'Surface damaged', 'No gauge reaches it'],
  retake: ['Part was warm', 'Gauge not zeroed', 'Not clean', 'Wrong pose'],
} as const

/** Under the readings: what is wrong with what is typed, why something is done, what waits to be sent, what was refused. */
export function Messages({ bench }: { readonly bench: Bench }) {
  const { local, link } = bench.readings
  const queued = local.filter(({ delivery }) => delivery.kind === 'queued').length
  const kept = `${queued} reading${queued === 1 ? '' : 's'} kept`
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
            <b>Reading the set again</b> ({mode.reason}): {mode.done.size} of {bench.slots.length}.{' '}
            <Button onClick={() => bench.acts.does({ kind: 'cancel' })}>Stop here</Button>
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
          All {bench.result.reductions.needed} readings are in.{' '}
          <Button kind={bench.result.faults.length > 0 ? 'plain' : 'primary'} onClick={() => bench.acts.does({ kind: 'accept' })}>
            Next to measure
          </Button>
        </p>
      )}
      <div ref={refusals} className={styles.refusals}>
        {local.map(({ reading, delivery }) =>
          delivery.kind === 'refused' ? (
            <p key={reading.id} className={styles.fault}>
              <b aria-hidden="true">!</b>
              <span>
                {placeOf(bench, reading)}: “{reading.text}” was not stored: {delivery.message}
              </span>
              {delivery.status === 409 && <Button onClick={() => void bench.acts.insist(reading)}>Mine counts</Button>}
              {delivery.status !== 409 && <Button onClick={() => sendAgain(bench, reading)}>Send it again</Button>}
              {delivery.status !== UNSENT && (
                <Button onClick={() => dropAndReload(bench, reading.id)}>
                  {delivery.status === 409 ? 'Theirs counts' : 'Drop it and reload'}
                </Button>
              )}
            </p>
          ) : null,
        )}
      </div>
      {!bench.readings.keeps && (
        <p className={styles.theirs}>
          This browser keeps nothing on this device (a private window, or a full disk): readings go straight to the server, and
          without a network none is accepted.
        </p>
      )}
      <p className={styles.queue} role="status">
        {queued > 0 && link === 'offline' && (
          <>
            No connection: {kept} on this device, sent when the server answers.{' '}
            <Button kind="quiet" onClick={bench.readings.sendNow}>
              Send now
            </Button>
          </>
        )}
        {queued > 0 && link === 'signedOut' && (
          <>
            You are signed out: {kept} on this device, sent when you sign in again.{' '}
            <ButtonLink href={`/sign-in?next=${encodeURIComponent(`/jobs/${bench.record.job.id}/bench`)}`}>Sign in</ButtonLink>
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
          <b>{by}</b> read “{here.text}” here just now.{' '}
          {bench.text.trim() === '' ? (
            <>
              <Key>Enter</Key> goes on; press the figure to correct it.
            </>
          ) : (
            <>
              <Key>Enter</Key> puts yours over it, with a reason; <Key>Esc</Key> leaves theirs.
            </>
          )}
        </p>
      )}
      {awaitingReload > 0 && (
        <p className={styles.theirs}>
          {awaitingReload === 1 ? 'A reading' : `${awaitingReload} readings`} taken elsewhere need a gauge or a limit that was
          added since this page came. <Button onClick={() => location.reload()}>Reload</Button>
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
          <Key>Y</Key> Take {slip.likely.text}
        </Button>
      )}
      <Button onClick={() => bench.acts.does({ kind: 'keepTyped' })}>
        <Key>K</Key> Keep {bench.text.trim()}
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
          <b>Correcting {slotWords(characteristic.method, mode.of) || characteristic.name}</b>, read as{' '}
          <span className="figure">“{mode.of.text}”</span> by {mode.of.by}. Type the right figure above, and why:
        </p>
      )}
      {mode.kind === 'cannot' && (
        <p>
          <b>{place} cannot be measured.</b> Why?
        </p>
      )}
      {mode.kind === 'retake' && (
        <p>
          <b>Read all of {characteristic.name} again.</b> What stands is kept on the record. Why?
        </p>
      )}
      <div className={styles.reasonRow}>
        <label className={styles.reasonField}>
          <span className="hidden-label">{mode.kind === 'correct' ? 'Why it is corrected' : 'Why'}</span>
          <input
            ref={ref}
            className={styles.reasonInput}
            value={mode.reason}
            placeholder="Why"
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
          {{ correct: 'Accept correction', cannot: 'Mark as not to be measured', retake: 'Begin again' }[mode.kind]}
        </Button>
        <Button onClick={() => bench.acts.does({ kind: 'cancel' })}>
          {mode.kind === 'correct' ? `Keep ${mode.of.text}` : 'Leave it'}
        </Button>
      </div>
    </div>
  )
}
