import { describe, expect, test } from 'vitest'
import { bookSchema, type Characteristic, type LimitBook } from '../book/bookSchema'
import { faultsOf } from '../book/faults'
import { noBook } from '../book/noBook'
import type { Phase } from '../book/phases'
import { startEvaluation } from '../evaluate/evaluate'
import type { Gauge } from '../gauge/gauge'
import { jobProgress } from '../job/progress'
import type { Limit } from '../limit/limit'
import { formAt, slotsOf } from '../method/layout'
import type { UnitSystem } from '../quantity/unitSystem'
import { recordFormat } from '../record/recordFormat'
import { type InspectionRecord, type Reading, recordSchema } from '../record/recordSchema'
import { readTyped } from '../record/typedReading'
import { assemblies } from './assemblies'
import type { Assembly } from './assembly'
import { changed } from './change'
import { type Addition, compose } from './compose'
import { emptyComposition } from './composition'
import { copied } from './copied'
import { figuresOf, textAt } from './everyAssembly.fixture'
import type { KitAnswers } from './shape'

const SYSTEMS: readonly UnitSystem[] = ['metric', 'inch']
/** The usual answers without and with figures, and each other answer by itself. */
function shapesOf(assembly: Assembly): KitAnswers[] {
  const others = assembly.questions.flatMap(({ id, answers }) =>
    typeof answers === 'string' ? [] : answers.slice(1).map((text) => ({ ...figuresOf(assembly), [id]: text })),
  )
  return [{}, figuresOf(assembly), ...others]
}

const added = (
  book: LimitBook,
  over: Partial<Addition> & Pick<Addition, 'assembly'>,
  system: UnitSystem = 'metric',
): LimitBook => {
  const made = compose(book, { names: ['One'], into: null, answers: {}, ...over }, system)
  if (!made.ok) throw new Error(JSON.stringify(made.fault))
  return made.value
}
const empty = emptyComposition('m', 'Machine')

const source = { document: 'KIT', page: '1' }
const limitOf = (judges: Limit['judges'], side: Limit['side'], at: number, wear: number): Characteristic['limits'][number] => ({
  id: `typed-${at}`,
  judges,
  side,
  plan: null,
  wear,
  whenPassed: 'mend',
  instruction: '',
  source,
})
/** Every value that wants a limit gets one. */
const filled = (book: LimitBook): LimitBook => ({
  ...book,
  characteristics: book.characteristics.map((one) => ({
    ...one,
    limits: (one.wants ?? []).map(({ judges, side }, at) => limitOf(judges, side, at, side === 'upper' ? 1e5 : -1e5)),
  })),
  fits: book.fits.map((fit) => ({
    ...fit,
    limits: (fit.wants ?? []).map(({ judges, side }, at) => limitOf(judges, side, at, side === 'upper' ? 1e5 : -1e5)),
  })),
})

const GAUGE: Omit<Gauge, 'id' | 'kind'> = {
  code: 'G',
  name: 'g',
  resolution: 0.001,
  maximumPermissibleError: 0.002,
  calibration: null,
  corrections: [],
  expansionPerK: null,
  range: null,
  calibrationDue: '2030-01-01',
}

function readingsOf(of: Characteristic, system: UnitSystem, from: number): Reading[] {
  return slotsOf(of.method).map((slot, at) => {
    const form = formAt(of.method, slot).kind
    const text = textAt(of, slot)
    const typed = readTyped(of, slot, text, system)
    if (!typed.ok) throw new Error(`${of.id}: ${text} cannot be read`)
    return {
      id: `01990000-0000-7000-8000-${String(from + at).padStart(12, '0')}`,
      characteristic: of.id,
      ...slot,
      stage: of.asLeftOnly ? 'asLeft' : 'asFound',
      text,
      ...typed.value.fields,
      conditions: null,
      gauge: form === 'quantity' && of.gaugeKind !== 'eye' ? of.gaugeKind : null,
      by: 'Ann',
      takenAt: '2026-06-01T09:00:00Z',
      supersedes: null,
      reason: null,
    } satisfies Reading
  })
}

function recordOf(book: LimitBook, units: UnitSystem): InspectionRecord {
  const kinds = [...new Set(book.characteristics.map(({ gaugeKind }) => gaugeKind))].filter((kind) => kind !== 'eye')
  return recordSchema.parse({
    ...recordFormat,
    machine: { id: 'm', station: 'Yard', name: 'Machine', units },
    job: {
      id: 'job',
      overhaul: 'Overhaul',
      date: '2026-06-01',
      runningHours: 8_000,
      installed: {},
      mustRunHours: 8_000,
      level: 'full',
      policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
      readings: book.characteristics.flatMap((of, at) => readingsOf(of, units, 1000 * at)),
    },
    book,
    gauges: kinds.map((kind) => ({ ...GAUGE, id: kind, kind })),
    history: [],
    decisions: [],
  })
}

