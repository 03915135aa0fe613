import { useId, useState } from 'react'
import { v7 } from 'uuid'
import type { StoredEntry } from '../../contract/answers'
import type { PictureFields } from '../../contract/bodies'
import { formatMoment } from '../../contract/words'
import type { PictureSubject } from '../../core/notes/shapes'
import type { Picture } from '../../core/notes/state'
import { say } from '../../labels/picture'
import { postForm } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, TextField } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import { DrawOnPicture } from './DrawOnPicture'
import { MarksOverlay } from './MarksOverlay'
import styles from './Pictures.module.css'
import { scaleDown } from './scaleDown'

const addressOf = (jobId: string, picture: string, small: boolean): string =>
  `/api/jobs/${encodeURIComponent(jobId)}/pictures/${picture}${small ? '?small' : ''}`

/** Pictures of a step, position, part or finding, and the way to add one by file or camera. */
export function Pictures({
  noted,
  subject,
  title,
}: {
  readonly noted: JobNotes
  readonly subject: PictureSubject
  readonly title: string
}) {
  const [open, setOpen] = useState<string | null>(null)
  const jobId = noted.record.job.id
  const own = noted.state.pictures.filter((picture) => picture.subject.kind === subject.kind && picture.subject.id === subject.id)
  const shown = own.find(({ id }) => id === open)
  return (
    <div className={styles.pictures}>
      {own.map((picture) => (
        <button
          type="button"
          key={picture.id}
          className={styles.small}
          onClick={() => setOpen(picture.id)}
          aria-label={say.picture(title, picture.caption === '' ? '' : `: ${picture.caption}`)}
        >
          <Shown picture={picture} jobId={jobId} small />
        </button>
      ))}
      {noted.closed === null && <AddPicture noted={noted} subject={subject} title={title} />}
      {shown && <OpenPicture noted={noted} picture={shown} onClose={() => setOpen(null)} />}
    </div>
  )
}

function Shown({ picture, jobId, small }: { readonly picture: Picture; readonly jobId: string; readonly small: boolean }) {
  return (
    <span className={styles.shown}>
      <img
        src={addressOf(jobId, picture.id, small)}
        alt={picture.caption === '' ? say.pictureWithoutCaption : picture.caption}
        width={picture.width}
        height={picture.height}
        loading="lazy"
        decoding="async"
      />
      <MarksOverlay marks={picture.marks} width={picture.width} height={picture.height} />
    </span>
  )
}

function AddPicture({
  noted,
  subject,
  title,
}: {
  readonly noted: JobNotes
  readonly subject: PictureSubject
  readonly title: string
}) {
  const id = useId()
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)

  async function add(file: File): Promise<void> {
    setBusy(true)
    setFault(null)
    const scaled = await scaleDown(file)
    if (scaled.kind === 'refused') {
      setFault(scaled.message)
    } else {
      const about: PictureFields = { id: v7(), subject, caption: '' }
      const form = new FormData()
      form.set('about', JSON.stringify(about))
      form.set('file', scaled.blob, 'picture.jpg')
      const path = `/api/jobs/${encodeURIComponent(noted.record.job.id)}/pictures`
      const answer = await postForm<{ entries: StoredEntry[] }>(path, form)
      if (answer.kind === 'ok') noted.take(answer.value.entries)
      else setFault(answer.kind === 'offline' ? say.serverCannotReached : answer.message)
    }
    setBusy(false)
  }

  return (
    <>
      <label htmlFor={id} className={styles.add} data-busy={busy || undefined}>
        <span aria-hidden="true">+</span>
        {busy ? say.storing : say.pictureTitle}
        <input
          id={id}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          disabled={busy}
          aria-label={say.addPicture(title)}
          onChange={(event) => {
            const input = event.currentTarget
            const file = input.files?.[0]
            input.value = '' // the same file can be chosen again
            if (file) void add(file)
          }}
        />
      </label>
      <Fault text={fault} />
    </>
  )
}

function OpenPicture({
  noted,
  picture,
  onClose,
}: {
  readonly noted: JobNotes
  readonly picture: Picture
  readonly onClose: () => void
}) {
  const [drawing, setDrawing] = useState(false)
  const [removing, setRemoving] = useState(false)
  const [reason, setReason] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const jobId = noted.record.job.id
  const done = (fate: Awaited<ReturnType<JobNotes['write']>>): void => {
    if (fate.kind === 'refused') setFault(fate.message)
    else onClose()
  }
  return (
    <Dialog title={picture.caption === '' ? say.pictureTitle : picture.caption} onClose={onClose} wide>
      {drawing ? (
        <DrawOnPicture
          source={addressOf(jobId, picture.id, false)}
          width={picture.width}
          height={picture.height}
          marks={picture.marks}
          onCancel={() => setDrawing(false)}
          onSave={(marks) => {
            setDrawing(false)
            void noted.write({ kind: 'pictureMarked', picture: picture.id, marks })
          }}
        />
      ) : (
        <>
          <Shown picture={picture} jobId={jobId} small={false} />
          <p className={styles.hint}>
            {picture.by}, <span className="figure">{formatMoment(picture.at)}</span>
          </p>
          {removing && (
            <TextField
              label={say.whyTakenOut}
              hint={say.staysRecordWho}
              value={reason}
              maxLength={400}
              autoFocus
              onChange={(event) => setReason(event.currentTarget.value)}
            />
          )}
          <Fault text={fault} />
          <DialogActions>
            {noted.closed === null && !removing && <Button onClick={() => setRemoving(true)}>{say.takeOut}</Button>}
            {noted.closed === null && removing && (
              <Button
                disabled={reason.trim().length < 3}
                onClick={() =>
                  void noted.write({ kind: 'pictureRemoved', picture: picture.id, reason: reason.trim() }).then(done)
                }
              >
                {say.takeItOut}
              </Button>
            )}
            {noted.closed === null && <Button onClick={() => setDrawing(true)}>{say.draw}</Button>}
            <Button kind="primary" onClick={onClose}>
              {say.close}
            </Button>
          </DialogActions>
        </>
      )}
    </Dialog>
  )
}
