import type { Characteristic, FitSpec, Part } from '../book/bookSchema'
import { sidesOf, stripOf } from '../fit/kinds'
import { slotOf } from '../method/slot'
import type { PlaceOf, Where } from '../method/where'
import type { Stage } from '../record/stage'
import { type LaterStage, laterStages } from '../record/stage'
import type { GateMeasurement } from '../scope/gate'
import type { Need, Scope } from '../scope/need'
import { findingVotes } from '../verdict/findingVote'
import { mendingOf, type RouteContext } from '../verdict/mending'
import type { PartResult } from '../verdict/partVerdict'
import { partVerdict, spanOf } from '../verdict/partVerdict'
import { serviceVotes } from '../verdict/serviceVote'
import { NONE, type Vote, vote } from '../verdict/vote'
import { changeVote } from './changes'
import { type CrossCheckResult, crossCheckVote } from './crossChecks'
import { unsaidVotes } from './openLimitVotes'
import { characteristicAt, type Index } from './recordIndex'
import type { CharacteristicResult, FitResult, Measured } from './results'

export interface PartInput {
  readonly scope: Scope
  /** Each by its place in the book. */
  needAt(index: number): Need | undefined
  characteristicAt(index: number): CharacteristicResult | undefined
  fitAt(index: number): FitResult | undefined
  crossCheckAt(index: number): CrossCheckResult | undefined
  /** What routes are tried on, with what was found. */
  readonly routes: RouteContext
}

/** The verdict of a part from everything that votes on it: its measurements, its fits, findings, service rules, the level. */
export function judgePart(fixed: Index, part: Part, input: PartInput): PartResult {
  const { scope, routes } = input
  const { book } = fixed.record
  const own = (fixed.ofPart.get(part.id) ?? []).flatMap((index) => input.characteristicAt(index) ?? [])
  const needOfId = (id: string) => input.needAt(fixed.index.get(id) ?? -1)
  const isNeeded = (fit: FitSpec): boolean => sidesOf(fit).every((id) => needOfId(id) === 'required')
  // What the level leaves out and nobody has measured says nothing about the part.
  const counting = own.filter(({ need, readings }) => need === 'required' || readings.length > 0)
  const votes = counting.flatMap((result) => [...result.votes, ...changeVotes(fixed, part, result, 'asFound', routes)])
  const ownFits = (fixed.fitsOfPart.get(part.id) ?? []).flatMap((index) => {
    const fit = book.fits[index]
    const result = fit && isNeeded(fit) ? input.fitAt(index) : undefined
    return result ? [result] : []
  })
  const chains = (fixed.crossChecksOfPart.get(part.id) ?? []).flatMap((index) => {
    const closing = book.closings?.[index]
    const result = input.crossCheckAt(index)
    return closing && result ? [{ closing, result }] : []
  })
  const crossChecks = chains.flatMap(({ closing, result }) => crossCheckVote(closing, result) ?? [])
  // A chain over the strip that does not close says what the fit says of it, and names the reading: one fault, one warning.
  const saidByChain = new Set(
    chains.flatMap(({ closing, result }) =>
      result.standing === 'disagrees' ? Object.values(closing.names).map(({ characteristic }) => characteristic) : [],
    ),
  )
  const isSaid = (id: string, { rule, code }: Vote): boolean =>
    rule === 'crossCheck' && code === 'apart' && book.fits.some((fit) => fit.id === id && saidByChain.has(stripOf(fit) ?? ''))
  const fitVotes = ownFits.flatMap(({ id, votes: of }) => of.filter((one) => !isSaid(id, one)))
  const findings = findingVotes(book, part, fixed.noted, routes)
  const unsaid = unsaidVotes(part, (variant) => fixed.noted.variants.has(variant))
  const service = serviceVotes(part, { record: fixed.record, book, scope, noted: fixed.noted })
  const left = own.filter(({ need, readings }) => need !== 'required' && readings.length === 0)
  const pending = scope.gate?.kind === 'open' && (left.length > 0 || own.length === 0)
  const renewed = service.some(({ mild }) => mild === 'replace')
  const said = [...votes, ...unsaid, ...fitVotes, ...crossChecks, ...findings]
  const isNeededPart = scope.leftOut === null || renewed || said.length > 0
  const need = isNeededPart ? 'required' : pending ? 'ifGateFails' : 'notRequired'
  const leftOut = left.length > 0 || !isNeededPart ? [leftOutVote(scope, pending)] : []
  const found = [...said, ...service, ...leftOut]
  // A size or a fit whose limits nobody has typed yet tells nothing of the part, read or not.
  const unjudged = new Set([
    ...own.flatMap(({ id }) => (wantsItsLimits(characteristicAt(fixed, id)) ? [id] : [])),
    ...book.fits.flatMap((fit) => (wantsItsLimits(fit) ? [fit.id] : [])),
  ])
  const isUnjudged = ({ subject, strong }: Vote): boolean => subject !== null && unjudged.has(subject) && strong === 'reuse'
  return {
    ...partVerdict(
      part,
      found.some((one) => tells(one) && !isUnjudged(one)) ? found : [...found, nothingKnownVote()],
      laterVotes(fixed, part, own, ownFits, routes),
    ),
    need,
  }
}

