/** What is sent to every call that writes: a body as a page would send it, with a thing or two in it at or beyond a bound. */

import { v7 } from 'uuid'
import quillmere from '../demo/quillmere/book.json' with { type: 'json' }
import { dayOf, now } from '../src/clock/clock'
import type { Random } from '../src/core/base/random.fixture'
import { bookSchema } from '../src/core/book/bookSchema'
import { findingKindIds } from '../src/core/condition/findingKinds'
import { slotsOf } from '../src/core/method/layout'
import { anyDraftChange } from './draftChange'
import { TEXTS } from './texts'

export interface Input {
  readonly path: string
  /** Person who sends it. */
  readonly by: 'inspector' | 'reviewer'
  readonly body: unknown
  /** Sent as a form with this beside the body. */
  readonly file?: string
}

const LENGTHS = [1, 2, 3, 7, 8, 9, 12, 13, 20, 21, 40, 41, 60, 61, 80, 81, 120, 121, 200, 201, 400, 401, 1000, 1001, 4001]
const FIGURES = [
  0,
  -0,
  1,
  -1,
  2,
  12,
  13,
  99,
  100,
  999,
  1000,
  8000,
  8001,
  20_001,
  1e6,
  1e6 + 1,
  1e7,
  1e7 + 1,
  1e9,
  2e9,
  2 ** 31,
  2 ** 53,
  1e300,
  -1e9,
  0.1,
  1e-15,
]

function anyValue(random: Random): unknown {
  const kind = random.integer(10)
  if (kind < 3) return random.pick(TEXTS)
  if (kind < 5) return 'x'.repeat(random.pick(LENGTHS))
  if (kind < 8) return random.pick(FIGURES)
  return random.pick([null, true, false, [], {}, [null], { a: 1 }, Array(201).fill('x'), [[]], v7(), v7().toUpperCase()])
}

/** Another value of the same kind more often than one of another kind. */
function another(random: Random, value: unknown): unknown {
  if (random.chance(0.15)) return anyValue(random)
  if (typeof value === 'string') return random.chance(0.5) ? random.pick(TEXTS) : 'x'.repeat(random.pick(LENGTHS))
  if (typeof value === 'number') return random.pick(FIGURES)
  if (typeof value === 'boolean') return !value
  if (Array.isArray(value)) return random.pick([[], [...value, ...value], Array(random.pick(LENGTHS)).fill(value[0] ?? 'x')])
  return anyValue(random)
}

const SELDOM =
  /^(id|kind|seen|stage|what|wears|judges|side|units|decided|recommended|step|gauge|characteristic|position|entries|body|value|method)$/

/** The same body with one thing in it another, left out, or one too many. */
function mutated(random: Random, body: unknown): unknown {
  const copy = structuredClone(body) as Record<string, unknown>
  let at: Record<string, unknown> = copy
  for (;;) {
    const keys = Object.keys(at)
    if (keys.length === 0) return copy
    const key = random.pick(keys)
    const value = at[key]
    // Ids and kinds are refused at once when they are wrong: seldom, so that more gets further.
    if (SELDOM.test(key) && random.chance(0.85)) continue
    if (typeof value === 'object' && value !== null && random.chance(0.8)) {
      at = value as Record<string, unknown>
      continue
    }
    if (random.chance(0.06)) delete at[key]
    else if (random.chance(0.04)) at[String(random.pick(TEXTS))] = anyValue(random)
    else at[key] = another(random, value)
    return copy
  }
}

/** Mutated once or twice; not again when a list was made long: one within the other is more than a text can hold. */
function altered(random: Random, body: unknown): unknown {
  const once = mutated(random, body)
  return random.chance(0.3) && JSON.stringify(once).length < 100_000 ? mutated(random, once) : once
}

const justNow = (): string => now().toISOString()

const book = bookSchema.parse(quillmere)
const GAUGES = ['om-12', 'bg-04', 'bg-02', 'ps-01', 'fg-02', 'di-07', null]

