import { useId, useState } from 'react'
import { v7 } from 'uuid'
import type { DocumentPage } from '../../contract/answers'
import type { PageFields } from '../../contract/bodies'
import { isOwnDocument } from '../../core/typed/ownDocument'
import { say } from '../../labels/limitSheet'
import { postForm } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { isPdf, type OpenPdf, openPdf } from '../picture/pdfPage'
import { type Scaled, scaleDown } from '../picture/scaleDown'
import styles from './LimitSheet.module.css'

/** The page of the manual that a row stands on, as somebody took a picture of it; and the way to add it. */
export function PageBeside({
  machine,
  document,
  page,
  pages,
  mayAdd,
}: {
  readonly machine: string
  readonly document: string
  readonly page: string
  readonly pages: readonly DocumentPage[]
  readonly mayAdd: boolean
}) {
  const id = useId()
  const [added, setAdded] = useState<readonly DocumentPage[] | null>(null)
  const [pdf, setPdf] = useState<OpenPdf | null>(null)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  if (document === '' || page === '' || isOwnDocument(document)) return null
  const close = (): void => {
    pdf?.close()
    setPdf(null)
  }
  const path = `/api/machines/${encodeURIComponent(machine)}/pages`
  // Taken again, the later picture is the better one.
  const own = (added ?? pages).filter((one) => one.document === document && one.page === page).at(-1)

  async function choose(file: File): Promise<void> {
    if (!isPdf(file)) return store(() => scaleDown(file))
    setBusy(true)
    setFault(null)
    const opened = await openPdf(file)
    setBusy(false)
    if ('refused' in opened) return setFault(opened.refused)
    if (opened.pages === 1) return store(() => opened.picture(1)).finally(opened.close)
    setPdf(opened)
  }

  async function store(picture: () => Promise<Scaled>): Promise<void> {
    setBusy(true)
    setFault(null)
    const scaled = await picture()
    if (scaled.kind === 'refused') setFault(scaled.message)
    else {
      const about: PageFields = { id: v7(), document, page }
      const form = new FormData()
      form.set('about', JSON.stringify(about))
      form.set('file', scaled.blob, 'page.jpg')
      const answer = await postForm<{ pages: readonly DocumentPage[] }>(path, form)
      if (answer.kind === 'ok') {
        setAdded(answer.value.pages)
        close()
      } else setFault(answer.kind === 'offline' ? say.notReached : answer.message)
    }
    setBusy(false)
  }

  return (
    <div className={styles.beside}>
      {own && (
        <a href={`${path}/${own.id}`} target="_blank" rel="noopener">
          <img src={`${path}/${own.id}`} alt={say.pageOf(document, page)} width={own.width} height={own.height} loading="lazy" />
        </a>
      )}
      {pdf && (
        <WhichPage pdf={pdf} likely={page} busy={busy} onStore={(at) => void store(() => pdf.picture(at))} onClose={close} />
      )}
      {mayAdd && !pdf && (
        <label htmlFor={id} className={styles.addPage} data-busy={busy || undefined}>
          {busy ? say.storing : own ? say.pageAgain(document, page) : say.addPage(document, page)}
          <input
            id={id}
            type="file"
            accept="image/jpeg,image/png,image/webp,application/pdf"
            disabled={busy}
            onChange={({ currentTarget }) => {
              const file = currentTarget.files?.[0]
              currentTarget.value = '' // the same file can be chosen again
              if (file) void choose(file)
            }}
          />
        </label>
      )}
      <Fault text={fault} />
    </div>
  )
}

/** Which page of a PDF it is: the manual's own number is most often not the file's. */
function WhichPage({
  pdf,
  likely,
  busy,
  onStore,
  onClose,
}: {
  readonly pdf: OpenPdf
  readonly likely: string
  readonly busy: boolean
  onStore(page: number): void
  onClose(): void
}) {
  const [text, setText] = useState(/^\d+$/.test(likely) && Number(likely) <= pdf.pages ? likely : '')
  const page = /^\d{1,5}$/.test(text.trim()) ? Number(text.trim()) : 0
  const isThere = page >= 1 && page <= pdf.pages
  return (
    <form
      className={styles.another}
      onSubmit={(event) => {
        event.preventDefault()
        if (isThere) onStore(page)
      }}
    >
      <TextField
        label={say.whichPage(pdf.name, pdf.pages)}
        value={text}
        inputMode="numeric"
        maxLength={5}
        autoFocus
        autoComplete="off"
        error={text.trim() !== '' && !isThere ? say.noSuchPage(pdf.pages) : null}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <Button kind="primary" type="submit" disabled={busy || !isThere}>
        {busy ? say.storing : say.storePage}
      </Button>
      <Button onClick={onClose}>{say.otherFile}</Button>
    </form>
  )
}
