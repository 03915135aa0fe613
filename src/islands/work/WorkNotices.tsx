import { useState } from 'react'
import { refusedText } from '../../contract/refusedText'
import { formatMoment } from '../../contract/words'
import type { LimitBook } from '../../core/book/bookSchema'
import type { WorkState } from '../../core/notes/state'
import { entryWords } from '../../core/words/notes'
import type { EntriesItem } from '../../sync/item'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import type { Entries } from './useEntries'
import styles from './WorkNotices.module.css'

type Noted = Entries & { readonly record: { readonly book: LimitBook }; readonly work: WorkState }

/** Something noted that the server did not take: all of its text, to be copied, sent again or dropped. */
function RefusedNote({ item, work }: { readonly item: EntriesItem; readonly work: Noted }) {
  const [copied, setCopied] = useState(false)
  const text = item.entries.map(({ body }) => refusedText(body, entryWords(body, work.record.book, work.work))).join('\n\n')
  return (
    <div role="alert" className={styles.refused}>
      <p>
        Noted <span className="figure">{formatMoment(item.at)}</span>, but not stored:{' '}
        {item.fate.kind === 'refused' && item.fate.message} It is kept on this device.
      </p>
      <pre className={styles.refusedText}>{text}</pre>
      <p className={styles.refusedActions}>
        <Button
          onClick={() =>
            void navigator.clipboard?.writeText(text).then(
              () => setCopied(true),
              () => undefined,
            )
          }
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
        <Button onClick={() => work.sendRefused(item)}>Send again</Button>
        <Button onClick={() => work.dropRefused(item.id)}>Drop it</Button>
      </p>
    </div>
  )
}

/** What waits on this device, what was refused, and the choice when two people changed the same thing. */
export function WorkNotices({ work }: { readonly work: Noted }) {
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
      {work.refused.map((item) => (
        <RefusedNote key={item.id} item={item} work={work} />
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
