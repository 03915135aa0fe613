/** A place of a sheet: where along, which way around. */
export interface PlaceOf {
  readonly station: string
  readonly direction: string
}

/** What a value was made of so many of. */
export type Counted = 'readings' | 'places' | 'repeats' | 'strips' | 'wires' | 'cells' | 'around' | 'rim' | 'face'

/**
 * Where a value lies, or how it was got: a code with its places and counts. `core/words` says it. Places are those of the
 * characteristic the value belongs to; of a fit, those of its bore and journal.
 */
export type Where =
  | ({ readonly code: 'place' } & PlaceOf)
  | { readonly code: 'places'; readonly places: readonly PlaceOf[] }
  | { readonly code: 'counted'; readonly of: Counted; readonly count: number }
  | { readonly code: 'meanOf'; readonly count: number }
  /** None of so many that were seen. */
  | { readonly code: 'noneOf'; readonly count: number }
  | { readonly code: 'against'; readonly one: PlaceOf; readonly other: PlaceOf }
  | { readonly code: 'opposite'; readonly along: 'station' | 'direction'; readonly one: string; readonly other: string }
  | { readonly code: 'station'; readonly station: string }
  | { readonly code: 'roundStation'; readonly station: string; readonly directions: number }
  | { readonly code: 'direction'; readonly direction: string }
  | ({ readonly code: 'widerIsPositive' } & PlaceOf)
  | { readonly code: 'inSeconds'; readonly seconds: number }
  | { readonly code: 'inDiameter'; readonly diameterMm: number }
  | { readonly code: 'whereItRuns'; readonly characteristic: string; readonly where: Where }
  | { readonly code: 'formula'; readonly formula: string }
  | { readonly code: 'pairs'; readonly acrossJoint: boolean }
  | {
      readonly code:
        | 'fromSizes'
        | 'betweenEnds'
        | 'atWorkingLength'
        | 'betweenLengths'
        | 'afterClosing'
        | 'toSetting'
        | 'clockwiseFromTop'
    }

/** What a term of a sum is. */
export type TermName =
  | ({ readonly code: 'place' | 'stripWidth' | 'wire' } & PlaceOf)
  | { readonly code: 'station' | 'unwornMean'; readonly station: string }
  | { readonly code: 'repeat'; readonly repeat: number }
  | { readonly code: 'half'; readonly along: 'station' | 'direction'; readonly at: string }
  | { readonly code: 'named'; readonly name: string }
  | { readonly code: 'roundTheWall'; readonly springs: 'outward' | 'inward' }
  /** A size of another characteristic. */
  | { readonly code: 'sizeOf'; readonly characteristic: string }
  /** What a fit states beside its sizes. */
  | { readonly code: 'stated'; readonly name: StatedName }
  | { readonly code: PlainTerm }

/** What a fit is computed from that nobody measures: of a standard, of a growth, or as its book calls it. */
export type StatedName = 'bearingBore' | 'bearingOutside' | 'growth' | 'playBefore' | 'roundReference' | { readonly as: string }

export type PlainTerm =
  | 'largest'
  | 'smallest'
  | 'mean'
  | 'new'
  | 'asLeft'
  | 'byScale'
  | 'apart'
  | 'shim'
  | 'lever'
  | 'meanBetween'
  | 'meanOfEnds'
  | 'setting'
  | 'fall'
  | 'newLoad'
  | 'load'
  | 'target'
  | 'faceHarmonic'
  | 'radius'
  | 'farthest'
  | 'result'
  | 'bore'
  | 'journal'

/** A place, as the code of where a value lies. */
export const placeAt = ({ station, direction }: PlaceOf): PlaceOf & { readonly code: 'place' } => ({
  code: 'place',
  station,
  direction,
})

export const placeOf = ({ station, direction }: PlaceOf): PlaceOf => ({ station, direction })
