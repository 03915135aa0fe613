import { expect, test } from 'vitest'
import type { Disposition } from '../policy/disposition'
import type { PartResult } from '../verdict/partVerdict'
import type { Vote } from '../verdict/vote'
import { vote as makeVote, NONE } from '../verdict/vote'
import { whatNext } from './whatNext'

const vote = (subject: string, mild: Disposition, strong: Disposition): Vote =>
  makeVote({ rule: 'nothingKnown', code: 'nothingKnown', facts: NONE, subject, mild, strong })
const part = (id: string, votes: Vote[], need: PartResult['need'] = 'required'): PartResult => ({
  id,
  need,
  votes,
  stages: [],
  verdict: 'hold',
  mild: 'reuse',
  strong: 'replace',
  way: null,
})

test.each([
  {
    name: 'a doubt that may mean a new part comes before one that may mean mending',
    parts: [part('a', [vote('x', 'reuse', 'recondition')]), part('b', [vote('y', 'reuse', 'replace')])],
    order: ['y 3', 'x 2'],
  },
  {
    name: 'what cannot change a verdict any more is not asked for',
    parts: [part('a', [vote('x', 'reuse', 'replace'), vote('worn out', 'replace', 'replace')])],
    order: [],
  },
  {
    name: 'a mending that is certain leaves only the step to a new part',
    parts: [part('a', [vote('x', 'reuse', 'replace'), vote('worn', 'recondition', 'recondition')])],
    order: ['x 1'],
  },
  {
    name: 'what the level leaves out is not asked for',
    parts: [part('a', [vote('x', 'reuse', 'replace')], 'notRequired')],
    order: [],
  },
  { name: 'nothing is open', parts: [part('a', [vote('x', 'reuse', 'reuse')])], order: [] },
])('$name', ({ parts, order }) => {
  expect(whatNext({ parts }).map(({ vote: { subject }, moves }) => `${subject} ${moves}`)).toEqual(order)
})
