/**
 * Records made up at random, small and of every kind there is: for properties that must hold for all methods, values,
 * sides of limits and schools. The same seed always makes the same record.
 */

import { type Random, randomFrom } from '../base/random.fixture'
import { noBook } from '../book/noBook'
import type { GaugeKind } from '../gauge/gaugeKinds'
import type { Limit } from '../limit/limit'
import { everyMethod, places } from '../method/everyMethod.fixture'
import { givesOf } from '../method/gives'
import { formAt, masterAt, type Slot, slotsOf } from '../method/layout'
import type { Method } from '../method/method'
import type { ReductionName } from '../method/reduction'
import { type QuantityKind, quantityKinds } from '../quantity/kind'
import { unitsOf } from '../quantity/units'
import { recordFormat } from './recordFormat'
import { type InspectionRecord, type Reading, recordSchema } from './recordSchema'

const repeated = { repeatsAtLeast: 2, repeatabilityLimit: 0.04 }
const clock = (count: number) =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: '', angleDeg: (360 * index) / count }))

/** Every method, and set-ups of some of them that are computed another way. */
const setUps: readonly Method[] = [
  ...Object.values(everyMethod),
  { ...everyMethod.boreDiameter, masterMm: 2, stations: places('A', 'B', 'U'), unworn: 'U' },
  { ...everyMethod.outsideDiameter, stations: places('A'), directions: places('1') },
  { ...everyMethod.ringEndGap, springs: 'inward', segments: places('1') },
  { ...everyMethod.gapAtPositions, positions: clock(4), wears: 'smaller' },
  { ...everyMethod.endFloat, repeatsAtLeast: 1 },
  { ...everyMethod.radialPlay, lever: null },
  { ...everyMethod.runout, stations: [{ id: 'S1', label: '', atMm: null }], angles: clock(4) },
  { ...everyMethod.plasticStrip, sides: [places('l')[0], places('r')[0]] as never, apartMm: 120, scaleUncertaintyMm: 0.01 },
  { ...everyMethod.shaftAlignment, faceDiameterMm: null },
  { ...everyMethod.size, ...repeated },
  { ...everyMethod.markShift, ...repeated },
  { ...everyMethod.spring, ...repeated },
  { ...everyMethod.openingPressure, holdSeconds: null, looksForDrip: false },
  { ...everyMethod.elementPattern, arranged: 'rows' },
  { ...everyMethod.visualCheck, wanted: 'no' },
  ...quantityKinds
    .filter((quantity) => quantity !== 'count')
    .map((quantity) => ({ ...everyMethod.meter, quantity, points: places('a', 'b') }) as const),
]

/** A book's places have names. */
const named = (method: Method): Method => JSON.parse(JSON.stringify(method).replaceAll('"label":""', '"label":"x"')) as Method
const everySetUp: readonly Method[] = setUps.map(named)

const gaugeKindFor = (method: Method): GaugeKind =>
  method.kind === 'elementPattern' || method.kind === 'contactPattern' || method.kind === 'visualCheck' ? 'eye' : 'caliper'

interface Scale {
  readonly around: number
  readonly step: number
}

/** Figures that a place may show, near each other, so that limits lie among them. */
function scaleOf(method: Method, slot: Slot): Scale {
  switch (method.kind) {
    case 'spring':
      return {
        around: slot.station === 'L1' ? 400 : slot.station === 'L2' ? 700 : 2,
        step: slot.station.startsWith('L') ? 10 : 0.01,
      }
    case 'torque':
      return { around: 200, step: 1 }
    case 'plasticStrip':
      return { around: 3, step: 0.1 }
    case 'ringEndGap':
      return { around: 0.5, step: 0.01 }
    default:
      return { around: 2, step: 0.01 }
  }
}

