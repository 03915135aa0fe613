import { coverageFactor } from '../gauge/errors'
import type { Limit } from '../limit/limit'
import type { Figures } from '../quantity/figures'
import { formatHours } from '../quantity/format'
import type { Meter } from '../quantity/meter'
import type { NotSure } from '../trend/forecast'
import type { DecidedWay } from '../verdict/decidedWay'
import type { ForecastFacts, LimitFacts, Vote } from '../verdict/vote'
import { findingWords, severityName } from './findings'
import { valueName } from './labels'
import { ranAtWords, ranWords } from './meter'
import { faultWords } from './methodFaults'
import { patternWords } from './patterns'
import { placeWords, slotWords, whereWords } from './places'
import { afterFigure, listed, ordinal } from './plain'
import { leftOutWords } from './scope'
import { toSetWords } from './settings'
import { settlingWords } from './settling'
import { figuresFor, methodOf, nameOf, routeOf, type Speaker, variantName } from './speaker'

const sign = ({ side }: Pick<Limit, 'side'>): string => (side === 'upper' ? '≤' : '≥')

const sideWords = { lower: 'at least', upper: 'at most' } as const

const dependsWords = {
  hours: 'the table by hours does not reach the hours this machine has run',
  size: 'the table by size has no row for its size',
  formula: 'its formula gives no figure with what is known',
} as const

function limitOpenReason(speaker: Speaker, vote: Extract<Vote, { rule: 'limitOpen' }>): string {
  const name = vote.subject === null ? '' : nameOf(speaker, vote.subject)
  switch (vote.code) {
    case 'which':
      return `The limit of ${name} depends on ${variantName(speaker, vote.facts.variant)}, and nobody has said which is fitted`
    case 'mayBe':
      return `Whether it is fitted depends on ${variantName(speaker, vote.facts.variant)}, and nobody has said which that is`
    case 'notTyped':
      return `${name}: no limit is typed yet for ${valueName[vote.facts.judges].toLowerCase()} (${sideWords[vote.facts.side]})`
    case 'rejected':
      return `${name}: the second person does not find the limit for ${valueName[vote.facts.judges].toLowerCase()} (${sideWords[vote.facts.side]}) on its page`
    case 'unchecked':
      return `${name}: nobody else has checked the limit for ${valueName[vote.facts.judges].toLowerCase()} (${sideWords[vote.facts.side]}), and somebody may be hurt by it`
    case 'crossed':
      return `${name}: nothing can lie between its limits (${valueName[vote.facts.judges].toLowerCase()}, ${sideWords[vote.facts.side]})`
    case 'noFigure':
      return `A limit of ${name} has no figure: ${dependsWords[vote.facts.kind]}`
  }
}

/** Why a vote says what it says, in one line: value, limit, unit; and how it is set, where it is a setting. */
export function reasonOf(speaker: Speaker, vote: Vote): string {
  const reason = plainReason(speaker, vote)
  return vote.setting && vote.mild === 'adjust' ? `${reason}; ${toSetWords(speaker, vote, vote.setting)}` : reason
}

