/** Adjust: a setting that is out condemns no sound part, and passes none that is not known to be sound. */
import { expect, test } from 'vitest'
import { evaluate } from '../evaluate/evaluate'
import { type Given, SHIMS, shimmed } from '../record/shimmedFloat.fixture'

function found(given: Given) {
  const { parts } = evaluate(shimmed(given))
  const of = (id: string) => parts.find((part) => part.id === id)
  return { plate: of('plate'), shaft: of('shaft') }
}

const spanOf = (part: ReturnType<typeof found>['plate']): string => `${part?.mild} to ${part?.strong}`

const pairs: readonly (readonly [string, Given, string, Given, string])[] = [
  ['a sound chain, and a worn one', {}, 'adjust to adjust', { journal: 39.5 }, 'adjust to replace'],
  ['a sound chain, and one not measured', {}, 'adjust to adjust', { journal: null }, 'adjust to replace'],
  ['a chain inspected, and one that nobody has looked at', {}, 'adjust to adjust', { looked: ['plate'] }, 'adjust to replace'],
  ['a setting, and wear', {}, 'adjust to adjust', { setting: { is: 'wear' } }, 'replace to replace'],
  ['the part itself inspected, and not', {}, 'adjust to adjust', { looked: ['shaft'] }, 'adjust to replace'],
  [
    'adjustment left, and none',
    { stack: 2, setting: { ...SHIMS, leftBy: 'stack' } },
    'adjust to adjust',
    { stack: 0.4, setting: { ...SHIMS, leftBy: 'stack' } },
    'replace to replace',
  ],
  [
    'as far as the maker lets it, and further',
    { setting: { ...SHIMS, most: 0.2 } },
    'adjust to adjust',
    { setting: { ...SHIMS, most: 0.1 } },
    'replace to replace',
  ],
  ['inside, and out', { float: 0.2 }, 'reuse to reuse', { float: 0.05 }, 'adjust to adjust'],
  [
    'another value of the same measurement',
    {},
    'adjust to adjust',
    { setting: { ...SHIMS, values: ['range'] } },
    'replace to replace',
  ],
  [
    'what the book replaces by, though it is set',
    { whenPassed: 'replace' },
    'adjust to adjust',
    { whenPassed: 'replace', setting: { is: 'wear' } },
    'replace to replace',
  ],
]
test.each(pairs)('%s', (_, one, says, other, then) => {
  expect([spanOf(found(one).plate), spanOf(found(other).plate)]).toEqual([says, then])
})

test('a worn chain is what is replaced; what is set waits for that', () => {
  const { plate, shaft } = found({ journal: 39.5 })
  expect([plate?.verdict, shaft?.verdict]).toEqual(['hold', 'replace'])
  expect(plate?.votes[0]?.settledBy).toEqual({ code: 'otherPart', part: 'shaft' })
})

test('left inside, it says what had to be done; left outside, it stands as left too', () => {
  const stages = (given: Given) => found(given).plate?.stages.map(({ stage, verdict }) => `${stage} ${verdict}`)
  expect(stages({ left: 0.2 })).toEqual(['asFound adjust', 'asLeft reuse'])
  expect(stages({ left: 0.4 })).toEqual(['asFound adjust', 'asLeft adjust'])
})

test('it names what to look at, and how far to set it', () => {
  const [vote] = found({ looked: ['plate'] }).plate?.votes ?? []
  expect(vote).toMatchObject({
    mild: 'adjust',
    settledBy: { code: 'chain', parts: ['shaft'] },
    setting: { by: 'shims', change: -0.15 },
  })
})
