/** Adjust: a setting that is out condemns no sound part, and passes none that is not known to be sound. */
import { expect, test } from 'vitest'
import { evaluate } from '../evaluate/evaluate'
import { NO_PLACE } from '../method/slot'
import type { EntryBody } from '../notes/entrySchema'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { smallBook, smallReading, smallRecord } from '../record/smallMachine.fixture'
import type { Stage } from '../record/stage'
import type { SettingSpec } from '../setting/setting'

const source = { document: 'D1', page: '3' }
const SHIMS: SettingSpec = { is: 'setting', by: 'shims', chain: ['plate', 'shaft'] }

interface Given {
  readonly setting?: SettingSpec
  /** The float, twice. */
  readonly float?: number
  readonly left?: number
  /** Journal of the shaft that the float rests on. */
  readonly journal?: number | null
  /** Shims in the stack: one or none are left. */
  readonly stack?: number
  readonly looked?: readonly string[]
  readonly whenPassed?: 'mend' | 'replace'
}

const PAGES = { plan: null, instruction: '', source } as const

/** A plate whose float is set by shims, and the shaft it rests on. */
function found(given: Given) {
  const { setting = SHIMS, float = 0.45, left, journal = 39.95, stack, looked = ['plate', 'shaft'], whenPassed = 'mend' } = given
  const [shaft] = smallBook.parts
  if (!shaft) throw new Error('the small machine has a shaft')
  const book = {
    ...smallBook,
    parts: [shaft, { ...shaft, id: 'plate', name: 'Plate' }],
    characteristics: smallBook.characteristics.flatMap((one): object[] => {
      if (one.id === 'turns') return []
      if (one.id !== 'float') return [one]
      const limits = [
        { ...PAGES, id: 'most', judges: 'mean' as const, side: 'upper' as const, wear: 0.3, whenPassed },
        { ...PAGES, id: 'least', judges: 'mean' as const, side: 'lower' as const, wear: 0.1, whenPassed },
      ]
      const stackLimit = {
        ...PAGES,
        id: 'some',
        judges: 'mean' as const,
        side: 'lower' as const,
        wear: 1,
        whenPassed: 'mend' as const,
      }
      return [
        { ...one, part: 'plate', setting, limits },
        { ...one, id: 'stack', name: 'Shims left', part: 'plate', limits: stack === undefined ? [] : [stackLimit] },
      ]
    }),
  }
  let made = 0
  const read = (id: string, stations: readonly string[], value: number, stage: Stage): Reading[] =>
    stations.map((station, index) => {
      const slot =
        id === 'journal' ? { station, direction: '1', repeat: 1 } : { station: NO_PLACE, direction: NO_PLACE, repeat: index + 1 }
      made += 1
      // What tells of the stack is read as the float is.
      return smallReading(
        made,
        id === 'stack' ? 'float' : id,
        slot,
        String(value),
        { characteristic: id, gauge: id === 'journal' ? 'mic' : 'dial' },
        stage,
      )
    })
  const readings = [
    ...read('float', ['-', '-'], float, 'asFound'),
    ...(journal === null ? [] : read('journal', ['A', 'B'], journal, 'asFound')),
    ...(stack === undefined ? [] : read('stack', ['-', '-'], stack, 'asFound')),
    ...(left === undefined ? [] : read('float', ['-', '-'], left, 'asLeft')),
  ]
  const notes: EntryBody[] = looked.map((part) => ({ kind: 'lookedAt', part, note: '' }))
  const record = smallRecord()
  const { parts } = evaluate({
    ...record,
    book: book as unknown as InspectionRecord['book'],
    job: {
      ...record.job,
      readings,
      entries: notes.map((body, index) => ({
        id: `01990000-0000-7000-8000-00000000000${index}`,
        by: 'M',
        at: '2026-06-01T08:00:00Z',
        body,
      })),
    },
  })
  const of = (id: string) => parts.find((part) => part.id === id)
  return { plate: of('plate'), shaft: of('shaft') }
}

const spanOf = (part: ReturnType<typeof found>['plate']): string => `${part?.mild} to ${part?.strong}`

const pairs: readonly (readonly [string, Given, string, Given, string])[] = [
  ['a sound chain, and a worn one', {}, 'adjust to adjust', { journal: 39.5 }, 'adjust to adjust'],
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

test('a worn chain is what is replaced; the setting is asked for all the same', () => {
  const { plate, shaft } = found({ journal: 39.5 })
  expect([plate?.verdict, shaft?.verdict]).toEqual(['adjust', 'replace'])
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
