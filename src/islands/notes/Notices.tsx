import { useState } from 'react'
import { refusedText } from '../../contract/refusedText'
import { formatMoment } from '../../contract/words'
import type { LimitBook } from '../../core/book/bookSchema'
import type { NotesState } from '../../core/notes/state'
import { entryWords } from '../../core/words/notes'
import { say } from '../../labels/notes'
import type { EntriesItem } from '../../sync/item'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import styles from './Notices.module.css'
import type { Entries } from './useEntries'

type Noted = Entries & { readonly record: { readonly book: LimitBook }; readonly state: NotesState }

/** Something noted that the server did not take: all of its text, to be copied, sent again or dropped. */
function RefusedNote({ item, noted }: { readonly item: EntriesItem; readonly noted: Noted }) {
  const [copied, setCopied] = useState(false)
  const text = item.entries.map(({ body }) => refusedText(body, entryWords(body, noted.record.book, noted.state))).join('\n\n')
  return (
    <div role="alert" className={styles.refused}>
      <p>
        {say.noted} <span className="figure">{formatMoment(item.at)}</span>
        {say.butNotStored} {item.fate.kind === 'refused' && item.fate.message} {say.keptDevice}
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
          {copied ? say.copied : say.copy}
        </Button>
        <Button onClick={() => noted.sendRefused(item)}>{say.sendAgain}</Button>
        <Button onClick={() => noted.dropRefused(item.id)}>{say.drop}</Button>
      </p>
    </div>
  )
}

/** What waits on this device, what was refused, and the choice when two people changed the same thing. */
export function Notices({ noted }: { readonly noted: Noted }) {
  const { conflict, queued, link } = noted
  return (
    <>
      <div
        aria-live="polite"
        className={styles.strip}
        data-queued={queued}
        data-shown={(queued > 0 && link !== 'reached') || undefined}
      >
        {queued > 0 && link === 'offline' && say.notedDeviceSent(queued)}
        {queued > 0 && link === 'signedOut' && say.notedDeviceYour(queued)}
      </div>
      {noted.refused.map((item) => (
        <RefusedNote key={item.id} item={item} noted={noted} />
      ))}
      {conflict && (
        <Dialog title={say.changedSomeoneElse} onClose={null}>
          <p>
            {say.changed(conflict.standing.by)} <span className="figure">{formatMoment(conflict.standing.at)}</span>{' '}
            {say.whileYouWere}
          </p>
          <dl className={styles.both}>
            <dt>{conflict.standing.by}</dt>
            <dd>{entryWords(conflict.standing.body, noted.record.book, noted.state)}</dd>
            <dt>{say.you}</dt>
            <dd>{entryWords(conflict.mine, noted.record.book, noted.state)}</dd>
          </dl>
          <DialogActions>
            <Button onClick={noted.keepTheirs}>{say.keepTheirs}</Button>
            <Button kind="primary" onClick={noted.putMine}>
              {say.putMinePlace}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  )
}
