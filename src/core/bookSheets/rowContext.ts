import type { Entry } from '../book/edits'
import { quantityAt } from '../book/fields'
import { classEndAt } from '../book/figureKinds'
import type { Path } from '../book/path'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import type { ReadBy } from '../typed/figureText'
import type { Sheet } from './column'

/** What the cells of a row are read by: the units of the book, and of what kind the figure at each place is; null: a bare number. */
export interface RowContext {
  readonly system: UnitSystem
  quantityAt(path: Path): QuantityKind | null
  /** The end of a size that may be written with its class; null where none is meant. */
  classEndAt(path: Path): ReadBy['classOf']
}

/** Of what kind the figures of an entry are; of one inside another, by where it stands there. */
export function rowContext(
  { list, child }: Pick<Sheet, 'list' | 'child'>,
  parent: Entry,
  entry: Entry,
  system: UnitSystem,
): RowContext {
  const whole = child === null ? entry : { ...parent, [child]: [entry] }
  const from = (path: Path): Path => (child === null ? path : [child, 0, ...path])
  return {
    system,
    quantityAt: (path) => quantityAt(list, whole, from(path)),
    classEndAt: (path) => classEndAt(list, whole, from(path)),
  }
}

/** Before it is known what an entry measures. */
export const bareRow = (system: UnitSystem): RowContext => ({
  system,
  quantityAt: () => null,
  classEndAt: () => null,
})
