import { err, ok, type Result } from '../base/result'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import { evaluationOrder } from '../book/dependencies'
import { neverGiven } from '../book/faults'
import { checkFormula, parseFormula } from '../method/formula'
import { givesOf, isValueOf, quantityOf, quantityOfValue } from '../method/gives'
import { type ReductionName, reductionLabel } from '../method/reduction'
import { forRecord } from '../quantity/decimal'
import { unitOf } from '../quantity/format'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import { explainQuantityFault, parseQuantity } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Noted } from './state'
import type { TypedCharacteristic } from './typedSchema'

/** A characteristic typed in a job, with the entry that says so and what a second person said of it. */
export interface Typed extends Noted {
  readonly id: string
  readonly entry: string
  readonly value: TypedCharacteristic
  /** The check of exactly this version; null while it waits. */
  readonly check: (Noted & { readonly agrees: boolean; readonly note: string }) | null
}

/** The book as it was issued: without what a job typed, and the parts and documents only that needed. */
export function withoutTyped(book: LimitBook): LimitBook {
  if (!book.characteristics.some(({ typed }) => typed)) return book
  const characteristics = book.characteristics.filter(({ typed }) => !typed)
  return {
    ...book,
    characteristics,
    parts: book.parts.filter(({ typed }) => !typed),
    documents: book.documents.filter(({ typed }) => !typed),
  }
}

/** What a typed text says, or a sentence why it says nothing. */
export function readTypedCharacteristic(
  { id, value, entry, by, at, check }: Pick<Typed, 'id' | 'entry' | 'value' | 'by' | 'at' | 'check'>,
  system: UnitSystem,
): Result<Characteristic, string> {
  const { method } = value
  const own = quantityOf(method)
  const reader = new FigureReader(system)
  const source = (page: string) => ({ document: value.document.id, page })
  const showTo = reader.read(value.readTo, differenceOf(own), 'Read to')
  const size = value.new && {
    lower: reader.read(value.new.lower, own, 'New, least'),
    upper: reader.read(value.new.upper, own, 'New, greatest'),
    nominal: value.new.nominal === null ? null : reader.read(value.new.nominal, own, 'Nominal'),
    source: source(value.new.page),
  }
  const limits = value.limits.map((limit, index) => {
    const kind = quantityOfValue(method, limit.judges)
    const label = `Limit of “${reductionLabel[limit.judges]}”`
    if (!isValueOf(method, limit.judges)) reader.refuse(`This method gives no “${reductionLabel[limit.judges]}”.`)
    const wear = reader.read(limit.wear, kind, label)
    const plan = limit.plan === null ? null : reader.read(limit.plan, kind, `Plan limit of “${reductionLabel[limit.judges]}”`)
    if (plan !== null && (limit.side === 'upper' ? plan > wear : plan < wear))
      reader.refuse(`${label}: the plan limit must come before the wear limit.`)
    return {
      id: `limit-${index + 1}`,
      judges: limit.judges,
      side: limit.side,
      plan,
      wear,
      whenPassed: limit.whenPassed,
      instruction: limit.instruction,
      source: source(limit.page),
    }
  })
  if (showTo <= 0) reader.refuse('“Read to” must be more than nothing.')
  if (size && size.lower > size.upper) reader.refuse('The least new size is larger than the greatest one.')
  if (reader.faults.length > 0) return err(reader.faults.join(' '))
  return ok({
    id,
    part: value.part.id,
    name: value.name,
    how: value.how,
    pose: '',
    trap: '',
    method,
    gaugeKind: value.gaugeKind,
    showTo,
    new: size && { ...size, nominal: size.nominal ?? forRecord((size.lower + size.upper) / 2) },
    limits,
    safety: value.safety,
    typed: { entry, by, at, check },
  })
}

/** Reads figure after figure, and keeps every sentence that refuses one. */
class FigureReader {
  readonly faults: string[] = []
  constructor(private readonly system: UnitSystem) {}
  refuse(sentence: string): void {
    this.faults.push(sentence)
  }
  read(text: string, kind: QuantityKind, label: string): number {
    const parsed = parseQuantity(text, kind, unitOf(kind, this.system))
    if (parsed.ok) return parsed.value.value
    this.refuse(`${label}: ${explainQuantityFault(parsed.fault)}`)
    return 0
  }
}

/** One sentence why a characteristic cannot be typed like this into a book; null when it can. */
export function refuseTyped(id: string, value: TypedCharacteristic, book: LimitBook, system: UnitSystem): string | null {
  const issued = withoutTyped(book)
  if (issued.characteristics.some((other) => other.id === id))
    return 'The limit book has this characteristic: its limits are not typed anew.'
  const others = book.characteristics.filter((other) => other.id !== id)
  if (others.some(({ name }) => name.toLowerCase() === value.name.toLowerCase()))
    return `“${value.name}” is there already. Give this one another name.`
  const known = issued.documents.find((document) => document.id === value.document.id)
  if (known && known.title !== value.document.title)
    return `“${known.id}” is the short name of “${known.title}” in this book. Give this document another short name.`
  const read = readTypedCharacteristic({ id, value, entry: '', by: '', at: '', check: null }, system)
  if (!read.ok) return read.fault
  // What can never be judged is told while it is typed, not when the sheet is full.
  const never = read.value.limits.map(({ judges }) => neverGiven(read.value, judges)).find((says) => says !== null)
  return never ?? refuseMethod(read.value, others)
}

function refuseMethod({ method, id }: Characteristic, others: readonly Characteristic[]): string | null {
  const find = (of: string): Characteristic | undefined => others.find((other) => other.id === of)
  if (method.kind === 'ringEndGap') {
    const runsIn = find(method.runsIn)?.method.kind
    return runsIn === 'boreDiameter' || runsIn === 'outsideDiameter'
      ? null
      : 'Choose the bore or outside diameter in which the ring runs.'
  }
  if (method.kind !== 'computed') return null
  for (const [name, of] of Object.entries(method.names)) {
    const found = find(of.characteristic)
    if (!found) return `“${name}” stands for a characteristic that is not measured here.`
    if (!(of.value in givesOf(found.method)))
      return `“${found.name}” has no value “${reductionLabel[of.value as ReductionName] ?? of.value}”.`
  }
  const formula = parseFormula(method.formula, Object.keys(method.names))
  if (!formula.ok) return formula.fault
  const kindOf = (name: string): QuantityKind => {
    const of = method.names[name]
    const found = of && find(of.characteristic)
    return found && of ? quantityOfValue(found.method, of.value as ReductionName) : method.quantity
  }
  const wrong = checkFormula(formula.value, kindOf, method.quantity)
  if (wrong !== null) return wrong
  return evaluationOrder([...others, { id, method }]).cycle ? 'The formula needs its own result.' : null
}
