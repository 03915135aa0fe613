/** How a part is brought back: each route tried on the sizes measured, and on what runs against the surface it leaves. */
import { describe, expect, test } from 'vitest'
import type { Characteristic, FitSpec, Route } from '../book/bookSchema'
import { sidesOf } from '../fit/kinds'
import { limitOn } from '../limit/limit.fixture'
import { everyMethod, take, testGauge } from '../method/everyMethod.fixture'
import type { Method, MethodOf } from '../method/method'
import { reduceReadings } from '../method/reduce/reduce'
import type { Reductions } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import { mendingOf, type RouteContext } from './mending'
import { hone, part, route, source } from './voting.fixture'

const places = ['A', 'B', 'C'].map((id) => ({ id, label: id }))
const sheet = { stations: places, directions: places.slice(0, 2), walk: 'stationFirst' } as const
const boreMethod: MethodOf<'boreDiameter'> = { kind: 'boreDiameter', masterMm: null, ...sheet }
const journalMethod: MethodOf<'outsideDiameter'> = { kind: 'outsideDiameter', ...sheet }

/** Six diameters with these as largest and smallest, of which so many are read; out-of-round at one station alone. */
const diameters = (method: Method, maximum: number, minimum: number, taken = 6, guard = 0): Reductions => {
  const values = [maximum, minimum, minimum, minimum, minimum, minimum]
  const gauge = testGauge({ resolution: 0.001, maximumPermissibleError: guard === 0 ? 0 : 0.01 })
  return reduceReadings(method, take(method, values.slice(0, taken), gauge), { nominal: null, runsIn: null, guard })
}
const bore = (maximum: number, minimum: number, taken = 6, guard = 0): Reductions =>
  diameters(boreMethod, maximum, minimum, taken, guard)
const journal = (maximum: number, minimum: number, taken = 6): Reductions => diameters(journalMethod, maximum, minimum, taken)

const characteristic = (id: string, method: Method, over: Partial<Characteristic> = {}): Characteristic => ({
  id,
  part: 'p',
  name: id,
  how: '',
  pose: '',
  trap: '',
  method: method as Characteristic['method'],
  gaugeKind: 'boreGauge',
  showTo: 0.001,
  new: null,
  limits: [],
  safety: false,
  ...over,
})
type BookLimit = FitSpec['limits'][number]
const fit: FitSpec = {
  id: 'running-fit',
  name: 'Running fit',
  bore: 'bore',
  journal: 'journal',
  strip: null,
  new: { lower: 0, upper: 0.1, source },
  limits: [],
  mendOn: 'p',
  showTo: 0.001,
}
const fitLimit = (judges: 'minimum' | 'maximum', side: 'upper' | 'lower', wear: number): BookLimit => ({
  ...limitOn(judges, side, wear, { source }),
  judges,
  mendedBy: undefined,
})

const NEW_BORE = { new: { nominal: 160, lower: 160, upper: 160.04, source } }

/** What routes are tried on: sizes by characteristic, the fits and rings that run against them. */
const tryingOn = (
  measured: Readonly<Record<string, Reductions>>,
  over: { fits?: readonly FitSpec[]; ring?: Characteristic } = {},
): RouteContext => ({
  characteristicOf: (id) =>
    id === 'ring' && over.ring
      ? over.ring
      : id === 'bore'
        ? characteristic(id, boreMethod, NEW_BORE)
        : characteristic(id, journalMethod),
  reductionsOf: (id) => measured[id],
  fitsOf: (id) => (over.fits ?? []).filter((one) => sidesOf(one).includes(id)),
  sidesUsed: () => null,
  ringsIn: (id) => (over.ring && id === 'bore' ? [over.ring] : []),
})
const grind = route('grind', 500, {
  mends: ['journal'],
  sizeAfter: { characteristic: 'journal', leastMm: 219.7, greatestMm: 219.95, cleanUpMm: 0.02 },
})

