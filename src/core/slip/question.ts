import type { Gauge } from '../gauge/gauge'
import { beyondRange } from '../gauge/reach'
import type { Limit } from '../limit/limit'
import { kindOf, type Method } from '../method/kinds'
import { wearsTowards } from '../method/method'
import { exceeds } from '../quantity/decimal'
import { point } from '../quantity/interval'
import { candidatesOf, type Typed } from './candidates'
import { type ExpectationInput, expectationOf } from './expectation'
import type { Likely, SlipQuestion } from './slip'

export interface SlipInput extends Typed {
  readonly method: Method
  /** Last place typed, in the fixed unit; null for a fraction. */
  readonly typedStep: number | null
  /** Least and greatest when new; null where no document gives it. */
  readonly newSize: readonly [number, number] | null
  /** Limits that judge the readings themselves (largest, smallest, mean, total), not differences of them. */
  readonly limits: readonly Limit[]
  /** Expanded uncertainty of one reading: a new part may measure this much beyond its own limits. */
  readonly expandedUncertainty: number
  readonly gauge: Gauge
  /** Calibration was asked about before with this gauge, in this job. */
  readonly gaugeUsedBefore: boolean
  /** Greatest permissible error that is asked for here; null where any will do. */
  readonly errorAsked: number | null
  readonly today: string
  /** Texts read just before in the set, nearest first, each with what its place should show by its own past. */
  readonly before: readonly { readonly text: string; readonly last: number | null }[]
  /** Repeats read at this place, and their limit; null where repeats do not matter. */
  readonly repeats: { readonly values: readonly number[]; readonly limit: number; readonly first: string | null } | null
  readonly expects: Omit<ExpectationInput, 'allowance' | 'floor'>
}

/** How far beyond the wear limit a worn part is still believed, as a part of the whole wear allowance. */
const BELIEVED_BEYOND_WEAR = 0.5
/** From so many standard deviations on a reading is questioned when a slip explains it. */
const SUSPECT = 3
/** And when a slip that moves far explains it well: an honest reading hardly ever lies just that far off. */
const SUSPECT_OF_FAR_SLIP = 2
/** And without any explanation. */
const UNEXPLAINED_SIGMAS = 7
/** What was meant lies at most so far from what is expected. */
const EXPLAINED = 2
const EXPLAINED_WELL = 1
/** A gauge is believed to half its division. */
const INTERPOLATED = 0.5
/** Honest readings that scatter by this many divisions hardly ever show one figure four times over. */
const TOLD_APART = 1.7
const TOLD_APART_BY_PAST = 2
/** The same figure so often in a row is questioned where the gauge tells honest readings apart. */
const COPIED = 3
/** Places that should differ by so many times what the gauge cannot tell apart do not show one figure again and again. */
const DIFFER = 6
/** A pace has the doubts of two more readings in it. */
const OF_PACE = 1.7

/**
 * Questions a reading that looks like a slip. Null when nothing is wrong. It warns and proposes; a person chooses.
 * Readings whose own scale judges them (widths of a strip, answers, cells) are only held against gauge and repeats.
 */
export function questionReading(input: SlipInput): SlipQuestion | null {
  return farFromExpected(input) ?? ofGauge(input) ?? spreadOfRepeats(input) ?? copied(input)
}

/** A size that wears one way only. */
const wearsOneWay = (method: Method): boolean => kindOf(method).slips.oneWay ?? false

/** Part of a diameter or a thickness that it may usually lose, where no new size says how much: what a tenth of it is a slip. */
const USUAL_ALLOWANCE = 0.005

/** The band a part is taken to have had when new; reckoned from its limit where no document gives it. */
function newBand({ newSize, limits, method, value }: SlipInput): readonly [number, number] {
  if (newSize) return newSize
  const at = limits[0]?.wear ?? value
  if (!wearsOneWay(method)) return [0, 0]
  const allowance = USUAL_ALLOWANCE * Math.abs(at)
  return wearsTowards(method) === 'larger' ? [at - allowance, at - allowance] : [at + allowance, at + allowance]
}

function allowanceOf(input: SlipInput): number {
  const sizes = [...newBand(input), ...input.limits.map(({ wear }) => wear), ...(input.limits.length === 0 ? [input.value] : [])]
  return Math.max(...sizes) - Math.min(...sizes)
}

const floorOf = ({ gauge, expandedUncertainty }: SlipInput): number => Math.max(gauge.resolution / 2, expandedUncertainty / 4)

