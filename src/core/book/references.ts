import { cycleIn } from '../base/cyclic'
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
import { isNeverSet, type SettingSpec } from '../setting/setting'
import type { BookFault, BookFaultAt, Named } from './bookFault'
import type { Characteristic, LimitBook } from './bookShapeSchema'
import type { Only } from './variants'

type Path = BookFaultAt['path']
type Names = Readonly<Record<string, { readonly characteristic: string; readonly value: string }>>
type Limited = { readonly limits: readonly Limit[]; readonly limitsBy?: readonly LimitBy[] | undefined }
type Refuse = (path: Path, fault: BookFault) => void

/** What a book names must be in it: each list is looked through once, and what is missing is told where it is named. */
class References {
  private readonly parts: ReadonlySet<string>
  readonly characteristics: ReadonlyMap<string, Characteristic>
  private readonly documents: ReadonlySet<string>
  constructor(
    readonly book: LimitBook,
    readonly refuse: Refuse,
  ) {
    this.parts = new Set(book.parts.map(({ id }) => id))
    this.characteristics = new Map(book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
    this.documents = new Set(book.documents.map(({ id }) => id))
  }
  unique(): void {
    const { book, refuse } = this
    for (const { at, id } of twice(book.parts)) refuse(['parts', at, 'id'], { code: 'sameId', of: 'part', id })
    for (const { at, id } of twice(book.characteristics))
      refuse(['characteristics', at, 'id'], { code: 'sameId', of: 'characteristic', id })
  }
  source({ document }: { readonly document: string }, path: Path): void {
    if (!this.documents.has(document)) this.refuse([...path, 'document'], { code: 'notThere', what: 'document', id: document })
  }
  part(id: string, path: Path): void {
    if (!this.parts.has(id)) this.refuse(path, { code: 'notThere', what: 'part', id })
  }
  route(part: string, route: string, path: Path): void {
    if (!this.book.parts.find(({ id }) => id === part)?.routes.some(({ id }) => id === route))
      this.refuse(path, { code: 'noRoute', part, route })
  }
  characteristic(id: string, path: Path, kinds?: readonly string[]): void {
    const found = this.characteristics.get(id)
    if (!found) this.refuse(path, { code: 'notThere', what: 'characteristic', id })
    else if (kinds && !kinds.includes(found.method.kind))
      this.refuse(path, { code: 'otherMethod', characteristic: id, wanted: kinds })
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
      this.characteristic(of.characteristic, [...path, name])
      const found = this.characteristics.get(of.characteristic)
      if (found && isValueOf(found.method, of.value)) continue
      isKnown = false
      if (found) this.refuse([...path, name], { code: 'noValue', ...of })
    }
    return isKnown
  }
  /** What belongs to some options only names them. */
  only(only: Only | undefined, path: Path): void {
    if (!only) return
    const variant = this.book.variants?.find(({ id }) => id === only.variant)
    if (!variant) return this.refuse([...path, 'only', 'variant'], { code: 'notThere', what: 'variant', id: only.variant })
    only.options.forEach((id, at) => this.among(idsOf(variant.options), 'option', id, [...path, 'only', 'options', at]))
  }
  /** What a setting rests on, and what says how much adjustment is left. */
  setting({ chain, leftBy }: SettingSpec = { is: 'wear' }, path: Path): void {
    chain?.forEach((id, at) => this.part(id, [...path, 'chain', at]))
    if (leftBy !== undefined) this.characteristic(leftBy, [...path, 'leftBy'])
  }
  /** A limit by a table or a formula takes the place of none that stands beside it: only what a job resolved has its id. */
  limitIds({ limits, limitsBy = [] }: Limited, path: Path): void {
    const own = limits.filter(({ by }) => by === undefined)
    for (const { at, id } of twice([...own, ...limitsBy]))
      this.refuse([...path, 'limitsBy', at - own.length], { code: 'sameId', of: 'limit', id })
  }
  /** A limit by a table or a formula: what it depends on is in the book, and gives its figures. */
  limitBy({ depends, source }: LimitBy, quantity: QuantityKind, path: Path, own: Characteristic | null): void {
    this.source(source, [...path, 'source'])
    if (depends.kind === 'size') this.dependsOn(depends.characteristic, [...path, 'depends', 'characteristic'], own)
    if (depends.kind === 'variant') {
      const options = depends.rows.map(({ option }) => option)
      this.only({ variant: depends.variant, options }, [...path, 'depends'])
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
    this.characteristic(id, path)
    if (this.characteristics.get(id)?.new === null) this.refuse(path, { code: 'noNewSize', characteristic: id })
  }
  /** One of these ids must be known. */
  among(known: ReadonlySet<string>, what: Named, id: string, path: Path): void {
    if (!known.has(id)) this.refuse(path, { code: 'notThere', what, id })
  }
}

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
  ofCharacteristics(refer)
  ofParts(refer)
  ofFits(refer)
  ofEqualParts(refer)
  ofCrossChecks(refer)
  ofProcedure(refer)
  ofFindings(refer)
  return faults
}