/** What is typed at a place: a figure, an interval, a bound, or a mark; null for nothing. */
export function typedAt(
  method: Method,
  slot: Slot,
  random: Random,
): { text: string; reason: string | null; kind: Reading['kind'] } | null {
  if (random.chance(0.12)) return null
  if (random.chance(0.04)) return { text: 'cannot', reason: 'not reached', kind: 'cannot' }
  const form = formAt(method, slot)
  if (form.kind === 'answer') return { text: random.pick(['+', '-', '+', '/']), reason: null, kind: 'point' }
  if (form.kind === 'cell') return { text: random.pick(['0', '1', '2']), reason: null, kind: 'point' }
  if (form.kind === 'element') return { text: random.pick(['0', '30', '49', '50', '70', '!', '0']), reason: null, kind: 'point' }
  const { around, step } = scaleOf(method, slot)
  const figure = (): number => around + step * (random.integer(31) - 12)
  const shown = (value: number): string => value.toFixed(2)
  if (random.chance(0.1)) {
    const [a, b] = [figure(), figure()]
    return a === b
      ? { text: shown(a), reason: null, kind: 'point' }
      : { text: `${shown(Math.min(a, b))}..${shown(Math.max(a, b))}`, reason: null, kind: 'interval' }
  }
  if (random.chance(0.06)) return { text: `${random.pick(['>', '<'])}${shown(figure())}`, reason: null, kind: 'interval' }
  return { text: shown(figure()), reason: null, kind: 'point' }
}

/** A reading as stored, from its text; the figures are worked out by the schema's own rules. */
export function readingFrom(
  characteristic: string,
  method: Method,
  slot: Slot,
  number: number,
  typed: { readonly text: string; readonly reason: string | null; readonly kind: Reading['kind'] },
  gauge: string | null,
  stage: Reading['stage'] = 'asFound',
): Reading {
  const form = formAt(method, slot)
  const [low, high] = endsOf(typed.text, form.kind === 'quantity' && form.signed)
  const isNotApplicable = typed.text === '/'
  const kind = isNotApplicable ? 'notApplicable' : typed.kind
  const value = kind !== 'point' ? null : form.kind === 'quantity' ? low : wordValue(form.kind, typed.text)
  return {
    id: `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`,
    characteristic,
    ...slot,
    stage,
    text: typed.text,
    defaultUnit: form.kind === 'quantity' ? (unitsOf[form.quantity][0]?.id ?? '') : '',
    masterMm: masterAt(method),
    kind,
    value,
    low: kind === 'interval' ? low : null,
    high: kind === 'interval' ? high : null,
    conditions: null,
    gauge: form.kind === 'quantity' ? gauge : null,
    by: 'x',
    takenAt: '2026-01-01T00:00:00Z',
    supersedes: null,
    reason: typed.reason,
  }
}

function endsOf(text: string, signed: boolean): [number | null, number | null] {
  if (text.startsWith('>')) return [Number(text.slice(1)), null]
  if (text.startsWith('<')) return [signed ? null : 0, Number(text.slice(1))]
  const [a, b] = text.split('..')
  return [Number(a), Number(b ?? a)]
}

function wordValue(form: 'answer' | 'cell' | 'element', text: string): number {
  if (form === 'answer') return text === '+' ? 1 : 0
  if (form === 'cell') return Number(text) * 50
  return text === '!' ? 100 : Number(text)
}

const source = { document: 'D', page: '1' }

function limitsFor(method: Method, random: Random): Limit[] {
  return (Object.keys(givesOf(method)) as ReductionName[]).flatMap((judges, index): Limit[] => {
    if (random.chance(0.35)) return []
    const side = random.pick(['upper', 'lower'] as const)
    const wear = limitNear(method, judges, random)
    const before = (side === 'upper' ? -1 : 1) * Math.abs(wear) * 0.02
    return [
      {
        id: `l${index}`,
        judges,
        side,
        plan: random.chance(0.3) ? wear + before : null,
        wear,
        whenPassed: random.pick(['mend', 'replace'] as const),
        instruction: '',
        source,
      },
    ]
  })
}

