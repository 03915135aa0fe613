import { expect, test } from 'vitest'
import { brokenFrom } from '../base/random.fixture'
import { lessKnownIsMilder } from './lessKnown.fixture'

const FROM = 20_261_127
const VALUES = 2000

test(`less known is never milder: ${VALUES} records of every method, school and side of limits, from seed ${FROM}`, () => {
  expect(brokenFrom(FROM, VALUES, lessKnownIsMilder)).toEqual([])
}, 240_000)