describe.each(SYSTEMS)('%s', (system) => {
  describe.each(assemblies.map((assembly) => [assembly.name, assembly] as const))('%s', (_, assembly) => {
    test('however it is asked for, it is a book without a fault and without a limit', () => {
      for (const answers of shapesOf(assembly)) {
        const book = added(empty, { assembly: assembly.id, names: ['First', 'Second'], answers }, system)
        expect([answers, faultsOf(bookSchema.parse(book))]).toEqual([answers, []])
        expect(book.characteristics.filter(({ limits, new: size }) => limits.length > 0 || size !== null)).toEqual([])
        expect(book.fits.filter(({ limits }) => limits.length > 0)).toEqual([])
        // One list: a part lies at a position, and each comes out in a step or stays in its place by what it is.
        expect(book.parts.map(({ id }) => id).filter((id) => !book.positions.some(({ part }) => part === id))).toEqual([])
        for (const list of [book.parts, book.positions, book.characteristics, book.fits])
          expect(new Set(list.map(({ name }) => name.toLowerCase())).size).toBe(list.length)
      }
    })

    test('without a limit no reading lets a part go back: it holds until somebody has looked at it', () => {
      const book = bookSchema.parse(added(empty, { assembly: assembly.id, answers: figuresOf(assembly) }, system))
      for (const record of [
        recordOf(book, system),
        { ...recordOf(book, system), job: { ...recordOf(book, system).job, readings: [] } },
      ]) {
        const { results } = startEvaluation(record)
        expect(results.parts.filter(({ verdict }) => verdict === 'reuse' || verdict === 'recondition')).toEqual([])
        // Nor is a fit that nothing limits judged.
        expect(jobProgress(record, results, new Set(), false).fitsJudged).toEqual({ done: 0, of: 0 })
      }
    })

    test('with its limits typed and everything read it is judged from end to end', () => {
      const book = filled(added(empty, { assembly: assembly.id, answers: figuresOf(assembly) }, system))
      const { results } = startEvaluation(recordOf(bookSchema.parse(book), system))
      const unread = results.characteristics.flatMap(({ id, reductions: found, stages }) => {
        const reductions = stages.find(({ stage }) => stage === 'asLeft')?.reductions ?? found
        const wants = book.characteristics.find((one) => one.id === id)?.wants ?? []
        return wants.filter(({ judges }) => reductions.values[judges] === undefined).map(({ judges }) => `${id} ${judges}`)
      })
      expect(unread).toEqual([])
      expect(results.parts.map(({ id }) => id)).toEqual(book.parts.map(({ id }) => id))
      // Issued as it stands, nothing of it is missing.
      if (book.characteristics.length > 0) expect(faultsOf({ ...book, issued: '2026-06-01' })).toEqual([])
    })
  })
})

test('what goes back goes in the reverse order, and the machine is handed back last', () => {
  const one = added(empty, { assembly: 'solidBush', names: ['First'] })
  const both = copied(added(one, { assembly: 'shaftAssembly', names: ['Second'] }), 'second', ['Third'])
  const named = (phase: Phase) => both.procedure.filter((step) => step.phase === phase).map(({ name }) => name)
  expect(named('rebuild').map((name) => name.split(':')[0])).toEqual([
    'Clean and clear before anything closes',
    'Third',
    'Second',
    'First',
  ])
  expect(named('prove').slice(-3)).toEqual([
    'Return to service',
    'First run watched',
    'Looked at again after a short time in service',
  ])
})

