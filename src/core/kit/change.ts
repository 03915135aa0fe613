import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import { type Addition, type ComposeFault, compose } from './compose'
import { copied } from './copied'
import { detailed, mirrored, type PositionDetail, sidesIn } from './detail'
import { withGate, withGateAgain } from './gateLevel'
import { renamed } from './renamed'
import { takenOut } from './takenOut'

/** What a person does to a composed book, one at a time. */
export type BookChange =
  | ({ readonly kind: 'add' } & Addition)
  | { readonly kind: 'rename'; readonly position: string; readonly name: string }
  | { readonly kind: 'copy'; readonly position: string; readonly names: readonly string[] }
  /** For the other side: its names change sides too. */
  | { readonly kind: 'mirror'; readonly position: string; readonly name: string }
  | { readonly kind: 'detail'; readonly position: string; readonly detail: PositionDetail }
  | { readonly kind: 'takeOut'; readonly position: string }
  /** What decides a gate inspection; nothing: the machine has none. */
  | { readonly kind: 'gate'; readonly measures: readonly string[] }

/** The book as the change leaves it, or why it cannot be made. */
export function changed(book: LimitBook, change: BookChange, system: UnitSystem): Result<LimitBook, ComposeFault> {
  if (change.kind === 'gate') return withGate(book, change.measures)
  const made = changedAt(book, change, system)
  return made.ok ? ok(withGateAgain(made.value)) : made
}

function changedAt(
  book: LimitBook,
  change: Exclude<BookChange, { kind: 'gate' }>,
  system: UnitSystem,
): Result<LimitBook, ComposeFault> {
  if (change.kind === 'add') return compose(book, change, system)
  const { position } = change
  const own = book.positions.find(({ id }) => id === position)
  if (!own) return err({ code: 'noPosition', position })
  if (change.kind === 'takeOut') return ok(takenOut(book, position))
  if (change.kind === 'detail') return detailed(book, position, change.detail)
  const names = (change.kind === 'copy' ? change.names : [change.name]).map((name) => name.trim())
  const taken = new Set(book.positions.map(({ name }) => name.toLowerCase()))
  if (change.kind === 'rename') taken.delete(own.name.toLowerCase())
  for (const name of names) {
    if (name === '') return err({ code: 'noName' })
    if (taken.has(name.toLowerCase())) return err({ code: 'nameTaken', name })
    taken.add(name.toLowerCase())
  }
  if (change.kind === 'rename') return ok(renamed(book, position, names[0] ?? ''))
  return ok(copied(book, position, names, change.kind === 'mirror' ? (text) => mirrored(text, sidesIn(own.name)) : undefined))
}
