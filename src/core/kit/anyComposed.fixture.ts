/**
 * Records of machines composed from the kit at random: one to three assemblies by any answers, their limits typed in part,
 * checked in part or said to be none, read with sound gauges and poor ones, inspected in part, with findings and a gate. The same
 * seed always makes the same record. About half of them have hardly a defect, so that parts come out as reuse.
 */

import { type Random, randomFrom } from '../base/random.fixture'
import type { Characteristic, LimitBook } from '../book/bookSchema'
import { noBook } from '../book/noBook'
import type { GaugeKind } from '../gauge/gaugeKinds'
import type { Limit } from '../limit/limit'
import { quantityOfValue } from '../method/gives'
import { formAt, slotsOf } from '../method/layout'
import type { Entry, EntryBody } from '../notes/entrySchema'
import { readingFrom } from '../record/anyRecord.fixture'
import { recordFormat } from '../record/recordFormat'
import { type InspectionRecord, type Reading, recordSchema } from '../record/recordSchema'
import { gauge } from '../record/smallMachine.fixture'
import { gaugeKindAt } from '../record/typedReading'
import { assemblies } from './assemblies'
import { changed } from './change'
import { FULL } from './composition'
import { figuresOf, textAt } from './everyAssembly.fixture'

const source = { document: 'M1', page: '4' }
const TYPED = { by: 'Ann', at: '2026-05-01T08:00:00Z' }
const agreed = (agrees: boolean) => ({ ...TYPED, check: { by: 'Ben', at: '2026-05-02T08:00:00Z', agrees, note: '' } })

/** How much goes wrong: nothing much, or a good deal. */
interface Care {
  readonly defect: number
}

function mustMake<T>(made: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: unknown }): T {
  if (!made.ok) throw new Error(JSON.stringify(made.fault))
  return made.value
}

/** A book of some assemblies, without limits. */
function anyMachine(random: Random, count: number, before: LimitBook = noBook('any', 'Machine')): LimitBook {
  let book = before
  for (let at = 0; at < count; at += 1) {
    const assembly = random.pick(assemblies)
    const chosen = Object.fromEntries(
      assembly.questions.flatMap(({ id, answers }) => (typeof answers === 'string' ? [] : [[id, random.pick(answers)]])),
    )
    const name = `${assembly.one} ${book.positions.length}`
    const answers = { ...figuresOf(assembly), ...chosen }
    book = mustMake(changed(book, { kind: 'add', assembly: assembly.id, names: [name], into: null, answers }, 'metric'))
  }
  return book
}

type Want = NonNullable<Characteristic['wants']>[number]

/** Of a value that wants a limit: one that holds, one that is passed, none by its page, or nothing at all; checked, waiting or refused. */
function limited(
  want: Want,
  isCount: boolean,
  random: Random,
  { defect }: Care,
): { readonly want: Want; readonly limit: Limit | null } {
  if (random.chance(defect * 0.5)) return { want, limit: null }
  const typed = random.chance(defect) ? (random.chance(0.5) ? { ...TYPED, check: null } : agreed(false)) : agreed(true)
  if (random.chance(defect * 0.5)) return { want: { ...want, none: { source, typed } }, limit: null }
  const isPassed = random.chance(defect * 0.4)
  const limit: Limit = {
    id: `${want.judges}-${want.side}`,
    judges: want.judges,
    side: want.side,
    plan: null,
    wear: isCount ? (isPassed ? -1 : 0) : (want.side === 'upper') === isPassed ? -900 : 900,
    whenPassed: random.pick(['mend', 'replace'] as const),
    instruction: '',
    source,
    typed,
  }
  return { want, limit }
}

function withLimits(book: LimitBook, random: Random, care: Care): LimitBook {
  const anew = <T extends LimitBook['characteristics'][number] | LimitBook['fits'][number]>(of: T): T => {
    const isCount = (want: Want): boolean => 'method' in of && quantityOfValue(of.method, want.judges) === 'count'
    const made = (of.wants ?? []).map((want) => limited(want, isCount(want), random, care))
    return { ...of, wants: made.map(({ want }) => want), limits: made.flatMap(({ limit }) => limit ?? []) }
  }
  return {
    ...book,
    documents: [...book.documents, { id: 'M1', title: 'Manual', revision: '' }],
    characteristics: book.characteristics.map(anew),
    fits: book.fits.map(anew),
  }
}

const gaugeOf = (kind: GaugeKind, id: string, over: object = {}) => ({ ...gauge(id, kind), code: id, ...over })

/** A crack noted in a part, under an id that ends so. */
export const crackIn = (part: string, ending: string): EntryBody => ({
  kind: 'findingRecorded',
  finding: `01990000-0000-7000-8000-${ending.padStart(12, '0')}`,
  value: { part, kind: 'crack', severity: 'marked', since: 'service', station: null, clock: null, extent: '', note: '' },
})

