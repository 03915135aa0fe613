import { type ComponentType, createContext, useContext } from 'react'
import type { NamedList } from '../../core/base/namedList'
import { isPlainObject } from '../../core/base/plainObject'
import { type Entry, entriesOf, idOf, type WrittenBook } from '../../core/book/edits'
import { type Path, valueAt } from '../../core/book/path'
import type { Field, Shape } from '../../core/book/shape'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { commonCautionList } from '../../core/safety/cautions'
import { cautionText } from '../../core/words/cautions'

/** An entry that a field may name. */
export interface Named {
  readonly id: string
  readonly name: string
}

/** What the fields of one entry stand in. */
export interface EntryContext {
  readonly list: string
  readonly entry: Entry
  readonly system: UnitSystem
  readonly write: (path: Path, value: unknown) => void
  /** What is wrong at a place, from the entry on. */
  readonly says: (path: Path) => string | null
  /** What a text may name: the entries of a list. */
  readonly named: (names: NamedList | null, path: Path) => readonly Named[] | null
  /** Fields hold lists, and lists hold fields: what shows one is handed down, so that neither knows the other. */
  readonly parts: FieldParts
}

export interface FieldParts {
  readonly FieldView: ComponentType<{ readonly field: Field; readonly path: Path }>
  readonly ShapeView: ComponentType<{
    readonly shape: Shape
    readonly path: Path
    readonly label: string
    readonly empty: Field['empty']
  }>
  readonly Varieties: ComponentType<{ readonly shape: Extract<Shape, { kind: 'oneOf' }>; readonly path: Path }>
}

const Context = createContext<EntryContext | null>(null)
export const EntryContextProvider = Context.Provider

export function useEntry(): EntryContext {
  const context = useContext(Context)
  if (!context) throw new Error('A field of a book stands outside of its entry.')
  return context
}

export const nameOfEntry = (entry: Entry): string => {
  const { name, title, text } = entry
  return [name, title, text].find((one): one is string => typeof one === 'string' && one.trim() !== '') ?? idOf(entry)
}

/** What a field of an entry may name, by list: null where it is a text like any other. */
export function namedFor(book: WrittenBook, of: NamedList | null, entry: Entry, path: Path): readonly Named[] | null {
  const key = path.findLast((step) => typeof step === 'string')
  if (key === 'options' && path.includes('only')) {
    const variant = entriesOf(book, 'variants').find((one) => idOf(one) === valueAt(entry, ['only', 'variant']))
    return namesIn(variant?.options)
  }
  if (of === null) return null
  if (of === 'routes') {
    const part = entriesOf(book, 'parts').find((one) => idOf(one) === (entry.part ?? entry.mendOn))
    return namesIn(part?.routes)
  }
  const own = entriesOf(book, of).map((one) => ({ id: idOf(one), name: nameOfEntry(one) }))
  if (of === 'fits') return [...own, ...namesIn(book.characteristics)]
  return of === 'cautions' ? [...own, ...commonCautionList.map((one) => ({ id: one.id, name: cautionText(one) }))] : own
}

const namesIn = (list: unknown): readonly Named[] =>
  (Array.isArray(list) ? list : []).filter(isPlainObject).map((one) => ({ id: idOf(one), name: nameOfEntry(one) }))
