/** Votes, routes and a part to try them on: for tests of verdicts and of mending. */
import type { Part, Route } from '../book/bookSchema'
import type { Disposition } from '../policy/disposition'
import { vote as makeVote, NONE, type Vote } from './vote'

export const source = { document: 'D', page: 'p. 1' }
export const vote = (
  mild: Disposition,
  strong: Disposition = mild,
  over: Partial<Pick<Vote, 'subject' | 'route' | 'source'>> = {},
): Vote => makeVote({ rule: 'nothingKnown', code: 'nothingKnown', facts: NONE, subject: 'bore', mild, strong, ...over })
export const route = (id: string, cost: number, over: Partial<Route> = {}): Route => ({
  id,
  name: id,
  mends: ['bore'],
  effect: over.sizeAfter ? 'takesOff' : 'renews',
  sizeAfter: null,
  cost,
  days: 1,
  source,
  ...over,
})
export const part = (routes: Route[]): Part => ({
  id: 'p',
  name: 'Part',
  assembly: 'A',
  position: 'P',
  renewedAlways: false,
  replacement: { cost: 900, days: 20 },
  routes,
})

export const hone = route('hone', 220, {
  sizeAfter: { characteristic: 'bore', leastMm: 160, greatestMm: 160.28, cleanUpMm: 0.02 },
})
