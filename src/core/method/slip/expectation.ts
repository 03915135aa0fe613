import type { ExpectedFrom } from './slip'

/** A value read at another place of the set, with what that place showed at the last overhaul. */
export interface Neighbour {
  readonly value: number
  readonly last: number | null
}

export interface ExpectationInput {
  readonly neighbours: readonly Neighbour[]
  /** What this place showed at the last overhaul, on the same installed part. */
  readonly last: number | null
  /** How far the set as a whole is expected to have moved since, from its wear line; null without one. */
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
 * slip.rates.test.ts, whose catch rates and false warnings are printed there and recorded in docs/slip-guards.md.
 */
const OF_SHIFT = 0.2
const OF_GROWTH = 0.5
const OF_SHAPE = 0.35
const OF_ALLOWANCE = 0.12
const FEW = 1.5

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
      spread: Math.max(floor * Math.SQRT2, scatter, OF_SHIFT * Math.abs(shift)) * (moved.length === 1 ? FEW : 1),
      from: 'lastTime',
    }
  }
  if (last !== null && growth !== null)
    return { centre: last + growth, spread: Math.max(floor * 2, OF_GROWTH * Math.abs(growth), own / 2), from: 'lastTime' }
  if (neighbours.length >= 1) {
    const values = neighbours.map(({ value }) => value)
    const scatter = values.length >= 3 ? sigmaOf(values) * FEW : 0
    return { centre: median(values), spread: Math.max(floor * 2, scatter, own), from: 'neighbours' }
  }
  if (sisters.length >= 3)
    return { centre: median(sisters), spread: Math.max(floor * 2, sigmaOf(sisters) * FEW, own), from: 'sisters' }
  return null
}
