import type { TakenReading } from '../../core/method/reduce/reduce'
import type { Figures } from '../../core/quantity/figures'

/** What every result drawing takes. */
export interface DrawingProps {
  readonly taken: readonly TakenReading[]
  readonly figures: Figures
}