function farFromExpected(input: SlipInput): SlipQuestion | null {
  // Their figures say nothing by themselves: a dial's depend on where it was zeroed, a strip's on its scale.
  if (kindOf(input.method).slips.byScale) return null
  const { value } = input
  const judged = input.limits.length > 0
  const believed = judged ? believedSizes(input) : null
  if (believed && (value < believed[0] || value > believed[1])) return beyondBelief(input, believed)
  // Resistances, flows and loads scatter by more than their meters' errors, and nothing here says by how much.
  if (input.quantity !== 'length') return null
  const expected = expectationOf({ ...input.expects, allowance: allowanceOf(input), floor: floorOf(input) })
  if (expected === null) return judged ? likelier(input) : null
  const distance = (at: number): number => Math.abs(at - expected.centre) / expected.spread
  const off = distance(value)
  if (off <= SUSPECT_OF_FAR_SLIP) return null
  const likely = candidatesOf(input)
    .filter((candidate) => believed === null || within(candidate.value, believed))
    .filter(({ kind, value: meant }) =>
      off > SUSPECT ? distance(meant) <= EXPLAINED : kind !== 'digitsSwapped' && distance(meant) <= EXPLAINED_WELL,
    )
    .sort((a, b) => distance(a.value) - distance(b.value))[0]
  if (!likely && off <= UNEXPLAINED_SIGMAS) return null
  const reach = SUSPECT * expected.spread
  return {
    code: 'farOff',
    value,
    expected: [expected.centre - reach, expected.centre + reach],
    from: expected.from,
    likely: likely ?? null,
  }
}

/** Part of the wear allowance that a part has usually used up; beyond it a slip that reads less worn is the likelier. */
const USUALLY_WORN = 0.6
/** A part new or hardly worn may read this part of the allowance beyond new. */
const AROUND_NEW = 0.1
/** Where no document gives a new size, a clearance is hardly ever a smaller part of its limit than this. */
const SMALLEST_PART = 0.1

/** The first reading of a first overhaul: nothing says where it should lie, but one slip may make it far more likely. */
function likelier(input: SlipInput): SlipQuestion | null {
  const usual = usualSizes(input)
  const { value } = input
  if (usual === null || within(value, usual)) return null
  const likely = candidatesOf(input)
    .filter((candidate) => within(candidate.value, usual))
    .sort((a, b) => fromMiddle(a.value, usual) - fromMiddle(b.value, usual))[0]
  return likely ? { code: 'farOff', value, expected: usual, from: 'limits', likely } : null
}
const fromMiddle = (value: number, [from, to]: readonly [number, number]): number => Math.abs(value - (from + to) / 2)

/** Where most parts lie at an overhaul: from new, or from where it was last time, to so much of the allowance further. */
function usualSizes(input: SlipInput): readonly [number, number] | null {
  const { newSize, limits, method } = input
  const { last } = input.expects
  const sizes = limits.map(({ wear }) => wear)
  if (newSize === null) {
    const [greatest, least] = [Math.max(...sizes), Math.min(...sizes)]
    return wearsOneWay(method) || least <= 0 || least !== greatest ? null : [SMALLEST_PART * greatest, greatest]
  }
  const larger = wearsTowards(method) === 'larger'
  const [low, high] = last === null ? newSize : [last, last]
  const worn = larger ? Math.max(high, ...sizes) - high : low - Math.min(low, ...sizes)
  const around = AROUND_NEW * allowanceOf(input)
  return larger ? [low - around, high + USUALLY_WORN * worn] : [low - USUALLY_WORN * worn, high + around]
}

const within = (value: number, [from, to]: readonly [number, number]): boolean => value >= from && value <= to

function believedSizes(input: SlipInput): readonly [number, number] {
  const { method, limits, expandedUncertainty } = input
  const newSize = newBand(input)
  const sizes = limits.map(({ wear }) => wear)
  const low = Math.min(newSize[0], ...sizes)
  const high = Math.max(newSize[1], ...sizes)
  const beyond = BELIEVED_BEYOND_WEAR * (high - low)
  // A gap may be set too small as well as worn too wide; a diameter or a thickness only wears one way.
  if (!wearsOneWay(method)) return [low < 0 ? low - beyond : Math.max(0, low - beyond), high + beyond]
  // A reckoned new size is no wall: the part may well be as far on its other side.
  if (input.newSize === null) return [low - beyond - (high - low), high + beyond + (high - low)]
  return wearsTowards(method) === 'larger'
    ? [newSize[0] - expandedUncertainty, high + beyond]
    : [low - beyond, newSize[1] + expandedUncertainty]
}

