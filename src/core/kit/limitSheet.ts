import { err, ok, type Result } from '../base/result'
import type { Characteristic, FitSpec, LimitBook } from '../book/bookSchema'
import { readBy } from '../fit/kinds'
import { writtenClass } from '../fit/writtenClass'
import type { Limit } from '../limit/limit'
import { quantityOf, quantityOfValue, stepOf } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import { OWN_DOCUMENT, OWN_PAGE } from '../notes/ownLimit'
import type { TypedFault, TypedFigure } from '../notes/typedFault'
import { forRecord } from '../quantity/decimal'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseInTwoUnits } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'

type Subject = Characteristic | FitSpec
type Side = Limit['side']

/** empty: nothing typed, the reading is information only; typed: waits for a second person; agreed, differs: what that one said. */
export type SheetState = 'empty' | 'typed' | 'agreed' | 'differs'

/** A value that wants a limit, or has one. */
export interface SheetRow {
  readonly of: string
  readonly name: string
  /** Assembly it stands under. */
  readonly group: string
  readonly judges: ReductionName
  readonly side: Side
  readonly quantity: QuantityKind
  readonly step: number
  /** The row that takes the new size of its measurement. */
  readonly takesNew: boolean
  readonly new: Characteristic['new'] | FitNew
  readonly limit: Limit | null
  readonly state: SheetState
}
type FitNew = Extract<FitSpec, { readonly new: unknown }>['new']

/** Where one row of the sheet stands. */
export interface SheetPlace {
  readonly of: string
  readonly judges: string
  readonly side: Side
}

/** A row as it is typed: figures as text, in the units of the machine where they name none. */
export interface TypedRow extends SheetPlace {
  /** “80.03 … 80.06”, or a size with its class, “80 H7”; empty where no document gives one. */
  readonly new: string
  readonly plan: string
  /** Empty: no limit, the reading is information only. */
  readonly wear: string
  readonly whenPassed: 'mend' | 'replace'
  readonly instruction: string
  readonly document: string
  readonly page: string
}

export type RowFault =
  | TypedFault
  | { readonly code: 'noRow' }
  | { readonly code: 'noPage' }
  /** A limit of the shop’s own on what is safety-marked. */
  | { readonly code: 'ownOnSafety'; readonly name: string }
  /** Something is said of a value that the maker gives no limit for. */
  | { readonly code: 'noneAndMore' }
  | { readonly code: 'newTwoEnds'; readonly text: string }
  | { readonly code: 'ownCheck' }

const isFit = (subject: Subject): subject is FitSpec => !('method' in subject)

/** Every value of a book that wants a limit or has one, in the order of its list of parts. */
export function sheetRows(book: LimitBook): readonly SheetRow[] {
  const partOf = new Map(book.parts.map((part) => [part.id, part]))
  const order = new Map(book.parts.map(({ id }, at) => [id, at]))
  const holder = (subject: Subject): string => (isFit(subject) ? subject.mendOn : subject.part)
  const subjects = [...book.characteristics, ...book.fits]
    .map((subject, at) => ({ subject, at: (order.get(holder(subject)) ?? 0) + at / 1e6 }))
    .sort((a, b) => a.at - b.at)
  return subjects.flatMap(({ subject }) => {
    const group = partOf.get(holder(subject))?.assembly ?? ''
    return placesOf(subject).map(({ judges, side }, at): SheetRow => {
      const limit = subject.limits.find((one) => one.judges === judges && one.side === side) ?? null
      const quantity = isFit(subject) ? 'length' : quantityOfValue(subject.method, judges)
      return {
        of: subject.id,
        name: subject.name,
        group,
        judges,
        side,
        quantity,
        step: isFit(subject) ? subject.showTo : stepOf(subject.method, subject.showTo, quantity),
        takesNew: at === 0,
        new: at === 0 ? subject.new : null,
        limit,
        state: stateOf(limit),
      }
    })
  })
}

