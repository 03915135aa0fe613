import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { bookSchema, type Characteristic } from '../book/bookSchema'
import { noBook } from '../book/noBook'
import { everyMethod } from '../method/everyMethod.fixture'
import type { Method } from '../method/method'
import { unheldLimits } from '../verdict/reuseRequires'
import { draftFaultWords } from '../words/noteFaults'
import { typedFaultWords } from '../words/typedFaults'
import { draftBook } from './draftBook'
import type { Entry, EntryBody } from './entrySchema'
import { foldNotes } from './fold'
import { typedIn, withTyped } from './typedBook'
import { readTypedCharacteristic, typedFaults } from './typedCharacteristic'
import type { TypedCharacteristic } from './typedSchema'

const none = noBook('job', 'Feed pump')
const sleeve: TypedCharacteristic = {
  name: 'Sleeve Ø',
  part: { id: 'sleeve', name: 'Sleeve', assembly: 'Pump', position: 'Drive side' },
  method: structuredClone(everyMethod.outsideDiameter) as TypedCharacteristic['method'],
  gaugeKind: 'outsideMicrometer',
  readTo: '10 µm',
  how: '',
  document: { id: 'FP-7', title: 'Handbook', revision: '' },
  new: { nominal: null, lower: '59.98', upper: '60,00', page: '30' },
  limits: [
    { judges: 'minimum', side: 'lower', wear: '59,90', plan: '59.93', whenPassed: 'mend', instruction: '', page: '31' },
    { judges: 'outOfRound', side: 'upper', wear: '2 thou', plan: null, whenPassed: 'mend', instruction: '', page: '31' },
  ],
  safety: false,
}
/** Places of a book have names. */
const named = (method: Method): TypedCharacteristic['method'] =>
  JSON.parse(JSON.stringify(method).replaceAll('"label":""', '"label":"place"')) as TypedCharacteristic['method']
const uuid = (n: number): string => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
let count = 0
const entry = (body: EntryBody, by = 'Mara'): Entry => ({ id: uuid(++count), by, at: '2026-11-25T08:00:00.000Z', body })
const typed = (value = sleeve, characteristic = 't-1'): Entry => entry({ kind: 'characteristicTyped', characteristic, value })
const checked = (of: Entry, agrees = true): Entry =>
  entry({ kind: 'limitsChecked', characteristic: 't-1', of: of.id, agrees, note: agrees ? '' : 'page says 59.88' }, 'Tobias')

describe('the book of a job', () => {
  test('holds what was typed, read exactly, with its source and who typed it', () => {
    const first = typed()
    const { characteristics, parts, documents } = withTyped(none, [first], 'metric')
    expect(parts).toMatchObject([{ id: 'sleeve', name: 'Sleeve', typed: true, replacement: null }])
    expect(documents).toMatchObject([{ id: 'FP-7', typed: true }])
    expect(characteristics).toMatchObject([
      {
        id: 't-1',
        showTo: 0.01,
        new: { lower: 59.98, upper: 60, nominal: 59.99, source: { document: 'FP-7', page: '30' } },
        limits: [
          { wear: 59.9, plan: 59.93, side: 'lower', source: { document: 'FP-7', page: '31' } },
          { wear: 0.0508, plan: null },
        ],
        typed: { entry: first.id, by: 'Mara', check: null },
      },
    ])
  })

  test('passes the schema of a limit book, with every method', () => {
    const all = Object.entries(everyMethod).flatMap(([kind, method]) =>
      kind === 'ringEndGap' || kind === 'computed'
        ? []
        : [
            typed(
              {
                ...sleeve,
                name: kind,
                method: named(method),
                readTo: '1',
                new: null,
                limits: [],
              },
              `t-${kind}`,
            ),
          ],
    )
    const book = withTyped(none, all, 'metric')
    expect(bookSchema.parse(book).characteristics).toHaveLength(all.length)
  })

  test('a bare figure is inches on a machine in inches', () => {
    const [own] = withTyped(
      none,
      [typed({ ...sleeve, readTo: '0.001', new: null, limits: [{ ...sleeve.limits[0], wear: '2.358', plan: null } as never] })],
      'inch',
    ).characteristics
    expect(own?.limits[0]?.wear).toBeCloseTo(59.8932, 10)
  })

  test('adding it twice is adding it once, whatever is typed, checked or taken out in between', () => {
    const bodies = fc.array(fc.constantFrom('typed', 'checked', 'refused', 'dropped', 'typed2'), { maxLength: 12 })
    fc.assert(
      fc.property(bodies, fc.nat(12), (kinds, cut) => {
        let last = typed()
        const entries = kinds.map((kind): Entry => {
          if (kind === 'checked' || kind === 'refused') return checked(last, kind === 'checked')
          if (kind === 'dropped') return entry({ kind: 'characteristicDropped', characteristic: 't-1', reason: 'not fitted' })
          if (kind === 'typed2') return typed({ ...sleeve, name: 'Collar' }, 't-2')
          last = typed()
          return last
        })
        const once = withTyped(none, entries, 'metric')
        expect(withTyped(withTyped(none, entries.slice(0, cut), 'metric'), entries, 'metric')).toEqual(once)
        expect(withTyped(once, entries, 'metric')).toEqual(once)
        expect(withTyped(once, [], 'metric')).toEqual(none)
      }),
      { seed: 7, numRuns: 60 },
    )
  })
})

