import { quantityOf, quantityOfValue, stepOf } from '../../core/method/gives'
import type { ReductionName } from '../../core/method/reduction'
import { type Figures, figuresOf } from '../../core/quantity/figures'
import type { Bench } from './useBench'

/** Figures of one reduced value of the characteristic; of its readings where none is named. */
export function figuresAt(
  { characteristic, system }: Pick<Bench, 'characteristic' | 'system'>,
  name: ReductionName | undefined,
): Figures {
  const { method, showTo } = characteristic
  const kind = name ? quantityOfValue(method, name) : quantityOf(method)
  return figuresOf(kind, system, stepOf(method, showTo, kind))
}
