import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../book/bookSchema'
import { faultsOf } from '../book/faults'
import { fitSchema } from '../fit/fitSchema'
import { everyMethod } from '../method/everyMethod.fixture'
import { smallBook } from '../record/smallMachine.fixture'
import { OWN_DOCUMENT, OWN_PAGE } from '../typed/ownDocument'
import { additionFaultWords } from '../words/additions'
import type { Addition, AdditionOf } from './additionSchema'
import { type Added, withAddition } from './additions'
import { draftBook } from './draftBook'
import { type Entry, type EntryBody, entryBodySchema } from './entrySchema'
import { foldNotes } from './fold'
import { mateKinds } from './mates'
import { additionsIn, withTyped } from './typedBook'

const uuid = (n: number): string => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
let count = 0
const entry = (body: EntryBody, by = 'Mara'): Entry => ({ id: uuid(++count), by, at: '2026-11-25T08:00:00.000Z', body })
const source = { document: { id: 'FP-7', title: 'Handbook', revision: '' }, page: '30' }
const own = { document: { id: OWN_DOCUMENT, title: 'None', revision: '' }, page: OWN_PAGE }

const [shaft] = smallBook.parts
const journal = smallBook.characteristics.find(({ id }) => id === 'journal')
if (!shaft || journal?.method.kind !== 'outsideDiameter') throw new Error('The small machine has no journal.')
const bore = {
  ...journal,
  id: 'bore',
  part: 'bush',
  name: 'Bush Ø',
  new: null,
  limits: [],
  method: { ...journal.method, kind: 'boreDiameter' as const, masterMm: null },
}
/** The small machine with a bush about its shaft, and one fit of the two. */
const machine: LimitBook = bookSchema.parse({
  ...smallBook,
  parts: [...smallBook.parts, { ...shaft, id: 'bush', name: 'Bush', routes: [] }],
  characteristics: [...smallBook.characteristics, bore],
  fits: [
    {
      id: 'f-1',
      kind: 'shaftInBore',
      name: 'Shaft in bush',
      bore: 'bore',
      journal: 'journal',
      strip: null,
      new: null,
      limits: [],
      mendOn: 'bush',
      showTo: 0.001,
    },
  ],
})

const fit: AdditionOf<'fit'> = {
  of: 'fit',
  name: 'Journal in the other bore',
  mate: { kind: 'shaftInBore', sides: { bore: bore.id, journal: journal.id, strip: null }, figures: {}, choices: {} },
  mendOn: bore.part,
  limits: [
    { side: 'lower', wear: '0.02', plan: null },
    { side: 'upper', wear: '0,20', plan: '6 thou' },
  ],
  whenPassed: 'mend',
  instruction: '',
  source,
}
const seat: AdditionOf<'fit'> = {
  ...fit,
  name: 'Bearing on its seat',
  mate: { kind: 'bearingOnShaft', sides: { seat: journal.id }, figures: { boreMm: '60' }, choices: { tolerance: 'normal' } },
  mendOn: journal.part,
}
const LEAVES = { of: bore.id, least: '160.02', greatest: '160.3 mm', cleanUp: '0.01' }
const NEW_SIZE = { least: String(journal.new?.lower ?? 0), greatest: String(journal.new?.upper ?? 0) }
const route: AdditionOf<'route'> = {
  of: 'route',
  part: bore.part,
  name: 'Hone by hand',
  mends: [bore.id],
  effect: 'takesOff',
  leaves: LEAVES,
  cost: null,
  days: 1,
  source,
}
const REGRIND: AdditionOf<'route'> = {
  ...route,
  part: shaft.id,
  mends: [journal.id],
  leaves: { of: journal.id, least: '39.5', greatest: '39.6', cleanUp: '0.02' },
  finish: 'Ra 0.4 µm',
  mostOff: '0.5 mm',
}
const rule: AdditionOf<'rule'> = { of: 'rule', part: bore.part, rule: { kind: 'always' }, source: own }
const added = (what: Addition, id = 'a-1'): Added => ({
  id,
  what,
  entry: uuid(1),
  by: 'Mara',
  at: '2026-11-25T08:00:00.000Z',
  check: null,
})
const refused = (what: Addition): string => {
  const made = withAddition(machine, added(what), 'metric')
  return made.ok ? '' : made.fault.map(additionFaultWords).join(' ')
}