function limitNear(method: Method, judges: ReductionName, random: Random): number {
  const steps = random.integer(21) - 10
  const quantity: QuantityKind | undefined = givesOf(method)[judges]
  if (quantity === 'count') return random.integer(3)
  if (quantity === 'percent') return random.pick([30, 50, 70, 95, 100, 105])
  if (judges === 'eccentricityAngle' || judges === 'offsetAngle' || judges === 'angularityAngle') return random.integer(360)
  if (judges === 'largestAngle') return 2 + 0.01 * steps
  if (quantity === 'force') return 600 + 10 * steps
  if (quantity === 'stiffness') return 20 + steps
  if (quantity === 'torque') return 200 + steps
  const small = [
    'outOfRound',
    'taper',
    'variation',
    'parallelism',
    'range',
    'totalIndicated',
    'eccentricity',
    'secondHarmonic',
    'bow',
  ]
  if (small.includes(judges) || judges === 'oppositeDifference' || judges === 'offset' || quantity === 'slope')
    return 0.02 * (steps + 11)
  if (['wear', 'barrel', 'adjustment', 'stripTaper', 'sideDifference', 'loadLoss'].includes(judges)) return 0.02 * steps
  if (method.kind === 'plasticStrip') return 0.4 + 0.01 * steps
  if (method.kind === 'capPinch') return 0.01 * steps
  if (method.kind === 'ringEndGap') return 1 + 0.05 * steps
  if (method.kind === 'computed') return 0.02 * steps
  return 2 + 0.01 * steps
}

const GAUGES = [
  { id: 'fine', resolution: 0.001, maximumPermissibleError: 0.002 },
  { id: 'plain', resolution: 0.01, maximumPermissibleError: 0.01 },
  { id: 'coarse', resolution: 0.02, maximumPermissibleError: 0.06 },
] as const

/** A fit that is not of a bore and a journal place by place, over what every record of these has. */
function linkedFit(random: Random, limits: readonly object[]) {
  const common = { id: 'l', name: 'l', limits, mendOn: 'p', showTo: 0.001, new: null }
  return random.pick([
    { ...common, kind: 'bearingInHousing', seat: 'd', bearing: { outsideMm: 2, tolerance: 'normal' } },
    {
      ...common,
      kind: 'bearingClearance',
      shaft: 'j',
      housing: 'd',
      bearing: { boreMm: 2, outsideMm: 2, tolerance: 'normal', type: 'deepGrooveBall', group: 'N' },
      shares: null,
    },
    { ...common, kind: 'keyInKeyway', keyway: 'h', key: 'r' },
    { ...common, kind: 'shrinkFit', bore: 'd', shaft: 'j', heating: null },
    {
      ...common,
      kind: 'chain',
      links: [
        { characteristic: 'd', does: 'opens', times: 2 },
        { characteristic: 'j', does: 'closes' },
        { characteristic: 'r', does: 'closes', times: 0.5 },
      ],
      stated: [{ name: 'gasket', leastMm: -1.05, greatestMm: -0.95 }],
    },
  ])
}