/** A record of this book: read, inspected and found at random. */
function workedOn(book: LimitBook, random: Random, care: Care, level: string): InspectionRecord {
  const { defect } = care
  const kinds = new Set<GaugeKind>()
  let number = 0
  const readings = book.characteristics.flatMap((of) =>
    slotsOf(of.method).flatMap((slot): Reading[] => {
      number += 1
      if (of.asLeftOnly ? random.chance(0.5) : random.chance(defect * 0.2)) return []
      const kind = gaugeKindAt(of, slot)
      kinds.add(kind)
      const suffix = random.chance(defect * 0.1) ? random.pick(['-late', '-short']) : ''
      const inHand = random.chance(defect * 0.05) ? null : `${kind}${suffix}`
      const text = textAt(of, slot)
      const isFigure = formAt(of.method, slot).kind === 'quantity' && kind !== 'eye'
      const typed = { text, reason: null, kind: 'point' as const }
      return [readingFrom(of.id, of.method, slot, number, typed, isFigure ? inHand : null, of.asLeftOnly ? 'asLeft' : 'asFound')]
    }),
  )
  const notes = book.parts.flatMap(({ id }, at): EntryBody[] => {
    if (random.chance(defect * 0.3)) return []
    if (!random.chance(defect * 0.15)) return [{ kind: 'inspected', part: id, note: '' }]
    return [crackIn(id, String(700_000 + at))]
  })
  const entries = notes.map(
    (body, at): Entry => ({
      id: `01990000-0000-7000-8000-${String(at).padStart(12, '0')}`,
      by: 'Ann',
      at: '2026-06-01T08:00:00Z',
      body,
    }),
  )
  const gauges = [...kinds]
    .filter((kind) => kind !== 'eye')
    .flatMap((kind) => [
      gaugeOf(kind, kind),
      gaugeOf(kind, `${kind}-late`, { calibrationDue: '2025-01-01' }),
      gaugeOf(kind, `${kind}-short`, { range: { least: 50, greatest: 60 } }),
    ])
  return recordSchema.parse({
    ...recordFormat,
    machine: { id: 'm', station: 'Yard', name: 'Machine', units: 'metric' },
    job: {
      id: 'job',
      overhaul: 'now',
      date: '2026-06-01',
      runningHours: 8000,
      installed: {},
      mustRunHours: 4000,
      level,
      policy: {
        acceptance: random.chance(0.5) ? { kind: 'simple' } : { kind: 'guarded', guardFactor: 1.65 },
        mustLastTheInterval: false,
        clearanceBy: 'measuredParts',
      },
      readings,
      entries,
    },
    book,
    gauges,
    history: [],
    decisions: [],
  })
}

export function anyComposed(seed: number): InspectionRecord {
  const random = randomFrom(seed)
  const care = { defect: random.chance(0.5) ? 0.06 : 0.5 }
  const composed = withLimits(anyMachine(random, 1 + random.integer(3)), random, care)
  const measured = composed.characteristics.filter(({ asLeftOnly }) => !asLeftOnly)
  const hasGate = measured.length > 1 && random.chance(0.3)
  const gate = hasGate ? [random.pick(measured).id, random.pick(measured).id] : []
  const book = hasGate ? mustMake(changed(composed, { kind: 'gate', measures: [...new Set(gate)] }, 'metric')) : composed
  const level = hasGate && random.chance(0.7) ? (book.levels.find(({ gate: of }) => of !== null)?.id ?? FULL) : FULL
  return workedOn(book, random, care, level)
}

/** The same record on a machine that has one assembly more, worked on like the rest, of which the others know nothing. */
export function withUnrelated(record: InspectionRecord, seed: number): InspectionRecord {
  const random = randomFrom(seed)
  const care = { defect: 0.5 }
  const alone = workedOn(withLimits(anyMachine(random, 1, { ...noBook('other', 'Other') }), random, care), random, care, FULL)
  const again = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
  const own = again(alone)
  const renamed = (id: string): string => `other-${id}`
  const names = new Set(
    [...own.book.characteristics, ...own.book.parts, ...own.book.fits, ...own.book.positions].map(({ id }) => id),
  )
  const anew = (value: unknown): unknown => {
    if (typeof value === 'string') return names.has(value) ? renamed(value) : value
    if (Array.isArray(value)) return value.map(anew)
    if (value === null || typeof value !== 'object') return value
    return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, anew(of)]))
  }
  const other = anew({ book: own.book, readings: own.job.readings, entries: own.job.entries }) as {
    book: LimitBook
    readings: Reading[]
    entries: Entry[]
  }
  const later = <T extends { readonly id: string }>(items: readonly T[], mark: string): T[] =>
    items.map((item) => ({ ...item, id: `${mark}${item.id.slice(1)}` }))
  const ofFindings = (entries: readonly Entry[]): Entry[] =>
    entries.map(({ body, ...entry }) => ({
      ...entry,
      body: body.kind === 'findingRecorded' ? { ...body, finding: `a${body.finding.slice(1)}` } : body,
    }))
  const known = new Set(record.gauges.map(({ id }) => id))
  return recordSchema.parse({
    ...record,
    job: {
      ...record.job,
      readings: [...record.job.readings, ...later(other.readings, 'a')],
      entries: [...record.job.entries, ...later(ofFindings(other.entries), 'a')],
    },
    book: {
      ...record.book,
      parts: [...record.book.parts, ...other.book.parts],
      positions: [...record.book.positions, ...other.book.positions],
      characteristics: [...record.book.characteristics, ...other.book.characteristics],
      fits: [...record.book.fits, ...other.book.fits],
      findingRules: [...record.book.findingRules, ...other.book.findingRules.map((rule) => ({ ...rule, id: renamed(rule.id) }))],
    },
    gauges: [...record.gauges, ...own.gauges.filter(({ id }) => !known.has(id))],
  })
}
