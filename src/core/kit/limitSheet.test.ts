import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../book/bookSchema'
import { faultsOf } from '../book/faults'
import { typedLimits } from '../limit/typedLimits'
import { withLimits } from '../notes/jobBook'
import type { UnitSystem } from '../quantity/unitSystem'
import { compose } from './compose'
import { emptyComposition } from './composition'
import { copied } from './copied'
import { moreValues, sheetRows, type TypedRow, withCheck, withRow, withWant } from './limitSheet'
import { withSetting } from './withSetting'

const bearing = (system: UnitSystem = 'metric'): LimitBook => {
  const made = compose(
    emptyComposition('m', 'Winch'),
    { assembly: 'splitSleeveBearing', names: ['Bearing'], into: null, answers: { thrust: 'one' } },
    system,
  )
  if (!made.ok) throw new Error(made.fault.code)
  return made.value
}
const row = (over: Partial<TypedRow> = {}): TypedRow => ({
  of: 'bearing-bore',
  judges: 'maximum',
  side: 'upper',
  new: '',
  plan: '',
  wear: '80.35',
  whenPassed: 'mend',
  instruction: '',
  document: 'TE-W4',
  page: '21',
  ...over,
})
const ANN = { by: 'Ann', at: '2026-11-28T10:00:00Z' }
const BEN = { by: 'Ben', at: '2026-11-28T11:00:00Z', names: ['Ben'] }
const typed = (book: LimitBook, over: Partial<TypedRow> = {}, system: UnitSystem = 'metric'): LimitBook => {
  const made = withRow(book, row(over), system, ANN)
  if (!made.ok) throw new Error(JSON.stringify(made.fault))
  return made.value
}
const boreOf = (book: LimitBook) => book.characteristics.find(({ id }) => id === 'bearing-bore')

describe('a row', () => {
  test.each<[Partial<TypedRow>, UnitSystem, object]>([
    [{ new: '80.03 … 80.06', plan: '80.28' }, 'metric', { lower: 80.03, upper: 80.06, plan: 80.28, wear: 80.35 }],
    [{ new: '80.03..80.06' }, 'metric', { lower: 80.03, upper: 80.06, plan: null, wear: 80.35 }],
    [{ new: '80,03 to 80,06', wear: '80,35' }, 'metric', { lower: 80.03, upper: 80.06, wear: 80.35 }],
    // A size with its class, and a limit in the other unit.
    [{ new: '80 H7', wear: '3.1634 in' }, 'metric', { lower: 80, upper: 80.03, wear: 80.35036 }],
    [{ new: '3.150 – 3.151', wear: '3.163' }, 'inch', { lower: 80.01, upper: 80.0354, wear: 80.3402 }],
  ])('%j in %s units', (over, system, figures) => {
    const book = typed(bearing(system), over, system)
    expect(faultsOf(bookSchema.parse(book))).toEqual([])
    const { new: size, limits } = boreOf(book) ?? {}
    const found = { lower: size?.lower, upper: size?.upper, plan: limits?.[0]?.plan, wear: limits?.[0]?.wear }
    for (const [key, value] of Object.entries(figures))
      expect([key, found[key as keyof typeof found] ?? null]).toEqual([key, value === null ? null : expect.closeTo(value, 6)])
  })

  test.each<[string, Partial<TypedRow>, string]>([
    ['that is no figure', { wear: 'eighty' }, 'figure'],
    ['in a unit of something else', { wear: '80 bar' }, 'figure'],
    ['whose plan lies beyond its wear', { plan: '80.40' }, 'planAfterWear'],
    ['whose new ends are swapped', { new: '80.06 … 80.03' }, 'newEndsSwapped'],
    ['with one end of the new size', { new: '80.03' }, 'newTwoEnds'],
    ['with a class there is not', { new: '80 QQ7' }, 'sizeClass'],
    ['without its page', { page: ' ' }, 'noPage'],
    ['of a measurement that is gone', { of: 'attic' }, 'noRow'],
    ['of a value nobody asked for', { judges: 'barrel' }, 'noRow'],
    ['with a row of a table that says no figure', { wear: '≤ 50: 0.1; to 80' }, 'table'],
    ['with a table that does not rise', { wear: '≤ 80: 0.1; ≤ 50: 0.2' }, 'table'],
    ['with a table by size and hours', { wear: '≤ 80: 0.1; ≤ 500 h: 0.2' }, 'table'],
    ['with plan limits by other steps', { wear: '≤ 50: 0.1; 0.2', plan: '≤ 60: 0.1; 0.15' }, 'table'],
    ['whose table has a plan beyond its wear', { wear: '≤ 50: 0.1; 0.2', plan: '0.15' }, 'planAfterWear'],
    ['of a clearance, with a class', { of: 'bearing-clearance', wear: '80 H7' }, 'figure'],
    ['with none and a plan limit', { wear: 'None', plan: '80.2' }, 'noneAndMore'],
    ['with none and no page', { wear: 'none', page: '' }, 'noPage'],
    ['with none as the shop found it', { wear: 'none', document: 'as found' }, 'noPage'],
  ])('%s is refused', (_, over, code) => {
    const made = withRow(bearing(), row(over), 'metric', ANN)
    expect(made.ok ? [] : made.fault.map((fault) => (fault.code === 'limit' ? fault.why.code : fault.code))).toContain(code)
  })

  test('typed again takes the place of what stood there; emptied it judges nothing', () => {
    const twice = typed(typed(bearing()), { wear: '80.30' })
    expect(boreOf(twice)?.limits.map(({ wear }) => wear)).toEqual([80.3])
    expect(boreOf(typed(twice, { wear: '' }))?.limits).toEqual([])
    expect(twice.documents.filter(({ id }) => id === 'TE-W4')).toHaveLength(1)
  })
})