const readingOf = (random: Random) => {
  const { id, method } = random.pick(book.characteristics.filter(({ method: { kind } }) => kind !== 'computed'))
  const { station, direction, repeat } = random.pick(slotsOf(method))
  return {
    id: v7(),
    characteristic: id,
    station,
    direction,
    repeat: random.chance(0.2) ? 1 + random.integer(99) : repeat,
    stage: random.pick(['asFound', 'afterWork', 'asLeft']),
    kind: random.pick(['read', 'read', 'read', 'read', 'cannot']),
    text: random.pick(['219.94', '0.95', '+0.15', '0.31', '> 1.2', '0.3..0.4']),
    conditions: random.chance(0.3) ? { zero: 0.002, temperature: { partC: 24, scaleC: 20, withinK: 0.5 } } : null,
    gauge: random.pick(GAUGES),
    takenAt: justNow(),
    supersedes: null,
    reason: random.chance(0.3) ? 'Misread' : null,
  }
}

const typedOf = (random: Random) => ({
  name: `Journal ${random.integer(1e6)}`,
  part: { id: 'shaft', name: 'Shaft', assembly: 'Guide bearing', position: 'Turbine' },
  method: {
    kind: 'size',
    what: 'thickness',
    wears: 'smaller',
    points: [
      { id: 'a', label: 'Upper' },
      { id: 'b', label: 'Lower' },
    ],
    repeatsAtLeast: 1,
    repeatabilityLimit: null,
  },
  gaugeKind: 'outsideMicrometer',
  readTo: '0.01',
  how: '',
  document: { id: 'T-1', title: 'Handbook', revision: '' },
  new: { nominal: null, lower: '9.9', upper: '10.1', page: '3' },
  limits: [{ judges: 'minimum', side: 'lower', wear: '9.5', plan: '9.6', whenPassed: 'replace', instruction: '', page: '3' }],
  safety: false,
})

const entryOf = (random: Random): object =>
  random.pick<() => object>([
    () => ({ kind: 'planTicked', item: 'bc-dial', state: 'there' }),
    () => ({
      kind: 'stepDone',
      step: random.pick(['ms-breaker', 'af-float', 'af-oil', 'ms-try']),
      note: '',
      licensed: { name: 'A', licence: 'B' },
    }),
    () => ({ kind: 'stepReopened', step: random.pick(['ms-breaker', 'af-float', 'af-oil', 'ms-try']), reason: 'done wrong' }),
    () => ({ kind: 'stepAdded', step: `s-${random.integer(1e6)}`, phase: 'strip', name: 'Lift', text: '', after: null }),
    () => ({
      kind: 'tagWritten',
      position: random.pick(['gb-cap', 'gb-guard', 'gb-dowels', 'gb-shim-left']),
      tag: { number: '7', face: 'up', clock: 12, matchMark: 'A', keptWith: [], count: 1, note: '' },
    }),
    () => ({
      kind: 'laidOut',
      position: random.pick(['gb-cap', 'gb-guard', 'gb-dowels', 'gb-shim-left']),
      tray: 'Bench 1',
      after: null,
    }),
    () => ({ kind: 'positionAdded', position: `p-${random.integer(1e6)}`, name: 'Shim', parent: null, count: 2 }),
    () => ({ kind: 'jointMarked', joint: 'j-cap', mark: 'punch' }),
    () => ({ kind: 'thicknessTaken', position: random.pick(['gb-cap', 'gb-guard', 'gb-dowels', 'gb-shim-left']), text: '1.25' }),
    () => ({
      kind: 'identified',
      position: random.pick(['gb-cap', 'gb-guard', 'gb-dowels', 'gb-shim-left']),
      sizes: { kind: 'bearing', bore: '50', outside: '90', width: '20' },
    }),
    () => ({ kind: 'putIn', temporary: `t-${random.integer(1e6)}`, name: 'Blank', where: 'port', count: 1 }),
    () => ({ kind: 'inspected', part: random.pick(['shell', 'shaft', 'ring-1', 'rod-seals']), note: '' }),
    () => ({
      kind: 'findingRecorded',
      finding: v7(),
      value: {
        part: random.pick(['shell', 'shaft', 'ring-1', 'rod-seals']),
        kind: random.pick(findingKindIds),
        severity: 'marked',
        since: 'service',
        station: null,
        clock: 3,
        extent: '20 mm',
        note: '',
      },
    }),
    () => ({ kind: 'measurementPlanned', characteristic: 'journal', finding: v7() }),
    () => ({ kind: 'characteristicTyped', characteristic: `t-${random.integer(1e6)}`, value: typedOf(random) }),
    () => ({ kind: 'variantSaid', variant: random.pick(['seal', 'x']), option: random.pick(['faces', 'packing']) }),
    () => ({ kind: 'sidesSaid', part: random.pick(['shell', 'shaft', 'rod-seals']), used: random.integer(3) }),
    () => ({ kind: 'readingNoted', reading: v7(), note: 'x' }),
    () => ({ kind: 'complaintGone', note: 'ran quiet' }),
    () => ({ kind: 'pictureMarked', picture: v7(), marks: [{ kind: 'text', at: [0.5, 0.5], text: 'here' }] }),
  ])()

