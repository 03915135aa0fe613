import type { LimitBook } from '../../core/book/bookSchema'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { useKept } from '../keptForm'
import { emptyForm, formOf, type TypedForm } from './typedForm'

/** The form as far as it is filled in: what is typed survives a reload and a closed dialog, until it is written. */
export function useKeptForm({
  jobId,
  book,
  before,
  typed,
}: {
  readonly jobId: string
  readonly book: LimitBook
  readonly before: Typed | null
  readonly typed: readonly Typed[]
}) {
  const key = `medida-form:${jobId}:type:${before?.id ?? 'new'}`
  const [form, set, forget] = useKept<TypedForm>(key, () => (before ? formOf(before) : emptyForm(book, typed.at(-1))))
  return { form, set, forget }
}
