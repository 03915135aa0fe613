import { entryWords } from '../../contract/entryWords'
import { formatMoment } from '../../contract/words'
import type { LimitBook } from '../../core/record/bookSchema'
import type { WorkState } from '../../core/work/fold'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import type { Entries } from './useEntries'
import styles from './WorkNotices.module.css'

/** What waits on this device, what was refused, and the choice when two people changed the same thing. */
export function WorkNotices({
  work,
}: {
  readonly work: Entries & { readonly record: { readonly book: LimitBook }; readonly work: WorkState }
}) {
  const { conflict, queued, link } = work
  return (
    <>
      <div
        aria-live="polite"
        className={styles.strip}
        data-queued={queued}
        data-shown={(queued > 0 && link !== 'reached') || undefined}
      >
        {queued > 0 && link === 'offline' && `${queued} noted on this device; sent as soon as the server can be reached.`}
        {queued > 0 &&
          link === 'signedOut' &&
          `${queued} noted on this device. Your session has ended: sign in again to send it.`}
      </div>
      {work.lateRefusals.map((message) => (
        <p key={message} role="alert" className={styles.refused}>
          Noted before, but not stored: {message} <Button onClick={work.dismissRefusals}>Understood</Button>
        </p>
      ))}
      {conflict && (
        <Dialog title="Changed by someone else" onClose={null}>
          <p>
            {conflict.standing.by} changed this at <span className="figure">{formatMoment(conflict.standing.at)}</span> while you
            were writing.
          </p>
          <dl className={styles.both}>
            <dt>{conflict.standing.by}</dt>
            <dd>{entryWords(conflict.standing.body, work.record.book, work.work)}</dd>
            <dt>You</dt>
            <dd>{entryWords(conflict.mine, work.record.book, work.work)}</dd>
          </dl>
          <DialogActions>
            <Button onClick={work.keepTheirs}>Keep theirs</Button>
            <Button kind="primary" onClick={work.putMine}>
              Put mine in its place
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  )
}
