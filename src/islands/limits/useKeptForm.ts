import { useEffect, useState } from 'react'
import type { LimitBook } from '../../core/record/bookSchema'
import type { Typed } from '../../core/work/typedBook'
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
  const [state, setState] = useState<TypedForm>(() => (before ? formOf(before) : emptyForm(book, typed.at(-1))))
  useEffect(() => {
    try {
      const saved = sessionStorage.getItem(key)
      if (saved !== null) setState((now) => ({ ...now, ...(JSON.parse(saved) as Partial<TypedForm>) }))
    } catch {
      sessionStorage.removeItem(key) // written by something else: not a form of ours
    }
  }, [key])
  return {
    form: state,
    set: (over: Partial<TypedForm>): void =>
      setState((now) => {
        const next = { ...now, ...over }
        sessionStorage.setItem(key, JSON.stringify(next))
        return next
      }),
    forget: (): void => sessionStorage.removeItem(key),
  }
}
