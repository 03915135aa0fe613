import { expect, test } from 'vitest'
import type { UnitSystem } from '../quantity/unitSystem'
import { farOff } from './farOff'
import { type LimitCells, limitMade, type ReadLimitBy, readLimit } from './limitRow'
import { endsIn, readNewSize } from './newSize'

const CELLS: LimitCells = {
  side: 'upper',
  plan: '',
  wear: '',
  whenPassed: 'mend',
  instruction: ' Say so. ',
  document: ' D ',
  page: ' 7 ',
}
const BY: ReadLimitBy = { quantity: 'length', system: 'metric', hasClass: true, sizeOf: 'bore', isSafety: false, hasNew: false }
const read = (cells: Partial<LimitCells>, by: Partial<ReadLimitBy> = {}) => readLimit({ ...CELLS, ...cells }, { ...BY, ...by })

test.each<[Partial<LimitCells>, Partial<ReadLimitBy>, object]>([
  [{}, {}, { is: 'nothing' }],
  [{ wear: '80,35', plan: '80.28' }, {}, { is: 'figures', wear: 80.35, plan: 80.28 }],
  [{ wear: '1 in (25.4 mm)' }, {}, { is: 'figures', wear: 25.4 }],
  [{ wear: '1 in' }, { system: 'inch' }, { is: 'figures', wear: 25.4 }],
  [{ wear: '80 H7' }, {}, { is: 'figures', wear: 80.03 }],
  [{ wear: '80 H7', side: 'lower' }, {}, { is: 'figures', wear: 80 }],
  [{ wear: ' None ' }, {}, { is: 'none' }],
  [{ wear: '≤ 50: 0.1; above: 0.2', plan: '0.08' }, {}, { is: 'depends', depends: { kind: 'size', characteristic: 'bore' } }],
  [{ wear: '≤ 2000 h: 0.1; 0.2' }, { sizeOf: null }, { is: 'depends', depends: { kind: 'hours' } }],
  [{ wear: '3', document: 'As Found', page: '' }, {}, { is: 'figures', source: { document: 'as found', page: 'no document' } }],
])('%j is taken as it is meant', (cells, by, says) => {
  const found = read(cells, by)
  expect(found.ok && found.value).toMatchObject({ instruction: 'Say so.', ...says })
})

test.each<[Partial<LimitCells>, Partial<ReadLimitBy>, string]>([
  [{ wear: 'little' }, {}, 'wear figure'],
  [{ wear: 'little', plan: 'less', page: '' }, {}, 'wear figure, plan figure, page noPage'],
  [{ wear: '20 t7' }, {}, 'wear sizeClass'],
  [{ wear: '80 H7' }, { hasClass: false }, 'wear figure'],
  [{ wear: '3', plan: '3.1' }, {}, 'plan planAfterWear'],
  [{ wear: '3', plan: '2.9', side: 'lower' }, {}, 'plan planAfterWear'],
  [{ wear: '≤ 50: 0.1; 0.2', plan: '0.15' }, {}, 'plan planAfterWear'],
  [{ plan: '3' }, {}, 'wear planAlone'],
  [{ plan: '≤ 50: 0.1' }, {}, 'wear planAlone'],
  [{ wear: '3', plan: '≤ 50: 0.1; 0.2' }, {}, 'plan table'],
  [{ wear: '≤ 50: 0.1; ≤ 40: 0.2' }, {}, 'wear table'],
  [{ wear: '≤ 50: 0.1; 0.2' }, { sizeOf: null }, 'wear table'],
  [{ wear: 'none', plan: '3' }, {}, 'plan noneAndMore'],
  // That there is none stands on a page, and the shop's own word is no page.
  [{ wear: 'none', page: '' }, {}, 'page noPage'],
  [{ wear: 'none', document: 'as found' }, {}, 'page noPage'],
  [{ wear: '3', document: '' }, {}, 'page noPage'],
  [{ page: '' }, { hasNew: true }, 'page noPage'],
  [{ wear: '3', document: 'as found' }, { isSafety: true }, 'wear ownOnSafety'],
])('%j is refused at its cell', (cells, by, faults) => {
  const found = read(cells, by)
  expect(found.ok ? 'taken' : found.fault.map(({ at, why }) => `${at} ${why.code}`).join(', ')).toBe(faults)
})

test('what is made of it is a limit, one that depends, or that there is none, and never two of them', () => {
  for (const [wear, made] of [
    ['3', 'limit'],
    ['≤ 9 h: 1; 2', 'limitBy'],
    ['none', 'none'],
    ['', ''],
  ] as const) {
    const found = read({ wear })
    if (!found.ok) throw new Error(wear)
    const all = limitMade(found.value, { id: 'a', judges: 'maximum' }, { by: 'Ada', at: '', check: null })
    const { judges: _judges, side: _side, ...ways } = all
    expect(
      Object.entries(ways)
        .filter(([, of]) => of !== null)
        .map(([key, of]) => [key, of?.source.page, of?.typed?.by]),
    ).toEqual(made === '' ? [] : [[made, '7', 'Ada']])
  }
})

test.each<[string, UnitSystem, object | null]>([
  ['80.03 … 80.06', 'metric', { lower: 80.03, upper: 80.06, nominal: 80.045 }],
  ['80.03 to 80.06', 'metric', { lower: 80.03, upper: 80.06 }],
  ['-0.1 … 0.1', 'metric', { lower: -0.1, upper: 0.1, nominal: 0 }],
  ['80 H7', 'metric', { lower: 80, upper: 80.03, nominal: 80 }],
  ['1 … 2', 'inch', { lower: 25.4, upper: 50.8 }],
  ['80.06 … 80.03', 'metric', null],
  ['80', 'metric', null],
])('the new size %s', (text, system, size) => {
  const by = { quantity: 'length', system, hasClass: true } as const
  const ends = endsIn(text, by)
  const found = ends && readNewSize({ lower: ends[0], upper: ends[1], nominal: null }, by)
  if (size === null) expect(found?.ok ?? false).toBe(false)
  else expect(found?.ok && found.value).toMatchObject(size)
})

test.each<[string, string, string, UnitSystem, boolean]>([
  ['8035', '80.28', '', 'metric', true],
  ['80.35', '80.28', '80.03', 'metric', false],
  ['8.035', '', '80.03', 'metric', true],
  ['0.5', '', '0', 'metric', false],
  // In one unit, whichever they were typed in.
  ['3.163 in', '80.28', '', 'metric', false],
  ['0.35 mm', '14 thou', '', 'inch', false],
  ['0.35', '14 thou', '', 'inch', true],
  ['80 H7', '', '79.9', 'metric', false],
  ['≤ 50: 1; 20', '0.01', '', 'metric', false],
])('%s beside %s and %s in %s units', (wear, plan, newLeast, system, isFar) => {
  expect(farOff({ wear, plan, newLeast }, 'length', system) !== null).toBe(isFar)
})