function ofCharacteristics(refer: References): void {
  const { book, refuse } = refer
  book.characteristics.forEach((characteristic, index) => {
    const path = ['characteristics', index]
    const { method, limits, limitsBy, wants, changes } = characteristic
    refer.part(characteristic.part, [...path, 'part'])
    if (method.kind === 'ringEndGap') refer.characteristic(method.runsIn, [...path, 'method', 'runsIn'], DIAMETERS)
    if (characteristic.new) refer.source(characteristic.new.source, [...path, 'new', 'source'])
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
    wants?.forEach(({ judges, none }, at) => {
      if (none) refer.source(none.source, [...path, 'wants', at, 'none', 'source'])
      if (!isValueOf(method, judges)) refuse([...path, 'wants', at, 'judges'], { code: 'methodGivesNo', value: judges })
    })
    limits.forEach(({ mendedBy }, at) => {
      mendedBy?.forEach((id, place) => refer.route(characteristic.part, id, [...path, 'limits', at, 'mendedBy', place]))
    })
    limits.forEach(({ source }, at) => refer.source(source, [...path, 'limits', at, 'source']))
    limitsBy?.forEach((limit, at) => {
      const place = [...path, 'limitsBy', at]
      if (isValueOf(method, limit.judges)) refer.limitBy(limit, quantityOfValue(method, limit.judges), place, characteristic)
      else refuse([...place, 'judges'], { code: 'methodGivesNo', value: limit.judges })
      limit.mendedBy?.forEach((id, where) => refer.route(characteristic.part, id, [...place, 'mendedBy', where]))
    })
    refer.limitIds(characteristic, path)
    refer.only(characteristic.only, path)
    refer.setting(characteristic.setting, [...path, 'setting'])
    if (isNeverSet(method.kind) && characteristic.setting && characteristic.setting.is !== 'wear')
      refuse([...path, 'setting', 'is'], { code: 'neverSet' })
    characteristic.setting?.values?.forEach((value, at) => {
      if (!isValueOf(method, value)) refuse([...path, 'setting', 'values', at], { code: 'methodGivesNo', value })
    })
    changes?.forEach((change, at) => {
      if (!isValueOf(method, change.judges))
        refuse([...path, 'changes', at, 'judges'], { code: 'methodGivesNo', value: change.judges })
      refer.source(change.source, [...path, 'changes', at, 'source'])
    })
  })
}

function ofParts(refer: References): void {
  const { book, refuse } = refer
  book.parts.forEach(({ only, within }, index) => {
    refer.only(only, ['parts', index])
    if (within !== undefined) refer.part(within, ['parts', index, 'within'])
  })
  const inside = cycleIn(book.parts.map(({ id, within }) => ({ id, parent: within ?? null })))
  if (inside) refuse(['parts'], { code: 'insideItself', positions: inside })
  book.parts.forEach((part, index) =>
    part.service?.forEach((rule, at) => {
      const path = ['parts', index, 'service', at]
      refer.source(rule.source, [...path, 'source'])
      if (rule.kind !== 'withMate' && rule.kind !== 'set') return
      rule.parts.forEach((id, place) => {
        refer.part(id, [...path, 'parts', place])
        if (id === part.id) refuse([...path, 'parts', place], { code: 'boundToItself' })
      })
    }),
  )
  book.parts.forEach((part, index) =>
    part.routes.forEach((route, at) => {
      const path = ['parts', index, 'routes', at]
      route.mends.forEach((id, place) => refer.characteristic(id, [...path, 'mends', place]))
      route.suits?.forEach((id, place) => {
        if (!refer.characteristics.has(id) && !book.fits.some((fit) => fit.id === id))
          refuse([...path, 'suits', place], { code: 'noFitOrRing', id })
      })
      if (route.sizeAfter) {
        const { characteristic } = route.sizeAfter
        refer.characteristic(characteristic, [...path, 'sizeAfter', 'characteristic'], DIAMETERS)
        if (route.mostOffMm !== undefined) refer.newSize(characteristic, [...path, 'mostOffMm'])
      }
      refer.source(route.source, [...path, 'source'])
    }),
  )
}

