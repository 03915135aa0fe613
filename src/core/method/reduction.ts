/** Names of the values a method reduces its readings to; a limit judges one of them. */
export const reductionNames = [
  'maximum',
  'minimum',
  'mean',
  'range',
  'outOfRound',
  'taper',
  'wear',
  'total',
  'gapAtWornDiameter',
  'stripTaper',
] as const
export type ReductionName = (typeof reductionNames)[number]

export const reductionLabel: Record<ReductionName, string> = {
  maximum: 'Largest',
  minimum: 'Smallest',
  mean: 'Mean',
  range: 'Range of repeats',
  outOfRound: 'Out-of-round',
  taper: 'Taper',
  wear: 'Wear from new',
  total: 'Total gap',
  gapAtWornDiameter: 'Gap where it runs',
  stripTaper: 'Taper along',
}

/** A reduced value with the sum that gave it. Lengths in mm. */
export interface Reduced {
  readonly valueMm: number
  /** Standard uncertainty, mm. */
  readonly uncertaintyMm: number
  /** Where it lies or how it was got, in words: “at A”, “direction 1, A to C”. */
  readonly where: string
  /** The sum in figures, from which a person can recompute it. */
  readonly sum: readonly Term[]
  /**
   * What more readings can still do to it: nothing (complete), only raise it, only lower it, or move it either way.
   */
  readonly open: 'complete' | 'canOnlyGrow' | 'canOnlyShrink' | 'eitherWay'
}

/** One term of a sum: a size or a factor with what it is. */
export interface Term {
  readonly label: string
  readonly valueMm: number
}

export type MethodFault =
  | { readonly code: 'repeatsDisagree'; readonly rangeMm: number; readonly limitMm: number; readonly sticksOut: number | null }
  | { readonly code: 'outsideStripScale'; readonly slots: readonly string[] }

export interface Reductions {
  readonly values: Partial<Record<ReductionName, Reduced>>
  readonly taken: number
  readonly needed: number
  readonly faults: readonly MethodFault[]
}
