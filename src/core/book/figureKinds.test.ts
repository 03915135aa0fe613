import { expect, test } from 'vitest'
import { everyMethod } from '../method/everyMethod.fixture'
import { quantityAt } from './fields'
import { classEndAt, judgedIn } from './figureKinds'
import type { Path } from './path'

const measuring = (method: object, over: object = {}) => ({ id: 'c', method, ...over })
const limited = (method: object, judges: string) => measuring(method, { limits: [{ judges }], changes: [{ judges }] })
const hot = { kind: 'meter', quantity: 'temperature', points: [], wears: 'larger' }

test.each([
  ['a size', 'characteristics', measuring(everyMethod.outsideDiameter), ['new', 'lower'], 'length'],
  ['a step of a size', 'characteristics', measuring(everyMethod.outsideDiameter), ['showTo'], 'length'],
  ['a temperature', 'characteristics', measuring(hot), ['new', 'upper'], 'temperature'],
  ['a step of a temperature', 'characteristics', measuring(hot), ['showTo'], 'temperatureDifference'],
  ['a limit of a pressure', 'characteristics', limited(everyMethod.openingPressure, 'mean'), ['limits', 0, 'wear'], 'pressure'],
  [
    'a limit of a share',
    'characteristics',
    limited(everyMethod.contactPattern, 'contactPercent'),
    ['limits', 0, 'plan'],
    'percent',
  ],
  ['a change of a temperature', 'characteristics', limited(hot, 'mean'), ['changes', 0, 'greatest'], 'temperatureDifference'],
  ['a torque aimed at', 'characteristics', measuring(everyMethod.torque), ['method', 'targetNm'], 'torque'],
  ['an angle', 'characteristics', measuring(everyMethod.runout), ['method', 'angles', 0, 'angleDeg'], 'angle'],
  ['repeats', 'characteristics', measuring(everyMethod.endFloat), ['method', 'repeatsAtLeast'], null],
  ['how far repeats may differ', 'characteristics', measuring(everyMethod.endFloat), ['method', 'repeatabilityLimit'], 'length'],
  [
    'a row of a table by hours',
    'characteristics',
    measuring({}, { limitsBy: [{ depends: { kind: 'hours' } }] }),
    ['limitsBy', 0, 'depends', 'rows', 0, 'upTo'],
    null,
  ],
  [
    'a row of a table by size',
    'characteristics',
    measuring({}, { limitsBy: [{ depends: { kind: 'size' } }] }),
    ['limitsBy', 0, 'depends', 'rows', 0, 'upTo'],
    'length',
  ],
  ['what is not written to its end', 'characteristics', measuring({ kind: 'computed' }), ['new', 'lower'], 'length'],
  ['a clearance', 'fits', { kind: 'chain' }, ['limits', 0, 'wear'], 'length'],
  [
    'a row of a table of clearances by size',
    'fits',
    { kind: 'chain', limitsBy: [{ depends: { kind: 'size' } }] },
    ['limitsBy', 0, 'depends', 'rows', 0, 'upTo'],
    'length',
  ],
  ['where a bearing runs warm', 'fits', { kind: 'float' }, ['growth', 'shaft', 'runsAtC'], 'temperature'],
  ['a share of a gasket', 'fits', { kind: 'axialSetting' }, ['gasket', 'left'], null],
  ['a cross-check of pressures', 'crossChecks', { quantity: 'pressure' }, ['within'], 'pressure'],
  ['a cost', 'parts', {}, ['routes', 0, 'cost'], null],
  ['what a gauge may be off by', 'levels', {}, ['needs', 'gauges', 0, 'maximumPermissibleError'], 'length'],
] as const)('%s', (_, list, entry, path: Path, kind) => {
  expect(quantityAt(list, entry, path)).toBe(kind)
})

test.each<[string, Path, string | null]>([
  ['characteristics', ['new', 'lower'], 'lower'],
  ['characteristics', ['new', 'nominal'], 'nominal'],
  ['characteristics', ['limits', 0, 'wear'], 'upper'],
  ['characteristics', ['limits', 1, 'plan'], 'lower'],
  ['characteristics', ['limits', 2, 'wear'], null],
  ['characteristics', ['showTo'], null],
  ['characteristics', ['changes', 0, 'greatest'], null],
  ['fits', ['new', 'lower'], null],
])('a class at %s %j is of the end %s', (list, path, end) => {
  expect(classEndAt(list, { limits: [{ side: 'upper' }, { side: 'lower' }, {}] }, path)).toBe(end)
})

test('a limit can judge what its method gives, and nothing is left out before that is known', () => {
  expect(judgedIn('characteristics', measuring(everyMethod.outsideDiameter))).toContain('outOfRound')
  expect(judgedIn('characteristics', measuring(everyMethod.outsideDiameter))).not.toContain('contactPercent')
  expect(judgedIn('characteristics', measuring({}))).toBeNull()
  expect(judgedIn('fits', {})).toBeNull()
})
