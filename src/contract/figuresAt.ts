import type { Characteristic } from '../core/book/bookSchema'
import { coverageFactor } from '../core/gauge/errors'
import { quantityOf, quantityOfValue, stepOf } from '../core/method/gives'
import type { Reduced, ReductionName } from '../core/method/reduction'
import { type Figures, figuresOf } from '../core/quantity/figures'
import { withSign } from '../core/quantity/format'
import type { UnitSystem } from '../core/quantity/unitSystem'

interface Of {
  readonly characteristic: Characteristic
  readonly system: UnitSystem
}

/** Figures of one reduced value of a characteristic; of its readings where none is named. */
export function figuresAt({ characteristic, system }: Of, name: ReductionName | undefined): Figures {
  const { method, showTo } = characteristic
  const kind = name ? quantityOfValue(method, name) : quantityOf(method)
  return figuresOf(kind, system, stepOf(method, showTo, kind))
}

/** Wear per 1000 h of one reduced value: one place finer than the value, with its sign. */
export function paceAt({ characteristic, system }: Of, name: ReductionName | undefined): Figures['figure'] {
  const { method, showTo } = characteristic
  const kind = name ? quantityOfValue(method, name) : quantityOf(method)
  const { difference } = figuresOf(kind, system, stepOf(method, showTo, kind) / 10)
  return (value) => withSign(difference(value))
}

/** Coverage factor of a value's stated doubt; values stored by older cores have none of their own. */
export const coverageOf = ({ degreesOfFreedom }: Partial<Pick<Reduced, 'degreesOfFreedom'>>): number =>
  coverageFactor(degreesOfFreedom ?? null)
