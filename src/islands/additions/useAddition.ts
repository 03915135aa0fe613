import { useState } from 'react'
import type { FieldValues } from 'react-hook-form'
import { v7 } from 'uuid'
import type { LimitBook } from '../../core/book/bookSchema'
import type { Addition } from '../../core/notes/additionSchema'
import { type AdditionFault, withAddition, withoutAdditions } from '../../core/notes/additions'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { additionFaultWords } from '../../core/words/additions'
import type { FieldSays } from '../../ui/fieldSays'
import { type KeptForm, useKeptForm } from '../forms/useKeptForm'

/** Where something is added: to the book of a job by a note, or to the draft of a machine. */
export interface AddsTo {
  /** What is typed is kept under it in this tab. */
  readonly key: string
  readonly book: LimitBook
  readonly system: UnitSystem
  /** Why it was refused, in one sentence; null once it is on its way. */
  add(id: string, what: Addition): Promise<string | null>
}

/** A form whose content is added to the book of a job; all that is wrong is told before anything is sent. */
export function useAddition<F extends FieldValues>(
  to: AddsTo,
  of: {
    readonly name: string
    /** What was added before and is corrected; null where it is new. */
    readonly before: { readonly id: string } | null
    readonly start: () => F
    /** What the form asks beside what the core refuses. */
    readonly check: (typed: F) => readonly FieldSays[]
    readonly what: (typed: F) => Addition
    /** The field a fault belongs to. */
    readonly fieldOf: (fault: AdditionFault) => string
    readonly onDone: (id: string) => void
  },
): KeptForm<F> {
  // One id each: pressing twice adds one thing.
  const [id] = useState(() => of.before?.id ?? `a-${v7()}`)
  const book = of.before ? withoutAdditions(to.book, new Set([of.before.id])) : to.book
  const form = useKeptForm<F>({
    key: `medida-form:${to.key}:${of.name}${of.before ? ` ${of.before.id}` : ''}`,
    start: of.start,
    check: (typed) => {
      const own = of.check(typed)
      if (own.length > 0) return own
      const made = withAddition(book, { id, what: of.what(typed), entry: '', by: '', at: '', check: null }, to.system)
      return made.ok ? [] : made.fault.map((fault) => ({ at: of.fieldOf(fault), says: additionFaultWords(fault) }))
    },
    send: async (typed) => {
      const refused = await to.add(id, of.what(typed))
      if (refused !== null) return [{ at: '', says: refused }]
      form.done()
      of.onDone(id)
      return []
    },
  })
  return form
}
