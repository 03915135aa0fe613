import { coverageFactor } from '../gauge/errors'
import type { Grade } from '../limit/conformity'
import { probabilityOfConformity } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import type { ReductionName } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import { formatEnds, unitOf, withSign } from '../quantity/format'
import { differenceOf } from '../quantity/kind'
import type { RouteTried, TraceStep, Vote } from '../verdict/vote'
import { findingWords, severityName } from './findings'
import { spreadWords, valueName } from './labels'
import { perThousandWords, ranAtWords, ranWords } from './meter'
import { slotWords, sumWords, whereWords } from './places'
import { afterFigure, counted, listed } from './plain'
import { setByWords } from './settings'
import { figuresFor, methodOf, nameOf, optionName, routeOf, type Speaker, variantName } from './speaker'
import { foretold } from './votes'

/** One step of the way from readings to verdict. */
export function traceWords(speaker: Speaker, vote: Vote, step: TraceStep): string {
  const { subject } = vote
  const figures = 'quantity' in step ? figuresFor(speaker, subject, step.quantity) : null
  switch (step.kind) {
    case 'reading':
      return readingWords(speaker, subject, step)
    case 'reduction': {
      const { extent, unit } = figuresFor(speaker, subject, step.quantity)
      const where = whereWords(speaker, subject, step.where)
      const sum = sumWords(speaker, subject, step.sum, { quantity: step.quantity, extent })
      const value = `${extent(step.value)}${afterFigure(unit)}`
      if (step.judges === null) return `${[where === '' ? '' : `${where}:`, sum].join(' ').trim()} → ${value}`.trim()
      return `${valueName[step.judges]} ${value}${where === '' ? '' : `, ${where}`}${step.sum.length > 1 ? ` = ${sum}` : ''}`
    }
    case 'uncertainty': {
      const { expanded, unit } = figuresFor(speaker, subject, step.quantity)
      const k = coverageFactor(step.degreesOfFreedom)
      const gauges = step.gauges.length === 0 ? '' : `, gauge ${step.gauges.join(', ')}`
      return `± ${expanded(step.uncertainty, k)}${afterFigure(unit)} (k = ${k.toFixed(k === 2 ? 0 : 2)})${gauges}${step.noise === undefined ? '' : noiseWords(step.judges, expanded(step.noise, 1), afterFigure(unit))}`
    }
    case 'limit': {
      const { bound, expanded, unit } = figures ?? figuresFor(speaker, subject, step.quantity)
      const { side, plan, wear, instruction } = step.limit
      const sign = side === 'upper' ? '≤' : '≥'
      const guard = step.guard > 0 ? `, guard band ${expanded(step.guard, 1)}` : ''
      return `${plan === null ? '' : `plan ${sign} ${bound(plan)}, `}wear ${sign} ${bound(wear)}${afterFigure(unit)}${guard}${lookedUpWords(speaker, step.limit)}${conformityWords(vote)}${instruction === '' ? '' : `. ${instruction}`}`
    }
    case 'forecast':
      return paceWords(speaker, subject, step)
    case 'finding':
      if (step.code === 'noted') return `noted by ${step.by}${step.note === '' ? '' : `: ${step.note}`}`
      return `${step.count.seen} of ${step.count.elements} seen by ${step.by}: ${step.count.broken} broken, ${counted(step.count.adjacentPairs, 'adjacent pair', 'adjacent pairs')}, ${step.count.worn} worn`
    case 'route':
      return routeWords(speaker, step)
    case 'rule':
      return ruleWords(speaker, step)
  }
}

const signed = (text: string): string => (text.startsWith('−') ? text : `+${text}`)

function readingWords(speaker: Speaker, subject: string | null, step: Extract<TraceStep, { kind: 'reading' }>): string {
  const { figure, difference, unit } = figuresFor(speaker, subject, step.quantity)
  const method = methodOf(speaker, subject)
  const place = method ? slotWords(method, step.slot) : ''
  const done = [
    step.master === null ? '' : `on the master ${figure(step.master)}`,
    step.zero === 0 ? '' : `zero ${signed(difference(step.zero))}`,
    step.calibration === 0 ? '' : `calibration ${signed(difference(step.calibration))}`,
    step.temperature === 0 ? '' : `to 20 °C ${signed(difference(step.temperature))}`,
  ].filter((what) => what !== '')
  const value = formatEnds(step.ends.low, step.ends.high, figure)
  return `${place}: “${step.text}”${done.length === 0 ? '' : `, ${done.join(', ')}`} → ${value}${afterFigure(unit)}`
}

/** Readings that are the same differ by their noise: a limit on the worst of them, or on their spread, judges that too. */
const noiseWords = (judges: ReductionName | null, by: string, unit: string): string =>
  judges === 'maximum' || judges === 'minimum'
    ? `; noise alone pushes the worst place by about ${by}${unit}`
    : `; noise alone widens it by about ${by}${unit}`

