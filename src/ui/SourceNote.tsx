import type { Source } from '../core/limit/limit'
import { say } from '../labels/shell'
import styles from './VoteList.module.css'

type Documents = readonly { readonly id: string; readonly title: string; readonly revision: string }[]

/** Where a figure stands: document, revision and page; the title on hover. */
export function SourceNote({ source, documents }: { readonly source: Source; readonly documents: Documents }) {
  const found = documents.find(({ id }) => id === source.document)
  return (
    <cite className={styles.source} title={found?.title}>
      {source.document}
      {found && found.revision !== '' ? say.rev2(found.revision) : ''}, {source.page}
    </cite>
  )
}
