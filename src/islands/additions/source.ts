import type { LimitBook } from '../../core/book/bookSchema'
import { KIT_DOCUMENT } from '../../core/book/kitDocument'
import type { TypedCharacteristic } from '../../core/notes/typedSchema'
import { OWN_DOCUMENT, OWN_PAGE } from '../../core/typed/ownDocument'
import { ownDocumentTitle } from '../../core/words/additions'
import { say } from '../../labels/additions'
import type { FieldSays } from '../../ui/fieldSays'

/** Where something stands, as a form asks for it. */
export interface SourceForm {
  readonly document: string
  readonly page: string
  /** No document gives it: it is the shop’s own. */
  readonly isOwn: boolean
}

/** A manual is worked through page by page: the document named last stands there already. */
export function emptySource(book: LimitBook): SourceForm {
  const last = book.documents.filter(({ id }) => id !== OWN_DOCUMENT && id !== KIT_DOCUMENT).at(-1)
  return { document: last?.id ?? '', page: '', isOwn: false }
}

/** The source of what was added before, as the form asks for it. */
export const sourceAsTyped = ({
  document,
  page,
}: {
  readonly document: { readonly id: string }
  readonly page: string
}): SourceForm =>
  document.id === OWN_DOCUMENT ? { document: '', page: '', isOwn: true } : { document: document.id, page, isOwn: false }

export function sourceFaults({ document, page, isOwn }: SourceForm): FieldSays[] {
  if (isOwn) return []
  return [
    ...(document.trim() === '' ? [{ at: 'document', says: say.nameDocument }] : []),
    ...(page.trim() === '' ? [{ at: 'page', says: say.namePage }] : []),
  ]
}

export function sourceOf(
  { document, page, isOwn }: SourceForm,
  { documents }: Pick<LimitBook, 'documents'>,
): { document: TypedCharacteristic['document']; page: string } {
  if (isOwn) return { document: { id: OWN_DOCUMENT, title: ownDocumentTitle, revision: '' }, page: OWN_PAGE }
  const id = document.trim()
  const known = documents.find((one) => one.id === id)
  return { document: { id, title: known?.title ?? id, revision: known?.revision ?? '' }, page: page.trim() }
}