function beyondBelief(input: SlipInput, believed: readonly [number, number]): SlipQuestion {
  const [from, to] = believed
  const { value } = input
  const larger = wearsTowards(input.method) === 'larger'
  const oneWay = wearsOneWay(input.method)
  const wrongSide = input.newSize !== null && oneWay && (larger ? value < from : value > to)
  // A little beyond new is a matter of master, temperature or dirt; far beyond it is a slip like any other.
  const span = to - from
  const near = larger ? value >= from - span : value <= to + span
  return {
    code: wrongSide && near ? 'wrongSideOfNew' : 'farOff',
    value,
    expected: believed,
    from: 'limits',
    likely: likelyWithin(input, believed),
  }
}

/** The candidate nearest to the other readings of the set, or to the middle of what is believed. */
function likelyWithin(input: SlipInput, believed: readonly [number, number]): Likely | null {
  const expected = expectationOf({ ...input.expects, allowance: allowanceOf(input), floor: floorOf(input) })
  const centre = expected?.centre ?? (believed[0] + believed[1]) / 2
  const [best] = candidatesOf(input)
    .filter((candidate) => within(candidate.value, believed))
    .sort((a, b) => Math.abs(a.value - centre) - Math.abs(b.value - centre))
  return best ?? null
}

function ofGauge({
  gauge,
  value,
  deviation,
  text,
  typedStep,
  gaugeUsedBefore,
  errorAsked,
  today,
}: SlipInput): SlipQuestion | null {
  if (gauge.kind === 'eye') return null
  const reach = beyondRange(gauge, point(value), deviation === null ? null : value - deviation)
  if (gauge.range && reach !== null)
    return {
      code: 'outsideRange',
      value: reach,
      range: [gauge.range.least, gauge.range.greatest],
      gauge: gauge.code,
      likely: null,
    }
  if (!gaugeUsedBefore && gauge.calibrationDue < today)
    return { code: 'calibrationLapsed', gauge: gauge.code, due: gauge.calibrationDue, likely: null }
  if (!gaugeUsedBefore && errorAsked !== null && exceeds(gauge.maximumPermissibleError, errorAsked))
    return { code: 'notOfClass', gauge: gauge.code, error: gauge.maximumPermissibleError, asked: errorAsked, likely: null }
  const shown = deviation ?? value
  const steps = shown / (gauge.resolution * INTERPOLATED)
  const between = Math.abs(steps - Math.round(steps)) * gauge.resolution * INTERPOLATED
  // A figure converted from another unit never falls on a division; one typed to the gauge's own step does.
  if (typedStep !== null && typedStep < gauge.resolution * INTERPOLATED * 0.99 && between > typedStep / 2)
    return { code: 'finerThanGauge', text, resolution: gauge.resolution, gauge: gauge.code, likely: null }
  return null
}

function spreadOfRepeats({ repeats, value }: SlipInput): SlipQuestion | null {
  if (repeats === null || repeats.values.length === 0) return null
  const all = [...repeats.values, value]
  const range = Math.max(...all) - Math.min(...all)
  const before = Math.max(...repeats.values) - Math.min(...repeats.values)
  // One that lies among the others is not to blame for their spread.
  return exceeds(range, repeats.limit) && exceeds(range, before)
    ? { code: 'repeatsSpread', range, limitValue: repeats.limit, first: repeats.first, likely: null }
    : null
}

/** Figures written down again, where honest readings of this gauge would differ: one down a column, or a column beside another. */
function copied(input: SlipInput): SlipQuestion | null {
  const { text, before, method, gauge, repeats } = input
  if (repeats !== null || kindOf(method).slips.byScale) return null
  const set = [{ text, last: input.expects.last }, ...before]
  const expected = expectationOf({ ...input.expects, allowance: allowanceOf(input), floor: floorOf(input) })
  // A coarse gauge shows the same figure honestly.
  const divisions = expected === null ? 0 : expected.spread / gauge.resolution
  const toldApart = expected !== null && divisions >= (expected.from === 'lastTime' ? TOLD_APART_BY_PAST : TOLD_APART)
  const paced = input.expects.growth === null ? 1 : OF_PACE
  for (let period = 1; period <= before.length; period += 1) {
    const same = set.findIndex((one, index) => one.text !== set[index + period]?.text)
    const times = same < 0 ? set.length - period : same
    const farthest = Math.max(
      0,
      ...set.slice(0, times).map(({ last }, index) => {
        const other = set[index + period]?.last ?? null
        return last === null || other === null ? 0 : Math.abs(last - other)
      }),
    )
    // One figure twice is chance.
    const differ = times < 2 ? Number.POSITIVE_INFINITY : DIFFER
    if (
      (toldApart && times >= (period > 1 || times === before.length ? COPIED : COPIED + 1)) ||
      farthest > differ * paced * floorOf(input)
    )
      return { code: 'copiedDown', text, times, likely: null }
  }
  return null
}
