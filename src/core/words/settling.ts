import type { NeverGiven } from '../book/bookFault'
import type { Missing, Settling, Vote } from '../verdict/vote'
import { valueNameOf } from './labels'
import { faultWords } from './methodFaults'
import { placeWords, slotWords, whereWords } from './places'
import { listed } from './plain'
import { methodOf, nameOf, routeOf, type Speaker, variantName } from './speaker'

/** What would settle a vote, as what to do. */
export function settlingWords(speaker: Speaker, vote: Vote, by: Settling): string {
  switch (by.code) {
    case 'take':
      return by.missing.length === 0
        ? 'Take what is missing.'
        : `Take what is missing: ${listed(by.missing.map((missing) => missingWords(speaker, vote.subject, missing)))}.`
    case 'measure':
      return `Measure ${nameOf(speaker, by.characteristic)}.`
    case 'age':
      return `Find out which ${nameOf(speaker, by.part)} was fitted at each earlier overhaul, or renew it.`
    case 'whetherOut':
      return `Lay ${nameOf(speaker, by.part)} out, or confirm or skip the step that takes it out.`
    case 'sides':
      return `Say how many sides of ${nameOf(speaker, by.part)} are used up.`
    case 'otherPart':
      return `Decide ${nameOf(speaker, by.part)} first.`
    case 'chain':
      return `Measure and inspect what it rests on: ${listed(by.parts.map((id) => nameOf(speaker, id)))}.`
    case 'which':
      return `Say which ${variantName(speaker, by.variant)} is fitted.`
    case 'toAFigure':
      return by.text === null
        ? 'Measure it to a figure, with a gauge that reaches it.'
        : `“${by.text}” must be read to a figure, with a gauge that reaches it.`
    case 'suitedMate':
      return `${routeOf(speaker, by.part, by.route)?.name ?? by.route} takes ${nameOf(speaker, by.takes)} beyond its limits: choose a mate made to suit, or replace.`
    case 'routeNeeds':
      return `Measure what “${routeOf(speaker, by.part, by.route)?.name ?? by.route}” needs.`
    case 'routeSays':
      return `Say what “${routeOf(speaker, by.part, by.route)?.name ?? by.route}” does and what size it leaves: without that it restores none.`
    case 'limitOf':
      return `Type the limits of ${nameOf(speaker, by.subject)}.`
    case 'again': {
      if (by.characteristic === null) return 'Check the readings it is worked out from.'
      const method = methodOf(speaker, by.characteristic)
      const at = by.slot && method ? slotWords(method, by.slot) : by.where ? whereWords(speaker, by.characteristic, by.where) : ''
      return `Check again, first ${nameOf(speaker, by.characteristic)}${at === '' ? '' : ` ${at}`}.`
    }
    case 'lookAtEvery':
      return `Inspect every ${speaker.book.patterns.find(({ id }) => id === by.pattern)?.element ?? 'element'}.`
    case 'gate':
      return by.missing.length === 0
        ? 'Take the gate measurements.'
        : `Take the gate measurements: ${listed(by.missing.map((id) => nameOf(speaker, id)))}.`
    case 'never':
      return neverGivenWords(by.fault)
    case 'fault':
      return 'fault' in vote.facts ? faultWords(speaker, vote.subject ?? '', vote.facts.fault).settledBy : ''
    case 'otherWayToo':
      return 'has' in vote.facts && vote.facts.has === 'strip' ? 'Measure bore and journal too.' : 'Lay a strip too.'
    default:
      return plain[by.code]
  }
}

const plain = {
  starts: 'Find out how often it was started, or renew it.',
  makersFigure: 'Ask the maker for the figure, and decide on the safe side until then.',
  routesNeed: 'Measure what the reconditioning routes need.',
  doubtfulAgain: 'Repeat the doubtful readings.',
  stepLimit: 'Check it against the maker’s limit for the step it was worked to.',
  betterGauge: 'Measure with a better gauge, or decide on the safe side.',
  anotherWay: 'Find another way to measure it, or decide on the safe side.',
  atTwenty:
    'Measure at 20 °C, or have the expansion of part and gauge on record: without it, nothing is certain at this temperature.',
  shorterInterval: 'Shorten the interval, or decide on the safe side.',
  limitThen: 'Type the limit for the hours of the next overhaul, or plan a shorter interval.',
  findOutWhy: 'Find out why, then decide.',
  newStrip: 'Lay a new strip there, and measure bore and journal there again.',
  figuresThere: 'Read strip, bore and journal there to figures.',
  bothToFigures: 'Take the readings it is worked out from as figures.',
  bothWays: 'Measure both ways: the book requires it.',
  byEye: 'Decide on the part by eye and say why.',
  typeLimit: 'Type the limit with its document and page, or say with its page that there is none.',
  typeAgain: 'Type the limit as its page has it.',
  checkLimit: 'Have a second person hold it against its page.',
  look: 'Inspect it and note what was found, or that nothing was.',
} as const satisfies Partial<Record<Settling['code'], string>>

/** Something still to be taken. */
function missingWords(speaker: Speaker, subject: string | null, missing: Missing): string {
  switch (missing.code) {
    case 'slot': {
      const method = methodOf(speaker, subject)
      return method ? slotWords(method, missing.slot) : missing.slot.station
    }
    case 'other':
      return nameOf(speaker, missing.characteristic)
    case 'runsIn':
      return `${nameOf(speaker, missing.characteristic)}, in which it runs`
    case 'readings':
      return `${nameOf(speaker, missing.characteristic)} (${missing.count})`
    case 'toAFigure': {
      const method = methodOf(speaker, missing.characteristic)
      const places = method ? missing.places.map((place) => placeWords(method, place)).join(', ') : ''
      return `${nameOf(speaker, missing.characteristic)} to a figure ${places}`
    }
  }
}

/** Why a value can never come of a characteristic as it is set up. */
export function neverGivenWords(fault: NeverGiven): string {
  switch (fault.code) {
    case 'notGiven':
      return `“${valueNameOf(fault.value)}” can never be worked out as this is set up: too few places, or nothing to work it out from.`
    case 'wearFromNothing':
      return 'Wear is counted from a new size, an unworn station or an earlier overhaul, and there is none.'
  }
}