test('the sheet has a row for each value that wants a limit, and says how each stands', () => {
  const stands = (book: LimitBook) =>
    sheetRows(book)
      .filter(({ of }) => of === 'bearing-bore')
      .map(({ state }) => state)
  const book = typed(bearing())
  expect(stands(bearing())).toEqual(['empty', 'empty', 'empty'])
  expect(stands(book)).toEqual(['typed', 'empty', 'empty'])
  const place = { of: 'bearing-bore', judges: 'maximum', side: 'upper' } as const
  expect(withCheck(book, { ...place, agrees: true, note: '' }, { ...ANN, names: [] })).toEqual({
    ok: false,
    fault: { code: 'ownCheck' },
  })
  // Whoever typed it under an earlier name typed it still.
  expect(withCheck(book, { ...place, agrees: true, note: '' }, { ...BEN, names: ['Ann'] }).ok).toBe(false)
  for (const [agrees, state] of [
    [true, 'agreed'],
    [false, 'differs'],
  ] as const) {
    const checked = withCheck(book, { ...place, agrees, note: '80.45' }, BEN)
    expect(checked.ok && stands(checked.value)).toEqual([state, 'empty', 'empty'])
    // A copy is held against the page by itself; typed anew, it waits again.
    if (checked.ok) {
      const twice = copied(checked.value, 'bearing', ['Bearing 2'])
      expect(sheetRows(twice).filter(({ name, state: now }) => name.startsWith('Bearing 2') && now === 'typed')).toHaveLength(1)
      expect(stands(typed(checked.value, { wear: '80.36' }))).toEqual(['typed', 'empty', 'empty'])
    }
  }
})

test('that its page gives no limit is said of one value, with the page, and checked as a figure is', () => {
  const before = typed(bearing())
  const book = typed(before, { wear: 'none', document: 'M1', page: '7' })
  const rowIn = (of: LimitBook) =>
    sheetRows(of).find(({ of: id, judges, side }) => id === 'bearing-bore' && judges === 'maximum' && side === 'upper')
  expect(boreOf(book)?.limits).toEqual([])
  expect(sheetRows(book)).toHaveLength(sheetRows(before).length)
  expect(rowIn(book)).toMatchObject({ state: 'typed', limit: null, none: { source: { document: 'M1', page: '7' } } })
  const checked = withCheck(book, { of: 'bearing-bore', judges: 'maximum', side: 'upper', agrees: true, note: '' }, BEN)
  expect(checked.ok && rowIn(checked.value)?.state).toBe('agreed')
  // Typed after all, it is none no more.
  expect(rowIn(typed(book))?.none).toBeNull()
})