const tableOf = (random: Random): string => {
  const cell = (usual: string): string =>
    random.chance(0.12) ? String(another(random, usual)).replaceAll(/[\r\n"]/g, '') : usual
  const rows = Array.from({ length: 1 + random.integer(4) }, () =>
    [
      cell(`Overhaul ${random.integer(1000)}`),
      cell(`${1990 + random.integer(20)}-05-01`),
      cell(String(1000 + random.integer(9000))),
      cell('journal'),
      cell('A'),
      cell('1'),
      cell('219.95'),
      cell('J-1'),
    ].join(';'),
  )
  return ['overhaul;date;running_hours;characteristic;station;direction;reading;part_mark', ...rows].join('\n')
}

export interface Target {
  readonly job: string
  readonly machine: string
  /** A machine without a job. */
  readonly spare: string
}

/** One input, the same for the same state of the generator but for its ids and times. */
export function anyInput(random: Random, { job, machine, spare }: Target): Input {
  const reading = (): Input => ({ path: `/api/jobs/${job}/readings`, by: 'inspector', body: readingOf(random) })
  const entry = (): Input => ({
    path: `/api/jobs/${job}/entries`,
    by: 'inspector',
    body: { entries: [{ id: v7(), seen: null, body: entryOf(random) }] },
  })
  const one = random.pick<() => Input>([
    reading,
    reading,
    reading,
    entry,
    entry,
    entry,
    () => ({
      path: '/api/gauges',
      by: 'inspector',
      body: {
        id: v7(),
        replaces: null,
        code: `G-${random.integer(1e6)}`,
        name: 'Caliper 150',
        kind: random.pick(['caliper', 'torqueWrench', 'thermometer', 'insulationTester']),
        resolution: '0.01',
        maximumPermissibleError: '0.02',
        expanded: '0.01',
        coverage: '2',
        repeatability: '',
        corrections: '25 = 0.01; 50 = -0.01',
        expansion: '11.5',
        least: '0',
        greatest: '150',
        calibrationDue: '2027-05-01',
      },
    }),
    () => ({
      path: '/api/machines',
      by: 'inspector',
      body: { id: v7(), station: 'Oldmill', name: `Pump ${random.integer(1e6)}`, units: 'metric' },
    }),
    () => ({
      path: `/api/machines/${spare}/jobs`,
      by: 'inspector',
      body: {
        id: v7(),
        level: null,
        runningHours: 12_000,
        readOn: dayOf(now()),
        reason: 'Overhaul',
        complaint: '',
        returnBy: null,
        mustRunHours: 8000,
        starts: random.pick([null, random.integer(10_000)]),
        practice: false,
        policy: { acceptance: { kind: 'guarded', guardFactor: 1.65 }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
        hoursNote: null,
      },
    }),
    () => ({
      path: `/api/machines/${machine}/history`,
      by: 'inspector',
      body: { id: v7(), source: 'Record sheets' },
      file: tableOf(random),
    }),
    () => ({
      path: `/api/machines/${machine}/pages`,
      by: 'inspector',
      body: { id: v7(), document: 'QM-G4', page: '12' },
      file: random.pick(TEXTS),
    }),
    () => ({
      path: `/api/jobs/${job}/pictures`,
      by: 'inspector',
      body: { id: v7(), subject: { kind: 'position', id: 'gb-cap' }, caption: 'cap' },
      file: random.pick(TEXTS),
    }),
    () => ({
      path: `/api/gauges/${random.pick(['om-12', 'di-07', 'nowhere'])}/pairings`,
      by: 'inspector',
      body: { id: v7(), name: 'Bench 2' },
    }),
    () => ({ path: '/api/gauges/om-12/pairings/end', by: 'inspector', body: { pairing: v7() } }),
    () => ({ path: `/api/jobs/${job}/confirmations`, by: 'inspector', body: { id: v7(), step: 'rebuild', note: '' } }),
    () => ({
      path: `/api/jobs/${job}/decisions`,
      by: 'inspector',
      body: {
        id: v7(),
        part: random.pick(['shell', 'shaft', 'ring-1', 'rod-seals']),
        recommended: 'hold',
        decided: 'replace',
        reason: 'scored',
      },
    }),
    () => ({ path: `/api/jobs/${job}/draft-book`, by: 'inspector', body: { title: `Book ${random.integer(1e6)}` } }),
    () => ({
      path: `/api/machines/${random.pick(['quillmere-unit-2', 'nowhere'])}/draft`,
      by: random.pick(['inspector', 'reviewer']),
      body: { id: v7(), base: random.pick([null, 'draft 1']), change: anyDraftChange(random) },
    }),
    () => ({
      path: `/api/machines/${random.pick(['quillmere-unit-2', 'nowhere'])}/book`,
      by: 'inspector',
      body: {
        book: random.pick(['larkhollow-motion', 'nowhere']),
        revision: random.pick(['1', 'draft 1']),
        job: random.chance(0.5),
      },
    }),
    () => ({
      path: '/api/books/quillmere-francis/C/issue',
      by: 'reviewer',
      body: { id: v7(), revision: random.pick(['D', ...TEXTS]).slice(0, 20) },
    }),
    () => ({
      path: '/api/books/larkhollow-motion/1/standing',
      by: 'inspector',
      body: { id: v7(), retired: random.chance(0.5), reason: random.pick(TEXTS) },
    }),
    () => ({
      path: '/api/books/quillmere-francis/C/copy',
      by: 'inspector',
      body: { id: v7(), title: random.pick(TEXTS) },
    }),
    () => ({
      path: '/api/books/quillmere-francis/edits',
      by: 'inspector',
      body: {
        id: v7(),
        base: 'draft 1',
        edits: { about: { title: 'x' }, lists: [{ list: 'parts', entries: [{ id: 'x', entry: {} }], order: null }] },
      },
    }),
    () => ({ path: '/api/books', by: 'inspector', body: { id: v7(), machine: null }, file: random.pick(TEXTS) }),
    () => ({ path: `/api/jobs/${job}/review`, by: 'reviewer', body: { kind: 'return', id: v7(), note: 'mend it' } }),
  ])()
  const body = random.chance(0.2) ? one.body : altered(random, one.body)
  const path = random.chance(0.02)
    ? one.path.replace(job, random.pick(['%00', 'a%00b', '%ff', '..', job.toUpperCase(), v7()]))
    : one.path
  return { ...one, body, path }
}
