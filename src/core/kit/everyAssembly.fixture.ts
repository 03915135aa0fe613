/** What every assembly can be asked with, and what can be read at each of its places: for tests that take all of them through. */
import type { Characteristic } from '../book/bookSchema'
import { formAt } from '../method/layout'
import type { Slot } from '../method/slot'
import type { Assembly } from './assembly'
import type { KitAnswers } from './shape'

const FIGURE = { length: '60 mm', torque: '120 Nm', pressure: '180 bar', force: '400 N' } as const
const typedFigures = (assembly: Assembly): KitAnswers =>
  Object.fromEntries(
    assembly.questions.flatMap(({ id, answers }) => (typeof answers === 'string' ? [[id, FIGURE[answers]]] : [])),
  )
/** Lengths of a spring test go down. */
const LENGTHS: KitAnswers = { longer: '62 mm', shorter: '48.5 mm', working: '50 mm', outsideMm: '110 mm' }
/** A figure for each question that takes one. */
export const figuresOf = (assembly: Assembly): KitAnswers => {
  const all = { ...typedFigures(assembly) }
  for (const [id, text] of Object.entries(LENGTHS)) if (id in all) Object.assign(all, { [id]: text })
  return all
}

/** Loads of a spring at its two lengths, so that it has a rate. */
const SPRING: Readonly<Record<string, string>> = { L1: '400', L2: '700' }

/** What may stand at a place of a method, whatever it measures. */
export function textAt({ method }: Pick<Characteristic, 'method'>, slot: Slot): string {
  const form = formAt(method, slot).kind
  return form === 'answer' ? '+' : form === 'cell' ? '2' : form === 'element' ? '0' : (SPRING[slot.station] ?? '2')
}
