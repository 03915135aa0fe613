import type { LimitBook, Part } from '../book/bookSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Entry } from './entrySchema'
import { readTypedCharacteristic, type Typed, withoutTyped } from './typedCharacteristic'
import type { TypedCharacteristic } from './typedSchema'

/** Everything typed in a job that still stands, in the order it was first typed. */
export function typedIn(entries: readonly Entry[]): readonly Typed[] {
  const typed = new Map<string, Typed>()
  for (const { id, by, at, body } of entries) {
    if (body.kind === 'characteristicTyped')
      typed.set(body.characteristic, { id: body.characteristic, entry: id, value: body.value, by, at, check: null })
    else if (body.kind === 'characteristicDropped') typed.delete(body.characteristic)
    else if (body.kind === 'limitsChecked') {
      const of = typed.get(body.characteristic)
      if (of?.entry === body.of)
        typed.set(body.characteristic, { ...of, check: { by, at, agrees: body.agrees, note: body.note } })
    }
  }
  return [...typed.values()]
}

/**
 * The limit book a job is measured against: what was issued, and what was typed in the job beside it. Applied again it
 * changes nothing, so browser and server may both ask it for the entries they know.
 */
export function withTyped(book: LimitBook, entries: readonly Entry[], system: UnitSystem): LimitBook {
  const issued = withoutTyped(book)
  const typed = typedIn(entries)
  if (typed.length === 0) return issued
  const parts = new Map(issued.parts.map((part) => [part.id, part]))
  const documents = new Map(issued.documents.map((document) => [document.id, document]))
  const characteristics = [...issued.characteristics]
  for (const item of typed) {
    const read = readTypedCharacteristic(item, system)
    if (!read.ok) continue // refused before it was stored (checkEntry)
    const { part, document } = item.value
    if (!parts.has(part.id)) parts.set(part.id, newPart(part))
    if (!documents.has(document.id)) documents.set(document.id, { ...document, typed: true })
    characteristics.push(read.value)
  }
  return { ...issued, parts: [...parts.values()], documents: [...documents.values()], characteristics }
}

const newPart = ({ id, name, assembly, position }: TypedCharacteristic['part']): Part => ({
  id,
  name,
  assembly,
  position,
  renewedAlways: false,
  replacement: null,
  routes: [],
  typed: true,
})
