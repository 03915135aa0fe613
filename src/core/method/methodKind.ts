import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import type { GaugeKind } from '../gauge/gaugeKinds'
import type { QuantityKind } from '../quantity/kind'
import type { ReadingForm } from '../quantity/reading'
import type { FormulaFault } from './formula'
import type { Outcome, ReduceInput } from './reduce/taken'
import type { ReductionName } from './reduction'
import type { Answers } from './setUp/answers'
import type { SetUpField } from './setUp/fields'
import type { Shaping } from './shapingSchema'
import type { Layout } from './sheet'
import type { Slot } from './slot'

/** Which way the judged value moves as the part wears; either where it is set and not worn. */
export type WearsTowards = 'larger' | 'smaller'

/** Why a method cannot be as a book has it, though its shape is right. */
export type ShapeFault =
  | { readonly code: 'shorterIsLonger' }
  | { readonly code: 'noUnwornStation'; readonly station: string }
  | { readonly code: 'formula'; readonly why: FormulaFault }

/** Values a method reduces its readings to, each with its kind of quantity. */
export type Gives = Partial<Record<ReductionName, QuantityKind>>

/** What a shape makes, as it is read back. */
export type Shaped<S extends (of: Shaping) => z.ZodType> = Frozen<z.output<ReturnType<S>>>

/** Everything that belongs to one measuring method. `M` is the method as a limit book sets it up. */
export interface MethodKindOf<M> {
  /** What a book writes of it; lengths in mm, other values in the fixed unit of their kind. */
  readonly shape: (of: Shaping) => z.ZodType<M, unknown>
  /** What else must hold of it taken by itself. */
  faults?(method: M): ShapeFault[]
  wears(method: M): WearsTowards | 'either'
  layout(method: M): Layout
  /** Places whose id is a key for the record and says nothing to a person. */
  readonly bare?: 'stations' | 'directions'
  /** Directions that are not named with a place, because there is but one. */
  hidesDirections?(method: M): boolean
  /** What is typed at a slot. */
  form(method: M, slot: Pick<Slot, 'station'>): ReadingForm
  /** The values it can reduce its readings to, whatever its set-up. */
  gives(method: M): Gives
  /** What a value needs of the set-up to exist at all. */
  canGive(method: M, name: ReductionName): boolean
  reduce(input: ReduceInput<M>): Outcome
  readonly setUp: readonly SetUpField[]
  /** The method from what was answered. */
  build(answers: Answers): M
  readonly usualGauge: GaugeKind
  /**
   * About what a place will show, where a new size or a limit does not tell: a figure, or null where nothing does.
   * A method without it is read about its new size.
   */
  expects?(method: M, slot: Pick<Slot, 'station'>): number | null
  /** What is typed is not what its limits judge. */
  readonly readOtherwise?: true
  /** Stations are places of different kinds: what is read at one says nothing of another. */
  readonly stationsDiffer?: true
  /** Other characteristics whose values it takes. */
  needs?(method: M): readonly string[]
  readonly slips: {
    /** Its figures say nothing by themselves: a dial's depend on where it was zeroed, a strip's on its scale. */
    readonly byScale?: true
    /** A size that wears one way only. */
    readonly oneWay?: true
  }
}
