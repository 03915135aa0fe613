import { expect, test } from 'vitest'
import { brokenFrom } from '../base/random.fixture'
import { furtherPastIsNeverMilder, lessKnownIsMilder } from './lessKnown.fixture'

const FROM = 20_261_127
const VALUES = 1000
const FURTHER = 500

test(`less known is never milder: ${VALUES} records of every method, school and side of limits, from seed ${FROM}`, () => {
  expect(brokenFrom(FROM, VALUES, lessKnownIsMilder)).toEqual([])
}, 240_000)

test(`further past its limit is never milder: ${FURTHER} records of every method and kind of fit, from seed ${FROM}`, () => {
  expect(brokenFrom(FROM, FURTHER, furtherPastIsNeverMilder)).toEqual([])
}, 240_000)