function plainReason(speaker: Speaker, vote: Vote): string {
  const name = vote.subject === null ? '' : nameOf(speaker, vote.subject)
  switch (vote.rule) {
    case 'limitOpen':
      return limitOpenReason(speaker, vote)
    case 'limit':
      return limitReason(speaker, vote.subject, valueName[vote.facts.limit.judges], vote.code, vote.facts)
    case 'fit':
      return limitReason(
        speaker,
        vote.subject,
        `${name}: ${vote.facts.limit.judges === 'minimum' ? 'smallest' : 'largest'} clearance`,
        vote.code,
        vote.facts,
      )
    case 'forecast':
      return forecastReason(figuresFor(speaker, vote.subject, vote.facts.quantity), vote.code, vote.facts, speaker.meter)
    case 'change':
      return changeReason(speaker, name, vote)
    case 'notMeasured':
      return `${name} is not measured yet`
    case 'cannot': {
      const method = methodOf(speaker, vote.subject)
      return `Cannot be measured: ${listed(
        vote.facts.places.map(({ slot, why }) => `${(method ? slotWords(method, slot) : '') || name} (${why})`),
      )}`
    }
    case 'information':
      return informationReason(name, vote.code)
    case 'repeats':
    case 'gauge':
    case 'stripScale':
    case 'shims':
    case 'springLine':
    case 'formula':
      return faultWords(speaker, vote.subject ?? '', vote.facts.fault).reason
    case 'crossCheck':
      return crossCheckReason(speaker, vote)
    case 'finding':
      return findingReason(speaker, vote)
    case 'pattern':
      return `${patternName(speaker, vote.subject)}: ${patternWords(vote.code, vote.facts.count, vote.facts.limits)}`
    case 'service':
      return serviceReason(speaker, vote)
    case 'leftOut':
      return vote.facts.because === null ? 'Not required' : leftOutWords(speaker, vote.facts.because)
    case 'nothingKnown':
      return 'Not inspected yet'
  }
}

const plainService = {
  renewed: 'Always renewed at an overhaul',
  notDisturbed: 'Renewed at an overhaul; not disturbed at this level',
  disturbed: 'Came out, and is renewed whenever it is disturbed',
  leftInPlace: 'Renewed when disturbed; it has stayed in place',
  whetherOut: 'Renewed when disturbed; nobody has said whether it came out',
  startsUnknown: 'Renewed after so many starts, and nobody has counted them',
  ageUnknown: 'Renewed by its age, and how old it is nobody knows',
} as const

function serviceReason(speaker: Speaker, vote: Extract<Vote, { rule: 'service' }>): string {
  switch (vote.code) {
    case 'everyNth': {
      const { nth, overhaul } = vote.facts
      return `Renewed at every ${ordinal(nth)} overhaul; this is its ${ordinal(overhaul)}`
    }
    case 'afterHours': {
      const { hours, has, mustRun } = vote.facts
      const ran = (count: number): string => ranWords(count, speaker.meter)
      const then = `Renewed after ${ran(hours)}`
      if (has >= hours) return `${then}; it has run ${ran(has)}`
      return has + mustRun > hours
        ? `${then}; it has run ${ran(has)} and would pass them before the next overhaul`
        : `${then}; it has run ${ran(has)} and does not reach them before the next overhaul`
    }
    case 'afterStarts': {
      const { starts, has, toCome } = vote.facts
      const then = `Renewed after ${formatHours(starts)} starts; it has had ${formatHours(has)}`
      if (has >= starts) return then
      return has + toCome > starts
        ? `${then} and would pass them before the next overhaul`
        : `${then} and does not reach them before the next overhaul`
    }
    case 'within':
      return `Sits in ${nameOf(speaker, vote.facts.part)}, and goes with it`
    case 'suited': {
      const { part, route } = vote.facts
      return `Made to suit ${nameOf(speaker, part)}, where that is done by “${routeOf(speaker, part, route)?.name ?? route}”: one decision`
    }
    case 'withMate':
      return `Renewed when ${nameOf(speaker, vote.facts.part)} is`
    case 'set':
      return `One set with ${nameOf(speaker, vote.facts.part)}: what is done to one is done to all`
    default:
      return plainService[vote.code]
  }
}

function informationReason(name: string, code: Extract<Vote, { rule: 'information' }>['code']): string {
  switch (code) {
    case 'asLeftOnly':
      return `${name} is measured as left`
    case 'nothingJudges':
      return `${name} is for information only`
    case 'byChange':
      return `${name} is judged by how it changes`
  }
}