/** One characteristic of every kind under test, what it needs, a fit with its strip, and a chain, with routes for the parts. */
export function anyRecord(seed: number): InspectionRecord {
  const random = randomFrom(seed)
  const method = random.pick(everySetUp)
  const own = (id: string, part: string, of: Method, limits: Limit[]) => ({
    id,
    part,
    name: id,
    how: '',
    pose: '',
    trap: '',
    method: of,
    gaugeKind: gaugeKindFor(of),
    showTo: 0.001,
    new: random.chance(0.7) || method.kind === 'computed' ? { nominal: 2, lower: 1.99, upper: 2.01, source } : null,
    limits,
    safety: false,
  })
  const bore = { ...everyMethod.boreDiameter, stations: places('A', 'C'), directions: places('1') } as const
  const journal = {
    ...everyMethod.outsideDiameter,
    stations: places(...(random.chance(0.7) ? ['A', 'C'] : ['A'])),
    directions: places('1'),
  } as const
  const strip = { ...everyMethod.plasticStrip, scaleUncertaintyMm: 0.005 } as const
  const width: Method = { ...everyMethod.size, points: places('a', 'b') }
  const characteristics = [
    own('c', 'p', method, limitsFor(method, random)),
    own('d', 'p', bore, random.chance(0.5) ? limitsFor(bore, random) : []),
    own('j', 'q', journal, random.chance(0.5) ? limitsFor(journal, random) : []),
    own('s', 'p', strip, []),
    own('h', 'p', width, []),
    own('r', 'q', width, []),
  ]
  const route = (id: string, cut: boolean) => ({
    id,
    name: id,
    mends: random.chance(0.5) ? ['c', 'd'] : ['d'],
    sizeAfter: cut ? { characteristic: 'd', leastMm: 1.9, greatestMm: 2 + 0.01 * random.integer(30), cleanUpMm: 0.01 } : null,
    cost: random.integer(10),
    days: 1,
    source,
  })
  const part = (id: string, routes: ReturnType<typeof route>[]) => ({
    id,
    name: id,
    assembly: 'a',
    position: 'p',
    renewedAlways: false,
    replacement: null,
    routes,
  })
  const fitLimit = (id: string, judges: 'minimum' | 'maximum', side: 'upper' | 'lower') => ({
    id,
    judges,
    side,
    plan: null,
    wear: 0.01 * (random.integer(30) - 10),
    whenPassed: 'mend' as const,
    instruction: '',
    source,
  })
  const judged = Object.keys(givesOf(method)) as ReductionName[]
  const crossCheck = {
    id: 'k',
    name: 'k',
    known: 'h + 0.01 mm',
    also: 'r',
    names: { h: { characteristic: 'h', value: 'mean' }, r: { characteristic: 'r', value: 'mean' } },
    quantity: 'length',
    within: 0.02,
    demanded: true,
    showTo: 0.01,
    source: null,
  }
  const book = {
    ...noBook('seed', 'm'),
    documents: [{ id: 'D', title: 'D', revision: '' }],
    parts: [part('p', [route('cut', true), ...(random.chance(0.4) ? [route('sleeve', false)] : [])]), part('q', [])],
    characteristics: characteristics.map((item, index) =>
      index === 0 && judged[0] && random.chance(0.3)
        ? {
            ...item,
            changes: [
              {
                id: 'g',
                judges: random.pick(judged),
                from: 'lastOverhaul',
                to: 'asFound',
                least: -0.05,
                greatest: 0.05,
                instruction: '',
                source,
              },
            ],
          }
        : item,
    ),
    fits: [
      ...(random.chance(0.6)
        ? [
            {
              id: 'f',
              name: 'f',
              bore: 'd',
              journal: 'j',
              strip: random.chance(0.5) ? 's' : null,
              bothWays: true,
              new: { lower: 0, upper: 0.05, source },
              limits: [fitLimit('u', 'maximum', 'upper'), fitLimit('n', 'minimum', 'lower')],
              mendOn: 'p',
              showTo: 0.001,
            },
          ]
        : []),
      ...(random.chance(0.6) ? [linkedFit(random, [fitLimit('u', 'maximum', 'upper'), fitLimit('n', 'minimum', 'lower')])] : []),
    ],
    crossChecks: random.chance(0.4) ? [crossCheck] : [],
  }
  let number = 0
  const readingsOf = (stage: Reading['stage'], sparing: number): Reading[] =>
    characteristics.flatMap((item) =>
      slotsOf(item.method).flatMap((slot): Reading[] => {
        const typed = random.chance(sparing) ? null : typedAt(item.method, slot, random)
        number += 1
        return typed === null
          ? []
          : [readingFrom(item.id, item.method, slot, number, typed, random.chance(0.03) ? null : random.pick(GAUGES).id, stage)]
      }),
    )
  const overhaul = (name: string, hours: number) => ({
    overhaul: name,
    date: '2020-01-01',
    runningHours: hours,
    installed: { p: 'P', q: 'Q' },
    readings: readingsOf('asFound', 0.1),
  })
  return recordSchema.parse({
    ...recordFormat,
    machine: { id: 'm', station: 's', name: 'm', units: random.pick(['metric', 'inch']) },
    job: {
      id: 'job',
      ...overhaul('now', 20_000),
      mustRunHours: 4000,
      policy: {
        acceptance: random.chance(0.5) ? { kind: 'simple' } : { kind: 'guarded', guardFactor: random.pick([1.65, 2]) },
        mustLastTheInterval: random.chance(0.5),
        clearanceBy: random.pick(['measuredParts', 'strip']),
      },
    },
    book,
    gauges: GAUGES.map((gauge) => ({ ...gauge, code: gauge.id, name: gauge.id, kind: 'caliper', calibrationDue: '2030-01-01' })),
    history: random.chance(0.5) ? [overhaul('one', 8000), ...(random.chance(0.5) ? [overhaul('two', 14_000)] : [])] : [],
    decisions: [],
  })
}
