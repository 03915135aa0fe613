import { writeFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import type { Characteristic } from '../../record/bookSchema'
import { questionAt } from '../../record/questionAt'
import type { InspectionRecord, Overhaul, Reading } from '../../record/recordSchema'
import { readTyped } from '../../record/typedReading'
import { testGauge } from '../everyMethod.fixture'
import { type Slot, slotsOf } from '../layout'
import type { Method } from '../method'

/**
 * How many slips are caught and how often honest readings are questioned, over generated overhauls with realistic wear:
 * parts wear at their own rate, places of a part wear unevenly, gauges have steps and errors. Seeded, so that the
 * figures are the same on every run; they are printed, and kept in docs/slip-guards.md.
 */
const SEED = 14_253

/** Small generator of uniform numbers (mulberry32, public domain), and normal ones from it. */
function randomFrom(seed: number) {
  let state = seed
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
  return { uniform, normal, pick: <T>(items: readonly T[]): T => items[Math.floor(uniform() * items.length)] as T }
}
type Random = ReturnType<typeof randomFrom>

const place = (id: string) => ({ id, label: id })
const SIX = { stations: ['A', 'B', 'C'].map(place), directions: ['1', '2'].map(place), walk: 'stationFirst' } as const

interface Kind {
  readonly name: string
  readonly method: (nominal: number) => Method
  readonly sizes: readonly [number, number]
  /** Wear allowance and its sign as the value moves. */
  readonly allowance: number
  readonly sign: 1 | -1
  readonly step: number
  readonly error: number
}
const kinds: readonly Kind[] = [
  {
    name: 'bore on a master',
    method: (nominal) => ({ kind: 'boreDiameter', masterMm: nominal, ...SIX }),
    sizes: [40, 320],
    allowance: 0.25,
    sign: 1,
    step: 0.001,
    error: 0.004,
  },
  {
    name: 'journal',
    method: () => ({ kind: 'outsideDiameter', ...SIX }),
    sizes: [40, 320],
    allowance: 0.15,
    sign: -1,
    step: 0.001,
    error: 0.004,
  },
  {
    name: 'thickness',
    method: () => ({
      kind: 'size',
      what: 'thickness',
      wears: 'smaller',
      points: ['a', 'b', 'c', 'd', 'e'].map(place),
      repeatsAtLeast: 1,
      repeatabilityLimit: null,
    }),
    sizes: [6, 40],
    allowance: 1,
    sign: -1,
    step: 0.01,
    error: 0.01,
  },
  {
    name: 'gap',
    method: () => ({
      kind: 'gapAtPositions',
      wears: 'larger',
      positions: Array.from({ length: 8 }, (_, index) => ({ id: String(index + 1), label: '', angleDeg: 45 * index })),
    }),
    sizes: [0.5, 6],
    allowance: 0.6,
    sign: 1,
    step: 0.01,
    error: 0.01,
  },
]

interface Machine {
  readonly record: InspectionRecord
  readonly characteristic: Characteristic
  /** What is honestly read now, by walking order. */
  readonly honest: readonly number[]
  /** Standard deviation of an honest reading around what its own past and its set say. */
  readonly spread: number
  readonly kind: Kind
  readonly master: number | null
}

const source = { document: 'D', page: '1' }

/** One part with two earlier overhauls and the one being measured. */
function machineFrom(random: Random): Machine {
  const kind = random.pick(kinds)
  const nominal = Number((kind.sizes[0] + random.uniform() * (kind.sizes[1] - kind.sizes[0])).toFixed(2))
  const method = kind.method(nominal)
  const slots = slotsOf(method)
  const rate = kind.allowance * (0.1 + 0.15 * random.uniform())
  const uneven = slots.map(() => 0.75 + 0.5 * random.uniform())
  const shape = slots.map(() => 0.02 * kind.allowance * random.normal())
  // Wear goes on about as before; each place differs a little from its own past, and the gauge has its step.
  const pace = 0.04 * rate
  const noise = Math.max(kind.error / 3, kind.step / 2)
  const at = (overhaul: number): number[] =>
    slots.map((_, index) => {
      const worn = rate * overhaul * (uneven[index] ?? 1) + pace * random.normal()
      const value = nominal + kind.sign * (0.02 * kind.allowance + Math.abs(shape[index] ?? 0) + worn) + noise * random.normal()
      return Math.round(value / kind.step) * kind.step
    })
  const judges = kind.sign === 1 ? 'maximum' : 'minimum'
  const characteristic: Characteristic = {
    id: 'c',
    part: 'p',
    name: 'c',
    how: '',
    pose: '',
    trap: '',
    method: method as Characteristic['method'],
    gaugeKind: 'boreGauge',
    showTo: kind.step,
    new: { nominal, lower: nominal - 0.1 * kind.allowance, upper: nominal + 0.1 * kind.allowance, source },
    safety: false,
    limits: [
      {
        id: 'l',
        judges,
        side: kind.sign === 1 ? 'upper' : 'lower',
        plan: null,
        wear: nominal + kind.sign * kind.allowance,
        whenPassed: 'mend',
        instruction: '',
        source,
      },
    ],
  }
  const decimals = kind.step < 0.01 ? 3 : 2
  const reading = (slot: Slot, value: number): Reading => ({
    id: `${slot.station}${slot.direction}`,
    characteristic: 'c',
    ...slot,
    stage: 'asFound',
    text: value.toFixed(decimals),
    kind: 'point',
    defaultUnit: 'mm',
    masterMm: null,
    value,
    low: null,
    high: null,
    conditions: null,
    gauge: 'g',
    by: '',
    takenAt: '2026-01-01T00:00:00Z',
    supersedes: null,
    reason: null,
  })
  const past = (overhaul: number): Overhaul => ({
    overhaul: String(overhaul),
    date: '2020-01-01',
    runningHours: 8000 * overhaul,
    installed: {},
    readings: slots.map((slot, index) => reading(slot, at(overhaul)[index] ?? 0)),
  })
  const history = [past(1), past(2)]
  const record = {
    machine: { units: 'metric' },
    job: { runningHours: 24_000, installed: {}, readings: [], level: null },
    book: { characteristics: [characteristic], levels: [] },
    history,
  } as unknown as InspectionRecord
  return {
    record,
    characteristic,
    honest: at(3),
    spread: Math.hypot(noise, pace),
    kind,
    master: method.kind === 'boreDiameter' ? method.masterMm : null,
  }
}

/** Asks about a text at a place, after honest readings at the places before it. */
function ask(machine: Machine, index: number, text: string): boolean {
  const { record, characteristic, honest, kind } = machine
  const slots = slotsOf(characteristic.method)
  const slot = slots[index]
  const typed = slot ? readTyped(characteristic, slot, text, 'metric') : null
  if (!slot || !typed?.ok) return true // refused outright: the person must type again
  const template = record.history[0]?.readings[0]
  if (!template) throw new Error('a past overhaul has readings')
  const standing = slots.slice(0, index).map((before, at) => ({
    ...template,
    ...before,
    id: `n${at}`,
    value: honest[at] ?? 0,
    text: textOf(machine, honest[at] ?? 0),
  }))
  return (
    questionAt({
      record,
      characteristic,
      slot,
      text,
      parsed: typed.value.parsed,
      gauge: testGauge({ resolution: kind.step, maximumPermissibleError: kind.error }),
      conditions: null,
      today: '2026-11-25',
      stage: 'asFound',
      standing,
      standingOf: () => standing,
    }) !== null
  )
}

/** As it is typed: bores as deviations from their master. */
function textOf({ master, kind }: Machine, value: number): string {
  const decimals = kind.step < 0.01 ? 3 : 2
  if (master === null) return value.toFixed(decimals)
  const deviation = value - master
  return `${deviation < 0 ? '-' : '+'}${Math.abs(deviation).toFixed(decimals)}`
}

const unsigned = (text: string): string => text.replace(/^[+-]/, '')
const signOf = (text: string): string => /^[+-]/.exec(text)?.[0] ?? ''

/** What is typed by mistake instead; null where this slip cannot be made here. */
const slips: Readonly<Record<string, (text: string, machine: Machine, random: Random) => string | null>> = {
  thimbleTurn: (text, { kind }, random) => shifted(text, (random.uniform() < 0.5 ? 1 : -1) * 0.5, kind),
  wholeFrame: (text, { kind, master }, random) =>
    master === null ? shifted(text, (random.uniform() < 0.5 ? 1 : -1) * 25, kind) : null,
  decimalPlace: (text) => {
    const [whole = '', places = ''] = unsigned(text).split('.')
    return `${signOf(text)}${whole}${places[0] ?? ''}.${places.slice(1) || '0'}`
  },
  inchForMm: (text, { master }) => (master === null ? (Number(text) / 25.4).toFixed(4) : null),
  comparatorSign: (text) => (signOf(text) === '' ? null : `${signOf(text) === '+' ? '-' : '+'}${unsigned(text)}`),
  signForgotten: (text) => (signOf(text) === '' ? null : unsigned(text)),
  digitsSwapped: (text, _machine, random) => {
    const digits = unsigned(text)
    const places = [...digits].flatMap((digit, index) => {
      const next = digits[index + 1] === '.' ? index + 2 : index + 1
      return /\d/.test(digit) && /\d/.test(digits[next] ?? '') && digits[next] !== digit ? [[index, next] as const] : []
    })
    if (places.length === 0) return null
    const [a, b] = random.pick(places)
    const all = [...digits]
    ;[all[a], all[b]] = [all[b] ?? '', all[a] ?? '']
    return `${signOf(text)}${all.join('')}`
  },
}

const shifted = (text: string, by: number, { step }: Kind): string => {
  const value = Number(text) + by
  const figures = Math.abs(value).toFixed(step < 0.01 ? 3 : 2)
  return signOf(text) === '' ? (value < 0 ? `-${figures}` : figures) : `${value < 0 ? '-' : '+'}${figures}`
}

const BINS = [
  { name: '2 to 4', from: 2, to: 4 },
  { name: '4 to 6', from: 4, to: 6 },
  { name: '6 to 10', from: 6, to: 10 },
  { name: '10 to 30', from: 10, to: 30 },
  { name: 'beyond 30', from: 30, to: Number.POSITIVE_INFINITY },
] as const
const MACHINES = 1000

test('slips larger than four times the expected spread are caught, and honest readings are left in peace', () => {
  const random = randomFrom(SEED)
  const rows = new Map(Object.keys(slips).map((name) => [name, BINS.map(() => ({ caught: 0, of: 0 }))]))
  let honest = 0
  let questioned = 0
  for (let count = 0; count < MACHINES; count += 1) {
    const machine = machineFrom(random)
    machine.honest.forEach((value, index) => {
      const text = textOf(machine, value)
      honest += 1
      if (ask(machine, index, text)) questioned += 1
      for (const [name, make] of Object.entries(slips)) {
        const wrong = make(text, machine, random)
        if (wrong === null || wrong === text) continue
        const slot = slotsOf(machine.characteristic.method)[index]
        const typed = slot ? readTyped(machine.characteristic, slot, wrong, 'metric') : null
        const size =
          typed?.ok && typed.value.parsed.kind === 'point'
            ? Math.abs(typed.value.parsed.value - value) / machine.spread
            : Number.POSITIVE_INFINITY
        const bin = BINS.findIndex(({ from, to }) => size > from && size <= to)
        const cell = rows.get(name)?.[bin]
        if (!cell) continue
        cell.of += 1
        if (ask(machine, index, wrong)) cell.caught += 1
      }
    })
  }
  const percent = ({ caught, of }: { caught: number; of: number }): string =>
    of === 0 ? '–' : `${((100 * caught) / of).toFixed(1)} % of ${of}`
  const falsePerThousand = (1000 * questioned) / honest
  const table = [
    `| slip | ${BINS.map(({ name }) => name).join(' | ')} | beyond 4, together |`,
    `|---|${BINS.map(() => '---').join('|')}|---|`,
    ...[...rows].map(([name, cells]) => {
      const beyond = cells
        .slice(1)
        .reduce((sum, cell) => ({ caught: sum.caught + cell.caught, of: sum.of + cell.of }), { caught: 0, of: 0 })
      return `| ${name} | ${cells.map(percent).join(' | ')} | ${percent(beyond)} |`
    }),
  ].join('\n')
  const says = `Catch rate by size of the slip, in expected spreads (standard deviations):\n\n${table}\n\nFalse warnings: ${falsePerThousand.toFixed(2)} per 1,000 of ${honest} honest readings.\n`
  process.stdout.write(`\n${says}\n`)
  if (process.env.WRITE_RATES) writeFileSync(process.env.WRITE_RATES, says)
  for (const [name, cells] of rows) {
    const beyond = cells
      .slice(1)
      .reduce((sum, cell) => ({ caught: sum.caught + cell.caught, of: sum.of + cell.of }), { caught: 0, of: 0 })
    expect(beyond.of, `${name} is generated`).toBeGreaterThan(200)
    expect(beyond.caught / beyond.of, `${name} beyond four spreads`).toBeGreaterThanOrEqual(0.95)
  }
  expect(falsePerThousand).toBeLessThan(5)
}, 60_000)
