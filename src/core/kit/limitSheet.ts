import { err, ok, type Result } from '../base/result'
import type { Characteristic, FitSpec, LimitBook } from '../book/bookSchema'
import { neverGiven } from '../book/faults'
import { readBy } from '../fit/kinds'
import { writtenClass } from '../fit/writtenClass'
import type { Limit, LimitBy } from '../limit/limit'
import { isTable, readTable, type TableFault, tableOf, type WrittenTable } from '../limit/limitTable'
import { comesFirst } from '../limit/planFirst'
import { givesOf, quantityOf, quantityOfValue, stepOf } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import { readFigureText } from '../notes/limitText'
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
  readonly limit: Limit | LimitBy | null
  /** That its page gives no limit, with who says so. */
  readonly none: NonLimit | null
  readonly state: SheetState
}
type NonLimit = NonNullable<NonNullable<Characteristic['wants']>[number]['none']>
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
  /** Empty: no limit, the reading is information only; a table, “≤ 50: 0.10; ≤ 80: 0.15”, goes by the new size or the hours. */
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
  | { readonly code: 'table'; readonly which: 'plan' | 'wear'; readonly why: TableFault }
  | { readonly code: 'ownCheck' }
  /** A ring gap is wear. */
  | { readonly code: 'neverSet' }

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
      const limit = limitAt(subject, { judges, side })
      const none = limit === null ? (subject.wants?.find(isAt({ judges, side }))?.none ?? null) : null
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
        none,
        state: stateOf(limit ?? none),
      }
    })
  })
}

interface Place {
  readonly judges: ReductionName
  readonly side: Side
}
const isAt =
  (place: { readonly judges: string; readonly side: Side }) =>
  ({ judges, side }: { readonly judges: string; readonly side: Side }): boolean =>
    judges === place.judges && side === place.side

function placesOf({ wants = [], limits, limitsBy = [] }: Subject): Place[] {
  const more = [...limits, ...limitsBy].filter((limit) => !wants.some(isAt(limit)))
  return [...wants, ...more].map(({ judges, side }) => ({ judges, side }))
}

/** The limit that stands on a value: plain, or by a table. */
const limitAt = ({ limits, limitsBy = [] }: Subject, place: Place): Limit | LimitBy | null =>
  limits.find(isAt(place)) ?? limitsBy.find(isAt(place)) ?? null

function stateOf(limit: Limit | LimitBy | NonLimit | null): SheetState {
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
  const place = subject && placesOf(subject).find(isAt(row))
  if (!subject || !place) return err([{ code: 'noRow' }])
  const faults: RowFault[] = []
  const none = isNone(row.wear)
  const isOwn = row.document.trim().toLowerCase() === OWN_DOCUMENT
  if (isOwn && safetyOf(book, subject)) faults.push({ code: 'ownOnSafety', name: subject.name })
  const quantity = isFit(subject) ? 'length' : quantityOfValue(subject.method, place.judges)
  const read = (text: string, figure: TypedFigure): number | null => {
    if (text.trim() === '') return null
    const found = readFigureText(text, { quantity, system, classOf: row.side })
    if (found.ok) return found.value
    faults.push({ ...found.fault, figure })
    return null
  }
  const readRows = (which: 'plan' | 'wear'): WrittenTable | null => {
    const table = !none && isTable(row[which]) ? readTable(row[which], quantity, system) : null
    if (table && !table.ok) faults.push({ code: 'table', which, why: table.fault })
    return table?.ok ? table.value : null
  }
  const wearRows = readRows('wear')
  const planRows = readRows('plan')
  const wear = none || isTable(row.wear) ? null : read(row.wear, { of: 'limit', judges: place.judges })
  const plan = isTable(row.plan) ? null : read(row.plan, { of: 'plan', judges: place.judges })
  if (planRows !== null && wearRows === null && !isTable(row.wear))
    faults.push({ code: 'table', which: 'plan', why: { code: 'otherSteps' } })
  const table = wearRows && tableOf(wearRows, planRows ?? plan, sizeOf(subject))
  if (table && !table.ok)
    faults.push({ code: 'table', which: table.fault.code === 'otherSteps' ? 'plan' : 'wear', why: table.fault })
  const isAfter = (own: number | null, limit: number): boolean => !comesFirst(row.side, own, limit)
  if (wear !== null ? isAfter(plan, wear) : table?.ok && table.value.rows.some((one) => isAfter(one.plan, one.wear)))
    faults.push({ code: 'planAfterWear', judges: place.judges })
  const size = row.new.trim() === '' ? null : newSize(row.new, subject, system, faults)
  if ((wear !== null || wearRows !== null || size !== null) && (row.document.trim() === '' || (row.page.trim() === '' && !isOwn)))
    faults.push({ code: 'noPage' })
  if (none && row.plan.trim() !== '') faults.push({ code: 'noneAndMore' })
  // That there is none stands on a page, and the shop's own word is no page.
  if (none && (isOwn || row.document.trim() === '' || row.page.trim() === '')) faults.push({ code: 'noPage' })
  if (faults.length > 0) return err(faults)
  const source = isOwn ? { document: OWN_DOCUMENT, page: OWN_PAGE } : { document: row.document.trim(), page: row.page.trim() }
  const own = {
    id: `sheet-${place.judges}-${place.side}`,
    judges: place.judges,
    side: place.side,
    whenPassed: row.whenPassed,
    instruction: row.instruction.trim(),
    source,
    typed: { ...who, check: null },
  }
  const limit: Limit | null = wear === null ? null : { ...own, plan, wear }
  const limitBy: LimitBy | null = table?.ok ? { ...own, depends: table.value } : null
  const [first] = placesOf(subject)
  const takesNew = first !== undefined && isAt(first)(place)
  const want = { ...place, ...(none ? { none: { source, typed: { ...who, check: null } } } : {}) }
  const anew = <T extends Subject>(one: T): T => ({
    ...one,
    // Typed again, or emptied, it is none no more.
    ...(one.wants || none ? { wants: wantsOf(one).map((of) => (isAt(place)(of) ? want : of)) } : {}),
    limits: inPlace(one.limits, place, limit),
    ...(one.limitsBy || limitBy ? { limitsBy: inPlace(one.limitsBy ?? [], place, limitBy) } : {}),
    ...(takesNew ? { new: size && { ...size, source } } : {}),
  })
  return ok({
    ...withDocument(book, source.document),
    characteristics: book.characteristics.map((one) => (one.id === row.of ? anew(one) : one)),
    fits: book.fits.map((one) => (one.id === row.of ? anew(one) : one)),
  })
}

