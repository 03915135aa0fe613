import type { Bare, Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import type { Characteristic, FitSpec, LimitBook, Part } from '../book/bookSchema'
import { takesOffToNew } from '../book/takesOff'
import type { FitFault } from '../fit/fitKind'
import { type FitKindName, fitFaults, readBy, sidesOf } from '../fit/kinds'
import { quantityOf } from '../method/gives'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseInTwoUnits, type TwoUnitsFault } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'
import { type CellFault, limitedBy, limitMade, readLimit } from '../typed/limitRow'
import { isOwnDocument } from '../typed/ownDocument'
import type { Addition, AdditionOf } from './additionSchema'
import { type MateKind, mateKindOf } from './mates'
import type { Noted } from './state'

/** Something added in a job beside its book, with the entry that says so and what a second person said of its limits. */
export interface Added extends Noted {
  readonly id: string
  readonly entry: string
  readonly what: Addition
  readonly check: (Noted & { readonly agrees: boolean; readonly note: string }) | null
}

/** Why something cannot be added like this. Names are the field's own keys. */
export interface AdditionFaults {
  noSuchKind: { readonly kind: string }
  /** A side is not named, or names what is not measured here, or not so. */
  side: { readonly kind: FitKindName; readonly side: string }
  sameSide: { readonly name: string }
  figure: { readonly figure: string; readonly why: TwoUnitsFault }
  /** It can be read, and no such part has it: a bore of nothing. */
  figureBeyond: { readonly figure: string }
  choice: { readonly choice: string }
  noPart: { readonly id: string }
  mendOn: { readonly name: string }
  notMeasuredHere: { readonly id: string }
  /** A cell of a limit on the clearance. */
  limit: { readonly side: 'lower' | 'upper' } & CellFault
  endsSwapped: Bare
  sizesSwapped: Bare
  takesOffToNew: Bare
  /** Off what, where no size with a new one is named. */
  mostOffWhat: Bare
  /** A mate is made to suit only what the route leaves the size of. */
  suitsNothing: { readonly id: string }
  fit: { readonly why: FitFault }
  nameTaken: { readonly name: string }
  ruleTwice: { readonly part: string }
  noLevel: Bare
  /** A limit of the shop's own on what is safety-marked. */
  ownOnSafety: { readonly name: string }
}
export type AdditionFault = Coded<AdditionFaults>

/** The book with one thing more, marked as added in a job; or everything that keeps it from being added. */
export function withAddition(book: LimitBook, added: Added, system: UnitSystem): Result<LimitBook, readonly AdditionFault[]> {
  const made = madeWith(book, added, system)
  return made.ok ? ok({ ...made.value, added: [...(book.added ?? []), added.id] }) : made
}

function madeWith(book: LimitBook, added: Added, system: UnitSystem): Result<LimitBook, readonly AdditionFault[]> {
  const { id, what } = added
  switch (what.of) {
    case 'fit': {
      const fit = fitOf(book, added, what, system)
      return fit.ok ? ok(withDocument({ ...book, fits: [...book.fits, fit.value] }, what.source.document)) : fit
    }
    case 'route': {
      const part = book.parts.find((one) => one.id === what.part)
      if (!part) return err([{ code: 'noPart', id: what.part }])
      const route = routeMade(book, part, id, what, system)
      return route.ok
        ? ok(withDocument(withPart(book, part, { routes: [...part.routes, route.value] }), what.source.document))
        : route
    }
    case 'rule': {
      const part = book.parts.find((one) => one.id === what.part)
      if (!part) return err([{ code: 'noPart', id: what.part }])
      const own = part.service ?? []
      if (own.some(({ kind }) => kind === what.rule.kind) || (what.rule.kind === 'always' && part.renewedAlways))
        return err([{ code: 'ruleTwice', part: part.name }])
      const rule = { ...what.rule, source: sourceOf(what.source), added: id }
      return ok(withDocument(withPart(book, part, { service: [...own, rule] }), what.source.document))
    }
    case 'need':
      return withNeed(book, id, what)
  }
}

type RouteSpec = Part['routes'][number]

