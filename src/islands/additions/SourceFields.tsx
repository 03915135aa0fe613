import { useId } from 'react'
import type { LimitBook } from '../../core/book/bookSchema'
import { say } from '../../labels/additions'
import { CheckField, TextField } from '../../ui/Field'
import type { KeptForm } from '../forms/useKeptForm'
import type { SourceForm } from './source'

/** Document and page, or that there is none. */
export function SourceFields<F extends SourceForm>({ form, book }: { readonly form: KeptForm<F>; readonly book: LimitBook }) {
  const list = useId()
  const set = (over: Partial<SourceForm>): void => form.set(over as Partial<F>)
  const { document, page, isOwn } = form.value
  return (
    <>
      {!isOwn && (
        <>
          <TextField
            label={say.document}
            hint={say.documentHint}
            list={list}
            value={document}
            error={form.at('document')}
            maxLength={40}
            autoComplete="off"
            onChange={(event) => set({ document: event.currentTarget.value })}
          />
          <datalist id={list}>
            {book.documents.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </datalist>
          <TextField
            label={say.page}
            value={page}
            error={form.at('page')}
            maxLength={40}
            autoComplete="off"
            onChange={(event) => set({ page: event.currentTarget.value })}
          />
        </>
      )}
      <CheckField
        label={say.noDocument}
        hint={say.noDocumentHint}
        checked={isOwn}
        onChange={(event) => set({ isOwn: event.currentTarget.checked })}
      />
    </>
  )
}
