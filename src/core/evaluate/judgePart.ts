import type { CrossCheckSpec, FitSpec, Part } from '../book/bookSchema'
import { sidesOf, stripOf } from '../fit/kinds'
import type { Stage } from '../record/stage'
import { type LaterStage, laterStages } from '../record/stage'
import type { Need, Scope } from '../scope/need'
import { settingOf } from '../setting/setting'
import { findingVotes } from '../verdict/findingVote'
import { mendingOf, type RouteContext } from '../verdict/mending'
import type { PartResult } from '../verdict/partVerdict'
import { partVerdict } from '../verdict/partVerdict'
import { nothingKnown, tells } from '../verdict/reuseRequires'
import { roomOf } from '../verdict/roomOf'
import { serviceVotes } from '../verdict/serviceVote'
import { setOver } from '../verdict/setOver'
import { type Vote, vote } from '../verdict/vote'
import { changeVote } from './changes'
import { type CrossCheckResult, crossCheckVote } from './crossChecks'
import { notMeasuredVote } from './notMeasuredVote'
import { unsaidVotes } from './openLimitVotes'
import { characteristicAt, type Index } from './recordIndex'
import type { CharacteristicResult, FitResult } from './results'

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
  // What the level leaves out and was measured all the same tells what it tells.
  const isThere = (id: string): boolean =>
    needOfId(id) === 'required' || (input.characteristicAt(fixed.index.get(id) ?? -1)?.readings.length ?? 0) > 0
  const isNeeded = (fit: FitSpec): boolean => sidesOf(fit).every(isThere)
  // What the level leaves out and nobody has measured says nothing about the part.
  const counting = own.filter(({ need, readings }) => need === 'required' || readings.length > 0)
  const votes = counting.flatMap((result) => [...result.votes, ...changeVotes(fixed, part, result, 'asFound', routes)])
  const ownFits = (fixed.fitsOfPart.get(part.id) ?? []).flatMap((index) => {
    const fit = book.fits[index]
    const result = fit && isNeeded(fit) ? input.fitAt(index) : undefined
    return result ? [result] : []
  })
  const chains = (fixed.crossChecksOfPart.get(part.id) ?? []).flatMap((index) => {
    const crossCheck = book.crossChecks?.[index]
    const result = input.crossCheckAt(index)
    return crossCheck && result ? [{ crossCheck, result }] : []
  })
  const crossChecks = chains.flatMap(({ crossCheck, result }) => crossCheckVote(crossCheck, result) ?? [])
  // A chain over the strip that does not close says what the fit says of it, and names the reading: one fault, one warning.
  const saidByChain = new Set(
    chains.flatMap(({ crossCheck, result }) =>
      result.standing === 'disagrees' ? Object.values(crossCheck.names).map(({ characteristic }) => characteristic) : [],
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
  return {
    ...partVerdict(
      part,
      found.some(tells) ? found : [...found, nothingKnown()],
      laterVotes(fixed, part, counting, ownFits, chains, routes),
    ),
    need,
  }
}

/** What is known of one value, fit or chain at each stage. */
interface Known {
  readonly id: string
  readonly found: readonly Vote[]
  readonly later: Readonly<Record<LaterStage, readonly Vote[]>>
}

interface Chained {
  readonly crossCheck: CrossCheckSpec
  readonly result: CrossCheckResult
}

/**
 * What the later stages say: each value at its own latest stage by then. What the work left stands until that very value is read
 * again, whatever else was measured since; so does what failed as found, or was open. What was found of a part that was renewed,
 * or by a route that mends it, says nothing of what is in its place.
 */
function laterVotes(
  fixed: Index,
  part: Part,
  own: readonly CharacteristicResult[],
  fits: readonly FitResult[],
  chains: readonly Chained[],
  routes: RouteContext,
): readonly { readonly stage: LaterStage; readonly votes: readonly Vote[] }[] {
  const at = (of: (stage: LaterStage) => readonly Vote[]): Known['later'] => ({
    afterWork: of('afterWork'),
    asLeft: of('asLeft'),
  })
  const known: readonly Known[] = [
    ...own.map(
      (result): Known => ({
        id: result.id,
        found: result.votes,
        later: at((stage) => [
          ...(result.stages.find((other) => other.stage === stage)?.votes ?? []),
          ...changeVotes(fixed, part, result, stage, routes),
        ]),
      }),
    ),
    ...fits.map(
      ({ id, votes, stages }): Known => ({
        id,
        found: votes,
        later: at((stage) => stages.find((other) => other.stage === stage)?.votes ?? []),
      }),
    ),
    ...chains.map(
      ({ crossCheck, result }): Known => ({
        id: crossCheck.id,
        found: [],
        later: at((stage) => {
          const again = result.stages?.find((other) => other.stage === stage)
          return again ? [crossCheckVote(crossCheck, again, stage) ?? []].flat() : []
        }),
      }),
    ),
  ]
  const isMeasured = (stage: LaterStage): boolean => known.some(({ later }) => later[stage].length > 0)
  const standing = (of: Known, stage: LaterStage): readonly Vote[] => {
    const upTo = laterStages.slice(0, laterStages.indexOf(stage) + 1)
    const latest = upTo.findLast((one) => of.later[one].length > 0)
    return latest ? of.later[latest] : leftAs(fixed, part, of, stage)
  }
  return laterStages.filter(isMeasured).map((stage) => ({ stage, votes: known.flatMap((of) => standing(of, stage)) }))
}

/** What is known of a value that nobody has read since it was found. */
function leftAs({ renewed, routesChosen }: Index, part: Part, { id, found }: Known, stage: LaterStage): readonly Vote[] {
  const asks = found.filter(({ strong }) => strong !== 'reuse')
  const chosen = routesChosen.get(part.id)
  const isMended = part.routes.some(({ id: route, mends }) => chosen?.has(route) && mends.includes(id))
  if (!renewed.has(part.id) && !isMended) return asks
  const judging = found.filter(({ rule }) => rule === 'limit' || rule === 'fit')
  if (judging.length === 0) return []
  return [notMeasuredVote(id, stage, 'replace')]
}

/** What its changes say of the part at a stage. */
export function changeVotes(
  fixed: Index,
  part: Part,
  { id, changes }: Pick<CharacteristicResult, 'id' | 'changes'>,
  to: Stage,
  routes: RouteContext,
): Vote[] {
  const characteristic = characteristicAt(fixed, id)
  return changes
    .filter(({ limit }) => limit.to === to)
    .flatMap((outcome) => {
      const mending = mendingOf(part, { kind: 'characteristic', id, limit: null }, routes)
      const setting = settingOf(characteristic, outcome.limit)
      const room = setting && roomOf(setting, routes)
      const toSet = setting && room && { setting, room, change: null, ofPiece: false }
      const way = toSet ? setOver(mending, outcome.limit.whenPassed === 'replace' ? 'replace' : 'mend', toSet) : mending
      return changeVote(outcome, characteristic, way) ?? []
    })
}

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
