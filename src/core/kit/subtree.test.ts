import { expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../book/bookSchema'
import { faultsOf } from '../book/faults'
import { assemblies } from './assemblies'
import { changed } from './change'
import { compose } from './compose'
import { emptyComposition } from './composition'
import { copied } from './copied'
import { mirrored, type PositionDetail } from './detail'
import { renamed } from './renamed'
import { subtreeOf } from './subtree'
import { takenOut } from './takenOut'

const empty = emptyComposition('m', 'Machine')
const added = (book: LimitBook, assembly: string, names: readonly string[], into: string | null = null): LimitBook => {
  const made = compose(book, { assembly, names, into, answers: {} }, 'metric')
  if (!made.ok) throw new Error(JSON.stringify(made.fault))
  return made.value
}
const faults = (book: LimitBook) => faultsOf(bookSchema.parse(book))
/** A gear train whose shaft carries a bearing, beside a frame. */
const winch = added(
  added(added(empty, 'shaftAssembly', ['Drum shaft']), 'splitSleeveBearing', ['Bearing 1'], 'drum-shaft'),
  'frameAndFeet',
  ['Frame'],
)

const page = { document: 'KIT', page: '4' }
const routeOf = (mends: string[], cut: string) => ({
  ...{ name: 'Bore out', mends, cost: 1, days: 1, source: page, effect: 'takesOff' as const },
  sizeAfter: { characteristic: cut, leastMm: 60.5, greatestMm: 60.6, cleanUpMm: 0.1 },
})

test.each(assemblies.map(({ id }) => [id]))('%s comes out again without a trace but its gauges and tools', (id) => {
  const before = added(empty, 'shaftAssembly', ['Shaft'])
  const book = added(before, id, ['Thing'])
  const after = takenOut(book, 'thing')
  expect({ ...after, levels: [] }).toEqual({ ...before, levels: [], crossChecks: [], equalParts: [] })
})

test.each(assemblies.map(({ id }) => [id]))('%s is copied whole: as much again, and nothing shared', (id) => {
  const book = added(empty, id, ['Thing'])
  const twice = copied(book, 'thing', ['Thing 2', 'Thing 3'])
  expect(faults(twice)).toEqual([])
  for (const list of ['positions', 'parts', 'characteristics', 'fits', 'findingRules', 'handTests'] as const)
    expect([list, twice[list].length]).toEqual([list, 3 * book[list].length])
  // Each copy stands at an equal place, as if all had been added at once.
  const places = (of: LimitBook) => (of.equalParts ?? []).flatMap((set) => (set.kind === 'alike' ? [set.places.length] : []))
  expect(places(twice)).toEqual(book.characteristics.map(() => 3))
  expect(places(added(empty, id, ['Thing', 'Thing 2', 'Thing 3']))).toEqual(places(twice))
  // Taken out again, the copies leave nothing.
  const [second, third] = twice.positions.filter(({ name }) => /^Thing [23]$/.test(name)).map(({ id: of }) => of)
  const left = takenOut(takenOut(twice, second ?? ''), third ?? '')
  expect(left.characteristics).toEqual(book.characteristics)
  expect(left.parts).toEqual(book.parts)
  expect(left.procedure).toEqual(book.procedure)
  expect(left.equalParts).toEqual([])
})

/** What one part's entries say of another's: everything that can be left naming nothing. */
const tied = {
  ...winch,
  parts: winch.parts.map((part) => {
    if (part.id !== 'bearing-1-lower') return part
    const route = { id: 'with-frame', ...routeOf(['frame-level'], 'bearing-1-bore') }
    return { ...part, routes: [...part.routes, route, { ...route, id: 'both', mends: ['frame-level', 'bearing-1-bore'] }] }
  }),
  characteristics: winch.characteristics.map((one) => {
    if (one.id === 'frame-level') return { ...one, new: { lower: 0, upper: 0.01, nominal: 0, source: page } }
    if (one.id !== 'bearing-1-bore') return one
    const by = {
      id: 'by-size',
      judges: 'maximum',
      side: 'upper',
      whenPassed: 'replace',
      instruction: 'Renew.',
      source: page,
    } as const
    const depends = { kind: 'size', characteristic: 'frame-level', rows: [{ upTo: null, plan: null, wear: 61 }] } as const
    return {
      ...one,
      limits: [{ ...by, id: 'own', plan: null, wear: 60.2, mendedBy: ['with-frame', 'both'] }],
      limitsBy: [{ ...by, depends: { ...depends, rows: [...depends.rows] } }],
      setting: { is: 'both', by: 'shims', chain: ['frame-frame', 'bearing-1-cap'], leftBy: 'frame-level' },
    }
  }),
  fits: winch.fits.map((fit) => (fit.id.startsWith('bearing-1') ? { ...fit, direct: 'frame-level' } : fit)),
  findingRules: ['bearing-1-cap', 'frame-frame'].map((foundOn, at) => ({
    ...{ id: `rule-${at}`, part: 'bearing-1-lower', foundOn, kinds: ['crack'], severityAtLeast: 'light', asks: 'recondition' },
    ...{ route: 'with-frame', text: 'Look.', confirm: ['frame-level'], source: page },
  })),
} as unknown as LimitBook

test('what is taken out is named by nothing any more, and only what cannot be without it goes too', () => {
  expect(faults(tied)).toEqual([])
  const left = takenOut(tied, 'frame')
  expect(faults(left)).toEqual([])
  const bore = left.characteristics.find(({ id }) => id === 'bearing-1-bore')
  expect(bore?.limits.map(({ id, mendedBy }) => [id, mendedBy])).toEqual([['own', ['both']]])
  expect(bore?.limitsBy).toEqual([])
  expect(bore?.setting).toEqual({ is: 'both', by: 'shims', chain: ['bearing-1-cap'] })
  const routes = left.parts.find(({ id }) => id === 'bearing-1-lower')?.routes ?? []
  expect(routes.filter(({ id }) => ['with-frame', 'both'].includes(id))).toMatchObject([
    { id: 'both', mends: ['bearing-1-bore'] },
  ])
  // A rule for a crack in the frame is never one for a crack in the cap.
  expect(left.findingRules.map(({ id, route, confirm }) => [id, route, confirm])).toEqual([['rule-0', null, []]])
  expect(left.fits.filter((fit) => fit.direct !== undefined)).toEqual([])
})

test('what sits in a position goes and comes with it', () => {
  expect([...subtreeOf(winch, 'drum-shaft').positions]).toContain('bearing-1-journal')
  expect([...subtreeOf(winch, 'bearing-1').positions]).not.toContain('drum-shaft')
  expect(takenOut(winch, 'drum-shaft').positions.map(({ id }) => id)).toEqual(
    added(empty, 'frameAndFeet', ['Frame']).positions.map(({ id }) => id),
  )
  const twice = copied(winch, 'drum-shaft', ['Second shaft'])
  expect(faults(twice)).toEqual([])
  const bearing = twice.positions.find(({ name }) => name === 'Second shaft: Bearing 1')
  expect(twice.positions.find(({ id }) => id === bearing?.parent)?.name).toBe('Second shaft')
})

test('called otherwise, everything is called after it, and nothing else is', () => {
  const book = renamed(winch, 'bearing-1', 'Bearing 1, drive side')
  expect(faults(book)).toEqual([])
  expect(book.characteristics.find(({ id }) => id === 'bearing-1-bore')?.name).toBe('Bearing 1, drive side: bore Ø')
  expect(book.parts.find(({ id }) => id === 'bearing-1-cap')?.assembly).toBe('Bearing 1, drive side')
  expect(book.characteristics.filter(({ name }) => name.startsWith('Frame'))).toEqual(
    winch.characteristics.filter(({ name }) => name.startsWith('Frame')),
  )
  expect(renamed(winch, 'attic', 'Loft')).toEqual(winch)
})

const detail: PositionDetail = {
  into: null,
  along: { order: 2, side: 'drive side' },
  count: 4,
  faces: ['oil groove up', 'oil groove down', 'oil groove up'],
  clock: 'drain',
  loose: 'Balls',
  thread: 'left',
  special: 'Heat-resisting',
  asks: 'thread',
  keptWith: ['bearing-1-cap', 'bearing-1-upper'],
}

test('what is said of a position after it was added stands on it, and on nothing else', () => {
  const made = changed(winch, { kind: 'detail', position: 'bearing-1-upper', detail: { ...detail, into: 'frame' } }, 'metric')
  if (!made.ok) throw new Error(made.fault.code)
  expect(faults(made.value)).toEqual([])
  const own = made.value.positions.find(({ id }) => id === 'bearing-1-upper')
  // It stays with the cap, and never with itself; a face named twice is one.
  expect(own).toMatchObject({ parent: 'frame', count: 4, thread: 'left', keptWith: ['bearing-1-cap'], asks: 'thread' })
  expect(own?.faces).toEqual(['oil groove up', 'oil groove down'])
  expect(own?.along).toEqual({ order: 2, side: 'drive side' })
  const again = (along: PositionDetail['along']) => {
    const other = changed(made.value, { kind: 'detail', position: 'bearing-1-upper', detail: { ...detail, along } }, 'metric')
    return other.ok && other.value.positions.find(({ id }) => id === 'bearing-1-upper')?.along
  }
  expect([again(undefined), again(null)]).toEqual([own?.along, undefined])
  expect(made.value.positions.filter((one, at) => one !== winch.positions[at])).toEqual([own])
})

test.each<[Partial<PositionDetail>, string]>([
  [{ into: 'bearing-1-cap' }, 'intoItself'],
  [{ into: 'bearing-1' }, 'intoItself'],
  [{ into: 'attic' }, 'noPosition'],
  [{ keptWith: ['attic'] }, 'noPosition'],
])('%j is refused', (over, code) => {
  const made = changed(winch, { kind: 'detail', position: 'bearing-1', detail: { ...detail, ...over } }, 'metric')
  expect(made.ok ? '' : made.fault.code).toBe(code)
})

test('mirrored, what is inside changes the sides that its name speaks of, and no others', () => {
  const named = renamed(winch, 'bearing-1', 'Bearing, left')
  const made = changed(named, { kind: 'mirror', position: 'bearing-1', name: mirrored('Bearing, left') }, 'metric')
  if (!made.ok) throw new Error(made.fault.code)
  expect(faults(made.value)).toEqual([])
  const names = made.value.parts.map(({ name }) => name)
  expect(names).toContain('Bearing, left: upper half')
  expect(names).toContain('Bearing, right: upper half')
  expect(names.filter((name) => name.startsWith('Bearing, right'))).toHaveLength(
    names.filter((name) => name.startsWith('Bearing, left')).length,
  )
  expect(mirrored('Left box, Drive Side, leftover')).toBe('Right box, Free side, leftover')
  expect(mirrored('Left pad, upper', [['left', 'right']])).toBe('Right pad, upper')
  expect(mirrored('Frame')).toBe('Frame')
})