const mendings: {
  name: string
  routes: Route[]
  subject: string
  measured: Readonly<Record<string, Reductions>>
  levels: [Disposition, Disposition]
  route: string | null
}[] = [
  { name: 'no route: only a new part', routes: [], subject: 'bore', measured: {}, levels: ['replace', 'replace'], route: null },
  {
    name: 'a route that rebuilds is always open',
    routes: [route('re-metal', 840)],
    subject: 'bore',
    measured: {},
    levels: ['recondition', 'recondition'],
    route: 're-metal',
  },
  {
    name: 'a bore that cleans up exactly at the greatest size',
    routes: [hone],
    subject: 'bore',
    measured: { bore: bore(160.24, 160.22) },
    levels: ['recondition', 'recondition'],
    route: 'hone',
  },
  {
    name: 'a micrometre more does not',
    routes: [hone],
    subject: 'bore',
    measured: { bore: bore(160.241, 160.22) },
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'just at its end, with doubt: not known under a guard',
    routes: [hone],
    subject: 'bore',
    measured: { bore: bore(160.24, 160.22, 6, 1.65) },
    levels: ['recondition', 'replace'],
    route: null,
  },
  {
    name: 'not measured yet: not known',
    routes: [hone],
    subject: 'bore',
    measured: {},
    levels: ['recondition', 'replace'],
    route: null,
  },
  {
    name: 'half measured and still possible: not known',
    routes: [hone],
    subject: 'bore',
    measured: { bore: bore(160.2, 160.2, 3) },
    levels: ['recondition', 'replace'],
    route: null,
  },
  {
    name: 'half measured and already too large: closed',
    routes: [hone],
    subject: 'bore',
    measured: { bore: bore(160.3, 160.2, 3) },
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'a journal is ground down',
    routes: [grind],
    subject: 'journal',
    measured: { journal: journal(219.78, 219.75) },
    levels: ['recondition', 'recondition'],
    route: 'grind',
  },
  {
    name: 'until it is too small',
    routes: [grind],
    subject: 'journal',
    measured: { journal: journal(219.77, 219.74) },
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'all that work may take off in its life is taken off: closed, though its sizes would allow it',
    routes: [{ ...hone, mostOffMm: 0.2 }],
    subject: 'bore',
    measured: { bore: bore(160.24, 160.22) },
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'with that much to spare: open',
    routes: [{ ...hone, mostOffMm: 0.28 }],
    subject: 'bore',
    measured: { bore: bore(160.24, 160.22) },
    levels: ['recondition', 'recondition'],
    route: 'hone',
  },
  {
    name: 'the cheapest open route',
    routes: [route('re-metal', 840), hone, route('sleeve', 300)],
    subject: 'bore',
    measured: { bore: bore(160.3, 160.2) },
    levels: ['recondition', 'recondition'],
    route: 'sleeve',
  },
  {
    name: 'a route for something else does not count',
    routes: [grind],
    subject: 'bore',
    measured: { bore: bore(160, 160) },
    levels: ['replace', 'replace'],
    route: null,
  },
]
test.each(mendings)('mending: $name', ({ routes, subject, measured, levels: [mild, strong], route: expected }) => {
  const mending = mendingOf(part(routes), { kind: 'characteristic', id: subject, limit: null }, tryingOn(measured))
  expect({ mild: mending.mild, strong: mending.strong, route: mending.route?.id ?? null }).toEqual({
    mild,
    strong,
    route: expected,
  })
  expect(mending.trace).toHaveLength(routes.filter(({ mends }) => mends.includes(subject)).length)
})

