import type { LimitBook, Part } from '../book/bookSchema'
import { plainPosition } from '../book/plainPosition'
import type { BookPosition } from '../book/procedureSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import { settingWithout } from '../setting/setting'
import { type Added, withAddition, withoutAdditions } from './additions'
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

/** Everything added in a job that still stands, in the order it was added. */
export function additionsIn(entries: readonly Entry[]): readonly Added[] {
  const added = new Map<string, Added>()
  for (const { id, by, at, body } of entries) {
    if (body.kind === 'thingAdded') added.set(body.id, { id: body.id, entry: id, what: body.what, by, at, check: null })
    else if (body.kind === 'thingDropped') added.delete(body.id)
    else if (body.kind === 'limitsChecked') {
      const of = added.get(body.characteristic)
      if (of?.entry === body.of)
        added.set(body.characteristic, { ...of, check: { by, at, agrees: body.agrees, note: body.note } })
    }
  }
  return [...added.values()]
}

/**
 * The limit book a job is measured against: what was issued, and what was typed in the job beside it. Applied again it
 * changes nothing, so browser and server may both ask it for the entries they know.
 */
export function withTyped(book: LimitBook, entries: readonly Entry[], system: UnitSystem): LimitBook {
  const issued = withoutTyped(withoutAdditions(book))
  const typed = typedIn(entries)
  const added = additionsIn(entries)
  const found = entries.flatMap(({ body }) => (body.kind === 'positionAdded' && body.asPart ? [body] : []))
  if (typed.length + added.length + found.length === 0) return issued
  const parts = new Map(issued.parts.map((part) => [part.id, part]))
  const documents = new Map(issued.documents.map((document) => [document.id, document]))
  const characteristics = [...issued.characteristics]
  const positions = new Map(issued.positions.map((position) => [position.id, position]))
  const sit = (id: string, name: string, parent: string | null, count: number): void => {
    if (!positions.has(id)) positions.set(id, { ...plainPosition, id, name, parent, count, part: id })
  }
  for (const { position: id, name, parent, count } of found) {
    sit(id, name, parent, count)
    if (!parts.has(id)) parts.set(id, newPart({ id, name, ...placeOf(positions.get(parent ?? ''), parts, name) }))
  }
  for (const item of typed) {
    const read = readTypedCharacteristic(item, system)
    if (!read.ok) continue // refused before it was stored (checkEntry)
    const { part, document } = item.value
    if (!parts.has(part.id)) {
      parts.set(part.id, newPart(part))
      if (part.sitsIn !== undefined) sit(part.id, part.name, part.sitsIn, 1)
    }
    if (!documents.has(document.id)) documents.set(document.id, { ...document, typed: true })
    characteristics.push(read.value)
  }
  const sitting = [...positions.keys()].filter((id) => !issued.positions.some((position) => position.id === id))
  const beside: LimitBook = {
    ...issued,
    parts: [...parts.values()],
    documents: [...documents.values()],
    // What a setting rested on may have been taken out since.
    characteristics: characteristics.map((one) =>
      one.typed
        ? settingWithout(
            one,
            (id) => parts.has(id),
            () => true,
          )
        : one,
    ),
    positions: [...positions.values()],
    ...(sitting.length > 0 ? { added: sitting } : {}),
  }
  return added.reduce((made, one) => {
    const next = withAddition(made, one, system)
    return next.ok ? next.value : made // refused before it was stored (checkEntry)
  }, beside)
}

/** Where a part found on the machine belongs: to what holds it, or it stands for itself. */
function placeOf(
  holder: BookPosition | undefined,
  parts: ReadonlyMap<string, Part>,
  name: string,
): Pick<Part, 'assembly' | 'position'> {
  const part = parts.get(holder?.part ?? '')
  return { assembly: part?.assembly ?? holder?.name ?? name, position: holder?.name ?? name }
}

const newPart = ({ id, name, assembly, position }: Omit<TypedCharacteristic['part'], 'sitsIn'>): Part => ({
  id,
  name,
  assembly,
  position,
  renewedAlways: false,
  replacement: null,
  routes: [],
  typed: true,
})
