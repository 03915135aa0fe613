import { expect, test } from 'vitest'
import { checkBook } from '../book/checkBook'
import type { AdditionOf } from '../notes/additionSchema'
import { compose } from './compose'
import { emptyComposition } from './composition'
import { withRoute } from './withRoute'

const made = compose(
  emptyComposition('m', 'm'),
  { assembly: 'cylinderPistonRings', names: ['Unit 1'], into: null, answers: {} },
  'metric',
)
if (!made.ok) throw new Error(made.fault.code)
const book = made.value
const liner = book.parts.find(({ id }) => id === 'unit-1-liner')
const step = liner?.routes.find(({ name }) => name === 'Bore to step and hone')
if (!liner || !step) throw new Error('a liner is bored to a step')

const what: AdditionOf<'route'> = {
  of: 'route',
  part: liner.id,
  name: step.name,
  mends: step.mends,
  effect: 'takesOff',
  leaves: { of: 'unit-1-bore', least: '160.5', greatest: '160.53', cleanUp: '0.05' },
  suits: ['unit-1-running'],
  finish: 'Ra 0.8 µm',
  cost: 120,
  days: 2,
  source: { document: { id: 'RB-3', title: 'Repair book', revision: 'B' }, page: '12' },
}

test('a way of the kit says what it leaves and what is made to suit, and keeps what nobody was asked', () => {
  const sized = withRoute(book, { what, replaces: step.id }, 'metric')
  if (!sized.ok) throw new Error(JSON.stringify(sized.fault))
  const routes = sized.value.parts.find(({ id }) => id === liner.id)?.routes ?? []
  expect(routes.map(({ id }) => id)).toEqual(liner.routes.map(({ id }) => id))
  expect(routes.find(({ id }) => id === step.id)).toMatchObject({
    sizeAfter: { characteristic: 'unit-1-bore', leastMm: 160.5, greatestMm: 160.53, cleanUpMm: 0.05 },
    suits: ['unit-1-running'],
    restores: step.restores,
    source: { document: 'RB-3', page: '12' },
  })
  expect(sized.value.documents).toContainEqual({ id: 'RB-3', title: 'Repair book', revision: 'B' })
  expect(checkBook(sized.value).faults).toEqual([])
  // The next step is another route, with an id of its own.
  const next = {
    ...what,
    name: `${what.name}!`,
    leaves: { ...what.leaves, of: 'unit-1-bore', least: '161', greatest: '161.03', cleanUp: '0' },
  }
  const stepped = withRoute(sized.value, { what: next, replaces: null }, 'metric')
  const ids = stepped.value?.parts.find(({ id }) => id === liner.id)?.routes.map(({ id }) => id) ?? []
  expect(new Set(ids).size).toBe(liner.routes.length + 1)
})

test.each<[string, Partial<AdditionOf<'route'>>, string | null, string]>([
  ['of a part that is not here', { part: 'attic' }, null, 'noPart'],
  ['in the place of one that is not there', {}, 'attic', 'noPart'],
  ['called as another', { name: 'hone' }, step.id, 'nameTaken'],
  ['whose mate runs elsewhere', { suits: ['unit-1-pinFit'] }, step.id, 'suitsNothing'],
  ['that leaves no size, with a mate to suit it', { leaves: undefined as never }, step.id, 'suitsNothing'],
  ['with words for a size', { leaves: { of: 'unit-1-bore', least: 'first', greatest: '161', cleanUp: '0' } }, step.id, 'figure'],
])('a way %s is refused', (_, over, replaces, code) => {
  const read = withRoute(book, { what: { ...what, ...over }, replaces }, 'metric')
  expect(read.ok ? 'taken' : read.fault[0]?.code).toBe(code)
})
