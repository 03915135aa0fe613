import { cycleIn } from '../base/cyclic'
import type { NamedList } from '../base/namedList'
import { fitFaults, hasLimits, linksOf, stripOf } from '../fit/kinds'
import type { Limit, LimitBy } from '../limit/limit'
import { HOURS_NAME } from '../limit/limitBy'
import { checkFormula, parseFormula } from '../method/formula'
import { isValueOf, quantityOf, quantityOfValue } from '../method/gives'
import { kindOf as kindOfMethod } from '../method/kinds'
import { slotsOf } from '../method/layout'
import type { ReductionName } from '../method/reduction'
import type { QuantityKind } from '../quantity/kind'
import { commonCautionList } from '../safety/cautions'
import { isNeverSet } from '../setting/setting'
import type { BookFault, BookFaultAt, Named } from './bookFault'
import type { Characteristic, LimitBook } from './bookShapeSchema'
import type { Entry } from './edits'
import { namedIn } from './named'
import type { Only } from './variants'

type Path = BookFaultAt['path']
type Names = Readonly<Record<string, { readonly characteristic: string; readonly value: string }>>
type Limited = { readonly limits: readonly Limit[]; readonly limitsBy?: readonly LimitBy[] | undefined }
type Refuse = (path: Path, fault: BookFault) => void

