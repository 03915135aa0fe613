import type { ExpectedFrom } from './slip'

/** A value read at another place of the set, with what that place should show if it wore on as before. */
export interface Neighbour {
  readonly value: number
  readonly last: number | null
}

export interface ExpectationInput {
  readonly neighbours: readonly Neighbour[]
  /** What this place should show if it wore on as before, on the same installed part; what it showed last where its pace is not known. */
  readonly last: number | null
  /** How much of that is wear since the last overhaul; null where its pace is not known. */
  readonly growth: number | null
  /** The same place of sister parts, this time. */
  readonly sisters: readonly number[]
  /** What the gauge cannot tell apart: standard uncertainty of a difference, at least half its step. */
  readonly floor: number
  /** From new to the wear limit. */
  readonly allowance: number
  /** The smallest difference within the set that a limit judges; null where none does. */
  readonly shape: number | null
}

/** Where a reading is expected and how far honest ones lie from there (standard deviation). */
export interface Expectation {
  readonly centre: number
  readonly spread: number
  readonly from: ExpectedFrom
}

/** Median absolute deviation of normal values times this is their standard deviation. */
const MAD_TO_SIGMA = 1.4826
/**
 * Parts of what is known about a set that honest readings are let differ by. Chosen on the seeded generator of
 * rates.test.ts, whose catch rates and false warnings are printed there and recorded in docs/slip-guards.md.
 */
/** A place carried on from two earlier overhauls has their doubts in it too, and a little change of pace. */
const PREDICTED = 3.6
const OF_SHIFT = 0.25
const OF_GROWTH = 0.25
const OF_SHAPE = 0.35
const OF_ALLOWANCE = 0.035
const FEW = 1.3

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const upper = sorted[Math.floor(sorted.length / 2)] ?? Number.NaN
  return sorted.length % 2 === 1 ? upper : ((sorted[sorted.length / 2 - 1] ?? upper) + upper) / 2
}
const sigmaOf = (values: readonly number[]): number => {
  const centre = median(values)
  return MAD_TO_SIGMA * median(values.map((value) => Math.abs(value - centre)))
}

/**
 * What a reading is expected to be, from the nearest knowledge there is: its own place last time moved as the set has
 * moved, the other readings of the set, its own place last time, its sisters. Null where there is none of these.
 */
export function expectationOf(input: ExpectationInput): Expectation | null {
  const { neighbours, last, growth, sisters, floor, allowance, shape } = input
  const moved = neighbours.flatMap(({ value, last: before }) => (before === null ? [] : [value - before]))
  const own = shape === null ? OF_ALLOWANCE * allowance : OF_SHAPE * shape
  if (last !== null && moved.length >= 1) {
    const shift = median(moved)
    const scatter = moved.length >= 3 ? sigmaOf(moved) * FEW : 0
    return {
      centre: last + shift,
      spread: Math.max(PREDICTED * floor, scatter, OF_SHIFT * Math.abs(shift)) * (1 + 0.3 / moved.length),
      from: 'lastTime',
    }
  }
  if (last !== null && growth !== null)
    return { centre: last, spread: Math.max(PREDICTED * floor, OF_GROWTH * Math.abs(growth)), from: 'lastTime' }
  if (neighbours.length >= 1) {
    const values = neighbours.map(({ value }) => value)
    const scatter = values.length >= 3 ? sigmaOf(values) * FEW : 0
    // The middle of a few readings is itself in doubt.
    const few = Math.sqrt(1 + 1 / values.length)
    return { centre: median(values), spread: Math.max(floor * 2, scatter, own * few), from: 'neighbours' }
  }
  if (sisters.length >= 3)
    return { centre: median(sisters), spread: Math.max(floor * 2, sigmaOf(sisters) * FEW, own), from: 'sisters' }
  return null
}
