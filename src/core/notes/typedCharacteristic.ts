import { err, ok, type Result } from '../base/result'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import { evaluationOrder } from '../book/dependencies'
import { neverGiven } from '../book/faults'
import { type WrittenClass, writtenClass } from '../fit/writtenClass'
import { checkFormula, parseFormula } from '../method/formula'
import { givesOf, isValueOf, quantityOf, quantityOfValue } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import { forRecord } from '../quantity/decimal'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { type LimitText, readFigureText, readLimitText } from './limitText'
import { OWN_DOCUMENT } from './ownLimit'
import type { Noted } from './state'
import type { TypedFault, TypedFigure } from './typedFault'
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
  const { characteristics: all, parts, documents } = book
  if (![...all, ...parts, ...documents].some(({ typed }) => typed)) return book
  const characteristics = book.characteristics.filter(({ typed }) => !typed)
  return {
    ...book,
    characteristics,
    parts: book.parts.filter(({ typed }) => !typed),
    documents: book.documents.filter(({ typed }) => !typed),
  }
}

/** What a typed text says, or everything that keeps it from saying anything. */
export function readTypedCharacteristic(
  { id, value, entry, by, at, check }: Pick<Typed, 'id' | 'entry' | 'value' | 'by' | 'at' | 'check'>,
  system: UnitSystem,
): Result<Characteristic, readonly TypedFault[]> {
  const { method } = value
  const own = quantityOf(method)
  const reader = new FigureReader(system)
  const source = (page: string) => ({ document: value.document.id, page })
  const showTo = reader.read(value.readTo, differenceOf(own), { of: 'readTo' })
  const size = value.new && {
    lower: reader.read(value.new.lower, own, { of: 'newLeast' }, 'lower'),
    upper: reader.read(value.new.upper, own, { of: 'newGreatest' }, 'upper'),
    nominal: nominalOf(value.new, own, reader, system),
    source: source(value.new.page),
  }
  const limits = value.limits.map((limit, index) => {
    const kind = quantityOfValue(method, limit.judges)
    const { judges } = limit
    if (!isValueOf(method, judges)) reader.refuse({ code: 'methodGivesNo', value: judges })
    const { plan, wear } = reader.limit(limit, kind, judges)
    return {
      id: `limit-${index + 1}`,
      judges,
      side: limit.side,
      plan,
      wear,
      whenPassed: limit.whenPassed,
      instruction: limit.instruction,
      source: source(limit.page),
    }
  })
  if (showTo <= 0) reader.refuse({ code: 'stepOfNothing' })
  if (size && size.lower > size.upper) reader.refuse({ code: 'newEndsSwapped' })
  if (reader.faults.length > 0) return err(reader.faults)
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

/** The nominal size as typed, or that of a class; null where neither says. */
function nominalOf(
  { nominal, lower }: NonNullable<TypedCharacteristic['new']>,
  kind: QuantityKind,
  reader: FigureReader,
  system: UnitSystem,
): number | null {
  if (nominal !== null) return reader.read(nominal, kind, { of: 'nominal' })
  return kind === 'length' ? (writtenClass(lower, system)?.value?.nominal ?? null) : null
}

/** Reads figure after figure, and keeps everything that refuses one. */
class FigureReader {
  readonly faults: TypedFault[] = []
  constructor(private readonly system: UnitSystem) {}
  refuse(fault: TypedFault): void {
    this.faults.push(fault)
  }
  /** A figure, or an end of a size that is written with its class: “63 H7”. */
  read(text: string, kind: QuantityKind, figure: TypedFigure, end: keyof WrittenClass = 'nominal'): number {
    const found = readFigureText(text, { quantity: kind, system: this.system, classOf: end })
    if (found.ok) return found.value
    this.refuse({ ...found.fault, figure })
    return 0
  }
  /** Plan and wear of a limit; what cannot be read is refused where it stands. */
  limit(text: LimitText, quantity: QuantityKind, judges: ReductionName): { readonly plan: number | null; readonly wear: number } {
    const found = readLimitText(text, { quantity, system: this.system, hasClass: true })
    if (found.ok) return found.value
    for (const { at, fault } of found.fault)
      this.refuse(
        fault.code === 'planAfterWear'
          ? { ...fault, judges }
          : { ...fault, figure: { of: at === 'wear' ? 'limit' : 'plan', judges } },
      )
    return { plan: null, wear: 0 }
  }
}

/** Why a characteristic cannot be typed like this into a book; nothing when it can. */
export function typedFaults(id: string, value: TypedCharacteristic, book: LimitBook, system: UnitSystem): readonly TypedFault[] {
  const issued = withoutTyped(book)
  if (issued.characteristics.some((other) => other.id === id)) return [{ code: 'inTheBook' }]
  const others = book.characteristics.filter((other) => other.id !== id)
  if (others.some(({ name }) => name.toLowerCase() === value.name.toLowerCase())) return [{ code: 'nameTaken', name: value.name }]
  const known = issued.documents.find((document) => document.id === value.document.id)
  if (known && known.title !== value.document.title) return [{ code: 'documentTaken', id: known.id, title: known.title }]
  const read = readTypedCharacteristic({ id, value, entry: '', by: '', at: '', check: null }, system)
  if (!read.ok) return read.fault
  // What can never be judged is told while it is typed, not when the sheet is full.
  const never = read.value.limits.flatMap(({ judges }) => neverGiven(read.value, judges) ?? [])
  if (never.length > 0) return never.map((why) => ({ code: 'never', why }))
  if (value.safety && value.document.id === OWN_DOCUMENT && value.limits.length > 0)
    return [{ code: 'ownOnSafety', name: value.name }]
  const fault = methodFault(read.value, others)
  return fault ? [fault] : []
}

function methodFault({ method, id }: Characteristic, others: readonly Characteristic[]): TypedFault | null {
  const find = (of: string): Characteristic | undefined => others.find((other) => other.id === of)
  if (method.kind === 'ringEndGap') {
    const runsIn = find(method.runsIn)?.method.kind
    return runsIn === 'boreDiameter' || runsIn === 'outsideDiameter' ? null : { code: 'ringRunsInNothing' }
  }
  if (method.kind !== 'computed') return null
  for (const [name, of] of Object.entries(method.names)) {
    const found = find(of.characteristic)
    if (!found) return { code: 'standsForNothing', name }
    if (!(of.value in givesOf(found.method))) return { code: 'noValueOf', name: found.name, value: of.value }
  }
  const formula = parseFormula(method.formula, Object.keys(method.names))
  if (!formula.ok) return { code: 'formula', why: formula.fault }
  const kindOf = (name: string): QuantityKind => {
    const of = method.names[name]
    const found = of && find(of.characteristic)
    return found && of ? quantityOfValue(found.method, of.value as ReductionName) : method.quantity
  }
  const wrong = checkFormula(formula.value, kindOf, method.quantity)
  if (wrong !== null) return { code: 'formula', why: wrong }
  return evaluationOrder([...others, { id, method }]).cycle ? { code: 'needsItself' } : null
}