/** What a book names must be in it: each list is looked through once, and what is missing is told where it is named. */
class References {
  readonly characteristics: ReadonlyMap<string, Characteristic>
  constructor(
    readonly book: LimitBook,
    readonly refuse: Refuse,
  ) {
    this.characteristics = new Map(book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  }
  /** Whatever is named must be there. */
  named(): void {
    const { book } = this
    const known: Readonly<Record<keyof typeof NAMED, ReadonlySet<string>>> = {
      parts: idsOf(book.parts),
      characteristics: idsOf(book.characteristics),
      variants: idsOf(book.variants ?? []),
      documents: idsOf(book.documents),
      levels: idsOf(book.levels),
      cautions: idsOf([...commonCautionList, ...book.cautions]),
      positions: idsOf(book.positions),
    }
    const fits = idsOf(book.fits)
    for (const { list, at, entry, path, names, id } of namedIn(book)) {
      const here = [list, at, ...path]
      if (names === 'routes') this.route(entry, id, here)
      else if (names === 'fits') {
        if (!known.characteristics.has(id) && !fits.has(id)) this.refuse(here, { code: 'noFitOrRing', id })
      } else if (!known[names].has(id)) this.refuse(here, { code: 'notThere', what: NAMED[names], id })
    }
  }
  /** A route of the part that the entry is of; a fit may be mended on either side. */
  private route({ part, mendOn }: Entry, route: string, path: Path): void {
    const own = typeof part === 'string' ? this.book.parts.filter(({ id }) => id === part) : this.book.parts
    if (!own.some(({ routes }) => routes.some(({ id }) => id === route)))
      this.refuse(path, { code: 'noRoute', part: String(part ?? mendOn), route })
  }
  unique(): void {
    const { book, refuse } = this
    for (const { at, id } of twice(book.parts)) refuse(['parts', at, 'id'], { code: 'sameId', of: 'part', id })
    for (const { at, id } of twice(book.characteristics))
      refuse(['characteristics', at, 'id'], { code: 'sameId', of: 'characteristic', id })
  }
  /** Measured by one of these methods. */
  method(id: string, path: Path, kinds: readonly string[]): void {
    const found = this.characteristics.get(id)
    if (found && !kinds.includes(found.method.kind)) this.refuse(path, { code: 'otherMethod', characteristic: id, wanted: kinds })
  }
  /** A size in a fit is a length. */
  length(id: string, path: Path): void {
    const found = this.characteristics.get(id)
    if (found && quantityOf(found.method) !== 'length') this.refuse(path, { code: 'noLength', characteristic: id })
  }
  /** What the names of a formula stand for must be here, and give that value. */
  names(names: Names, path: Path): boolean {
    let isKnown = true
    for (const [name, of] of Object.entries(names)) {
      const found = this.characteristics.get(of.characteristic)
      if (found && isValueOf(found.method, of.value)) continue
      isKnown = false
      if (found) this.refuse([...path, name], { code: 'noValue', ...of })
    }
    return isKnown
  }
  /** Options are those of the variant. */
  options(only: Only | undefined, at: (place: number) => Path): void {
    const variant = only && this.book.variants?.find(({ id }) => id === only.variant)
    if (!variant) return
    const known = idsOf(variant.options)
    only.options.forEach((id, place) => {
      if (!known.has(id)) this.refuse(at(place), { code: 'notThere', what: 'option', id })
    })
  }
  /** A limit by a table or a formula takes the place of none that stands beside it: only what a job resolved has its id. */
  limitIds({ limits, limitsBy = [] }: Limited, path: Path): void {
    const own = limits.filter(({ by }) => by === undefined)
    for (const { at, id } of twice([...own, ...limitsBy]))
      this.refuse([...path, 'limitsBy', at - own.length], { code: 'sameId', of: 'limit', id })
  }
  /** A limit by a table or a formula: what it depends on is in the book, and gives its figures. */
  limitBy({ depends }: LimitBy, quantity: QuantityKind, path: Path, own: Characteristic | null): void {
    if (depends.kind === 'size') this.dependsOn(depends.characteristic, [...path, 'depends', 'characteristic'], own)
    if (depends.kind === 'variant') {
      const options = depends.rows.map(({ option }) => option)
      this.options({ variant: depends.variant, options }, (at) => [...path, 'depends', 'rows', at, 'option'])
    }
    if (depends.kind !== 'formula') return
    for (const [name, id] of Object.entries(depends.names)) this.dependsOn(id, [...path, 'depends', 'names', name], own)
    const kindOf = (name: string): QuantityKind => {
      const found = this.characteristics.get(depends.names[name] ?? '')
      return name === HOURS_NAME || !found ? 'count' : quantityOf(found.method)
    }
    for (const key of ['plan', 'wear'] as const) {
      const text = depends[key]
      if (text === null) continue
      const parsed = parseFormula(text, [...Object.keys(depends.names), HOURS_NAME])
      const why = parsed.ok ? checkFormula(parsed.value, kindOf, quantity) : parsed.fault
      if (why) this.refuse([...path, 'depends', key], { code: 'formula', why })
    }
  }
  /** A size that a limit depends on is there wherever the limit is: always, or with what it limits. */
  private dependsOn(id: string, path: Path, own: Characteristic | null): void {
    this.newSize(id, path)
    const found = this.characteristics.get(id)
    const holder = this.book.parts.find((part) => part.id === found?.part)
    const isThere = found?.id === own?.id || (!found?.only && (!holder?.only || found?.part === own?.part))
    if (found && !isThere) this.refuse(path, { code: 'notAlwaysFitted', characteristic: id })
  }
  /** A characteristic whose new size something is counted from. */
  newSize(id: string, path: Path): void {
    if (this.characteristics.get(id)?.new === null) this.refuse(path, { code: 'noNewSize', characteristic: id })
  }
}

/** What the entries of a list are called one by one. */
const NAMED = {
  parts: 'part',
  characteristics: 'characteristic',
  variants: 'variant',
  documents: 'document',
  levels: 'level',
  cautions: 'caution',
  positions: 'position',
} as const satisfies Partial<Record<NamedList, Named>>

const idsOf = (items: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(items.map(({ id }) => id))
/** Entries whose id stands before them already. */
export const twice = (items: readonly { readonly id: string }[]): readonly { readonly at: number; readonly id: string }[] => {
  const seen = new Set<string>()
  return items.flatMap(({ id }, at) => {
    if (seen.has(id)) return [{ at, id }]
    seen.add(id)
    return []
  })
}
const DIAMETERS = ['boreDiameter', 'outsideDiameter']

/** Everything a limit book names that is not in it, and every id that stands twice. Empty for a book that can be read. */
export function referenceFaults(book: LimitBook): BookFaultAt[] {
  const faults: BookFaultAt[] = []
  const refer = new References(book, (path, fault) => faults.push({ path, fault }))
  if (book.issued !== null)
    for (const list of ['documents', 'parts', 'characteristics'] as const)
      if (book[list].length === 0) refer.refuse([list], { code: 'emptyWhenIssued' })
  refer.unique()
  refer.named()
  ofCharacteristics(refer)
  ofParts(refer)
  ofFits(refer)
  ofEqualParts(refer)
  ofCrossChecks(refer)
  ofProcedure(refer)
  return faults
}

function ofCharacteristics(refer: References): void {
  const { book, refuse } = refer
  book.characteristics.forEach((characteristic, index) => {
    const path = ['characteristics', index]
    const { method, limits, limitsBy, wants, changes } = characteristic
    if (method.kind === 'ringEndGap') refer.method(method.runsIn, [...path, 'method', 'runsIn'], DIAMETERS)
    for (const why of kindOfMethod(method).faults?.(method) ?? []) refuse([...path, 'method'], { code: 'method', why })
    if (method.kind === 'computed') refer.names(method.names, [...path, 'method', 'names'])
    limits.forEach(({ at: only }, at) => {
      const isPlace =
        only === undefined || slotsOf(method).some((slot) => slot.station === only.station && slot.direction === only.direction)
      if (!isPlace) refuse([...path, 'limits', at, 'at'], { code: 'noPlace', ...(only ?? { station: '', direction: '' }) })
    })
    limits.forEach(({ judges }, at) => {
      if (!isValueOf(method, judges)) refuse([...path, 'limits', at, 'judges'], { code: 'methodGivesNo', value: judges })
    })
    wants?.forEach(({ judges }, at) => {
      if (!isValueOf(method, judges)) refuse([...path, 'wants', at, 'judges'], { code: 'methodGivesNo', value: judges })
    })
    limitsBy?.forEach((limit, at) => {
      const place = [...path, 'limitsBy', at]
      if (isValueOf(method, limit.judges)) refer.limitBy(limit, quantityOfValue(method, limit.judges), place, characteristic)
      else refuse([...place, 'judges'], { code: 'methodGivesNo', value: limit.judges })
    })
    refer.limitIds(characteristic, path)
    refer.options(characteristic.only, (at) => [...path, 'only', 'options', at])
    if (isNeverSet(method.kind) && characteristic.setting && characteristic.setting.is !== 'wear')
      refuse([...path, 'setting', 'is'], { code: 'neverSet' })
    characteristic.setting?.values?.forEach((value, at) => {
      if (!isValueOf(method, value)) refuse([...path, 'setting', 'values', at], { code: 'methodGivesNo', value })
    })
    changes?.forEach((change, at) => {
      if (!isValueOf(method, change.judges))
        refuse([...path, 'changes', at, 'judges'], { code: 'methodGivesNo', value: change.judges })
    })
  })
}

function ofParts(refer: References): void {
  const { book, refuse } = refer
  book.parts.forEach(({ only }, index) => refer.options(only, (at) => ['parts', index, 'only', 'options', at]))
  const inside = cycleIn(book.parts.map(({ id, within }) => ({ id, parent: within ?? null })))
  if (inside) refuse(['parts'], { code: 'insideItself', positions: inside })
  book.parts.forEach((part, index) =>
    part.service?.forEach((rule, at) => {
      if (rule.kind !== 'withMate' && rule.kind !== 'set') return
      rule.parts.forEach((id, place) => {
        if (id === part.id) refuse(['parts', index, 'service', at, 'parts', place], { code: 'boundToItself' })
      })
    }),
  )
  book.parts.forEach((part, index) =>
    part.routes.forEach((route, at) => {
      if (!route.sizeAfter) return
      const path = ['parts', index, 'routes', at]
      const { characteristic } = route.sizeAfter
      refer.method(characteristic, [...path, 'sizeAfter', 'characteristic'], DIAMETERS)
      if (route.mostOffMm !== undefined) refer.newSize(characteristic, [...path, 'mostOffMm'])
    }),
  )
}

function ofFits(refer: References): void {
  refer.book.fits.forEach((fit, index) => {
    const path = ['fits', index]
    for (const { characteristic, takes } of linksOf(fit)) {
      if (takes) refer.method(characteristic, [...path, 'sides'], takes)
      refer.length(characteristic, [...path, 'sides'])
    }
    const strip = stripOf(fit)
    if (strip !== null) refer.method(strip, [...path, 'strip'], ['plasticStrip'])
    if (fit.direct !== undefined) refer.length(fit.direct, [...path, 'direct'])
    for (const why of fitFaults(fit)) refer.refuse(path, { code: 'fit', why })
    // A composed book says which limits it wants: a fit without any judges nothing, and says so.
    if (!hasLimits(fit) && fit.wants === undefined && refer.book.issued !== null)
      refer.refuse([...path, 'limits'], { code: 'noLimits' })
    fit.limitsBy?.forEach((limit, at) => refer.limitBy(limit, 'length', [...path, 'limitsBy', at], null))
    refer.limitIds(fit, path)
    refer.options(fit.only, (at) => [...path, 'only', 'options', at])
  })
}

function ofEqualParts(refer: References): void {
  refer.book.equalParts?.forEach((set, index) => {
    const path = ['equalParts', index]
    if (set.kind === 'alike')
      set.unlike?.forEach((id, at) => {
        if (!set.places.includes(id)) refer.refuse([...path, 'unlike', at], { code: 'notInSet', characteristic: id })
      })
    if (set.kind === 'pairing') {
      set.bores.forEach((id, at) => refer.method(id, [...path, 'bores', at], ['boreDiameter']))
      set.journals.forEach((id, at) => refer.method(id, [...path, 'journals', at], ['outsideDiameter']))
      if (set.leastMm > set.greatestMm || set.bores.length > set.journals.length) refer.refuse(path, { code: 'nothingPairs' })
    }
  })
}

function ofCrossChecks(refer: References): void {
  refer.book.crossChecks?.forEach((crossCheck, index) => {
    const path = ['crossChecks', index]
    const isKnown = refer.names(crossCheck.names, [...path, 'names'])
    const kindOf = (name: string): QuantityKind => {
      const of = crossCheck.names[name]
      const found = of && refer.characteristics.get(of.characteristic)
      return found ? quantityOfValue(found.method, of.value as ReductionName) : crossCheck.quantity
    }
    for (const key of ['known', 'also'] as const) {
      const parsed = parseFormula(crossCheck[key], Object.keys(crossCheck.names))
      const why = !parsed.ok ? parsed.fault : isKnown ? checkFormula(parsed.value, kindOf, crossCheck.quantity) : null
      if (why) refer.refuse([...path, key], { code: 'formula', why })
    }
  })
}

const NAMED_LISTS = [
  'levels',
  'cautions',
  'procedure',
  'positions',
  'joints',
  'temporaries',
  'findingRules',
  'patterns',
  'handTests',
] as const

/** How the machine is opened. */
function ofProcedure(refer: References): void {
  const { book, refuse } = refer
  for (const key of NAMED_LISTS)
    for (const { at, id } of twice(book[key])) refuse([key, at, 'id'], { code: 'sameId', of: 'entry', id })
  book.levels.forEach(({ id: own, measures, gate }, index) => {
    if (gate === null) return
    const path = ['levels', index, 'gate']
    if (gate.grows === own) refuse([...path, 'grows'], { code: 'growsToItself' })
    gate.measures.forEach((id, at) => {
      if (measures !== 'all' && !measures.includes(id))
        refuse([...path, 'measures', at], { code: 'gateNotMeasured', characteristic: id })
    })
  })
  const cycle = cycleIn(book.positions)
  if (cycle) refuse(['positions'], { code: 'insideItself', positions: cycle })
}
