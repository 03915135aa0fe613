import type { Cell } from '../base/cell'
import { sidesOf } from '../fit/kinds'
import { slotOf } from '../method/slot'
import type { PlaceOf, Where } from '../method/where'
import type { GateMeasurement } from '../scope/gate'
import { findingVotes } from '../verdict/findingVote'
import { spanOf } from '../verdict/partVerdict'
import { tells } from '../verdict/reuseRequires'
import type { Vote } from '../verdict/vote'
import { changesOf, judge, routesAt, type Taken } from './atStage'
import { type CrossCheckResult, crossCheckVote } from './crossChecks'
import { changeVotes } from './judgePart'
import { characteristicAt, type Index, mustGet } from './recordIndex'
import type { FitResult, Measured } from './results'

/** What decides the gate of a measurement by itself. What is foretold stands beside it. */
export const gateVotes = ({ votes }: Pick<Measured, 'votes'>): readonly Vote[] => votes.filter(({ rule }) => rule !== 'forecast')

/**
 * What is out of its setting and may be set with the machine closed keeps the gate open until it is set and taken again; whatever
 * else is out of setting fails it.
 */
const unlessSet = (votes: readonly Vote[], left: readonly Vote[]): readonly Vote[] =>
  votes.flatMap((vote): Vote[] => {
    if (!vote.setting?.isClosed || vote.mild !== 'adjust') return [vote]
    const isSet = left.length > 0 && spanOf(left).strong === 'reuse'
    return isSet ? [] : [{ ...vote, mild: 'reuse', strong: 'replace' }]
  })

/** Everything that is known before anybody knows what the gate leaves out, each by its place in the book. */
export interface BeforeGate {
  readonly measured: readonly Cell<Measured>[]
  readonly fits: readonly Cell<FitResult>[]
  readonly crossChecks: readonly Cell<CrossCheckResult>[]
}

/**
 * A measurement of the gate with everything that judges it: its limits, its changes, the fits and chains whose sizes the gate
 * asks for or somebody has measured, and the findings on its part.
 */
export function gateMeasurementOf(
  fixed: Index,
  taken: Taken,
  id: string,
  gate: ReadonlySet<string>,
  { measured, fits, crossChecks }: BeforeGate,
): GateMeasurement {
  const { book } = fixed.record
  const characteristic = characteristicAt(fixed, id)
  const part = mustGet(fixed.parts, characteristic.part)
  const routes = routesAt(fixed, taken, 'asFound')
  const isThere = (of: string): boolean => gate.has(of) || (taken.sets.get(of)?.().taken.length ?? 0) > 0
  const ownFits = (fixed.fitsOf.get(id) ?? []).filter((index) => {
    const fit = book.fits[index]
    return fit !== undefined && sidesOf(fit).every(isThere)
  })
  const changes = changesOf(fixed, taken, characteristic)
  const chains = fixed.crossChecksOf.get(id) ?? []
  const found = mustGetAt(measured, fixed.index.get(id))()
  const left = taken.later.asLeft.has(id) ? judge(fixed, taken, characteristic, 'asLeft').votes : []
  return asGateMeasurement({
    measured: { ...found, votes: unlessSet(found.votes, left) },
    isJudged:
      [characteristic.limits, characteristic.limitsBy, characteristic.changes].some((of) => (of ?? []).length > 0) ||
      (characteristic.wants ?? []).some(({ none }) => none === undefined) ||
      ownFits.length > 0,
    beside: [
      ...changeVotes(fixed, part, { id, changes }, 'asFound', routes),
      ...ownFits.flatMap((index) => {
        const fit = fits[index]?.()
        return fit ? unlessSet(fit.votes, fit.stages.find(({ stage }) => stage === 'asLeft')?.votes ?? []) : []
      }),
      ...chains.flatMap((index) => {
        const [crossCheck, result] = [book.crossChecks?.[index], crossChecks[index]?.()]
        return (crossCheck && result && crossCheckVote(crossCheck, result)) ?? []
      }),
      ...findingVotes(book, part, fixed.noted, routes),
    ],
  })
}

function mustGetAt<T>(list: readonly T[], index: number | undefined): T {
  const found = index === undefined ? undefined : list[index]
  if (found === undefined) throw new Error('a gate measures a characteristic that its book does not have')
  return found
}

/** A measurement that the gate looks at, with everything that judges it. */
interface AtGate {
  readonly measured: Measured
  /** Whether anything should judge it: what is for information alone decides nothing, once it is read. */
  readonly isJudged: boolean
  /** What its changes, fits, chains and the findings on its part say. */
  readonly beside: readonly Vote[]
}

/**
 * What the gate looks at: the span of a measurement by everything that judges it, and the one reading that a failing value was
 * taken from. Not read, not typed and undecided are open, and so is what should be judged and nothing says how.
 */
function asGateMeasurement({ measured, isJudged, beside }: AtGate): GateMeasurement {
  const votes = [...gateVotes(measured), ...beside]
  const span = spanOf(votes)
  const isRead = measured.readings.length > 0 || measured.reductions.taken > 0
  const isOpen = votes.some(({ rule }) => rule === 'notMeasured') || (isJudged && !(isRead && votes.some(tells)))
  const failing = measured.limits.find(({ grade }) => grade.mild > 0)?.value ?? null
  const read = failing ? measured.readings.filter((reading) => isIn(failing.where, reading)) : []
  const reading = read.length === 1 ? read[0] : undefined
  return {
    id: measured.id,
    mild: span.mild,
    strong: isOpen ? 'replace' : span.strong,
    isJudged: votes.some(tells),
    reading: reading ? { text: reading.text, slot: slotOf(reading) } : null,
  }
}

/** Whether a value lies at the place of a reading. */
function isIn(where: Where, { station, direction }: PlaceOf): boolean {
  const places = where.code === 'place' ? [where] : where.code === 'places' ? where.places : []
  return places.some((place) => place.station === station && place.direction === direction)
}
