import { kindOf } from '../method/kinds'
import { layoutOf } from '../method/layout'
import type { Method } from '../method/method'
import { namedBy, type Term } from '../method/reduction'
import { NO_PLACE, type Place, type Slot } from '../method/slot'
import type { Counted, PlaceOf, PlainTerm, StatedName, TermName, Where } from '../method/where'
import { figuresOf } from '../quantity/figures'
import { formatQuantity, unitOf } from '../quantity/format'
import { quantityFacts } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { afterFigure, counted } from './plain'
import { methodOf, type Speaker } from './speaker'

/** Names of places that a method brings itself, by their ids. */
const ownPlaces: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  shaftAlignment: { rim: 'rim, radial', face: 'face, axial' },
  openingPressure: { p: 'opens at', drip: 'dry, no drip', hold: 'fall of pressure' },
  spring: { L1: 'load, longer length', L2: 'load, shorter length', L0: 'free length', e: 'lean' },
}

/** What a place of a method is called, without its id. */
export function placeName(method: Method, { id, label }: Place): string {
  const own = ownPlaces[method.kind]?.[id]
  if (own === undefined) return label
  return method.kind === 'openingPressure' && id === 'hold' ? `falls in ${method.holdSeconds ?? 0} s` : own
}

/** One place along or around, as a person says it: “B middle”, “2 · 90°”. */
function stationWords(method: Method, along: 'station' | 'direction', id: string): string {
  if (id === NO_PLACE) return ''
  const { stations, directions } = layoutOf(method)
  const place = (along === 'station' ? stations : directions).find((other) => other.id === id)
  const label = place ? placeName(method, place) : ''
  if (label === '' || label === id) return id
  const { bare } = kindOf(method)
  if (bare === (along === 'station' ? 'stations' : 'directions')) return label
  // “1 0°” would be one figure.
  return /^\d/.test(label) && /\d$/.test(id) ? `${id} · ${label}` : `${id} ${label}`
}

const onlyFilled = (...words: readonly string[]): string => words.filter((word) => word !== '').join(', ')

/** What a person calls a place: “B middle, 2 level”. */
export function placeWords(method: Method, { station, direction }: PlaceOf): string {
  const onlyDirection = kindOf(method).hidesDirections?.(method) ?? false
  return onlyFilled(stationWords(method, 'station', station), onlyDirection ? '' : stationWords(method, 'direction', direction))
}

/** What a person calls a slot: “B middle, 2 level”, “repeat 3”. */
export function slotWords(method: Method, slot: Slot): string {
  const { repeats, moreRepeats } = layoutOf(method)
  return onlyFilled(placeWords(method, slot), repeats > 1 || moreRepeats || slot.repeat > 1 ? `repeat ${slot.repeat}` : '')
}

const countedWords: Readonly<Record<Counted, readonly [one: string, more: string]>> = {
  readings: ['reading', 'readings'],
  places: ['place', 'places'],
  repeats: ['repeat', 'repeats'],
  strips: ['strip', 'strips'],
  wires: ['wire', 'wires'],
  cells: ['cell', 'cells'],
  around: ['reading around', 'readings around'],
  rim: ['rim reading', 'rim readings'],
  face: ['face reading', 'face readings'],
}

/** So many places are named. */
const MOST_NAMED = 6

/** Where a value of a characteristic or a fit lies, or how it was got. */
export function whereWords(speaker: Speaker, subject: string | null, where: Where): string {
  const method = methodOf(speaker, subject)
  const at = (place: PlaceOf): string => (method ? placeWords(method, place) : onlyFilled(place.station, place.direction))
  const one = (along: 'station' | 'direction', id: string): string => (method ? stationWords(method, along, id) : id)
  switch (where.code) {
    case 'place':
      return at(where)
    case 'places':
      return where.places.slice(0, MOST_NAMED).map(at).join('; ')
    case 'counted':
      return counted(where.count, ...countedWords[where.of])
    case 'meanOf':
      return `mean of ${where.count}`
    case 'noneOf':
      return `of ${where.count} seen`
    case 'against':
      return `${at(where.one)} against ${at(where.other)}`
    case 'opposite':
      return `${one(where.along, where.one)} against ${one(where.along, where.other)}`
    case 'station':
      return `at ${one('station', where.station)}`
    case 'roundStation':
      return `at ${one('station', where.station)}, ${counted(where.directions, 'direction', 'directions')}`
    case 'direction':
      return `direction ${one('direction', where.direction)}`
    case 'widerIsPositive':
      return `${at(where)} wider is positive`
    case 'inSeconds':
      return `in ${where.seconds} s`
    case 'inDiameter':
      return `in Ø ${lengthWords(where.diameterMm, speaker.units)}`
    case 'whereItRuns':
      return onlyFilled('where it runs', whereWords(speaker, where.characteristic, where.where))
    case 'formula':
      return where.formula
    case 'pairs':
      return where.acrossJoint ? 'pairs, across the joint too' : 'pairs'
    case 'fromSizes':
      return ''
    case 'betweenEnds':
      return 'between the ends'
    case 'atWorkingLength':
      return 'at the working length'
    case 'betweenLengths':
      return 'between the two lengths'
    case 'afterClosing':
      return 'after crossCheck'
    case 'toSetting':
      return 'to reach its setting'
    case 'clockwiseFromTop':
      return 'clockwise from the top'
  }
}