function placesOf({ wants = [], limits }: Subject): { readonly judges: ReductionName; readonly side: Side }[] {
  const more = limits.filter(({ judges, side }) => !wants.some((want) => want.judges === judges && want.side === side))
  return [...wants, ...more].map(({ judges, side }) => ({ judges, side }))
}

function stateOf(limit: Limit | null): SheetState {
  if (limit === null) return 'empty'
  if (!limit.typed) return 'agreed' // it came with a book that was issued
  return limit.typed.check === null ? 'typed' : limit.typed.check.agrees ? 'agreed' : 'differs'
}

interface Who {
  readonly by: string
  readonly at: string
}

/** The book with one row of its sheet as it was typed, waiting for a second person; or everything that is wrong with the row. */
export function withRow(book: LimitBook, row: TypedRow, system: UnitSystem, who: Who): Result<LimitBook, readonly RowFault[]> {
  const subject = [...book.characteristics, ...book.fits].find(({ id }) => id === row.of)
  const place = subject && placesOf(subject).find(({ judges, side }) => judges === row.judges && side === row.side)
  if (!subject || !place) return err([{ code: 'noRow' }])
  if (isNone(row.wear)) return withoutWant(book, row)
  const faults: RowFault[] = []
  const isOwn = row.document.trim().toLowerCase() === OWN_DOCUMENT
  if (isOwn && safetyOf(book, subject)) faults.push({ code: 'ownOnSafety', name: subject.name })
  const quantity = isFit(subject) ? 'length' : quantityOfValue(subject.method, place.judges)
  const read = (text: string, figure: TypedFigure): number | null => {
    if (text.trim() === '') return null
    const written = quantity === 'length' ? writtenClass(text, system) : null
    if (written?.ok) return written.value[row.side]
    if (written) faults.push({ code: 'sizeClass', figure, why: written.fault })
    const parsed = written ? null : parseInTwoUnits(text, quantity, unitOf(quantity, system))
    if (parsed?.ok) return parsed.value.value
    if (parsed) faults.push({ code: 'figure', figure, why: parsed.fault })
    return null
  }
  const wear = read(row.wear, { of: 'limit', judges: place.judges })
  const plan = read(row.plan, { of: 'plan', judges: place.judges })
  if (plan !== null && wear !== null && (row.side === 'upper' ? plan > wear : plan < wear))
    faults.push({ code: 'planAfterWear', judges: place.judges })
  const size = row.new.trim() === '' ? null : newSize(row.new, subject, system, faults)
  if ((wear !== null || size !== null) && (row.document.trim() === '' || (row.page.trim() === '' && !isOwn)))
    faults.push({ code: 'noPage' })
  if (faults.length > 0) return err(faults)
  const source = isOwn ? { document: OWN_DOCUMENT, page: OWN_PAGE } : { document: row.document.trim(), page: row.page.trim() }
  const limit: Limit | null =
    wear === null
      ? null
      : {
          id: `sheet-${place.judges}-${place.side}`,
          judges: place.judges,
          side: place.side,
          plan,
          wear,
          whenPassed: row.whenPassed,
          instruction: row.instruction.trim(),
          source,
          typed: { ...who, check: null },
        }
  const takesNew = placesOf(subject)[0]?.judges === place.judges && placesOf(subject)[0]?.side === place.side
  const anew = <T extends Subject>(one: T): T => ({
    ...one,
    limits: inPlace(one.limits, place, limit),
    ...(takesNew ? { new: size && { ...size, source } } : {}),
  })
  const isKnown = source.document === '' || book.documents.some(({ id }) => id === source.document)
  return ok({
    ...book,
    documents: isKnown ? book.documents : [...book.documents, { id: source.document, title: source.document, revision: '' }],
    characteristics: book.characteristics.map((one) => (one.id === row.of ? anew(one) : one)),
    fits: book.fits.map((one) => (one.id === row.of ? anew(one) : one)),
  })
}