/** Its page gives no limit: the value stays information only, and that is held against the page as a figure is. */
const NONE = 'none'
export const isNone = (wear: string): boolean => wear.trim().toLowerCase() === NONE

/** What a subject wants, with what it has without being asked. */
const wantsOf = (subject: Subject): NonNullable<Characteristic['wants']> =>
  placesOf(subject).map((place) => subject.wants?.find(isAt(place)) ?? place)

/** The book with a document that a limit names. */
const withDocument = (book: LimitBook, document: string): LimitBook =>
  document === '' || book.documents.some(({ id }) => id === document)
    ? book
    : { ...book, documents: [...book.documents, { id: document, title: document, revision: '' }] }

/** Values of a measurement or a fit that may be limited as well: those that no row stands for yet. */
export function moreValues(book: LimitBook, of: string): readonly Place[] {
  const subject = [...book.characteristics, ...book.fits].find(({ id }) => id === of)
  if (!subject) return []
  const names = isFit(subject) ? (['minimum', 'maximum'] as const) : (Object.keys(givesOf(subject.method)) as ReductionName[])
  const rows = placesOf(subject)
  return names
    .filter((judges) => isFit(subject) || neverGiven(subject, judges) === null)
    .flatMap((judges) => (['upper', 'lower'] as const).map((side) => ({ judges, side })))
    .filter((place) => !rows.some(isAt(place)))
}

/** The book with one value more that wants a limit. */
export function withWant(book: LimitBook, row: SheetPlace): Result<LimitBook, RowFault> {
  const place = moreValues(book, row.of).find(isAt(row))
  if (!place) return err({ code: 'noRow' })
  const anew = <T extends Subject>(one: T): T => (one.id === row.of ? { ...one, wants: [...wantsOf(one), place] } : one)
  return ok({ ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) })
}

/** Whether somebody may be hurt by it: by itself, or by one of its sizes. */
const safetyOf = (book: LimitBook, subject: Subject): boolean =>
  isFit(subject) ? book.characteristics.some(({ id, safety }) => safety && readBy(subject).includes(id)) : subject.safety

/** What a table by size goes by: the measurement's own new size, or the first size of a fit. */
const sizeOf = (subject: Subject): string | null =>
  isFit(subject) ? (readBy(subject)[0] ?? null) : quantityOf(subject.method) === 'length' ? subject.id : null

function inPlace<L extends Place>(limits: readonly L[], place: Place, limit: L | null): L[] {
  const at = limits.findIndex(isAt(place))
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
  const limit =
    [...(subject?.limits ?? []), ...(subject?.limitsBy ?? [])].find(isAt(place)) ?? subject?.wants?.find(isAt(place))?.none
  if (!limit?.typed) return err({ code: 'noRow' })
  if ([who.by, ...names].includes(limit.typed.by)) return err({ code: 'ownCheck' })
  const typed = { ...limit.typed, check: { ...who, agrees: place.agrees, note: place.note } }
  const said = <L extends Limit | LimitBy | NonLimit>(own: L): L => (own === limit ? { ...own, typed } : own)
  const anew = <T extends Subject>(one: T): T =>
    one.id === place.of
      ? {
          ...one,
          ...(one.wants ? { wants: one.wants.map((want) => (want.none ? { ...want, none: said(want.none) } : want)) } : {}),
          limits: one.limits.map(said),
          ...(one.limitsBy ? { limitsBy: one.limitsBy.map(said) } : {}),
        }
      : one
  return ok({ ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) })
}