describe('a gate inspection', () => {
  const machine = added(empty, { assembly: 'splitSleeveBearing', names: ['Bearing'] })
  const gated = (book: LimitBook, measures: readonly string[]) => {
    const made = changed(book, { kind: 'gate', measures }, 'metric')
    if (!made.ok) throw new Error(made.fault.code)
    return made.value
  }
  const [first, second] = machine.characteristics.map(({ id }) => id)

  test('makes safe, takes what decides it, and hands back; the overhaul keeps all of its steps', () => {
    const book = gated(machine, [first ?? ''])
    expect(bookSchema.safeParse(book).success && faultsOf(book)).toEqual([])
    const names = (level: string) => book.procedure.filter(({ levels }) => levels.includes(level)).map(({ name }) => name)
    expect(names('gate-inspection')).toContain('Isolate, lock and tag every source of energy')
    expect(names('gate-inspection')).toContain('Gate measurements taken')
    expect(names('gate-inspection')).toContain('Return to service')
    expect(names('gate-inspection').some((name) => name.includes('Take the halves out'))).toBe(false)
    expect(names('full')).toEqual(machine.procedure.map(({ name }) => name))
  })

  test('is not held by a measurement that nothing limits, and by one within its limits it is', () => {
    const wanted = machine.characteristics.find(({ wants, asLeftOnly }) => !asLeftOnly && (wants ?? []).length > 0)?.id ?? ''
    const book = bookSchema.parse(gated(machine, [wanted]))
    const gateOf = (of: LimitBook) => {
      const record = recordOf(of, 'metric')
      return startEvaluation({ ...record, job: { ...record.job, level: 'gate-inspection' } }).results.scope.gate
    }
    expect(gateOf(book)).toMatchObject({ kind: 'open', missing: [wanted] })
    expect(gateOf(bookSchema.parse(filled(book)))).toMatchObject({ kind: 'held' })
  })

  test('goes with what decides it, and is taken back as it was put', () => {
    const book = gated(machine, [first ?? '', second ?? ''])
    const gone = changed(book, { kind: 'takeOut', position: 'bearing' }, 'metric')
    expect(gone.ok && gone.value.levels.map(({ id }) => id)).toEqual(['full'])
    expect(gated(book, [])).toEqual(machine)
    expect(changed(machine, { kind: 'gate', measures: ['nothing'] }, 'metric')).toMatchObject({
      fault: { code: 'noMeasurement' },
    })
  })
})

test('a machine of every assembly at once is one book', () => {
  let book = empty
  for (const { id, one } of assemblies) book = added(book, { assembly: id, names: [`${one} of ${id}`] })
  expect(faultsOf(bookSchema.parse(book))).toEqual([])
})

describe('what is asked for and cannot be', () => {
  const once = added(empty, { assembly: 'shaftAssembly', names: ['Second shaft'] })
  test.each<[string, Partial<Addition>, object]>([
    ['an assembly there is not', { assembly: 'spaceship' }, { code: 'noAssembly', assembly: 'spaceship' }],
    ['a place there is not', { into: 'attic' }, { code: 'noPosition', position: 'attic' }],
    ['no name', { names: [' '] }, { code: 'noName' }],
    ['a name that is taken', { names: ['second SHAFT'] }, { code: 'nameTaken', name: 'second SHAFT' }],
    ['two of one name', { names: ['A', 'a'] }, { code: 'nameTaken', name: 'a' }],
    ['an answer it does not have', { answers: { seats: '70' } }, { code: 'notAnAnswer', question: 'seats', text: '70' }],
    [
      'figures that make no measurement together',
      { assembly: 'valveAndSpring', answers: { longer: '48 mm', shorter: '62 mm', working: '50 mm', load: '400 N' } },
      {
        code: 'noMethod',
        measurement: 'Spring, load against length',
        by: 'spring',
        why: [{ code: 'shorterIsLonger' }],
      },
    ],
    [
      'a figure that is none',
      { assembly: 'rollingBearingSeat', answers: { boreMm: 'sixty' } },
      { code: 'notAFigure', question: 'boreMm', text: 'sixty' },
    ],
  ])('%s', (_, over, fault) => {
    const made = compose(once, { assembly: 'shaftAssembly', names: ['New'], into: null, answers: {}, ...over }, 'metric')
    expect(made).toEqual({ ok: false, fault })
  })

  test('a book that was never composed can be: it gets its level and what every machine is made safe by', () => {
    const typed = { ...noBook('job', 'Typed'), documents: [{ id: 'D', title: 'Manual', revision: '' }] }
    const book = added(typed, { assembly: 'shaftAssembly', names: ['Shaft'] })
    expect(faultsOf(bookSchema.parse(book))).toEqual([])
    expect(book.procedure.filter(({ holdPoint }) => holdPoint)).toHaveLength(1)
    expect(added(book, { assembly: 'shaftAssembly', names: ['Other'] }).levels).toHaveLength(1)
  })

  test('names that make the same id are told apart', () => {
    const book = added(added(once, { assembly: 'generalPart', names: ['Lip 1'] }), { assembly: 'generalPart', names: ['Lip-1'] })
    expect(faultsOf(bookSchema.parse(book))).toEqual([])
  })

  test('it sits in what holds it, and names it', () => {
    const book = added(once, { assembly: 'generalPart', names: ['Collar'], into: 'second-shaft' })
    expect(book.positions.find(({ name }) => name === 'Collar')?.parent).toBe('second-shaft')
    expect(book.parts.at(-1)?.position).toBe('Second shaft')
  })
})