describe('what is added where it is missed', () => {
  test.each([
    ['a fit of two sizes', fit],
    ['a fit of a rolling bearing', seat],
    ['a route', route],
    ['a route with its finish and the most it may take off in all', REGRIND],
    ['a rule', rule],
  ] satisfies [string, Addition][])('%s makes a book that can be read, and comes away again', (_, what) => {
    const body = entryBodySchema.parse({ kind: 'thingAdded', id: 'a-1', what })
    const made = withTyped(machine, [entry(body)], 'metric')
    expect(made).not.toEqual(machine)
    expect(bookSchema.safeParse(made).error).toBeUndefined()
    expect(withTyped(made, [], 'metric')).toEqual(machine)
  })

  test('a fit reads its limits exactly, names who typed them, and knows the bearing by its standard', () => {
    const made = withTyped(machine, [entry({ kind: 'thingAdded', id: 'a-1', what: fit })], 'metric').fits.at(-1)
    expect(made?.limits).toMatchObject([
      { judges: 'minimum', wear: 0.02, source: { document: 'FP-7', page: '30' }, typed: { by: 'Mara', check: null } },
      { judges: 'maximum', wear: 0.2, plan: 0.1524 },
    ])
    const on = withTyped(machine, [entry({ kind: 'thingAdded', id: 'a-1', what: seat })], 'metric').fits.at(-1)
    expect(on).toMatchObject({ kind: 'bearingOnShaft', seat: journal.id, bearing: { boreMm: 60, tolerance: 'normal' } })
  })

  const figured: Readonly<Record<string, string>> = {
    greatestMm: '60.1',
    left: '90',
    closesGreatestMm: '70',
    opensGreatestMm: '70',
  }
  describe.each(mateKinds.map((kind) => [kind.kind, kind] as const))('a fit added as %s', (_, kind) => {
    /** Every side is measured by something of its own; what may be left out is left out, or not. */
    const addedTo = (whole: boolean, over: Readonly<Record<string, string>> = {}) => {
      const sides = kind.sides.filter(({ optional }) => whole || !optional)
      const measured = sides.map(({ key, takes }) => {
        const method = takes === null ? journal.method : everyMethod[takes[0] ?? 'size']
        return { ...journal, id: `of-${key}`, part: 'bush', name: key, new: null, limits: [], wants: undefined, method }
      })
      const figures = kind.figures.filter(({ optional }) => whole || !optional).map(({ key }) => [key, figured[key] ?? '60'])
      const what: Addition = {
        ...fit,
        mate: {
          kind: kind.kind,
          sides: Object.fromEntries(sides.map(({ key }) => [key, `of-${key}`])),
          figures: { ...Object.fromEntries(figures), ...over },
          choices: {},
        },
        mendOn: 'bush',
      }
      const book = { ...machine, characteristics: [...machine.characteristics, ...measured] } as LimitBook
      return withAddition(book, added(entryBodySchema.parse({ kind: 'thingAdded', id: 'a-1', what }) && what), 'metric')
    }

    test.each([true, false])('makes a book that can be read and judged (everything said: %s)', (whole) => {
      const made = addedTo(whole)
      if (!made.ok) throw new Error(JSON.stringify(made.fault))
      const { added: _, ...book } = made.value
      expect(fitSchema.safeParse(book.fits.at(-1)).error).toBeUndefined()
      expect(faultsOf(book).filter(({ path }) => path[0] === 'fits')).toEqual([])
    })

    test('takes no figure that no part has', () => {
      const [figure] = kind.figures.filter(({ isIn }) => !isIn(-60))
      const made = figure && addedTo(true, { [figure.key]: '-60' })
      expect(made === undefined || (!made.ok && made.fault.map(({ code }) => code))).toEqual(
        made === undefined ? true : ['figureBeyond'],
      )
    })
  })

  const refusals: [string, Addition, RegExp][] = [
    ['a side that is not measured', { ...fit, mate: { ...fit.mate, sides: { ...fit.mate.sides, bore: null } } }, /^Bore: choose/],
    [
      'a side measured as something else',
      { ...fit, mate: { ...fit.mate, sides: { bore: journal.id, journal: journal.id } } },
      /^Bore/,
    ],
    [
      'one size twice',
      { ...fit, mate: { kind: 'keyInKeyway', sides: { keyway: bore.id, key: bore.id }, figures: {}, choices: {} } },
      /both sides/,
    ],
    ['a figure that is none', { ...seat, mate: { ...seat.mate, figures: { boreMm: 'sixty' } } }, /^Bore of the bearing:/],
    ['a bearing in no table', { ...seat, mate: { ...seat.mate, figures: { boreMm: '90000' } } }, /90|table/],
    ['a class that is none', { ...seat, mate: { ...seat.mate, choices: { tolerance: 'best' } } }, /Tolerance class/],
    [
      'limits the wrong way round',
      {
        ...fit,
        limits: [
          { side: 'lower', wear: '3', plan: null },
          { side: 'upper', wear: '2', plan: null },
        ],
      },
      /least clearance/,
    ],
    ['a plan limit behind the wear limit', { ...fit, limits: [{ side: 'upper', wear: '0.2', plan: '0.3' }] }, /must come before/],
    ['a kind nobody offers', { ...fit, mate: { ...fit.mate, kind: 'glue' } }, /no kind of fit/],
    ['mending on a part of another fit', { ...fit, mendOn: 'nothing' }, /mended on one of its own parts/],
    ['a name that is taken', { ...fit, name: (machine.fits[0]?.name ?? '').toUpperCase() }, /is there already/],
    ['a route on nothing', { ...route, mends: ['nothing'] }, /not measured/],
    ['a route that leaves a size of nothing it mends', { ...route, leaves: { ...LEAVES, of: journal.id } }, /not measured/],
    ['sizes after work the wrong way round', { ...route, leaves: { ...LEAVES, least: '161' } }, /larger than the most/],
    ['a size after work that is no figure', { ...route, leaves: { ...LEAVES, least: 'about right' } }, /Size after, least/],
    [
      'a cut that leaves the size of a new part',
      { ...route, part: shaft.id, mends: [journal.id], leaves: { ...LEAVES, of: journal.id, ...NEW_SIZE } },
      /takes off cannot leave/,
    ],
    ['the most off of what has no new size', { ...route, mostOff: '0.5' }, /counted off the new size/],
    ['the most off that is no figure', { ...REGRIND, mostOff: 'a hair' }, /Most off in all/],
    ['a rule on no part', { ...rule, part: 'nothing' }, /no part/],
    ['a line of a plan that no level has', { of: 'need', group: 'tools', name: 'Puller', quantity: '' }, /no list to lay out/],
  ]
  test.each(refusals)('%s is refused with a sentence', (_, what, says) => {
    expect(refused(what)).toMatch(says)
  })

  test('a gauge that the list does not have is laid out at every level, corrected and taken out', () => {
    const level = { id: 'full', name: 'Full', about: '', measures: 'all', renews: true, gate: null }
    const needs = { gauges: [], tools: [], consumables: [], safety: [], people: [] }
    const planned = bookSchema.parse({ ...machine, levels: [{ ...level, needs }] })
    const gauge = (name: string): Addition => ({ of: 'need', group: 'gauges', name, quantity: '', gaugeKind: 'feeler' })
    const body = (name: string): EntryBody => ({ kind: 'thingAdded', id: 'a-need', what: gauge(name) })
    expect(entryBodySchema.safeParse(body('Long feelers')).success).toBe(true)
    const without = { ...body('x'), what: { of: 'need', group: 'gauges', name: 'x', quantity: '' } }
    expect(entryBodySchema.safeParse(without).success).toBe(false)
    const twice = withTyped(planned, [entry(body('Long feelers')), entry(body('Thin feelers'))], 'metric')
    expect(bookSchema.parse(twice).levels[0]?.needs.gauges).toMatchObject([
      { id: 'a-need', name: 'Thin feelers', kind: 'feeler' },
    ])
    expect(withTyped(twice, [], 'metric')).toEqual(planned)
  })

  test('a limit of the shop’s own is no limit of what is safety-marked', () => {
    const guarded = { ...machine, characteristics: machine.characteristics.map((one) => ({ ...one, safety: true })) }
    const made = withAddition(guarded, added({ ...fit, source: own }), 'metric')
    expect(made.ok ? [] : made.fault).toMatchObject(fit.limits.map(() => ({ code: 'limit', why: { code: 'ownOnSafety' } })))
    const mended = withAddition(guarded, added({ ...route, source: own }), 'metric')
    expect(mended.ok ? [] : mended.fault).toMatchObject([{ code: 'ownOnSafety' }])
    expect(withAddition(guarded, added(route), 'metric').ok).toBe(true)
    expect(withAddition(machine, added({ ...fit, source: own }), 'metric').ok).toBe(true)
  })

  test('what is added is there once, whatever is added, corrected, checked or taken out in between', () => {
    const kinds = fc.constantFrom('fit', 'fit2', 'route', 'rule', 'check', 'drop', 'part')
    fc.assert(
      fc.property(fc.array(kinds, { maxLength: 12 }), fc.nat(12), (list, cut) => {
        let last = ''
        const entries = list.map((kind): Entry => {
          const made = ((): EntryBody => {
            if (kind === 'check')
              return { kind: 'limitsChecked', characteristic: 'a-fit', of: last || uuid(999), agrees: true, note: '' }
            if (kind === 'drop') return { kind: 'thingDropped', id: 'a-fit', name: 'It', reason: 'not there' }
            if (kind === 'part')
              return { kind: 'positionAdded', position: 'p-9', name: 'Rail', parent: null, count: 2, asPart: true }
            if (kind === 'route') return { kind: 'thingAdded', id: 'a-route', what: route }
            if (kind === 'rule') return { kind: 'thingAdded', id: 'a-rule', what: rule }
            return { kind: 'thingAdded', id: 'a-fit', what: kind === 'fit' ? fit : { ...fit, name: 'Other' } }
          })()
          const one = entry(made)
          if (kind.startsWith('fit')) last = one.id
          return one
        })
        const once = withTyped(machine, entries, 'metric')
        expect(bookSchema.safeParse(once).error).toBeUndefined()
        expect(withTyped(withTyped(machine, entries.slice(0, cut), 'metric'), entries, 'metric')).toEqual(once)
        expect(withTyped(once, entries, 'metric')).toEqual(once)
        expect(withTyped(once, [], 'metric')).toEqual(machine)
      }),
      { seed: 11, numRuns: 80 },
    )
  })

  test('a part found on the machine is one thing: a position, something to look at, and a verdict', () => {
    const found = entry({ kind: 'positionAdded', position: 'p-9', name: 'Rail', parent: null, count: 2, asPart: true })
    const book = withTyped(machine, [found], 'metric')
    expect(book.parts.at(-1)).toMatchObject({ id: 'p-9', name: 'Rail', typed: true })
    expect(foldNotes(book, [found]).positions.filter(({ id }) => id === 'p-9')).toMatchObject([
      { count: 2, book: { part: 'p-9' } },
    ])
    // A position noted before a part could be added with it stays a position.
    const before = entry({ kind: 'positionAdded', position: 'p-8', name: 'Rail', parent: null, count: 1 })
    expect(withTyped(machine, [before], 'metric')).toEqual(machine)
  })

  test('together they make a draft, once a second person has held the limits against their page', () => {
    const name = { id: 'book-small', title: 'Small', revision: 'draft 1' }
    const bodies: EntryBody[] = [
      { kind: 'thingAdded', id: 'a-fit', what: fit },
      { kind: 'thingAdded', id: 'a-rule', what: rule },
      { kind: 'positionAdded', position: 'p-9', name: 'Rail', parent: null, count: 2, asPart: true },
    ]
    const entries = bodies.map((body) => entry(body))
    const make = (all: readonly Entry[]) => {
      const book = withTyped(machine, all, 'metric')
      return draftBook(book, [], additionsIn(all), foldNotes(book, all), name)
    }
    expect(make(entries)).toMatchObject({ ok: false, fault: { code: 'notChecked', names: [fit.name] } })
    const agreed = entry(
      { kind: 'limitsChecked', characteristic: 'a-fit', of: entries[0]?.id ?? '', agrees: true, note: '' },
      'Tobias',
    )
    const made = make([...entries, agreed])
    if (!made.ok) throw new Error(made.fault.code)
    const book = bookSchema.parse(made.value)
    expect(book.added).toBeUndefined()
    expect(JSON.stringify(book.parts)).not.toMatch(/"(typed|added)"/)
    // The next job starts from it and loses nothing.
    expect(withTyped(book, [], 'metric')).toEqual(book)
    expect(book.fits.at(-1)?.limits[0]?.typed?.check).toMatchObject({ by: 'Tobias', agrees: true })
  })
})