const STEP_MM = 0.001
export const lengthWords = (mm: number, units: UnitSystem): string =>
  `${formatQuantity(mm, 'length', units, STEP_MM)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')} ${unitOf('length', units)}`

const plainTerms: Readonly<Record<PlainTerm, string>> = {
  largest: 'largest',
  smallest: 'smallest',
  mean: 'mean',
  new: 'new',
  asLeft: 'as it was left',
  byScale: 'by its scale',
  apart: 'apart',
  shim: 'shim',
  lever: 'lever: at the bearing for 1 at the dial',
  meanBetween: 'mean between',
  meanOfEnds: 'mean of the ends',
  setting: 'setting',
  fall: 'fall',
  newLoad: 'new load',
  load: 'load',
  target: 'of',
  faceHarmonic: 'face, first harmonic',
  radius: 'on the radius',
  farthest: 'farthest off',
  result: 'result',
  bore: 'bore',
  journal: 'journal',
}

/** What a fit states beside its sizes. */
export const statedWords = (name: StatedName): string => (typeof name === 'string' ? statedNames[name] : name.as)

const statedNames: Readonly<Record<Extract<StatedName, string>, string>> = {
  bearingBore: 'bore of the bearing',
  bearingOutside: 'outside of the bearing',
  growth: 'growth when warm',
  playBefore: 'play before it was driven up',
  roundReference: 'π × reference diameter',
}

/** What a term of a sum is. */
function termName(speaker: Speaker, subject: string | null, name: TermName): string {
  const method = methodOf(speaker, subject)
  const where = (of: Where): string => whereWords(speaker, subject, of)
  const one = (along: 'station' | 'direction', id: string): string => (method ? stationWords(method, along, id) : id)
  switch (name.code) {
    case 'place':
      return where({ ...name, code: 'place' })
    case 'stripWidth':
      return 'strip width'
    case 'wire':
      return `wire ${where({ ...name, code: 'place' })}`
    case 'station':
      return one('station', name.station)
    case 'unwornMean':
      return `unworn, mean ${where({ code: 'station', station: name.station })}`
    case 'repeat':
      return `repeat ${name.repeat}`
    case 'half':
      return `half at ${one(name.along, name.at)}`
    case 'named':
      return name.name
    case 'sizeOf':
      return speaker.characteristic(name.characteristic)?.name ?? name.characteristic
    case 'stated':
      return statedWords(name.name)
    case 'roundTheWall':
      return `π × (${name.springs === 'outward' ? 'largest bore' : 'smallest rod'} − reference)`
    default:
      return plainTerms[name.code]
  }
}

/** A sum in words: “largest 0.03, less smallest −0.02”. Terms of another kind than the value carry their unit. */
export function sumWords(
  speaker: Speaker,
  subject: string | null,
  sum: readonly Term[],
  own: { readonly quantity: Term['quantity']; readonly extent: (of: Pick<Term, 'value' | 'interval'>) => string },
): string {
  return sum
    .map((term) => {
      const name = `${term.less ? 'less ' : ''}${termName(speaker, subject, term.name)}`
      if (term.quantity === own.quantity) return `${name} ${own.extent(namedBy(term))}`
      const { extent, unit } = figuresOf(term.quantity, speaker.units, quantityFacts[term.quantity].step)
      return `${name} ${extent(namedBy(term))}${afterFigure(unit)}`
    })
    .join(', ')
}

/** A reading as typed, and where: “12.34” at B middle. */
export function readingAt(speaker: Speaker, characteristic: string, { text, slot }: { text: string; slot: Slot }): string {
  const method = methodOf(speaker, characteristic)
  const place = method ? slotWords(method, slot) : ''
  return place === '' ? `“${text}”` : `“${text}” at ${place}`
}
