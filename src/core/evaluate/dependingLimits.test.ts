/** Limits by hours, size, type and formula, and what belongs to one type only, on a machine that is in no demo. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { LimitBook } from '../book/bookSchema'
import { bookFaults, faultsOf } from '../book/faults'
import { everyMethod } from '../method/everyMethod.fixture'
import { slotsOf } from '../method/layout'
import { refuseEntry } from '../notes/checkEntry'
import type { Entry } from '../notes/entrySchema'
import { bookOfJob } from '../notes/jobBook'
import { parseInTwoUnits } from '../quantity/twoUnits'
import { evaluate } from './evaluate'
import { common, limit, machine, part, size, source } from './fits/fits.fixture'

const depending = (depends: object, over: object = {}) => ({
  id: 'by',
  judges: 'maximum',
  side: 'upper',
  depends,
  whenPassed: 'mend',
  instruction: '',
  source,
  ...over,
})
const rows = [
  { upTo: 5_000, plan: 40.05, wear: 40.1 },
  { upTo: 20_000, plan: null, wear: 40.2 },
]
const bush = (depends: object) => size('bush', 'p', 'boreDiameter', 40, { limitsBy: [depending(depends)] })
const recordWith = (depends: object, entries: readonly Entry[] = [], variants: LimitBook['variants'] = undefined) => {
  const record = machine([part('p')], [bush(depends)], [], { bush: ['40.15', '40.15'] })
  const raw = { ...record.book, variants } as LimitBook
  const job = { ...record.job, entries: [...entries] }
  return { ...record, job, book: bookOfJob(raw, entries, 'metric', job) }
}
const of = (record: ReturnType<typeof recordWith>) => {
  const [part] = evaluate(record).parts
  return { verdict: part?.verdict, limit: record.book.characteristics[0]?.limits[0], settled: part?.votes[0]?.settledBy }
}
const TYPE = [
  {
    id: 'metal',
    name: 'White metal',
    options: [
      { id: 'a', name: 'Type A' },
      { id: 'b', name: 'Type B' },
    ],
  },
]
const said = (option: string): Entry => ({
  id: '01990000-0000-7000-8000-0000000000aa',
  by: 'Ann',
  at: '2026-06-01T09:00:00Z',
  body: { kind: 'variantSaid', variant: 'metal', option },
})

describe('limits by a table or a formula', () => {
  test('by hours run: the row that reaches so far, and the stricter of now and the next overhaul for what is foretold', () => {
    expect(of(recordWith({ kind: 'hours', rows })).limit).toMatchObject({
      plan: null,
      wear: 40.2,
      by: { kind: 'hours', hours: 8_000 },
      atNext: { wear: 40.2 },
    })
    expect(of(recordWith({ kind: 'hours', rows })).verdict).toBe('reuse')
  })
  test('where no row reaches, nothing is settled, and it says what is to do', () => {
    const { verdict, limit: none, settled } = of(recordWith({ kind: 'hours', rows: rows.slice(0, 1) }))
    expect(none).toBeUndefined()
    expect(verdict).toBe('hold')
    expect(settled).toMatchObject({ code: 'makersFigure' })
  })
  test('by the new size, and by a formula over it', () => {
    const bySize = {
      kind: 'size',
      characteristic: 'bush',
      rows: [
        { upTo: 39, plan: null, wear: 39.2 },
        { upTo: null, plan: null, wear: 40.1 },
      ],
    }
    expect(of(recordWith(bySize))).toMatchObject({ verdict: 'replace', limit: { wear: 40.1 } })
    const formula = { kind: 'formula', names: { D: 'bush' }, plan: null, wear: '1.005*D + hours*0.00001 mm' }
    expect(of(recordWith(formula)).limit?.wear).toBeCloseTo(40.28, 9)
  })
  test('by what is fitted: held until somebody says which, then judged by its row', () => {
    const byType = {
      kind: 'variant',
      variant: 'metal',
      rows: [
        { option: 'a', plan: null, wear: 40.1 },
        { option: 'b', plan: null, wear: 40.2 },
      ],
    }
    expect(of(recordWith(byType, [], TYPE))).toMatchObject({ verdict: 'hold', settled: { code: 'which', variant: 'metal' } })
    expect(of(recordWith(byType, [said('a')], TYPE)).verdict).toBe('replace')
    expect(of(recordWith(byType, [said('b')], TYPE)).verdict).toBe('reuse')
    expect(of(recordWith(byType, [said('a'), said('b')], TYPE)).verdict).toBe('reuse')
  })
  test('applied twice it changes nothing, whatever the table says', () => {
    const figure = fc.double({ min: 40, max: 41, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(figure, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 60_000 }),
        (wears, runningHours) => {
          const table = wears.map((wear, at) => ({ upTo: (at + 1) * 7_000, plan: null, wear }))
          const { book, job } = recordWith({ kind: 'hours', rows: table })
          const once = bookOfJob(book, [], 'metric', { ...job, runningHours })
          expect(bookOfJob(once, [], 'metric', { ...job, runningHours })).toEqual(once)
          const expected = wears[Math.max(0, Math.ceil(runningHours / 7_000) - 1)]
          expect(once.characteristics[0]?.limits[0]?.wear).toBe(expected)
        },
      ),
    )
  })
})

describe('what belongs to one type only', () => {
  const only = (option: string) => ({ variant: 'metal', options: [option] })
  const raw = () => {
    const record = machine(
      [part('p'), part('a-part', { only: only('a') }), part('b-part', { only: only('b') })],
      [
        size('shaft', 'p', 'outsideDiameter', 40),
        size('a-bush', 'a-part', 'boreDiameter', 40),
        size('b-bush', 'b-part', 'boreDiameter', 40),
      ],
      ['a', 'b'].map((type) => ({
        ...common(`${type}-fit`, [limit('maximum', 'upper', 0.2)], `${type}-part`),
        kind: 'chain',
        links: [
          { characteristic: `${type}-bush`, does: 'opens' },
          { characteristic: 'shaft', does: 'closes' },
        ],
        stated: [],
      })),
      { shaft: ['40', '40'], 'a-bush': ['40.05', '40.05'] },
    )
    return { ...record, book: { ...record.book, variants: TYPE } as LimitBook }
  }
  test('until it is said which is fitted, all of it is open; then what is not fitted is gone, with its fits', () => {
    const record = raw()
    expect(faultsOf({ ...record.book, documents: [{ id: 'D1', title: 'x', revision: '' }] })).toEqual([])
    const open = evaluate(record).parts.find(({ id }) => id === 'a-part')
    expect(open?.verdict).toBe('hold')
    expect(open?.votes.some(({ rule, code }) => rule === 'limitOpen' && code === 'mayBe')).toBe(true)
    const book = bookOfJob(record.book, [said('a')], 'metric', record.job)
    expect(book.parts.map(({ id }) => id)).toEqual(['p', 'a-part'])
    expect(book.fits.map(({ id }) => id)).toEqual(['a-fit'])
    const job = { ...record.job, entries: [said('a')] }
    expect(evaluate({ ...record, book, job }).parts.find(({ id }) => id === 'a-part')?.verdict).toBe('reuse')
  })
  test('a type whose measurements were taken cannot be said away', () => {
    const { book, job } = raw()
    const readings = new Map(job.readings.map(({ id, characteristic }) => [id, characteristic]))
    const refuse = (option: string) =>
      refuseEntry(said(option).body, { book, readings } as unknown as Parameters<typeof refuseEntry>[1])
    expect(refuse('b')).toEqual({ code: 'readOnOther', name: 'a-bush' })
    expect(refuse('a')).toBeNull()
    expect(refuse('c')).toMatchObject({ code: 'noVariant' })
  })
  test('a book that names a type, a row or a size it has not is refused', () => {
    const { book } = raw()
    const wrong = {
      ...book,
      characteristics: [
        size('bush', 'p', 'boreDiameter', 40, {
          only: { variant: 'none', options: ['a'] },
          limitsBy: [
            depending({ kind: 'variant', variant: 'metal', rows: [{ option: 'z', plan: null, wear: 1 }] }),
            depending({ kind: 'size', characteristic: 'gone', rows }, { id: 'two' }),
            depending({ kind: 'formula', names: { D: 'bush' }, plan: null, wear: 'D*D' }, { id: 'three' }),
          ],
        }),
      ],
      fits: [],
      parts: [part('p')],
    } as unknown as LimitBook
    expect(faultsOf(wrong).map(({ path, fault }) => `${path.slice(2).join('.')} ${fault.code}`)).toEqual([
      'only.variant notThere',
      'limitsBy.1.depends.characteristic notThere',
      'limitsBy.0.depends.rows.0.option notThere',
      'limitsBy.2.depends.wear formula',
    ])
  })
})

test('a limit on one place judges that place alone, and the others theirs', () => {
  const at = (direction: string, wear: number) => ({
    ...limit('maximum', 'upper', wear),
    id: `at-${direction}`,
    at: { station: direction, direction: '-' },
  })
  const gap = (texts: readonly string[]) => {
    const method = {
      ...everyMethod.gapAtPositions,
      positions: ['12', '3'].map((id, index) => ({ id, label: id, angleDeg: 90 * index })),
    }
    const one = size('gap', 'p', 'size', 1, { method, gaugeKind: 'feeler', new: null, limits: [at('12', 1), at('3', 2)] })
    const record = machine([part('p')], [one], [], { gap: texts })
    const [result] = evaluate(record).characteristics
    return result?.limits.map(({ grade, value }) => [value?.value, grade.mild, grade.strong])
  }
  const places = slotsOf({ ...everyMethod.gapAtPositions, positions: ['12', '3'].map((id) => ({ id, label: id, angleDeg: 0 })) })
  expect(places).toHaveLength(2)
  expect(gap(['0.9', '1.8'])).toEqual([
    [0.9, 0, 0],
    [1.8, 0, 0],
  ])
  expect(gap(['1.8', '1.8'])).toEqual([
    [1.8, 2, 2],
    [1.8, 0, 0],
  ])
  expect(gap(['0.9'])).toEqual([
    [0.9, 0, 0],
    [undefined, 0, 2],
  ])
  const nowhere = machine([part('p')], [size('a', 'p', 'size', 1, { limits: [at('12', 1)] })], [], {})
  expect(faultsOf(nowhere.book).map(({ fault }) => fault.code)).toContain('noPlace')
})

test('a limit by a table takes the place of none beside it, and depends on nothing that may not be there', () => {
  const record = machine(
    [part('p'), part('q', { only: { variant: 'metal', options: ['a'] } })],
    [
      size('bush', 'p', 'boreDiameter', 40, {
        limits: [{ ...limit('maximum', 'upper', 40.4), id: 'by' }],
        limitsBy: [depending({ kind: 'size', characteristic: 'pin', rows })],
      }),
      size('pin', 'q', 'outsideDiameter', 40, {
        limitsBy: [
          depending(
            { kind: 'size', characteristic: 'pin', rows },
            {
              side: 'lower',
              judges: 'minimum',
              depends: { kind: 'size', characteristic: 'pin', rows: [{ upTo: null, plan: null, wear: 39 }] },
            },
          ),
        ],
      }),
    ],
    [],
    {},
  )
  const faults = faultsOf({ ...record.book, variants: TYPE } as LimitBook)
  expect(faults.map(({ path, fault }) => `${path.join('.')} ${fault.code}`)).toEqual([
    'characteristics.0.limitsBy.0.depends.characteristic notAlwaysFitted',
    'characteristics.0.limitsBy.0 sameId',
  ])
})

describe('a limit in two units', () => {
  test.each([
    ['0.30 mm (0.012 in)', 0.3],
    ['0.30 mm = 0.012 in', 0.3],
    ['12 thou (0.305 mm)', 0.3048],
    ['0.30', 0.3],
  ])('%s', (text, value) => {
    expect(parseInTwoUnits(text, 'length', 'mm')).toMatchObject({ ok: true, value: { value } })
  })
  test.each(['0.30 mm (0.010 in)', '0.30 mm = 0.12 in', '0.30 mm (0.012'])('%s is refused', (text) => {
    expect(parseInTwoUnits(text, 'length', 'mm').ok).toBe(false)
  })
  test('a book that says two things is told where', () => {
    const both = (also: string) => ({ ...limit('maximum', 'upper', 40.3), also: { plan: null, wear: also } })
    const bookOf = (also: string) =>
      machine([part('p')], [size('bush', 'p', 'boreDiameter', 40, { limits: [both(also)] })], [], {}).book
    expect(bookFaults(bookOf('1.5866 in'))).toEqual([])
    expect(bookFaults(bookOf('1.5900 in'))).toMatchObject([
      { path: ['characteristics', 0, 'limits', 0, 'also', 'wear'], fault: { code: 'unitsDisagree' } },
    ])
  })
})