function limitReason(
  speaker: Speaker,
  subject: string | null,
  name: string,
  code: Extract<Vote, { rule: 'limit' | 'fit' }>['code'],
  facts: LimitFacts,
): string {
  const { bound, extent, expanded, unit } = figuresFor(speaker, subject, facts.quantity)
  const { limit, grade, value, where, uncertainty, degreesOfFreedom, taken, needed } = facts
  const wear = `limit ${sign(limit)} ${bound(limit.wear)}${afterFigure(unit)}`
  if (code === 'notMeasured' || value === null) return `${name} is not measured yet, ${wear}`
  const size = `${name} ${extent(value)}`
  const at = (reached: 1 | 2): string =>
    reached === 2 || limit.plan === null
      ? `wear limit ${bound(limit.wear)}${afterFigure(unit)}`
      : `plan limit ${bound(limit.plan)}${afterFigure(unit)}`
  const reached = grade.strong === 2 ? 2 : 1
  switch (code) {
    case 'notAsAsked':
      return `${name}: ${where ? whereWords(speaker, subject, where) : ''}`
    case 'withinStep':
      return `${size} is within the step it was worked to`
    case 'workedToStep':
      return `${size}: worked to a step, so the ${at(2)} for a new one may not apply`
    case 'beyond':
      return `${size} is beyond the ${at(2)}`
    case 'pastPlan':
      return `${size} is past the ${at(1)}, inside the ${at(2)}`
    case 'pastPlanAtLeast':
      return `${size} is past the ${at(1)}; whether beyond the ${at(2)} is open`
    case 'inside':
      return `${size} is inside the limit ${sign(limit)} ${bound(limit.plan ?? limit.wear)}${afterFigure(unit)}`
    case 'doubtful':
      return `${size} does not count until its readings are taken again, ${wear}`
    case 'missing':
      return `${size} so far, ${taken} of ${needed} readings, ${wear}`
    case 'notAFigure':
      return `${size} may lie past the ${at(reached)}`
    case 'undecided':
      return `${size} ± ${expanded(uncertainty, coverageFactor(degreesOfFreedom))} is too close to the ${at(reached)} to say`
  }
}

const lastsWords = {
  no: 'will not last the interval',
  unsure: 'may not last the interval',
  yes: 'lasts the interval',
} as const

const notSureWords: Readonly<Record<NotSure, string>> = {
  twoReadings: 'two readings show no band',
  sinceNew: 'wear as fast as since new would pass it',
  limitEnds: 'its table gives no limit so far on',
}

function forecastReason(figures: Figures, code: keyof typeof lastsWords, facts: ForecastFacts, meter: Meter): string {
  const why = facts.because === undefined ? '' : `${notSureWords[facts.because]}, `
  return `${valueName[facts.limit.judges]} ${lastsWords[code]}: ${why}${foretold(figures, facts, meter)}, wear limit ${figures.bound(facts.limit.wear)}${afterFigure(figures.unit)}`
}

/** What is expected at the next overhaul. */
export function foretold(
  { figure, unit }: Figures,
  { expected, atHours }: Pick<ForecastFacts, 'expected' | 'atHours'>,
  meter: Meter,
): string {
  const at = `at ${ranAtWords(atHours, meter)}`
  return expected
    ? `expected ${figure(expected.value)} (${figure(expected.low)} … ${figure(expected.high)})${afterFigure(unit)} ${at}`
    : at
}

const sinceWords = {
  lastOverhaul: 'since the last overhaul',
  asFound: 'since it was found',
  afterWork: 'since the work',
} as const

function changeReason(speaker: Speaker, name: string, { subject, code, facts }: Extract<Vote, { rule: 'change' }>): string {
  const { difference, unit } = figuresFor(speaker, subject, facts.quantity)
  const may = [
    ...(facts.least === null ? [] : [`at least ${difference(facts.least)}`]),
    ...(facts.greatest === null ? [] : [`at most ${difference(facts.greatest)}`]),
  ].join(', ')
  const permitted = `(${may}${afterFigure(unit)})`
  const since = sinceWords[facts.from]
  if (code === 'open') return `${name}: whether it changed more than permitted ${since} is open ${permitted}`
  const moved =
    facts.moved === null
      ? 'changed by an amount not known to a figure'
      : `changed by ${difference(facts.moved)}${afterFigure(unit)}`
  const method = methodOf(speaker, subject)
  const at = facts.at && method ? placeWords(method, facts.at) : ''
  const told = `${name} ${moved}${at === '' ? '' : ` at ${at}`} ${since}`
  switch (code) {
    case 'inside':
      return `${told}, within the permitted change ${permitted}`
    case 'outside':
      return `${told}, exceeds the permitted change ${permitted}`
    case 'undecided':
      return `${told}, too close to the permitted change to say ${permitted}`
  }
}

