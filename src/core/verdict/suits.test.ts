/** A ground journal with undersize shells, a bored cylinder with an oversize piston: one decision of the pair. */
import { expect, test } from 'vitest'
import type { FitSpec, Part } from '../book/bookSchema'
import { smallBook } from '../record/smallMachine.fixture'
import type { PartResult } from './partVerdict'
import { suitsOf } from './suits'
import { togetherWith } from './together'
import type { Vote } from './vote'
import { part, route, vote } from './voting.fixture'

const bored = route('bore', 200, {
  sizeAfter: { characteristic: 'bore', leastMm: 160.5, greatestMm: 160.6, cleanUpMm: 0.02 },
  suits: ['running'],
})
const hone = route('hone', 50, { sizeAfter: { characteristic: 'bore', leastMm: 160, greatestMm: 160.2, cleanUpMm: 0.01 } })
const cylinder: Part = { ...part([bored, hone]), id: 'cylinder' }
const relined = route('line', 90, { mends: ['journal'], effect: 'renews', suits: ['running'] })
const [size] = smallBook.characteristics
if (!size) throw new Error('the small machine measures something')
const measured = [
  { ...size, id: 'bore', part: 'cylinder' },
  { ...size, id: 'journal', part: 'piston' },
]
const running = { id: 'running', kind: 'shaftInBore', bore: 'bore', journal: 'journal', strip: null } as unknown as FitSpec

const sound: PartResult = {
  ...({ id: 'piston', stages: [], mild: 'reuse', strong: 'reuse', verdict: 'reuse', way: null, need: 'required' } as const),
  votes: [vote('reuse')],
} as unknown as PartResult
const found = (over: Partial<PartResult>): PartResult => ({ ...sound, id: 'cylinder', ...over })
const by = (...routes: string[]) => ({ by: 'routes', routes, cost: null, days: null }) as const

/** What the piston comes to beside a cylinder that was found so. */
function pistonBeside(cylinderIs: PartResult, piston: Part = { ...part([]), id: 'piston' }): string {
  const parts = [cylinder, piston]
  const partOf = (id: string) => parts.find((one) => one.id === id)
  const suits = suitsOf({ parts, characteristics: measured, fits: [running] })
  const made = togetherWith(piston, sound, partOf, (id) => (id === 'cylinder' ? cylinderIs : undefined), suits)
  return `${made.mild} to ${made.strong}${made.way?.routes.length ? ` by ${made.way.routes.join()}` : ''}`
}
const open = (votes: Vote[]): PartResult => found({ mild: 'reuse', strong: 'replace', verdict: 'hold', votes })

test.each<[string, PartResult, string]>([
  [
    'is bored to a step',
    found({ mild: 'recondition', strong: 'recondition', verdict: 'recondition', way: by('bore') }),
    'replace to replace',
  ],
  ['is honed', found({ mild: 'recondition', strong: 'recondition', verdict: 'recondition', way: by('hone') }), 'reuse to reuse'],
  ['is reused', found({}), 'reuse to reuse'],
  ['is replaced', found({ mild: 'replace', strong: 'replace', verdict: 'replace' }), 'reuse to reuse'],
  ['may have to be bored', open([vote('reuse', 'replace', { subject: 'bore' })]), 'reuse to replace'],
  ['is open for something that boring does not mend', open([vote('reuse', 'replace', { subject: 'collar' })]), 'reuse to reuse'],
])('where the cylinder %s', (_, cylinderIs, says) => {
  expect(pistonBeside(cylinderIs)).toBe(says)
})

test('what is lined anew to suit is lined, not renewed, and asks nothing of its mate', () => {
  const piston = { ...part([relined]), id: 'piston' }
  const bored = found({ mild: 'recondition', strong: 'recondition', verdict: 'recondition', way: by('bore') })
  expect(pistonBeside(bored, piston)).toBe('recondition to recondition by line')
  const suits = suitsOf({ parts: [cylinder, piston], characteristics: measured, fits: [running] })
  expect([...suits.keys()]).toEqual(['piston'])
})