test('a limit by the new size is typed, checked and judged by; a plain one takes its place again', () => {
  const book = typed(bearing(), { new: '80 H7', wear: '≤ 50: 80.2; ≤ 100: 80.3', plan: '80.1' })
  expect(sheetRows(book).find(({ of }) => of === 'bearing-bore')?.state).toBe('typed')
  const resolved = (one: LimitBook) =>
    boreOf(withLimits(bookSchema.parse(one), new Map(), { runningHours: 0, mustRunHours: 0 }))?.limits
  expect(resolved(book)).toMatchObject([{ plan: 80.1, wear: 80.3, by: { kind: 'size', size: 80 } }])
  const checked = withCheck(book, { of: 'bearing-bore', judges: 'maximum', side: 'upper', agrees: true, note: '' }, BEN)
  if (!checked.ok) throw new Error(checked.fault.code)
  expect(typedLimits(boreOf(checked.value) ?? { limits: [] })?.check?.agrees).toBe(true)
  expect(resolved(typed(checked.value, { wear: '80.35' }))).toMatchObject([{ plan: null, wear: 80.35 }])
})

test('a value the kit asks no limit for is given a row, once, and only what the measurement gives', () => {
  const [more] = moreValues(bearing(), 'bearing-bore')
  if (!more) throw new Error('a bore has more values than are asked')
  const place = { of: 'bearing-bore', ...more }
  const book = withWant(bearing(), place)
  if (!book.ok) throw new Error(book.fault.code)
  expect(sheetRows(book.value)).toHaveLength(sheetRows(bearing()).length + 1)
  expect(withWant(book.value, place).ok).toBe(false)
  expect(withWant(bearing(), { ...place, judges: 'notAsWanted' }).ok).toBe(false)
  for (const { id } of bearing().characteristics)
    for (const one of moreValues(bearing(), id)) {
      const made = withWant(bearing(), { of: id, ...one })
      if (!made.ok) throw new Error(made.fault.code)
      const limited = withRow(made.value, row({ of: id, ...one, wear: '1' }), 'metric', ANN)
      if (limited.ok) expect(faultsOf(bookSchema.parse(limited.value))).toEqual([])
    }
})

test('where no manual gives it the limit is the shop’s own, and never of what is safety-marked', () => {
  const own = { document: 'As found', page: '' }
  expect(boreOf(typed(bearing(), own))?.limits[0]?.source).toEqual({ document: 'as found', page: 'no document' })
  const guarded = { ...bearing(), characteristics: bearing().characteristics.map((one) => ({ ...one, safety: true })) }
  const made = withRow(guarded, row(own), 'metric', ANN)
  expect(made.ok ? [] : made.fault).toMatchObject([{ code: 'limit', why: { code: 'ownOnSafety' } }])
})

test('what a measurement tells of is said, and its limits wait for a second person again; a ring gap is never set', () => {
  const checked = withCheck(
    typed(bearing()),
    { of: 'bearing-bore', judges: 'maximum', side: 'upper', agrees: true, note: '' },
    BEN,
  )
  if (!checked.ok) throw new Error(checked.fault.code)
  const setting = { is: 'both', by: 'shims', chain: ['bearing-lower'] } as const
  const made = withSetting(checked.value, { of: 'bearing-bore', setting }, { by: 'Ann', at: '2026-06-01T08:00:00Z' })
  expect(made.ok && boreOf(made.value)).toMatchObject({ setting, limits: [{ typed: { by: 'Ann', check: null } }] })
  const book = bearing()
  const rings = book.characteristics.map((of) => ({ ...of, method: { ...of.method, kind: 'ringEndGap' } }))
  const never = withSetting(
    { ...book, characteristics: rings } as LimitBook,
    { of: 'bearing-bore', setting },
    { by: 'Ann', at: '' },
  )
  expect(never).toMatchObject({ fault: { code: 'neverSet' } })
})