function crossCheckReason(speaker: Speaker, vote: Extract<Vote, { rule: 'crossCheck' }>): string {
  switch (vote.code) {
    case 'directApart':
      return `${nameOf(speaker, vote.subject ?? '')}: measured directly it does not lie within what its sizes give`
    case 'apart':
    case 'notFigures':
    case 'oneWayOnly': {
      const name = nameOf(speaker, vote.subject ?? '')
      const method = methodOf(speaker, vote.subject)
      const at = listed(vote.facts.places.map((place) => `at ${method ? placeWords(method, place) : place.station}`))
      if (vote.code === 'apart') return `${name}: strip and measured parts disagree ${at}: one of them is wrong`
      if (vote.code === 'notFigures') return `${name}: whether strip and measured parts agree is not known ${at}`
      return `${name}: the book wants strip and measured parts, and only one of them is there`
    }
    default: {
      const crossCheck = speaker.book.crossChecks?.find(({ id }) => id === vote.subject)
      const name = crossCheck?.name ?? vote.subject ?? ''
      const any = Object.values(crossCheck?.names ?? {})[0]
      const method = any ? methodOf(speaker, any.characteristic) : null
      const place = vote.facts.at && method ? placeWords(method, vote.facts.at) : ''
      const at = place === '' ? '' : ` at ${place}`
      if (vote.code === 'disagrees') return `${name}: the two ways do not agree${at}, so one of the readings is wrong`
      if (vote.code === 'tooRough')
        return `${name}: the doubt of the readings${at} is wider than the two ways may differ, so that they agree says nothing`
      return vote.code === 'open'
        ? `${name}: whether the two ways agree${at} is not known`
        : `${name} is not measured both ways yet`
    }
  }
}

function findingReason(speaker: Speaker, vote: Extract<Vote, { rule: 'finding' }>): string {
  if (vote.code === 'nothingFound') return `Inspected by ${vote.facts.by}: nothing found`
  const { finding, severity } = vote.facts
  const what = `${findingWords[finding].label}, ${severityName[severity].toLowerCase()}`
  switch (vote.code) {
    case 'crack':
      return `${what}: replaced unless the book names a repair`
    case 'noRule':
      return `${what}: the book has no rule for it`
    case 'rule': {
      const { byRule } = vote.facts
      const rule = speaker.book.findingRules.find(({ id }) => id === byRule)
      const where = rule?.foundOn === undefined ? '' : ` on ${nameOf(speaker, rule.foundOn)}`
      return `${what}${where}: ${rule?.text ?? ''}`
    }
  }
}

const patternName = ({ book }: Speaker, id: string | null): string =>
  book.patterns.find((pattern) => pattern.id === id)?.name ?? id ?? ''

/** What would settle a vote; null where nothing is open. */
export const settledBy = (speaker: Speaker, vote: Vote): string | null =>
  vote.settledBy === null ? null : settlingWords(speaker, vote, vote.settledBy)

/** What is done with a part. */
export function wayWords(speaker: Speaker, part: string, { by, routes }: Pick<DecidedWay, 'by' | 'routes'>): string {
  switch (by) {
    case 'own':
      return 'another way, not in the book'
    case 'newPart':
      return 'new part'
    case 'rule':
      return 'as the rule says'
    case 'setting':
      return routes.length === 0
        ? 'set again'
        : routes.map((route) => routeOf(speaker, part, route)?.name ?? route).join(', then ')
    case 'routes':
      return routes.map((route) => routeOf(speaker, part, route)?.name ?? route).join(', then ')
  }
}