describe('the second person', () => {
  test('checks exactly what was typed: typed anew it waits again', () => {
    const [first, again] = [typed(), typed()]
    expect(typedIn([first, checked(first)])[0]?.check).toMatchObject({ by: 'Tobias', agrees: true })
    expect(typedIn([first, checked(first), again])[0]?.check).toBeNull()
    expect(typedIn([first, again, checked(first)])[0]?.check).toBeNull()
  })

  test('makes a draft possible, and nothing less does', () => {
    const first = typed()
    const name = { id: 'book-pump', title: 'Feed pump: limits', revision: 'draft 1' }
    const draft = (entries: readonly Entry[]) =>
      draftBook(withTyped(none, entries, 'metric'), typedIn(entries), [], foldNotes(none, entries), name)
    expect(draft([])).toMatchObject({ ok: false })
    const unchecked = draft([first])
    expect(unchecked.ok ? '' : draftFaultWords(unchecked.fault)).toBe('Not checked by a second person yet: Sleeve Ø.')
    expect(draft([first, checked(first, false)])).toMatchObject({ ok: false })
    const made = draft([first, checked(first)])
    if (!made.ok) throw new Error(draftFaultWords(made.fault))
    const book = bookSchema.parse(made.value)
    expect(book).toMatchObject({ ...name, issued: null })
    expect(JSON.stringify(book)).not.toContain('typed')
    // The next job may type beside the draft without losing anything of it.
    expect(withTyped(book, [typed({ ...sleeve, name: 'Collar' }, 't-2')], 'metric').characteristics.map(({ id }) => id)).toEqual([
      't-1',
      't-2',
    ])
  })
})

/** All that is wrong with it, in words. */
const refused = (...of: Parameters<typeof typedFaults>): string =>
  typedFaults(...of)
    .map(typedFaultWords)
    .join(' ')

const refusals: [name: string, over: Partial<TypedCharacteristic>, says: RegExp][] = [
  [
    'a limit that is no figure',
    { limits: [{ ...sleeve.limits[0], wear: 'about 60' } as never] },
    /^Limit 1, “Smallest” at least/,
  ],
  ['a limit of another quantity', { limits: [{ ...sleeve.limits[0], wear: '3 bar' } as never] }, /^Limit 1, “Smallest” at least/],
  ['a plan limit beyond the wear limit', { limits: [{ ...sleeve.limits[0], plan: '59.8' } as never] }, /must come before/],
  ['a value the method does not give', { limits: [{ ...sleeve.limits[0], judges: 'bow' } as never] }, /gives no “Bow”/],
  [
    'new sizes the wrong way round',
    { new: { nominal: null, lower: '60.1', upper: '60', page: '1' } },
    /least new size is larger/,
  ],
  ['no step', { readTo: '0' }, /more than zero/],
  ['a name that is taken', { name: 'collar ø' }, /is there already/],
]
test.each(refusals)('%s is refused with a sentence', (_, over, says) => {
  const book = withTyped(none, [typed({ ...sleeve, name: 'Collar Ø' }, 't-9')], 'metric')
  expect(refused('t-1', sleeve, book, 'metric')).toBe('')
  expect(refused('t-1', { ...sleeve, ...over }, book, 'metric')).toMatch(says)
})