/** A route of a part as it is typed; `part`: without the route that it takes the place of. */
export function routeMade(
  book: LimitBook,
  part: Part,
  id: string,
  what: AdditionOf<'route'>,
  system: UnitSystem,
): Result<RouteSpec, readonly AdditionFault[]> {
  if (part.routes.some(({ name }) => name.toLowerCase() === what.name.toLowerCase()))
    return err([{ code: 'nameTaken', name: what.name }])
  const unknown = what.mends.find((of) => !book.characteristics.some((one) => one.id === of))
  if (unknown !== undefined) return err([{ code: 'notMeasuredHere', id: unknown }])
  const guarded = book.characteristics.find(({ id: of, safety }) => safety && what.mends.includes(of))
  // What would let a safety-marked part go back is a maker's to say.
  if (guarded && isOwnDocument(what.source.document.id)) return err([{ code: 'ownOnSafety', name: guarded.name }])
  const { name, mends, effect, suits = [], finish, cost, days } = what
  const leaves = sizeAfterOf(book, what, system)
  if (!leaves.ok) return leaves
  const mostOff = mostOffOf(book, what, system)
  if (!mostOff.ok) return mostOff
  const mates = matesOf(book, leaves.value?.characteristic ?? null)
  const stranger = suits.find((of) => !mates.some((mate) => mate.id === of))
  if (stranger !== undefined) return err([{ code: 'suitsNothing', id: stranger }])
  const route: RouteSpec = {
    id,
    name,
    mends: [...mends],
    ...(effect === undefined ? {} : { effect }),
    sizeAfter: leaves.value,
    ...(suits.length === 0 ? {} : { suits: [...suits] }),
    ...(mostOff.value === null ? {} : { mostOffMm: mostOff.value }),
    ...(finish === undefined ? {} : { finish }),
    cost,
    days,
    source: sourceOf(what.source),
  }
  return takesOffToNew(route, book) ? err([{ code: 'takesOffToNew' }]) : ok(route)
}

/** Fits and rings that a size stands in: their mates may be made to suit what is left of it. */
export const matesOf = (
  { fits, characteristics }: Pick<LimitBook, 'fits' | 'characteristics'>,
  cut: string | null,
): readonly { readonly id: string; readonly name: string }[] =>
  cut === null
    ? []
    : [
        ...fits.filter((fit) => sidesOf(fit).includes(cut)),
        ...characteristics.filter(({ method }) => method.kind === 'ringEndGap' && method.runsIn === cut),
      ]

/** The sizes a route leaves, as typed; null where it names none. */
function sizeAfterOf(
  book: LimitBook,
  { leaves, mends }: AdditionOf<'route'>,
  system: UnitSystem,
): Result<Part['routes'][number]['sizeAfter'], readonly AdditionFault[]> {
  if (leaves === undefined) return ok(null)
  const cut = book.characteristics.find(({ id }) => id === leaves.of)
  if (!cut || !mends.includes(cut.id) || quantityOf(cut.method) !== 'length')
    return err([{ code: 'notMeasuredHere', id: leaves.of }])
  const faults: AdditionFault[] = []
  const read = (text: string, figure: 'leavesLeast' | 'leavesMost' | 'cleanUp'): number => {
    const parsed = parseInTwoUnits(text, 'length', unitOf('length', system))
    if (!parsed.ok) faults.push({ code: 'figure', figure, why: parsed.fault })
    else if (parsed.value.value < 0 || (figure !== 'cleanUp' && parsed.value.value === 0))
      faults.push({ code: 'figureBeyond', figure })
    return parsed.ok ? parsed.value.value : 0
  }
  const sizeAfter = {
    characteristic: cut.id,
    leastMm: read(leaves.least, 'leavesLeast'),
    greatestMm: read(leaves.greatest, 'leavesMost'),
    cleanUpMm: read(leaves.cleanUp, 'cleanUp'),
  }
  if (faults.length === 0 && sizeAfter.leastMm > sizeAfter.greatestMm) faults.push({ code: 'sizesSwapped' })
  return faults.length > 0 ? err(faults) : ok(sizeAfter)
}

/** Most that may be taken off in all, of the measurement that the route works on; null where nobody says. */
function mostOffOf(
  { characteristics }: LimitBook,
  { mostOff, leaves }: AdditionOf<'route'>,
  system: UnitSystem,
): Result<number | null, readonly AdditionFault[]> {
  if (mostOff === undefined) return ok(null)
  const parsed = parseInTwoUnits(mostOff, 'length', unitOf('length', system))
  if (!parsed.ok) return err([{ code: 'figure', figure: 'mostOff', why: parsed.fault }])
  if (parsed.value.value <= 0) return err([{ code: 'figureBeyond', figure: 'mostOff' }])
  // It is counted off the new size.
  const cut = characteristics.find(({ id }) => id === leaves?.of)
  return cut?.new ? ok(parsed.value.value) : err([{ code: 'mostOffWhat' }])
}

