import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import { type Addition, type ComposeFault, compose } from './compose'
import { copied, renamed, takenOut } from './subtree'

/** What a person does to a composed book, one at a time. */
export type BookChange =
  | ({ readonly kind: 'add' } & Addition)
  | { readonly kind: 'rename'; readonly position: string; readonly name: string }
  | { readonly kind: 'copy'; readonly position: string; readonly names: readonly string[] }
  | { readonly kind: 'takeOut'; readonly position: string }

/** The book as the change leaves it, or why it cannot be made. */
export function changed(book: LimitBook, change: BookChange, system: UnitSystem): Result<LimitBook, ComposeFault> {
  if (change.kind === 'add') return compose(book, change, system)
  const { position } = change
  const own = book.positions.find(({ id }) => id === position)
  if (!own) return err({ code: 'noPosition', position })
  if (change.kind === 'takeOut') return ok(takenOut(book, position))
  const names = (change.kind === 'rename' ? [change.name] : change.names).map((name) => name.trim())
  const taken = new Set(book.positions.map(({ name }) => name.toLowerCase()))
  if (change.kind === 'rename') taken.delete(own.name.toLowerCase())
  for (const name of names) {
    if (name === '') return err({ code: 'noName' })
    if (taken.has(name.toLowerCase())) return err({ code: 'nameTaken', name })
    taken.add(name.toLowerCase())
  }
  return ok(change.kind === 'rename' ? renamed(book, position, names[0] ?? '') : copied(book, position, names))
}
