/** What a dimension chain predicts before anything is put together holds the clearance that is then found. */
import { expect, test } from 'vitest'
import { randomFrom } from '../../base/random.fixture'
import { clearanceAt } from '../../fit/kinds'
import type { Chain } from '../../fit/kinds/chain'
import { coverageFactor, degreesOfFreedom, type Errors, type ErrorTerm, standardUncertainty } from '../../gauge/errors'
import { settled } from '../../method/known'
import { point } from '../../quantity/interval'

const ASSEMBLIES = 2_000
const SEED = 20261128

const ZERO = 0.004
const SHARED = ['spacer', 'sleeve']

const term = (kind: ErrorTerm['kind'], of: string, amount: number): ErrorTerm => ({
  kind,
  of,
  amount,
  along: null,
  degreesOfFreedom: null,
})
const errors = (id: string, u: number): Errors => [
  term('resolution', id, u),
  ...(SHARED.includes(id) ? [term('gauge', 'micrometer', ZERO)] : []),
]

/** A figure of a normal distribution with this standard deviation. */
function normal(random: ReturnType<typeof randomFrom>, deviation: number): number {
  let sum = 0
  for (let count = 0; count < 12; count += 1) sum += random.integer(1_000_001) / 1_000_000
  return (sum - 6) * deviation
}

test(`its 95 % band holds the clearance of 93 to 97 % of ${ASSEMBLIES} assemblies, seed ${SEED}`, () => {
  const random = randomFrom(SEED)
  const sizes = [
    { id: 'housing', does: 'opens' as const, nominal: 120, u: 0.006 },
    { id: 'spacer', does: 'closes' as const, nominal: 40, u: 0.003 },
    { id: 'ring', does: 'closes' as const, nominal: 25, u: 0.004 },
    { id: 'sleeve', does: 'closes' as const, nominal: 54, u: 0.005 },
  ]
  const chain: Chain = {
    kind: 'chain',
    id: 'c',
    name: 'c',
    limits: [],
    mendOn: 'p',
    showTo: 0.001,
    new: null,
    links: sizes.map(({ id, does }) => ({ characteristic: id, does, times: 1 })),
    stated: [],
  }
  let held = 0
  for (let assembly = 0; assembly < ASSEMBLIES; assembly += 1) {
    const truly = new Map(sizes.map(({ id, nominal }) => [id, nominal + normal(random, 0.05)]))
    // One micrometer reads spacer and sleeve: its zero is off by the same in both.
    const zero = normal(random, ZERO)
    const read = new Map(
      sizes.map(({ id, u }) => [id, (truly.get(id) ?? 0) + normal(random, u) + (SHARED.includes(id) ? zero : 0)]),
    )
    const predicted = clearanceAt(
      chain,
      'least',
      (id) => settled(point(read.get(id) ?? 0), errors(id, sizes.find((size) => size.id === id)?.u ?? 0), 0),
      0,
    )
    const found = sizes.reduce((sum, { id, does }) => sum + (does === 'opens' ? 1 : -1) * (truly.get(id) ?? 0), 0)
    const half = predicted ? coverageFactor(degreesOfFreedom(predicted.errors)) * standardUncertainty(predicted.errors) : 0
    if (Math.abs((predicted?.interval?.low ?? 0) - found) <= half) held += 1
  }
  expect(held / ASSEMBLIES).toBeGreaterThan(0.93)
  expect(held / ASSEMBLIES).toBeLessThan(0.97)
})
