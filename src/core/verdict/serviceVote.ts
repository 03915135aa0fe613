import type { LimitBook, Part } from '../book/bookSchema'
import type { NotesState } from '../notes/state'
import { isAddedHere, isSettled } from '../notes/steps'
import { meterOf } from '../quantity/meter'
import type { InspectionRecord } from '../record/recordSchema'
import { levelOf, levelsInPlay, type Scope } from '../scope/need'
import { NONE, openVote, type Vote, vote } from './vote'

type ServiceRule = NonNullable<Part['service']>[number]

/** How long the part that is fitted now has been in the machine; null where its mark, then or now, does not say. */
export interface Age {
  /** Overhauls on record that it came through, this one not counted. */
  readonly overhauls: number
  /** It was fitted at an overhaul on record, or the machine has not run: none before them is unknown. */
  readonly isCounted: boolean
  /** Running hours since it was fitted; null where nobody counts them. */
  readonly hours: number | null
  /** Starts since then; null where nobody counted them. */
  readonly starts: number | null
}

/**
 * Age of a part from the marks on record: it was fitted at the last overhaul that found another one. Where every overhaul on
 * record found this one it is as old as the machine.
 */
export function ageOf(
  { history, job, machine }: Pick<InspectionRecord, 'history' | 'job' | 'machine'>,
  part: string,
): Age | null {
  const mark = job.installed[part]
  if (mark === undefined) return null
  const overhauls = [...history].sort((a, b) => a.runningHours - b.runningHours)
  if (overhauls.some(({ installed }) => installed[part] === undefined)) return null
  const last = overhauls.findLastIndex(({ installed }) => installed[part] !== mark)
  const fitted = overhauls[last]
  const startsThen = fitted ? fitted.starts : 0
  return {
    overhauls: overhauls.length - last - 1,
    isCounted: last >= 0 || job.runningHours === 0,
    hours: meterOf(machine) === 'none' ? null : job.runningHours - (fitted?.runningHours ?? 0),
    starts: job.starts === undefined || startsThen === undefined ? null : job.starts - startsThen,
  }
}

interface ServiceInput {
  readonly record: Pick<InspectionRecord, 'history' | 'job' | 'machine'>
  readonly book: LimitBook
  readonly scope: Scope
  readonly noted: Pick<NotesState, 'positions' | 'steps'>
}

/** What the service rules of a part ask by themselves; what they ask with other parts, `verdict/together.ts` says. */
export function serviceVotes(part: Part, { record, book, scope, noted }: ServiceInput): Vote[] {
  const renews = levelOf(book, scope.counts)?.renews ?? true
  // What is counted in overhauls waits for one; hours run and parts come out at every level.
  const rules = (part.service ?? []).filter(({ kind }) => kind !== 'always' && (renews || kind !== 'everyNth'))
  const levels = levelsInPlay(scope)
  const own = rules.flatMap((rule) => ruleVote(part, rule, { record, noted, levels }) ?? [])
  return [...alwaysVotes(part, scope, renews), ...own]
}

/** Parts renewed always; at a level that does not disturb them they stay, and while its gate is open that is open too. */
function alwaysVotes(part: Part, scope: Scope, renews: boolean): Vote[] {
  const rule = part.service?.find(({ kind }) => kind === 'always')
  if (!part.renewedAlways && !rule) return []
  const pending = !renews && scope.gate?.kind === 'open'
  return [
    vote({
      rule: 'service',
      code: renews ? 'renewed' : 'notDisturbed',
      facts: NONE,
      mild: renews ? 'replace' : 'reuse',
      strong: renews || pending ? 'replace' : 'reuse',
      settledBy: pending ? { code: 'gate', missing: [] } : null,
      ...(rule ? { source: rule.source } : {}),
    }),
  ]
}

