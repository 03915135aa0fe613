import { limitsOfSize } from '../fit/sizeClass'
import { crossing } from '../limit/crossed'
import type { Limit } from '../limit/limit'
import { quantityOfValue } from '../method/gives'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseQuantity } from '../quantity/quantity'
import { agree } from '../quantity/twoUnits'
import type { BookFaultAt } from './bookFault'
import type { Characteristic, LimitBook } from './bookSchema'
import { evaluationOrder } from './dependencies'
import { neverGiven } from './neverGiven'
import { referenceFaults, twice } from './references'
import { takesOffToNew } from './takesOff'

/** Whether earlier overhauls say what a characteristic was, so that its wear can be counted from that. */
export type HasHistory = (characteristic: string) => boolean
const noHistory: HasHistory = () => false

/** Everything that is wrong with a book as it is written: names that are not in it, and what can never be settled. */
export const faultsOf = (book: LimitBook): BookFaultAt[] => [...referenceFaults(book), ...bookFaults(book)]

/**
 * Faults with which a limit book can never be settled: formulas that need each other, and limits, changes and formulas on
 * values that their set-up never gives. A book that has one is not issued; one that was issued before is read all the same.
 */
export function bookFaults(book: LimitBook, hasHistory: HasHistory = noHistory): BookFaultAt[] {
  const faults: BookFaultAt[] = []
  const index = new Map(book.characteristics.map(({ id }, at) => [id, at]))
  const { cycle } = evaluationOrder(book.characteristics)
  if (cycle)
    faults.push({
      path: ['characteristics', index.get(cycle[0] ?? '') ?? 0, 'method'],
      fault: { code: 'needEachOther', characteristics: cycle },
    })
  for (const { at, id } of twice(book.documents))
    faults.push({ path: ['documents', at, 'id'], fault: { code: 'sameId', of: 'document', id } })
  for (const { at, id } of twice(book.fits)) faults.push({ path: ['fits', at, 'id'], fault: { code: 'sameId', of: 'fit', id } })
  const check = (characteristic: Characteristic | undefined, value: string, path: BookFaultAt['path']): void => {
    const fault = characteristic ? neverGiven(characteristic, value, hasHistory(characteristic.id)) : null
    if (fault) faults.push({ path, fault })
  }
  const find = (id: string): Characteristic | undefined => book.characteristics[index.get(id) ?? -1]
  book.characteristics.forEach((characteristic, at) => {
    const path = ['characteristics', at]
    characteristic.limits.forEach(({ judges }, place) => check(characteristic, judges, [...path, 'limits', place, 'judges']))
    characteristic.changes?.forEach(({ judges, eachPlace }, place) => {
      if (!eachPlace) check(characteristic, judges, [...path, 'changes', place, 'judges'])
    })
    if (characteristic.method.kind === 'computed')
      for (const [name, of] of Object.entries(characteristic.method.names))
        check(find(of.characteristic), of.value, [...path, 'method', 'names', name])
  })
  book.characteristics.forEach(({ new: size }, at) => {
    if (size?.class === undefined) return
    const of = limitsOfSize(size.nominal, size.class)
    const path = ['characteristics', at, 'new', 'class']
    if (!of.ok) faults.push({ path, fault: { code: 'sizeClass', why: of.fault } })
    else if (differs(of.value.lowerMm, size.lower) || differs(of.value.upperMm, size.upper))
      faults.push({ path, fault: { code: 'notItsClass', lower: of.value.lowerMm, upper: of.value.upperMm, class: size.class } })
  })
  book.characteristics.forEach(({ limits, method, showTo }, at) => {
    const path = ['characteristics', at, 'limits']
    const read: ReadOf = ({ judges }) => ({ kind: quantityOfValue(method, judges), showTo })
    faults.push(...crossedFaults(limits, path, read), ...unitsThatDisagree(limits, path, read))
  })
  book.fits.forEach(({ limits, showTo }, at) => {
    const path = ['fits', at, 'limits']
    const read: ReadOf = () => ({ kind: 'length', showTo })
    faults.push(...crossedFaults(limits, path, read), ...unitsThatDisagree(limits, path, read))
  })
  book.parts.forEach((part, at) => {
    part.routes.forEach((route, place) => {
      const { sizeAfter } = route
      const path = ['parts', at, 'routes', place, 'sizeAfter']
      if (sizeAfter && sizeAfter.leastMm > sizeAfter.greatestMm) faults.push({ path, fault: { code: 'routeSizesSwapped' } })
      if (takesOffToNew(route, book)) faults.push({ path, fault: { code: 'takesOffToNew' } })
      const cut = sizeAfter && find(sizeAfter.characteristic)
      if (cut && cut.part !== part.id)
        faults.push({ path: [...path, 'characteristic'], fault: { code: 'routeToNowhere', characteristic: cut.id } })
    })
  })
  book.crossChecks?.forEach((crossCheck, at) => {
    if (crossCheck.eachPlace) return
    for (const [name, of] of Object.entries(crossCheck.names))
      check(find(of.characteristic), of.value, ['crossChecks', at, 'names', name])
  })
  return faults
}

/** Whether two sizes differ by more than a drawing rounds. */
const differs = (a: number, b: number): boolean => Math.abs(a - b) > ROUNDS_MM
const ROUNDS_MM = 0.0006

/** What kind of figures a limit has, and to what step they are shown. */
type ReadOf = (limit: Limit) => { readonly kind: QuantityKind; readonly showTo: number }

/** Limits that the document prints in two units, which say two things. */
function unitsThatDisagree(limits: readonly Limit[], path: BookFaultAt['path'], read: ReadOf): BookFaultAt[] {
  return limits.flatMap((limit, at) =>
    (['plan', 'wear'] as const).flatMap((key): BookFaultAt[] => {
      const [value, also] = [limit[key], limit.also?.[key] ?? null]
      if (value === null || also === null) return []
      const { kind, showTo } = read(limit)
      const unit = unitOf(kind, 'metric')
      const parsed = parseQuantity(also, kind, unit)
      const here = [...path, at, 'also', key]
      if (!parsed.ok) return [{ path: here, fault: { code: 'alsoUnread', why: parsed.fault } }]
      if (agree({ value, typedStep: showTo }, parsed.value)) return []
      return [{ path: here, fault: { code: 'unitsDisagree', text: `${value} ${unit}`, also } }]
    }),
  )
}

/** Upper and lower limits between which nothing lies. */
function crossedFaults(limits: readonly Limit[], path: BookFaultAt['path'], read: ReadOf): BookFaultAt[] {
  return limits.flatMap((lower, at) => {
    const upper = crossing(limits, lower)
    if (!upper) return []
    const fault = { code: 'limitsCrossed', least: lower.wear, most: upper.wear, quantity: read(lower).kind } as const
    return [{ path: [...path, at, 'wear'], fault }]
  })
}
