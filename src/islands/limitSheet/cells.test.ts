import { describe, expect, test } from 'vitest'
import { compose } from '../../core/kit/compose'
import { emptyComposition } from '../../core/kit/composition'
import { type SheetRow, sheetRows, withRow } from '../../core/kit/limitSheet'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { cellsIn, type Texts } from '../limitRow/cell'
import { carriedDown, equalRows, farFrom, faultsOfRow, keyOf, laidOver, storedTexts, typedRow } from './cells'

const bookOf = (system: UnitSystem) => {
  const made = compose(
    emptyComposition('m', 'm'),
    { assembly: 'shaftAssembly', names: ['Shaft'], into: null, answers: {} },
    system,
  )
  if (!made.ok) throw new Error(made.fault.code)
  return made.value
}
const book = bookOf('metric')
const rows = sheetRows(book)
const EMPTY: Texts = { new: '', plan: '', wear: '', whenPassed: 'mend', document: '', page: '' }
const first = rows[0]
if (!first) throw new Error('a shaft has rows')

describe.each<[UnitSystem, string]>([
  ['metric', '60.0005'],
  ['metric', '60'],
  ['inch', '2.36217'],
  ['inch', '2 23/64'],
])('in %s units', (system, wear) => {
  test(`what was typed as ${wear} is sent again as the same size`, () => {
    const at = sheetRows(bookOf(system))[0]
    if (!at) throw new Error('a shaft has rows')
    const stored = (text: string) => {
      const row = typedRow(at, { ...EMPTY, wear: text, document: 'D', page: '1' }, { document: 'D', page: '1' })
      const made = withRow(bookOf(system), row, system, { by: 'a', at: 'b' })
      if (!made.ok) throw new Error(JSON.stringify(made.fault))
      const [shown] = sheetRows(made.value)
      return {
        value: shown?.limit && 'wear' in shown.limit ? shown.limit.wear : undefined,
        text: shown ? storedTexts(shown, system).wear : '',
      }
    }
    const once = stored(wear)
    expect(stored(once.text).value).toBeCloseTo(once.value ?? Number.NaN, 5)
    expect(stored(stored(once.text).text).text).toBe(once.text)
  })
})

test.each<[UnitSystem, string, string]>([
  ['metric', '≤ 50: 0.1; ≤ 80.5: 0.15; above: 0.2', '≤ 50: 0.08; ≤ 80.5: 0.12; above: 0.16'],
  ['inch', 'to 2: 0.004; up to 3.25: 0.006', '0.003'],
  ['metric', '<= 2000 h: 0.1; > 0.15', ''],
])('a table in %s units is shown as it can be typed again: %s', (system, wear, plan) => {
  const last = (of: SheetRow[]) => of.find(({ judges }) => judges === 'outOfRound') as SheetRow
  const at = last([...sheetRows(bookOf(system))])
  const source = { document: 'D', page: '1' }
  const stored = (texts: Pick<Texts, 'wear' | 'plan'>): SheetRow => {
    const made = withRow(bookOf(system), typedRow(at, { ...EMPTY, ...texts, ...source }, source), system, { by: 'a', at: 'b' })
    if (!made.ok) throw new Error(JSON.stringify(made.fault))
    return last([...sheetRows(made.value)])
  }
  const once = stored({ wear, plan })
  expect(once.limit).toHaveProperty('depends')
  expect(stored(storedTexts(once, system)).limit).toEqual(once.limit)
  expect(farFrom(once, storedTexts(once, system), system)).toBeNull()
})

test('document and page are carried down until another is typed', () => {
  const texts = new Map<string, Texts>([
    [keyOf(first), { ...EMPTY, document: 'TE-W4', page: '19' }],
    [keyOf(rows[2] ?? first), { ...EMPTY, page: '20' }],
  ])
  const carried = carriedDown(rows, (row) => texts.get(keyOf(row)) ?? EMPTY)
  expect(rows.slice(0, 4).map((row) => carried.get(keyOf(row)))).toEqual([
    { document: 'TE-W4', page: '19' },
    { document: 'TE-W4', page: '19' },
    { document: 'TE-W4', page: '20' },
    { document: 'TE-W4', page: '20' },
  ])
  // A row that says nothing takes no document along.
  expect(faultsOfRow(book, typedRow(first, EMPTY, { document: '', page: '' }), 'metric')).toEqual([])
})

test('a block from a spreadsheet is laid over cells, and over no cell that is none', () => {
  const block = cellsIn('59.9\t59.85\treplace\tTE-W4\t19\r\n\t0.03\twhatever\r\n')
  expect(block).toHaveLength(2)
  const laid = laidOver(rows, () => EMPTY, { row: 0, cell: 'plan' }, block)
  expect(laid.get(keyOf(first))).toEqual({
    new: '',
    plan: '59.9',
    wear: '59.85',
    whenPassed: 'replace',
    document: 'TE-W4',
    page: '19',
  })
  expect(laid.get(keyOf(rows[1] ?? first))).toEqual({ ...EMPTY, wear: '0.03' })
  expect(laidOver(rows, () => EMPTY, { row: rows.length - 1, cell: 'page' }, cellsIn('1\t2\n3')).size).toBe(1)
})

test.each<[Partial<Texts>, boolean]>([
  [{ wear: '8035', plan: '80.28' }, true],
  [{ wear: '80.35', plan: '80.28', new: '80.03 … 80.06' }, false],
  [{ wear: '8.035', new: '80.03 … 80.06' }, true],
  // What may be nothing when new may wear to anything.
  [{ wear: '0.5', new: '0 … 0.02' }, false],
  [{ wear: '0.5' }, false],
  // In one unit, whichever they were typed in.
  [{ wear: '3.163 in', plan: '80.28' }, false],
  [{ wear: '80.35', plan: '0.316 in' }, true],
])('%j lies far off: %s', (texts, isFar) => {
  expect(farFrom(first, { ...EMPTY, ...texts }, 'metric') !== null).toBe(isFar)
})

test('rows of equal parts are the same value under assemblies of one make, and nothing else', () => {
  const names = ['Bearing 1', 'Bearing 2, drive side', 'Gear case']
  const two = compose(book, { assembly: 'splitSleeveBearing', names, into: null, answers: {} }, 'metric')
  if (!two.ok) throw new Error(two.fault.code)
  const all = sheetRows(two.value)
  const bore = all.find(({ of, judges }) => of === 'bearing-1-bore' && judges === 'maximum')
  if (!bore) throw new Error('a bearing has a bore')
  expect(equalRows(all, bore).map(keyOf)).toEqual([keyOf({ ...bore, of: 'bearing-2-drive-side-bore' })])
  expect(equalRows(all, first)).toEqual([])
})
