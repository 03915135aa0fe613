import { useId, useState } from 'react'
import { v7 } from 'uuid'
import type { DocumentPage } from '../../contract/answers'
import type { PageFields } from '../../contract/bodies'
import { OWN_DOCUMENT } from '../../core/notes/ownLimit'
import { say } from '../../labels/limitSheet'
import { postForm } from '../../sync/http'
import { Fault } from '../../ui/Field'
import { scaleDown } from '../picture/scaleDown'
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
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  if (document === '' || page === '' || document === OWN_DOCUMENT) return null
  const path = `/api/machines/${encodeURIComponent(machine)}/pages`
  // Taken again, the later picture is the better one.
  const own = (added ?? pages).filter((one) => one.document === document && one.page === page).at(-1)

  async function add(file: File): Promise<void> {
    setBusy(true)
    setFault(null)
    const scaled = await scaleDown(file)
    if (scaled.kind === 'refused') setFault(scaled.message)
    else {
      const about: PageFields = { id: v7(), document, page }
      const form = new FormData()
      form.set('about', JSON.stringify(about))
      form.set('file', scaled.blob, 'page.jpg')
      const answer = await postForm<{ pages: readonly DocumentPage[] }>(path, form)
      if (answer.kind === 'ok') setAdded(answer.value.pages)
      else setFault(answer.kind === 'offline' ? say.notReached : answer.message)
    }
    setBusy(false)
  }

  return (
    <div className={styles.page}>
      {own && (
        <a href={`${path}/${own.id}`} target="_blank" rel="noopener">
          <img src={`${path}/${own.id}`} alt={say.pageOf(document, page)} width={own.width} height={own.height} loading="lazy" />
        </a>
      )}
      {mayAdd && (
        <label htmlFor={id} className={styles.addPage} data-busy={busy || undefined}>
          {busy ? say.storing : own ? say.pageAgain(document, page) : say.addPage(document, page)}
          <input
            id={id}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            disabled={busy}
            onChange={({ currentTarget }) => {
              const file = currentTarget.files?.[0]
              currentTarget.value = '' // the same file can be chosen again
              if (file) void add(file)
            }}
          />
        </label>
      )}
      <Fault text={fault} />
    </div>
  )
}
