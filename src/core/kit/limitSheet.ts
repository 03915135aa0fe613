import { err, ok, type Result } from '../base/result'
import type { Characteristic, FitSpec, LimitBook } from '../book/bookSchema'
import { neverGiven } from '../book/neverGiven'
import { readBy } from '../fit/kinds'
import type { Limit, LimitBy } from '../limit/limit'
import { givesOf, quantityOf, quantityOfValue, stepOf } from '../method/gives'
import type { ReductionName } from '../method/reduction'
import { NEW_FIGURE, type TypedFault } from '../notes/typedFault'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { type LimitCells, limitMade, readLimit } from '../typed/limitRow'
import { endsIn, type NewSize, readNewSize } from '../typed/newSize'
import { isOwnTyping } from '../typed/ownTyping'

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
export interface TypedRow extends SheetPlace, Omit<LimitCells, 'side'> {
  /** “80.03 … 80.06”, or a size with its class, “80 H7”; empty where no document gives one. */
  readonly new: string
}

export type RowFault =
  | TypedFault
  | { readonly code: 'noRow' }
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
  const size = row.new.trim() === '' ? null : newSize(row.new, subject, system)
  const { judges, side } = place
  const read = readLimit(
    { ...row, side },
    {
      quantity: isFit(subject) ? 'length' : quantityOfValue(subject.method, judges),
      system,
      hasClass: !isFit(subject),
      sizeOf: sizeOf(subject),
      isSafety: safetyOf(book, subject),
      hasNew: size !== null,
    },
  )
  const faults: RowFault[] = [
    ...(read.ok ? [] : read.fault.map((fault) => ({ code: 'limit' as const, judges, side, row: 0, ...fault }))),
    ...(size && !size.ok ? size.fault : []),
  ]
  if (!read.ok || (size && !size.ok) || faults.length > 0) return err(faults)
  const { source } = read.value
  const typed = { ...who, check: null }
  const { limit, limitBy, none } = limitMade(read.value, { id: `sheet-${judges}-${side}`, judges }, typed)
  const [first] = placesOf(subject)
  const takesNew = first !== undefined && isAt(first)(place)
  const want = { ...place, ...(none ? { none } : {}) }
  const anew = <T extends Subject>(one: T): T => ({
    ...one,
    // Typed again, or emptied, it is none no more.
    ...(one.wants || none ? { wants: wantsOf(one).map((of) => (isAt(place)(of) ? want : of)) } : {}),
    limits: inPlace(one.limits, place, limit),
    ...(one.limitsBy || limitBy ? { limitsBy: inPlace(one.limitsBy ?? [], place, limitBy) } : {}),
    ...(takesNew ? { new: size?.ok ? { ...size.value, source } : null } : {}),
  })
  return ok({
    ...withDocument(book, source.document),
    characteristics: book.characteristics.map((one) => (one.id === row.of ? anew(one) : one)),
    fits: book.fits.map((one) => (one.id === row.of ? anew(one) : one)),
  })
}

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
function newSize(
  text: string,
  subject: Subject,
  system: UnitSystem,
): Result<Omit<NewSize, 'nominal'> | NewSize, readonly RowFault[]> {
  // A clearance has no class; a size may be written with one.
  const by = { quantity: isFit(subject) ? ('length' as const) : quantityOf(subject.method), system, hasClass: !isFit(subject) }
  const ends = endsIn(text, by)
  if (!ends) return err([{ code: 'newTwoEnds', text }])
  const read = readNewSize({ lower: ends[0], upper: ends[1], nominal: null }, by)
  if (!read.ok)
    return err(
      read.fault.map(
        ({ at, fault }): RowFault => (fault.code === 'newEndsSwapped' ? fault : { ...fault, figure: NEW_FIGURE[at] }),
      ),
    )
  const { lower, upper } = read.value
  return ok(isFit(subject) ? { lower, upper } : read.value)
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
  if (isOwnTyping(limit.typed, [who.by, ...names])) return err({ code: 'ownCheck' })
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
