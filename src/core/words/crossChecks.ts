import type { Characteristic, CrossCheckSpec } from '../book/bookSchema'
import type { CrossCheckResult, Suspect } from '../evaluate/crossChecks'
import { figuresOf } from '../quantity/figures'
import { differenceOf } from '../quantity/kind'
import { slotWords, whereWords } from './places'
import { afterFigure } from './plain'
import { slipWords } from './slips'
import { nameOf, type Speaker } from './speaker'

/** A cross-check in one line: “Clearance of the guide bearing: 0.365 and 0.371 mm, apart by −0.006, ± 0.05 allowed: they agree.” */
export function crossCheckWords(
  spec: CrossCheckSpec,
  { known, also, misclosure, allowed, standing }: CrossCheckResult,
  { units }: Speaker,
): string {
  const { extent, unit } = figuresOf(spec.quantity, units, spec.showTo)
  const apartBy = figuresOf(differenceOf(spec.quantity), units, spec.showTo)
  if (!known || !also || !misclosure) return `${spec.name}: not measured both ways yet.`
  const apart = `${extent(known)} and ${extent(also)}${afterFigure(unit)}, apart by ${apartBy.extent(misclosure)}, ± ${apartBy.figure(allowed)} allowed`
  const says = { agrees: 'they agree', disagrees: '! they do not agree', open: 'readings are still missing' }[standing]
  return `${spec.name}: ${apart}: ${says}.`
}

/** A suspect in words: “Bearing bore Ø, B 1: “+0.701”, perhaps +0.201. One turn of the thimble …” */
export function suspectWords(
  speaker: Speaker,
  { slot, where, text, slip, spreads }: Suspect,
  { id, method }: Pick<Characteristic, 'id' | 'method'>,
): string {
  const at = slot ? slotWords(method, slot) : where ? whereWords(speaker, id, where) : ''
  const place = at === '' ? nameOf(speaker, id) : `${nameOf(speaker, id)}, ${at}`
  if (text !== null && slip) return `${place}: “${text}”, perhaps ${slip.text}. ${slipWords[slip.kind]}`
  return spreads === null ? place : `${place}: off by ${Math.round(spreads)} times its uncertainty`
}