/** The maker gives no limit for it: the value is wanted no more, and stays information only. */
const NONE = 'none'
const isNone = (wear: string): boolean => wear.trim().toLowerCase() === NONE

function withoutWant(book: LimitBook, row: TypedRow): Result<LimitBook, readonly RowFault[]> {
  if (row.plan.trim() !== '') return err([{ code: 'noneAndMore' }])
  const isIt = ({ judges, side }: { readonly judges: string; readonly side: Side }): boolean =>
    judges === row.judges && side === row.side
  const anew = <T extends Subject>(one: T): T =>
    one.id === row.of
      ? { ...one, wants: (one.wants ?? []).filter((want) => !isIt(want)), limits: one.limits.filter((limit) => !isIt(limit)) }
      : one
  return ok({ ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) })
}

/** Whether somebody may be hurt by it: by itself, or by one of its sizes. */
const safetyOf = (book: LimitBook, subject: Subject): boolean =>
  isFit(subject) ? book.characteristics.some(({ id, safety }) => safety && readBy(subject).includes(id)) : subject.safety

function inPlace(limits: readonly Limit[], { judges, side }: Pick<Limit, 'judges' | 'side'>, limit: Limit | null): Limit[] {
  const at = limits.findIndex((one) => one.judges === judges && one.side === side)
  if (at < 0) return limit === null ? [...limits] : [...limits, limit]
  return limits.flatMap((one, index) => (index !== at ? [one] : limit === null ? [] : [limit]))
}

/** A new size from both its ends, or from its class. */
function newSize(text: string, subject: Subject, system: UnitSystem, faults: RowFault[]) {
  const quantity = isFit(subject) ? 'length' : quantityOf(subject.method)
  // A clearance has no class; a size may be written with one.
  const written = quantity === 'length' && !isFit(subject) ? writtenClass(text, system) : null
  if (written?.ok) return written.value
  if (written) {
    faults.push({ code: 'sizeClass', figure: { of: 'nominal' }, why: written.fault })
    return null
  }
  const ends = text.split(/\s*(?:\.{2,3}|…|\bto\b|\s[–-]\s)\s*/).filter((end) => end !== '')
  const [first, second] = ends
  if (first === undefined || second === undefined || ends.length > 2) {
    faults.push({ code: 'newTwoEnds', text })
    return null
  }
  const read = (end: string, figure: TypedFigure): number => {
    const parsed = parseInTwoUnits(end, quantity, unitOf(quantity, system))
    if (parsed.ok) return parsed.value.value
    faults.push({ code: 'figure', figure, why: parsed.fault })
    return 0
  }
  const [lower, upper] = [read(first, { of: 'newLeast' }), read(second, { of: 'newGreatest' })]
  if (lower > upper) faults.push({ code: 'newEndsSwapped' })
  return isFit(subject) ? { lower, upper } : { nominal: forRecord((lower + upper) / 2), lower, upper }
}

/** The book with what a second person said of a row; nobody checks what they typed themselves. */
export function withCheck(
  book: LimitBook,
  place: SheetPlace & { readonly agrees: boolean; readonly note: string },
  /** `names`: every name under which whoever checks has worked on this machine. */
  { names, ...who }: Who & { readonly names: readonly string[] },
): Result<LimitBook, RowFault> {
  const subject = [...book.characteristics, ...book.fits].find(({ id }) => id === place.of)
  const limit = subject?.limits.find(({ judges, side }) => judges === place.judges && side === place.side)
  if (!limit?.typed) return err({ code: 'noRow' })
  if ([who.by, ...names].includes(limit.typed.by)) return err({ code: 'ownCheck' })
  const checked: Limit = { ...limit, typed: { ...limit.typed, check: { ...who, agrees: place.agrees, note: place.note } } }
  const anew = <T extends Subject>(one: T): T =>
    one.id === place.of ? { ...one, limits: one.limits.map((own) => (own === limit ? checked : own)) } : one
  return ok({ ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) })
}
