import type { Characteristic, ClosingSpec } from '../core/book/bookSchema'
import type { ClosingResult, Suspect } from '../core/evaluate/crossChecks'
import { figuresOf } from '../core/quantity/figures'
import { differenceOf } from '../core/quantity/kind'
import type { UnitSystem } from '../core/quantity/unitSystem'
import { slipWords } from '../core/slip/slip'

/** What is known twice, in one line: “Clearance of the guide bearing: 0.365 and 0.371 mm, apart by −0.006, ± 0.05 allowed: they agree.” */
export function closingWords(
  spec: ClosingSpec,
  { known, also, misclosure, allowed, standing }: ClosingResult,
  system: UnitSystem,
): string {
  const { extent, unit } = figuresOf(spec.quantity, system, spec.showTo)
  const apartBy = figuresOf(differenceOf(spec.quantity), system, spec.showTo)
  if (!known || !also || !misclosure) return `${spec.name}: not known twice yet.`
  const apart = `${extent(known)} and ${extent(also)} ${unit}, apart by ${apartBy.extent(misclosure)}, ± ${apartBy.figure(allowed)} allowed`
  const says = { agrees: 'they agree', disagrees: '! they do not agree', open: 'readings are still missing' }[standing]
  return `${spec.name}: ${apart}: ${says}.`
}

/** A suspect in words: “Bearing bore Ø, B 1: “+0.701”, perhaps +0.201. One turn of the thimble …” */
export function suspectWords({ where, text, slip, spreads }: Suspect, { name }: Pick<Characteristic, 'name'>): string {
  const place = where === '' ? name : `${name}, ${where}`
  if (text !== null && slip) return `${place}: “${text}”, perhaps ${slip.text}. ${slipWords[slip.kind]}`
  return spreads === null ? place : `${place}: off by ${Math.round(spreads)} of its own uncertainties`
}