/** What the later stages say, each of what was measured there. */
const laterVotes = (
  fixed: Index,
  part: Part,
  own: readonly CharacteristicResult[],
  fits: readonly FitResult[],
  routes: RouteContext,
): readonly { readonly stage: LaterStage; readonly votes: readonly Vote[] }[] =>
  laterStages.flatMap((stage) => {
    const measured = own.flatMap((result) => {
      const at = result.stages.find((other) => other.stage === stage)
      return [...(at?.votes ?? []), ...changeVotes(fixed, part, result, stage, routes)]
    })
    const fitted = fits.flatMap(({ stages }) => stages.find((other) => other.stage === stage)?.votes ?? [])
    const votes = [...measured, ...fitted]
    return votes.length > 0 ? [{ stage, votes }] : []
  })

function changeVotes(fixed: Index, part: Part, { id, changes }: CharacteristicResult, to: Stage, routes: RouteContext): Vote[] {
  const characteristic = characteristicAt(fixed, id)
  return changes
    .filter(({ limit }) => limit.to === to)
    .flatMap((outcome) => {
      const mending = mendingOf(part, { kind: 'characteristic', id, limit: null }, routes)
      return changeVote(outcome, characteristic, mending) ?? []
    })
}

/** A service rule that is not due says nothing of the part as it lies there. */
const tells = ({ rule, code, strong }: Vote): boolean => rule !== 'service' || strong !== 'reuse' || code === 'notDisturbed'

/** A composed book says which limits it wants, if none of them; a part is judged by none before one is typed. */
const wantsItsLimits = (of: Characteristic | FitSpec): boolean =>
  of.wants !== undefined && of.limits.length === 0 && (!('changes' in of) || (of.changes ?? []).length === 0)

/** Nothing measures it and nobody has looked at it: nothing is known of it. */
const nothingKnownVote = (): Vote =>
  vote({
    rule: 'nothingKnown',
    code: 'nothingKnown',
    facts: NONE,
    mild: 'reuse',
    strong: 'replace',
    settledBy: { code: 'look' },
  })

function leftOutVote(scope: Scope, pending: boolean): Vote {
  const gate = scope.gate
  return vote({
    rule: 'leftOut',
    code: pending ? 'ifGateFails' : 'notRequired',
    facts: { because: scope.leftOut },
    mild: 'reuse',
    strong: pending ? 'replace' : 'reuse',
    settledBy: pending && gate?.kind === 'open' ? { code: 'gate', missing: gate.missing } : null,
  })
}

/** What decides the gate, strongest first: what was measured. What is foretold stands beside it. */
export const gateVotes = ({ votes }: Measured): readonly Vote[] => votes.filter(({ rule }) => rule !== 'forecast')

/** What the gate looks at: the span of a measurement, and the one reading that a failing value was taken from. */
export function asGateMeasurement(result: Measured | undefined): GateMeasurement {
  if (!result) throw new Error('a gate measures a characteristic that its book does not have')
  const votes = gateVotes(result)
  // What wants a limit and has none lets no gate hold, however it was read; what is for information only decides nothing.
  const decides = votes.some((vote) => !(vote.rule === 'information' && vote.code === 'noLimitTyped'))
  const { mild, strong } = decides ? spanOf(votes) : { mild: 'reuse' as const, strong: 'replace' as const }
  const failing = result.limits.find(({ grade }) => grade.mild > 0)?.value ?? null
  const read = failing ? result.readings.filter((reading) => isIn(failing.where, reading)) : []
  const reading = read.length === 1 ? read[0] : undefined
  return { id: result.id, mild, strong, reading: reading ? { text: reading.text, slot: slotOf(reading) } : null }
}

/** Whether a value lies at the place of a reading. */
function isIn(where: Where, { station, direction }: PlaceOf): boolean {
  const places = where.code === 'place' ? [where] : where.code === 'places' ? where.places : []
  return places.some((place) => place.station === station && place.direction === direction)
}
