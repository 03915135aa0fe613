import type { FitSpec, Part } from '../book/bookSchema'
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
    ...partVerdict(part, found.some(tells) ? found : [...found, nothingKnown()], laterVotes(fixed, part, own, ownFits, routes)),
    need,
  }
}

/**
 * What the later stages say: each value at its own latest stage by then. What the work left stands until that very value is read
 * again, whatever else was measured since; what was found does not stand for it.
 */
function laterVotes(
  fixed: Index,
  part: Part,
  own: readonly CharacteristicResult[],
  fits: readonly FitResult[],
  routes: RouteContext,
): readonly { readonly stage: LaterStage; readonly votes: readonly Vote[] }[] {
  const saidAt = laterStages.map((stage) => ({
    stage,
    byValue: [
      ...own.map((result) => [
        ...(result.stages.find((other) => other.stage === stage)?.votes ?? []),
        ...changeVotes(fixed, part, result, stage, routes),
      ]),
      ...fits.map(({ stages }) => stages.find((other) => other.stage === stage)?.votes ?? []),
    ],
  }))
  return saidAt.flatMap(({ stage, byValue }, at) => {
    if (byValue.every((votes) => votes.length === 0)) return []
    const before = saidAt.slice(0, at).reverse()
    const latest = byValue.map((votes, index) =>
      votes.length > 0 ? votes : (before.find((earlier) => (earlier.byValue[index]?.length ?? 0) > 0)?.byValue[index] ?? []),
    )
    return [{ stage, votes: latest.flat() }]
  })
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