/** Starts until the next overhaul, at the pace the machine has had. */
const startsToCome = ({ starts = 0, runningHours, mustRunHours }: InspectionRecord['job']): number =>
  runningHours === 0 ? 0 : Math.ceil((starts * mustRunHours) / runningHours)

function ruleVote(
  part: Part,
  rule: ServiceRule,
  { record, noted, levels }: Pick<ServiceInput, 'record' | 'noted'> & { readonly levels: ReadonlySet<string> },
): Vote | null {
  const { source } = rule
  const unknownAge = (): Vote =>
    openVote({
      rule: 'service',
      code: 'ageUnknown',
      facts: NONE,
      strong: 'replace',
      source,
      settledBy: { code: 'age', part: part.id },
    })
  switch (rule.kind) {
    case 'everyNth': {
      const age = ageOf(record, part.id)
      if (age === null) return unknownAge()
      const facts = { nth: rule.nth, overhaul: age.overhauls + 1 }
      // What is on record it came through at least; what came before that nobody knows.
      if (facts.overhaul < rule.nth && !age.isCounted) return unknownAge()
      return vote({ rule: 'service', code: 'everyNth', facts, source, ...decided(facts.overhaul >= rule.nth) })
    }
    case 'afterHours': {
      const age = ageOf(record, part.id)
      if (age?.hours == null) return unknownAge()
      const facts = { hours: rule.hours, has: age.hours, mustRun: record.job.mustRunHours }
      return vote({ rule: 'service', code: 'afterHours', facts, source, ...decided(facts.has + facts.mustRun > rule.hours) })
    }
    case 'afterStarts': {
      const age = ageOf(record, part.id)
      if (age === null) return unknownAge()
      if (age.starts === null)
        return openVote({
          rule: 'service',
          code: 'startsUnknown',
          facts: NONE,
          strong: 'replace',
          source,
          settledBy: { code: 'starts' },
        })
      const facts = { starts: rule.starts, has: age.starts, toCome: startsToCome(record.job) }
      return vote({ rule: 'service', code: 'afterStarts', facts, source, ...decided(facts.has + facts.toCome > rule.starts) })
    }
    case 'whenDisturbed':
      return disturbedVote(part, source, noted, levels)
    case 'always':
    case 'withMate':
    case 'set':
      return null
  }
}

const decided = (isDue: boolean) =>
  isDue ? ({ mild: 'replace', strong: 'replace' } as const) : ({ mild: 'reuse', strong: 'reuse' } as const)

/**
 * Whether what is renewed when disturbed came out: by the strip map, by what was taken of it lying there, or by a confirmed step.
 * It stayed where every step that takes it out was left out with a reason, or belongs to other levels; nothing said is not known.
 */
function disturbedVote(
  part: Part,
  source: ServiceRule['source'],
  { positions, steps }: ServiceInput['noted'],
  levels: ReadonlySet<string>,
): Vote {
  const own = positions.filter(({ book }) => book?.part === part.id)
  const ids = new Set(own.map(({ id }) => id))
  const said = (code: 'disturbed' | 'leftInPlace') =>
    vote({ rule: 'service', code, facts: NONE, source, ...decided(code === 'disturbed') })
  const out = steps.filter(({ book }) => [...(book?.removes ?? []), ...(book?.destroys ?? [])].some((id) => ids.has(id)))
  const isOut = own.some(({ tray, thickness, identity }) => tray !== null || thickness !== null || identity !== null)
  if (isOut || out.some(({ standing }) => standing.kind === 'done')) return said('disturbed')
  const asked = out.filter((step) => isAddedHere(step) || step.book?.levels.some((level) => levels.has(level)))
  if (out.length > 0 && asked.every((step) => isSettled({ ...step, holdPoint: step.book?.holdPoint ?? false })))
    return said('leftInPlace')
  return openVote({
    rule: 'service',
    code: 'whetherOut',
    facts: NONE,
    strong: 'replace',
    source,
    settledBy: { code: 'whetherOut', part: part.id },
  })
}