const withPart = (book: LimitBook, part: Part, change: Partial<Part>): LimitBook => ({
  ...book,
  parts: book.parts.map((one) => (one === part ? { ...part, ...change } : one)),
})

const sourceOf = ({ document, page }: AdditionOf<'fit'>['source']) => ({ document: document.id, page })

/** A document that the book does not know comes with what names it. */
const withDocument = (book: LimitBook, document: AdditionOf<'fit'>['source']['document']): LimitBook =>
  book.documents.some(({ id }) => id === document.id)
    ? book
    : { ...book, documents: [...book.documents, { ...document, typed: true as const }] }

/** A line of the plan for every level: what is missed is missed at all of them. */
function withNeed(
  book: LimitBook,
  id: string,
  { group, name, quantity, gaugeKind }: AdditionOf<'need'>,
): Result<LimitBook, readonly AdditionFault[]> {
  if (book.levels.length === 0) return err([{ code: 'noLevel' }])
  if (book.levels.some(({ needs }) => needs[group].some((one) => one.name.toLowerCase() === name.toLowerCase())))
    return err([{ code: 'nameTaken', name }])
  const levels = book.levels.map((level): LimitBook['levels'][number] => {
    const { needs } = level
    switch (group) {
      case 'gauges': {
        const gauge = gaugeKind && { id, name, kind: gaugeKind, maximumPermissibleError: null, sizesMm: [] }
        return { ...level, needs: { ...needs, gauges: [...needs.gauges, ...(gauge ? [gauge] : [])] } }
      }
      case 'consumables':
        return { ...level, needs: { ...needs, consumables: [...needs.consumables, { id, name, quantity: quantity || '1' }] } }
      case 'people':
        return { ...level, needs: { ...needs, people: [...needs.people, { id, name, licensed: null }] } }
      default:
        return { ...level, needs: { ...needs, [group]: [...needs[group], { id, name }] } }
    }
  })
  return ok({ ...book, levels })
}

/** Sides, figures and limits of a fit, read one after the other; every fault is kept. */
function fitOf(
  book: LimitBook,
  { id, by, at, check }: Added,
  what: AdditionOf<'fit'>,
  system: UnitSystem,
): Result<FitSpec, readonly AdditionFault[]> {
  const faults: AdditionFault[] = []
  const kind = mateKindOf(what.mate.kind)
  if (!kind) return err([{ code: 'noSuchKind', kind: what.mate.kind }])
  const read = (text: string, figure: string, quantity: QuantityKind = 'length'): number => {
    const parsed = parseInTwoUnits(text, quantity, unitOf(quantity, system))
    if (parsed.ok) return parsed.value.value
    faults.push({ code: 'figure', figure, why: parsed.fault })
    return 0
  }
  const sides = sidesTyped(book, kind, what, faults)
  const figures = Object.fromEntries(
    kind.figures.flatMap(({ key, quantity, isIn, optional }) => {
      const text = what.mate.figures[key] ?? ''
      if (optional && text === '') return []
      const unread = faults.length
      const value = read(text, key, quantity)
      if (faults.length === unread && !isIn(value)) faults.push({ code: 'figureBeyond', figure: key })
      return [[key, value]]
    }),
  )
  const choices = Object.fromEntries(
    Object.entries(kind.choices).map(([key, of]) => {
      const chosen = what.mate.choices[key] ?? of[0] ?? ''
      if (!of.includes(chosen)) faults.push({ code: 'choice', choice: key })
      return [key, chosen]
    }),
  )
  const measured = book.characteristics.filter((one) => Object.values(sides).includes(one.id))
  const limits = what.limits.flatMap(({ side, wear, plan }) => {
    const judges = side === 'upper' ? ('maximum' as const) : ('minimum' as const)
    const { whenPassed, instruction, source } = what
    const cells = { side, wear, plan: plan ?? '', whenPassed, instruction, document: source.document.id, page: source.page }
    const read = readLimit(cells, {
      quantity: 'length',
      system,
      // A clearance has no class.
      hasClass: false,
      sizeOf: measured[0]?.id ?? null,
      isSafety: measured.some(({ safety }) => safety),
      hasNew: false,
    })
    if (read.ok) return [limitMade(read.value, { id: side === 'upper' ? 'most' : 'least', judges }, { by, at, check })]
    faults.push(...read.fault.map((fault) => ({ code: 'limit' as const, side, ...fault })))
    return []
  })
  const plain = limits.flatMap(({ limit }) => limit ?? [])
  const [least, most] = (['lower', 'upper'] as const).map((side) => plain.find((end) => end.side === side)?.wear)
  if (least !== undefined && most !== undefined && least > most) faults.push({ code: 'endsSwapped' })
  if (!measured.some(({ part }) => part === what.mendOn)) faults.push({ code: 'mendOn', name: what.name })
  if ([...book.fits].some(({ name }) => name.toLowerCase() === what.name.toLowerCase()))
    faults.push({ code: 'nameTaken', name: what.name })
  if (faults.length > 0) return err(faults)
  const fit = {
    id,
    kind: kind.kind,
    name: what.name,
    ...kind.made({ sides, figures, choices }),
    new: null,
    ...limitedBy(limits),
    mendOn: what.mendOn,
    showTo: Math.min(...measured.map(({ showTo }) => showTo)),
    // That its sides are those of its kind, the kind itself says (mates.ts).
  } as unknown as FitSpec
  const why = fitFaults(fit)
  return why.length > 0 ? err(why.map((fault) => ({ code: 'fit', why: fault }))) : ok(fit)
}

