import { describe, expect, test } from 'vitest'
import type { Part } from '../book/bookSchema'
import { OWN_WAY } from '../record/ownWay'
import { smallBook } from '../record/smallMachine.fixture'
import { decidedWay, departs } from './decidedWay'
import type { PartResult } from './partVerdict'

const source = { document: 'D1', page: '3' }
const route = (id: string, cost: number | null) => ({ id, name: id, mends: ['journal'], sizeAfter: null, cost, days: 2, source })
const part = { ...(smallBook.parts[0] as Part), routes: [route('grind', 200), route('dress', null)] }
const result = (verdict: PartResult['verdict'], routes: readonly string[] = []): PartResult =>
  ({
    id: 'shaft',
    verdict,
    way: verdict === 'recondition' ? { by: 'routes', routes, cost: 200, days: 2 } : null,
  }) as unknown as PartResult

describe('the way of what was decided', () => {
  const grind = result('recondition', ['grind'])
  test.each([
    ['nothing decided: as recommended', grind, null, { by: 'routes', routes: ['grind'], cost: 200 }],
    ['as recommended', grind, { decided: 'recondition' }, { by: 'routes', routes: ['grind'], cost: 200 }],
    [
      'by another route, which nobody has priced',
      grind,
      { decided: 'recondition', route: 'dress' },
      { routes: ['dress'], cost: null },
    ],
    ['by a way that no book has', grind, { decided: 'recondition', route: OWN_WAY }, { by: 'own', cost: null, days: null }],
    ['a new part instead', grind, { decided: 'replace' }, { by: 'newPart', cost: 400 }],
    ['left as it is', grind, { decided: 'reuse' }, null],
    ['reconditioned against the recommendation', result('reuse'), { decided: 'recondition' }, { by: 'own', cost: null }],
  ] as const)('%s', (_name, of, decision, way) => {
    const got = decidedWay(part, of, decision)
    if (way === null) expect(got).toBeNull()
    else expect(got).toMatchObject(way)
  })
})

test.each([
  ['the same', result('recondition', ['grind']), { decided: 'recondition', route: null }, false],
  ['the same, by its route', result('recondition', ['grind']), { decided: 'recondition', route: 'grind' }, false],
  ['another verdict', result('recondition', ['grind']), { decided: 'reuse' }, true],
  ['another route', result('recondition', ['grind']), { decided: 'recondition', route: 'dress' }, true],
  [
    'one of two that belong together',
    result('recondition', ['grind', 'dress']),
    { decided: 'recondition', route: 'grind' },
    true,
  ],
  ['a way of one’s own', result('recondition', ['grind']), { decided: 'recondition', route: OWN_WAY }, true],
  ['where a rule asks and names no route', result('recondition'), { decided: 'recondition', route: OWN_WAY }, false],
  ['on a hold every verdict is one’s own', result('hold'), { decided: 'replace' }, true],
] as const)('%s departs: %s', (_name, of, decision, isDeparture) => {
  expect(departs(of, decision)).toBe(isDeparture)
})