function ofFits(refer: References): void {
  refer.book.fits.forEach((fit, index) => {
    const path = ['fits', index]
    for (const { characteristic, takes } of linksOf(fit)) {
      refer.characteristic(characteristic, [...path, 'sides'], takes ?? undefined)
      refer.length(characteristic, [...path, 'sides'])
    }
    const strip = stripOf(fit)
    if (strip !== null) refer.characteristic(strip, [...path, 'strip'], ['plasticStrip'])
    if (fit.direct !== undefined) {
      refer.characteristic(fit.direct, [...path, 'direct'])
      refer.length(fit.direct, [...path, 'direct'])
    }
    for (const why of fitFaults(fit)) refer.refuse(path, { code: 'fit', why })
    refer.part(fit.mendOn, [...path, 'mendOn'])
    if (fit.new) refer.source(fit.new.source, [...path, 'new', 'source'])
    // A composed book says which limits it wants: a fit without any judges nothing, and says so.
    if (!hasLimits(fit) && fit.wants === undefined && refer.book.issued !== null)
      refer.refuse([...path, 'limits'], { code: 'noLimits' })
    fit.limitsBy?.forEach((limit, at) => refer.limitBy(limit, 'length', [...path, 'limitsBy', at], null))
    refer.limitIds(fit, path)
    refer.only(fit.only, path)
    refer.setting(fit.setting, [...path, 'setting'])
    fit.wants?.forEach(({ none }, at) => {
      if (none) refer.source(none.source, [...path, 'wants', at, 'none', 'source'])
    })
    fit.limits.forEach((limit, at) => refer.source(limit.source, [...path, 'limits', at, 'source']))
  })
}

function ofEqualParts(refer: References): void {
  refer.book.equalParts?.forEach((set, index) => {
    const path = ['equalParts', index]
    if (set.source) refer.source(set.source, [...path, 'source'])
    if (set.kind !== 'pairing') {
      set.places.forEach((id, at) => refer.characteristic(id, [...path, 'places', at]))
      if (set.kind === 'alike')
        set.unlike?.forEach((id, at) => {
          if (!set.places.includes(id)) refer.refuse([...path, 'unlike', at], { code: 'notInSet', characteristic: id })
        })
    } else {
      set.bores.forEach((id, at) => refer.characteristic(id, [...path, 'bores', at], ['boreDiameter']))
      set.journals.forEach((id, at) => refer.characteristic(id, [...path, 'journals', at], ['outsideDiameter']))
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
    if (crossCheck.source) refer.source(crossCheck.source, [...path, 'source'])
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
  const [levels, positions] = [idsOf(book.levels), idsOf(book.positions)]
  const cautions = idsOf([...commonCautionList, ...book.cautions])
  const isPosition = (id: string, path: Path): void => refer.among(positions, 'position', id, path)

  book.levels.forEach(({ id: own, measures, gate }, index) => {
    const path = ['levels', index]
    if (measures !== 'all') measures.forEach((id, at) => refer.characteristic(id, [...path, 'measures', at]))
    if (gate === null) return
    refer.among(levels, 'level', gate.grows, [...path, 'gate', 'grows'])
    if (gate.grows === own) refuse([...path, 'gate', 'grows'], { code: 'growsToItself' })
    gate.measures.forEach((id, at) => {
      refer.characteristic(id, [...path, 'gate', 'measures', at])
      if (measures !== 'all' && !measures.includes(id))
        refuse([...path, 'gate', 'measures', at], { code: 'gateNotMeasured', characteristic: id })
    })
  })
  book.procedure.forEach((step, index) => {
    const path = ['procedure', index]
    step.levels.forEach((id, at) => refer.among(levels, 'level', id, [...path, 'levels', at]))
    step.cautions.forEach((id, at) => refer.among(cautions, 'caution', id, [...path, 'cautions', at]))
    step.removes.forEach((id, at) => isPosition(id, [...path, 'removes', at]))
    step.destroys.forEach((id, at) => isPosition(id, [...path, 'destroys', at]))
    step.measures.forEach((id, at) => refer.characteristic(id, [...path, 'measures', at]))
    if (step.source) refer.source(step.source, [...path, 'source'])
  })
  book.positions.forEach((position, index) => {
    const path = ['positions', index]
    if (position.parent !== null) isPosition(position.parent, [...path, 'parent'])
    if (position.part !== null) refer.part(position.part, [...path, 'part'])
    position.keptWith.forEach((id, at) => isPosition(id, [...path, 'keptWith', at]))
  })
  const cycle = cycleIn(book.positions)
  if (cycle) refuse(['positions'], { code: 'insideItself', positions: cycle })
  book.joints.forEach(({ between }, index) => between.forEach((id, at) => isPosition(id, ['joints', index, 'between', at])))
}

function ofFindings(refer: References): void {
  const { book } = refer
  book.findingRules.forEach((rule, index) => {
    const path = ['findingRules', index]
    refer.part(rule.part, [...path, 'part'])
    if (rule.foundOn !== undefined) refer.part(rule.foundOn, [...path, 'foundOn'])
    if (rule.route !== null) refer.route(rule.part, rule.route, [...path, 'route'])
    rule.confirm.forEach((id, at) => refer.characteristic(id, [...path, 'confirm', at]))
    refer.source(rule.source, [...path, 'source'])
  })
  book.patterns.forEach((pattern, index) => {
    const path = ['patterns', index]
    refer.part(pattern.part, [...path, 'part'])
    if (pattern.route !== null) refer.route(pattern.part, pattern.route, [...path, 'route'])
    refer.source(pattern.source, [...path, 'source'])
  })
  book.handTests.forEach((test, index) => refer.part(test.part, ['handTests', index, 'part']))
}