function sidesTyped(book: LimitBook, kind: MateKind, what: AdditionOf<'fit'>, faults: AdditionFault[]) {
  const found = kind.sides.map(({ key, takes, optional }): readonly [string, string | null] => {
    const id = what.mate.sides[key] ?? null
    if (id === null && optional) return [key, null]
    const own = book.characteristics.find((one) => one.id === id)
    if (!own || !isSize(own, takes)) faults.push({ code: 'side', kind: kind.kind, side: key })
    return [key, id]
  })
  const named = found.flatMap(([, id]) => id ?? [])
  const twice = named.find((id, at) => named.indexOf(id) !== at)
  if (twice !== undefined)
    faults.push({ code: 'sameSide', name: book.characteristics.find(({ id }) => id === twice)?.name ?? twice })
  return Object.fromEntries(found)
}

/** It measures such a side of a fit. */
export const isSize = ({ method }: Pick<Characteristic, 'method'>, takes: readonly string[] | null): boolean =>
  takes === null ? quantityOf(method) === 'length' : takes.includes(method.kind)

/** The book without what was added in a job; fits, routes and lines of the plan by their ids, rules by the one they carry. */
export function withoutAdditions(book: LimitBook, ids: ReadonlySet<string> = new Set(book.added)): LimitBook {
  if (ids.size === 0) return book
  const isOwn = ({ id }: { readonly id: string }): boolean => !ids.has(id)
  const isOwnRule = ({ added }: { readonly added?: string | undefined }): boolean => added === undefined || !ids.has(added)
  const { added = [], ...rest } = book
  const left = added.filter((id) => !ids.has(id))
  return {
    ...rest,
    ...(left.length > 0 ? { added: left } : {}),
    fits: book.fits.filter(isOwn),
    positions: book.positions.filter(isOwn),
    parts: book.parts.map((part) => {
      const { service = [], ...plain } = part
      if (part.routes.every(isOwn) && service.every(isOwnRule)) return part
      const rules = service.filter(isOwnRule)
      return { ...plain, routes: part.routes.filter(isOwn), ...(rules.length > 0 ? { service: rules } : {}) }
    }),
    levels: book.levels.map((level) => ({
      ...level,
      needs: {
        gauges: level.needs.gauges.filter(isOwn),
        tools: level.needs.tools.filter(isOwn),
        consumables: level.needs.consumables.filter(isOwn),
        safety: level.needs.safety.filter(isOwn),
        people: level.needs.people.filter(isOwn),
      },
    })),
  }
}

/** What added in a job reads this measurement, or stands on this part: it cannot be taken out from under it. */
export const usersOf = (book: LimitBook, characteristic: string): readonly string[] => {
  const ids = new Set(book.added ?? [])
  return [
    ...book.fits.filter((fit) => ids.has(fit.id) && readBy(fit).includes(characteristic)).map(({ name }) => name),
    ...book.parts.flatMap(({ routes }) =>
      routes.filter((route) => ids.has(route.id) && route.mends.includes(characteristic)).map(({ name }) => name),
    ),
  ]
}