test('a formula over results it cannot have is refused', () => {
  const formula = (names: object): TypedCharacteristic => ({
    ...sleeve,
    name: 'Wall',
    readTo: '0.01',
    new: null,
    limits: [],
    method: { kind: 'computed', formula: 'a/2', names, quantity: 'length', wears: 'smaller' } as TypedCharacteristic['method'],
  })
  const book = withTyped(none, [typed()], 'metric')
  expect(refused('t-2', formula({ a: { characteristic: 't-1', value: 'minimum' } }), book, 'metric')).toBe('')
  expect(refused('t-2', formula({ a: { characteristic: 't-1', value: 'bow' } }), book, 'metric')).toMatch(/has no value/)
  expect(refused('t-2', formula({ a: { characteristic: 'nowhere', value: 'mean' } }), book, 'metric')).toMatch(
    /not measured here/,
  )
  const squared = { ...formula({ a: { characteristic: 't-1', value: 'minimum' } }) }
  const wrong = { ...squared, method: { ...squared.method, formula: 'a*a' } as TypedCharacteristic['method'] }
  expect(refused('t-2', wrong, book, 'metric')).toMatch(/gives .* is wanted/)
  const self = withTyped(book, [typed(), typed(formula({ a: { characteristic: 't-1', value: 'minimum' } }), 't-2')], 'metric')
  expect(refused('t-1', formula({ a: { characteristic: 't-2', value: 'result' } }), self, 'metric')).toMatch(
    /own result|is there already/,
  )
})

test('a size with its class gives both ends and the nominal size, a limit the end that it forbids', () => {
  const value: TypedCharacteristic = {
    ...sleeve,
    new: { nominal: null, lower: '60 h7', upper: '60 h7', page: '30' },
    limits: [
      { judges: 'minimum', side: 'lower', wear: '60 h11', plan: '60 h9', whenPassed: 'mend', instruction: '', page: '31' },
    ],
  }
  const read = readTypedCharacteristic({ id: 's', value, entry: '', by: '', at: '', check: null }, 'metric')
  expect(read.value?.new).toMatchObject({ nominal: 60, lower: 59.97, upper: 60 })
  expect(read.value?.limits).toMatchObject([{ wear: 59.81, plan: 59.926 }])
  const wrong = readTypedCharacteristic(
    {
      id: 's',
      value: { ...value, new: { nominal: null, lower: '60 w7', upper: '60 w7', page: '30' } },
      entry: '',
      by: '',
      at: '',
      check: null,
    },
    'metric',
  )
  expect(wrong.fault).toMatchObject([{ code: 'sizeClass', figure: 'newLeast', why: { code: 'letterNotHere' } }])
})

test('that the page gives no limit is said in a job too, held by the same second person; a table is a table, a setting a setting', () => {
  const [limit] = sleeve.limits
  if (!limit) throw new Error('the sleeve is limited')
  const value: TypedCharacteristic = {
    ...sleeve,
    limits: [
      { ...limit, plan: null, wear: 'none', page: '32' },
      { ...limit, judges: 'outOfRound', side: 'upper', plan: null, wear: '≤ 50: 0.02; above: 0.03' },
      { ...limit, judges: 'taper', side: 'upper', plan: null, wear: '0.02' },
    ],
    setting: { is: 'both', by: 'shims', chain: [sleeve.part.id, 'gone'] },
  }
  expect(refused('t-1', value, none, 'metric')).toMatch(/“gone”/)
  const [made] = withTyped(none, [typed(value)], 'metric').characteristics
  expect(made?.wants).toEqual([{ judges: limit.judges, side: limit.side, none: { source: { document: 'FP-7', page: '32' } } }])
  expect(made?.limits.map(({ id, judges }) => [id, judges])).toEqual([['limit-3', 'taper']])
  expect(made?.limitsBy).toMatchObject([{ judges: 'outOfRound', depends: { kind: 'size', characteristic: 't-1' } }])
  // What it rested on was taken out since.
  expect(made?.setting).toEqual({ is: 'both', by: 'shims', chain: [sleeve.part.id] })
  if (!made) throw new Error('it is typed')
  const openAt = (check: object | null): readonly string[] =>
    unheldLimits({ ...made, typed: { entry: 'e', by: 'Ada', at: '', check } } as Characteristic, true, 'asFound').map(
      ({ code }) => code,
    )
  const said = (agrees: boolean) => ({ by: 'Bea', at: '', agrees, note: '' })
  expect([...new Set(openAt(null))]).toEqual(['unchecked'])
  expect(openAt(null)).toHaveLength(3)
  expect(openAt(said(false))).toEqual(['rejected', 'rejected', 'rejected'])
  expect(openAt(said(true))).toEqual([])
})