function paceWords(speaker: Speaker, subject: string | null, step: Extract<TraceStep, { kind: 'forecast' }>): string {
  const figures = figuresFor(speaker, subject, step.quantity)
  const difference = differenceOf(step.quantity)
  const pace = `${withSign(figures.rate(step.perThousandHours))} ${unitOf(difference, speaker.units)} ${perThousandWords(speaker.meter)}`
  const from = step.spread ? `; 95 % by ${spreadWords[step.spread]}` : ''
  return `${pace} over ${step.overhauls} overhauls from ${ranAtWords(step.fromHours, speaker.meter)} to ${ranAtWords(step.toHours, speaker.meter)}; ${ranWords(step.mustRunHours, speaker.meter)} to run: ${foretold(figures, step, speaker.meter)}${from}`
}

const routeStanding = { feasible: 'open', infeasible: 'closed', unknown: 'not known yet' } as const

function routeWords(speaker: Speaker, tried: RouteTried): string {
  const { part, route, outcome, leavesMm, cleansUpAtMm, against, sides } = tried
  const found = routeOf(speaker, part, route)
  const { figure } = figuresFor(speaker, found?.sizeAfter?.characteristic ?? null, 'length')
  const cleans = cleansUpAtMm === null ? '' : `, cleans up at ${figure(cleansUpAtMm)}`
  const range = sides
    ? `turns it to another side, ${sides.used === null ? 'how many are used up is not said' : `${sides.used} of ${sides.has} used up`}`
    : leavesMm
      ? `leaves ${figure(leavesMm.least)} … ${figure(leavesMm.greatest)}${cleans}`
      : 'rebuilds the surface'
  const stands =
    against === null
      ? ''
      : against.as === 'ownFit'
        ? `, which does not bring ${nameOf(speaker, against.id)} inside its limits`
        : `, beyond what ${nameOf(speaker, against.id)} allows${against.as === 'otherFit' ? ' with its mate as measured' : ''}`
  return `${found?.name ?? route}: ${range}${stands}: ${routeStanding[outcome]}${tried.after ? `. ${workWords(tried.after)}` : ''}`
}

/** What work must leave beside its size. */
export const workWords = ({ finish, restores }: NonNullable<RouteTried['after']>): string =>
  [finish === null ? '' : `Finish ${finish}.`, restores.length === 0 ? '' : `Make again: ${listed(restores)}.`]
    .filter((text) => text !== '')
    .join(' ')

const gradeWords: Readonly<Record<Grade, string>> = { 0: 'inside', 1: 'past the plan limit', 2: 'beyond the wear limit' }

function ruleWords(speaker: Speaker, step: Extract<TraceStep, { kind: 'rule' }>): string {
  switch (step.code) {
    case 'grades': {
      const { mild, strong } = step.grade
      const found = mild === strong ? gradeWords[mild] : `from ${gradeWords[mild]} to ${gradeWords[strong]}`
      return `${found} asks for ${spanWords(step.mild, step.strong)}`
    }
    case 'lasts':
      return `${{ no: 'beyond the wear limit before the next overhaul', unsure: 'the wear limit lies within the expected band', yes: 'inside until the next overhaul' }[step.lasts]} (policy: must last the interval)`
    case 'setting':
      return `a setting, ${setByWords(step.setting)}; it rests on ${listed(step.setting.chain.map((id) => nameOf(speaker, id)))}`
    case 'severity':
      return `from ${severityName[step.from].toLowerCase()}: ${step.asks}`
    case 'usually':
      return `usually: ${findingWords[step.finding].mends}`
    case 'pattern':
      return speaker.book.patterns.find(({ id }) => id === step.pattern)?.instruction ?? ''
  }
}

/** What the figures of a limit were looked up or worked out by. */
function lookedUpWords(speaker: Speaker, { by }: Limit): string {
  switch (by?.kind) {
    case undefined:
      return ''
    case 'hours':
      return `, by its table at ${ranAtWords(by.hours, speaker.meter)}`
    case 'size': {
      const { figure, unit } = figuresFor(speaker, by.characteristic, 'length')
      return `, by its table for a size of ${figure(by.size)}${afterFigure(unit)}`
    }
    case 'variant':
      return `, for ${variantName(speaker, by.variant)}: ${optionName(speaker, by.variant, by.option)}`
    case 'formula':
      return `, by ${by.formula}`
  }
}

const spanWords = (mild: Disposition, strong: Disposition): string => (mild === strong ? mild : `${mild} to ${strong}`)

const CERTAIN = 0.999

/**
 * How likely the true value keeps the wear limit, from the value and its doubt alone (JCGM 106, 7.2); it does not depend on the
 * guard band. Nothing where the value is no figure, or nobody knows its doubt.
 */
function conformityWords(vote: Vote): string {
  if (vote.rule !== 'limit' && vote.rule !== 'fit') return ''
  const { limit, value, uncertainty } = vote.facts
  if (value?.value == null || uncertainty === 0) return ''
  const [lower, upper] = limit.side === 'upper' ? [null, limit.wear] : [limit.wear, null]
  const probability = probabilityOfConformity({ value: value.value, standardUncertainty: uncertainty, lower, upper })
  const percent =
    probability > CERTAIN
      ? 'more than 99.9 %'
      : probability < 1 - CERTAIN
        ? 'less than 0.1 %'
        : `${(100 * probability).toFixed(1)} %`
  return `; keeps it with a probability of ${percent}`
}