describe('a route is tried on what runs against the surface it leaves', () => {
  const slack = { ...fit, limits: [fitLimit('maximum', 'upper', 0.3)] }
  const tight = { ...fit, limits: [fitLimit('minimum', 'lower', 0.2), fitLimit('maximum', 'upper', 0.5)] }
  const sizes = { bore: bore(160.1, 160.1), journal: journal(159.95, 159.94) }
  const ofFit = (spec: FitSpec, measured: Readonly<Record<string, Reductions>>, routes = [hone]) => {
    const [limit] = spec.limits
    if (!limit) throw new Error('the fit has a limit')
    const { mild, strong } = mendingOf(part(routes), { kind: 'fit', fit: spec, limit }, tryingOn(measured, { fits: [spec] }))
    return `${mild} ${strong}`
  }
  test('a cut never mends a fit that is too slack', () => {
    expect(ofFit(slack, { ...sizes, journal: journal(159.78, 159.77) })).toBe('replace replace')
  })
  test('it mends one that is too tight, within what the fit allows', () => {
    expect(ofFit(tight, sizes)).toBe('recondition recondition')
  })
  test('a mate that is not measured leaves it open', () => {
    expect(ofFit(tight, { bore: sizes.bore })).toBe('recondition replace')
  })
  test('what a cut opens too far wants a mate made to suit', () => {
    const own = (
      over: Partial<Route>,
      measured: Readonly<Record<string, Reductions>> = { ...sizes, journal: journal(159.7, 159.69) },
    ) =>
      mendingOf(
        part([{ ...hone, ...over }]),
        { kind: 'characteristic', id: 'bore', limit: null },
        tryingOn(measured, { fits: [slack] }),
      )
    expect(own({})).toMatchObject({ mild: 'recondition', strong: 'replace', needs: { code: 'suitedMate', takes: 'running-fit' } })
    expect(own({ suits: ['running-fit'] })).toMatchObject({ mild: 'recondition', strong: 'recondition' })
    expect(own({}, sizes)).toMatchObject({ mild: 'recondition', strong: 'recondition' })
  })
  test('a ring that would gap too far wants one made to suit', () => {
    const ring = characteristic('ring', everyMethod.ringEndGap, {
      method: {
        ...everyMethod.ringEndGap,
        segments: [{ id: '1', label: '1' }],
        runsIn: 'bore',
        referenceDiameterMm: 160,
      } as Characteristic['method'],
      limits: [{ ...fitLimit('maximum', 'upper', 1), judges: 'gapAtWornDiameter', mendedBy: undefined }],
    })
    const gap = (mm: number) => ({
      ...sizes,
      ring: reduceReadings(ring.method, take(ring.method, [mm], testGauge({ maximumPermissibleError: 0 })), {
        nominal: null,
        runsIn: null,
      }),
    })
    const own = (measured: Readonly<Record<string, Reductions>>) =>
      mendingOf(part([hone]), { kind: 'characteristic', id: 'bore', limit: null }, tryingOn(measured, { ring })).strong
    // Cleaned up at 160.12 the gap is 0.5 + π·0.12 = 0.88, or 0.8 + 0.38 = 1.18.
    expect(own(gap(0.5))).toBe('recondition')
    expect(own(gap(0.8))).toBe('replace')
  })
  test('a limit may name the routes that mend it, or none', () => {
    const limit = fitLimit('maximum', 'upper', 1)
    const by = (mendedBy: string[]) =>
      mendingOf(
        part([route('dress', 10), route('rebuild', 90)]),
        { kind: 'characteristic', id: 'bore', limit: { ...limit, mendedBy } },
        tryingOn({}),
      )
    expect(by(['rebuild']).route?.id).toBe('rebuild')
    expect(by([])).toMatchObject({ mild: 'replace', strong: 'replace' })
  })
})

test.each([
  ['takesOff', 'replace'],
  ['buildsUp', 'replace'],
  ['refits', 'replace'],
  ['renews', 'recondition'],
] as const)('what is broken comes back only anew: %s asks for %s', (effect, asks) => {
  const dress = route('dress', 10, { mends: ['teeth'], effect })
  const limit = limitOn('broken', 'upper', 0, { source })
  expect(mendingOf(part([dress]), { kind: 'characteristic', id: 'teeth', limit }, tryingOn({}))).toMatchObject({
    mild: asks,
    strong: asks,
  })
})
