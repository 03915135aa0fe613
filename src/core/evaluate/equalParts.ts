/** What becomes of equal parts when they change places: from what was measured, and how fast each place wears. */
import type { LimitBook } from '../book/bookSchema'
import { type Pairing, pairForEvenClearance } from '../fit/pairing'
import { type Rotation, rotate } from '../fit/rotation'
import { sizeEnd } from '../fit/sizeEnd'
import type { Policy } from '../record/recordSchema'
import { showsWear, type Trend } from '../trend/forecast'
import type { CharacteristicResult } from './results'

type EqualParts = NonNullable<LimitBook['equalParts']>[number]
type RotationSpec = Extract<EqualParts, { kind: 'rotation' }>
type PairingSpec = Extract<EqualParts, { kind: 'pairing' }>

type ResultOf = (characteristic: string) => CharacteristicResult | undefined

/** What each place and the part in it come to. */
interface RotationPlace {
  readonly characteristic: string
  /** What the part there has left before its limit; null while it is not measured. */
  readonly rest: number | null
  /** How fast parts wear there, per 1000 h; null while nobody knows. */
  readonly perThousandHours: number | null
}

export interface RotationFound {
  readonly kind: 'rotation'
  readonly spec: RotationSpec
  readonly places: readonly RotationPlace[]
  /** Null while a part is not measured or a rate is not known. */
  readonly best: Rotation | null
}

export interface PairingFound {
  readonly kind: 'pairing'
  readonly spec: PairingSpec
  readonly boresMm: readonly (number | null)[]
  readonly journalsMm: readonly (number | null)[]
  /** Null while one is not measured, or where no pairing keeps the limits. */
  readonly best: Pairing | null
  readonly missing: readonly string[]
  /** The job puts worn-in mates back in their own place: nothing is paired anew. */
  readonly staysPaired: boolean
}

export type EqualPartsFound = RotationFound | PairingFound

/** Everything that follows for the equal parts of a book. */
export const equalPartsOf = (book: LimitBook, resultOf: ResultOf, policy: Policy): readonly EqualPartsFound[] =>
  (book.equalParts ?? []).flatMap((spec): EqualPartsFound[] => {
    if (spec.kind === 'alike') return [] // they stay where they are
    return [spec.kind === 'rotation' ? rotationOf(spec, resultOf) : pairingOf(spec, resultOf, policy)]
  })

function rotationOf(spec: RotationSpec, resultOf: ResultOf): RotationFound {
  const places = spec.places.map((characteristic): RotationPlace => {
    const result = resultOf(characteristic)
    const [first] = result?.limits ?? []
    const value = first?.value?.value ?? null
    if (!result || !first || value === null) return { characteristic, rest: null, perThousandHours: null }
    const isUpper = first.limit.side === 'upper'
    const trend = result.trends.find(({ judges }) => judges === first.limit.judges)
    const rate = trend?.rate?.perThousandHours
    return {
      characteristic,
      rest: Math.max(0, isUpper ? first.limit.wear - value : value - first.limit.wear),
      perThousandHours: !trend?.spread || rate === undefined ? null : wearOf(trend, isUpper ? rate : -rate),
    }
  })
  const known = places.flatMap(({ characteristic: id, rest, perThousandHours }) =>
    rest === null || perThousandHours === null ? [] : [{ id, rest, perThousandHours }],
  )
  return { kind: 'rotation', spec, places, best: known.length === places.length ? rotate(known, known) : null }
}

/** How fast a place wears towards its limit; what noise explains is no wear, and tells no places apart. */
const wearOf = (trend: Trend, rate: number): number => (showsWear(trend) ? Math.max(0, rate) : 0)

function pairingOf(spec: PairingSpec, resultOf: ResultOf, { schools }: Policy): PairingFound {
  const middle = (id: string): number | null => {
    const reductions = resultOf(id)?.reductions
    const [least, greatest] = [sizeEnd(reductions, 'least')?.value, sizeEnd(reductions, 'greatest')?.value]
    return least == null || greatest == null ? null : (least + greatest) / 2
  }
  const [boresMm, journalsMm] = [spec.bores.map(middle), spec.journals.map(middle)]
  const missing = [...spec.bores, ...spec.journals].filter((id) => middle(id) === null)
  const whole = { boresMm: boresMm.filter((mm) => mm !== null), journalsMm: journalsMm.filter((mm) => mm !== null) }
  const { targetMm, leastMm, greatestMm } = spec
  return {
    kind: 'pairing',
    spec,
    boresMm,
    journalsMm,
    missing,
    staysPaired: schools?.wornInMates !== 'repaired',
    best: missing.length > 0 ? null : pairForEvenClearance({ ...whole, targetMm, leastMm, greatestMm }),
  }
}
