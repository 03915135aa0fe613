import { useEffect, useRef } from 'react'
import { slotLabel } from '../../core/method/method'
import { explainSlip, type Slip } from '../../core/method/slipGuard'
import { Button, ButtonLink, Key } from '../../ui/Button'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

const COMMON_REASONS = ['Misread', 'Mistyped', 'Gauge not square', 'Wrong place']

/** Under the readings: what is wrong with what is typed, a correction's reason, what waits to be sent, what was refused. */
export function Messages({ bench }: { readonly bench: Bench }) {
  const { local, link } = bench.outbox
  const queued = local.filter(({ delivery }) => delivery.kind === 'queued').length
  const kept = `${queued} reading${queued === 1 ? '' : 's'} kept`
  const complete = bench.slots.every((slot) => bench.standingAt(slot))
  return (
    <div className={styles.messages}>
      <p id="bench-message" role="alert" className={styles.fault} hidden={!bench.fault}>
        {bench.fault && (
          <>
            <b aria-hidden="true">!</b> {bench.fault}
          </>
        )}
      </p>
      {bench.question && <Question bench={bench} slip={bench.question} />}
      {bench.correction && <CorrectionForm bench={bench} />}
      {bench.closed && <p className={styles.closed}>{bench.closed}</p>}
      {bench.result.faults.map((fault) => (
        <p key={fault.code} className={styles.fault}>
          <b aria-hidden="true">!</b>{' '}
          {bench.result.votes.find((vote) => vote.rule === (fault.code === 'repeatsDisagree' ? 'repeats' : 'stripScale'))?.reason}
          .{' '}
          {
            bench.result.votes.find((vote) => vote.rule === (fault.code === 'repeatsDisagree' ? 'repeats' : 'stripScale'))
              ?.settledBy
          }
        </p>
      ))}
      {complete && !bench.correction && bench.closed === null && (
        <p className={styles.complete}>
          All {bench.result.reductions.needed} readings are in.{' '}
          <Button kind="primary" onClick={() => bench.accept()}>
            Next to measure
          </Button>
        </p>
      )}
      {local.map(({ reading, delivery }) =>
        delivery.kind === 'refused' ? (
          <p key={reading.id} className={styles.fault}>
            <b aria-hidden="true">!</b>
            <span>
              “{reading.text}” was not stored: {delivery.message}
            </span>
            <Button onClick={() => dropAndReload(bench, reading.id)}>Drop it and reload</Button>
          </p>
        ) : null,
      )}
      <p className={styles.queue} role="status">
        {queued > 0 && link === 'offline' && (
          <>
            No connection: {kept} on this device, sent when the server answers.{' '}
            <Button kind="quiet" onClick={bench.outbox.sendNow}>
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

/** A reading that looks like a slip: what is expected, what was probably meant, one key for each answer. */
function Question({ bench, slip }: { readonly bench: Bench; readonly slip: Slip }) {
  return (
    <div className={styles.fault} role="alert">
      <b aria-hidden="true">!</b>
      <p className={styles.question}>{explainSlip(slip, bench.record.machine.units, bench.characteristic.showToMm)}</p>
      {slip.likely && (
        <Button kind="primary" onClick={bench.takeSuggestion}>
          <Key>Y</Key> Take {slip.likely.text}
        </Button>
      )}
      <Button onClick={bench.keepTyped}>
        <Key>K</Key> Keep {bench.text.trim()}
      </Button>
    </div>
  )
}

function dropAndReload(bench: Bench, id: string): void {
  bench.outbox.drop(id)
  location.reload()
}

function CorrectionForm({ bench }: { readonly bench: Bench }) {
  const ref = useRef<HTMLInputElement>(null)
  const { correction, characteristic, fault } = bench
  useEffect(() => {
    if (fault?.startsWith('Say why')) ref.current?.focus()
  }, [fault])
  if (!correction) return null
  return (
    <div className={styles.correction}>
      <p>
        <b>Correcting {slotLabel(characteristic.method, correction.of)}</b>, read as{' '}
        <span className="figure">“{correction.of.text}”</span> by {correction.of.by}. Type the right figure above, and why:
      </p>
      <div className={styles.reasonRow}>
        <label className={styles.reasonField}>
          <span className="hidden-label">Why it is corrected</span>
          <input
            ref={ref}
            className={styles.reasonInput}
            value={correction.reason}
            placeholder="Why"
            maxLength={400}
            onChange={(event) => bench.setReason(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') bench.cancel()
              if (event.key !== 'Enter') return
              // The same press must not reach the reading that takes the focus now.
              event.preventDefault()
              bench.accept()
            }}
          />
        </label>
        {COMMON_REASONS.map((reason) => (
          <Button key={reason} aria-pressed={correction.reason === reason} onClick={() => bench.setReason(reason)}>
            {reason}
          </Button>
        ))}
      </div>
      <div className={styles.reasonRow}>
        <Button kind="primary" onClick={() => bench.accept()}>
          Accept correction
        </Button>
        <Button onClick={bench.cancel}>Keep {correction.of.text}</Button>
      </div>
    </div>
  )
}
