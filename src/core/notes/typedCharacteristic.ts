import { err, ok, type Result } from '../base/result'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import { evaluationOrder } from '../book/dependencies'
import { neverGiven } from '../book/neverGiven'
import { checkFormula, parseFormula } from '../method/formula'
import { givesOf, isValueOf, quantityOf, quantityOfValue } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { isNeverSet } from '../setting/setting'
import { readFigureText } from '../typed/figureText'
import { limitedBy, limitMade, type MadeLimit, readLimit } from '../typed/limitRow'
import { readNewSize } from '../typed/newSize'
import type { Noted } from './state'
import { NEW_FIGURE, type TypedFault } from './typedFault'
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
  const { method, document } = value
  const own = quantityOf(method)
  const faults: TypedFault[] = []
  const step = readFigureText(value.readTo, { quantity: differenceOf(own), system, classOf: 'nominal' })
  if (!step.ok) faults.push({ ...step.fault, figure: 'readTo' })
  else if (step.value <= 0) faults.push({ code: 'stepOfNothing' })
  const size = value.new && readNewSize(value.new, { quantity: own, system, hasClass: true })
  if (size && !size.ok)
    for (const { at: end, fault } of size.fault)
      faults.push(fault.code === 'newEndsSwapped' ? fault : { ...fault, figure: NEW_FIGURE[end] })
  const limits = value.limits.flatMap(({ judges, ...cells }, row): MadeLimit[] => {
    if (!isValueOf(method, judges)) faults.push({ code: 'methodGivesNo', value: judges })
    const read = readLimit(
      { ...cells, plan: cells.plan ?? '', document: document.id },
      {
        quantity: quantityOfValue(method, judges),
        system,
        hasClass: true,
        sizeOf: own === 'length' ? id : null,
        isSafety: value.safety,
        hasNew: false,
      },
    )
    if (read.ok) return [limitMade(read.value, { id: `limit-${row + 1}`, judges })]
    faults.push(...read.fault.map((fault) => ({ code: 'limit' as const, judges, side: cells.side, row, ...fault })))
    return []
  })
  if (!step.ok || (size && !size.ok) || faults.length > 0) return err(faults)
  return ok({
    id,
    part: value.part.id,
    name: value.name,
    how: value.how,
    pose: '',
    trap: '',
    method,
    gaugeKind: value.gaugeKind,
    showTo: step.value,
    new: size && value.new ? { ...size.value, source: { document: document.id, page: value.new.page } } : null,
    ...limitedBy(limits),
    ...(value.setting ? { setting: value.setting } : {}),
    safety: value.safety,
    typed: { entry, by, at, check },
  } as Characteristic)
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
  if (value.setting && value.setting.is !== 'wear' && isNeverSet(value.method.kind)) return [{ code: 'neverSet' }]
  const parts = new Set([value.part.id, ...book.parts.map((part) => part.id)])
  const restsOn = value.setting?.chain?.find((part) => !parts.has(part))
  if (restsOn !== undefined) return [{ code: 'restsOnNothing', id: restsOn }]
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
