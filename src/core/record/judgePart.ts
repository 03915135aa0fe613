import { findingVotes } from '../decision/findingVote'
import { listed } from '../decision/limitVote'
import { partVerdict } from '../decision/partVerdict'
import { slotLabel } from '../method/layout'
import type { GateMeasurement } from '../work/gate'
import { levelOf, type Scope } from '../work/need'
import type { FitSpec, LimitBook, Part } from './bookSchema'
import { characteristicAt, type Fixed } from './fixed'
import type { CharacteristicResult, FitResult, Measured, PartResult, Vote } from './results'

/** The verdict of a part from everything that votes on it: its measurements, its fits, findings, service rules, the level. */
export function judgePart(
  fixed: Fixed,
  part: Part,
  {
    scope,
    characteristics,
    fits,
  }: { readonly scope: Scope; readonly characteristics: readonly CharacteristicResult[]; readonly fits: readonly FitResult[] },
): PartResult {
  const { book } = fixed.record
  const own = (fixed.ofPart.get(part.id) ?? []).flatMap((index) => characteristics[index] ?? [])
  const needOfId = (id: string) => characteristics[fixed.index.get(id) ?? -1]?.need
  const isNeeded = (fit: FitSpec): boolean => needOfId(fit.bore) === 'required' && needOfId(fit.journal) === 'required'
  // What the level leaves out and nobody has measured says nothing about the part.
  const votes = own.filter(({ need, readings }) => need === 'required' || readings.length > 0).flatMap((result) => result.votes)
  const fitVotes = (fixed.fitsOfPart.get(part.id) ?? []).flatMap((index) => {
    const fit = book.fits[index]
    return fit && isNeeded(fit) ? (fits[index]?.votes ?? []) : []
  })
  const findings = findingVotes(book, part, fixed.work)
  const service = serviceVotes(book, part, scope)
  const left = own.filter(({ need, readings }) => need !== 'required' && readings.length === 0)
  const pending = scope.gate?.kind === 'open' && (left.length > 0 || own.length === 0)
  const renewed = service.some(({ mild }) => mild === 'replace')
  const isNeededPart = scope.leftOut === null || renewed || [...votes, ...fitVotes, ...findings].length > 0
  const need = isNeededPart ? 'required' : pending ? 'ifGateFails' : 'notRequired'
  const leftOut = left.length > 0 || !isNeededPart ? [leftOutVote(scope, pending)] : []
  return { ...partVerdict(part, [...votes, ...fitVotes, ...findings, ...service, ...leftOut]), need }
}

/** Parts renewed always; at a level that does not disturb them they stay, and while its gate is open that is open too. */
function serviceVotes(book: LimitBook, part: Part, scope: Scope): Vote[] {
  if (!part.renewedAlways) return []
  const renews = levelOf(book, scope.counts)?.renews ?? true
  const pending = !renews && scope.gate?.kind === 'open'
  return [
    {
      rule: 'service',
      subject: null,
      mild: renews ? 'replace' : 'reuse',
      strong: renews || pending ? 'replace' : 'reuse',
      reason: renews ? 'Always renewed at an overhaul' : 'Renewed at an overhaul; not disturbed at this level',
      settledBy: pending ? 'Take the gate measurements.' : null,
      source: null,
      route: null,
      trace: [],
    },
  ]
}

function leftOutVote(scope: Scope, pending: boolean): Vote {
  const gate = scope.gate
  return {
    rule: 'leftOut',
    subject: null,
    mild: 'reuse',
    strong: pending ? 'replace' : 'reuse',
    reason: scope.leftOut ?? 'Not required',
    settledBy: pending && gate?.kind === 'open' ? `Take the gate measurements: ${listed(gate.missing)}.` : null,
    source: null,
    route: null,
    trace: [],
  }
}

/** What the gate looks at: the strongest reason, and the one reading that a failing value was taken from. */
export function asGateMeasurement(fixed: Fixed, result: Measured | undefined): GateMeasurement {
  if (!result) throw new Error('a gate measures a characteristic that its book does not have')
  const [vote] = result.votes
  const { name, method } = characteristicAt(fixed, result.id)
  const failing = result.limits.find(({ grade }) => grade.mild > 0)?.value ?? null
  const read = result.readings.filter((reading) => failing?.where.includes(slotLabel(method, reading)))
  const reading = read.length === 1 ? read[0] : undefined
  return {
    id: result.id,
    name,
    mild: result.mild,
    strong: result.strong,
    reason: vote ? `${name}: ${vote.reason}` : name,
    reading: reading ? `“${reading.text}” at ${slotLabel(method, reading)}` : null,
  }
}
