/** Whatever is added to a composed machine, in whatever order: it stays a book that is read, it is judged, and there is a next act. */

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../book/bookSchema'
import { faultsOf } from '../book/faults'
import { evaluate } from '../evaluate/evaluate'
import { orderOfWork } from '../job/orderOfWork'
import { jobProgress } from '../job/progress'
import { everyMethod } from '../method/everyMethod.fixture'
import { refuseEntry } from '../notes/checkEntry'
import type { Entry, EntryBody } from '../notes/entrySchema'
import { foldNotes } from '../notes/fold'
import { bookOfJob } from '../notes/jobBook'
import { jobSteps, mustNotBeSkipped } from '../notes/steps'
import { additionsIn, typedIn } from '../notes/typedBook'
import type { TypedCharacteristic } from '../notes/typedSchema'
import { recordFormat } from '../record/recordFormat'
import { type InspectionRecord, recordSchema } from '../record/recordSchema'
import { levelsInPlay } from '../scope/need'
import { speakerOf } from '../words/speaker'
import { settledBy } from '../words/votes'
import { assemblies } from './assemblies'
import { type BookChange, changed } from './change'
import { emptyComposition } from './composition'

const AT = '2026-11-25T08:00:00.000Z'
const uuid = (n: number): string => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
const source = { document: { id: 'M-1', title: 'Manual', revision: '' }, page: '3' }

/** A machine as somebody may have composed it: assemblies added, copied, taken out again. */
const machine = fc
  .array(fc.tuple(fc.constantFrom(...assemblies.map(({ id }) => id)), fc.constantFrom('add', 'copy', 'out', 'gate')), {
    minLength: 1,
    maxLength: 3,
  })
  .map((moves) =>
    moves.reduce(
      (book: LimitBook, [assembly, move], at) => {
        const [first] = book.positions
        const change: BookChange =
          move === 'copy' && first
            ? { kind: 'copy', position: first.id, names: [`Copy ${at}`] }
            : move === 'out' && first && at > 1
              ? { kind: 'takeOut', position: first.id }
              : move === 'gate' && first
                ? { kind: 'gate', measures: book.characteristics.slice(0, 2).map(({ id }) => id) }
                : { kind: 'add', assembly, names: [`One ${at}`], into: null, answers: {} }
        const made = changed(book, change, 'metric')
        return made.ok ? made.value : book
      },
      emptyComposition('m', 'Machine'),
    ),
  )

/** What somebody may want to add, whether it can be or not: it names things by their place in the list. */
const wish = fc.record({
  kind: fc.constantFrom('part', 'measure', 'fit', 'route', 'rule', 'need', 'step', 'gate', 'looked', 'done', 'drop'),
  at: fc.nat(30),
  other: fc.nat(30),
})
type Wish = { readonly kind: string; readonly at: number; readonly other: number }

function bodyOf(
  { kind, at, other }: Wish,
  n: number,
  { book, steps }: { book: LimitBook; steps: readonly { id: string }[] },
): EntryBody | null {
  const part = book.parts[at % Math.max(1, book.parts.length)]
  const measured = book.characteristics
  const of = (index: number) => measured[index % Math.max(1, measured.length)]
  const step = steps[at % Math.max(1, steps.length)]
  const has = {
    cautions: [],
    holdPoint: kind === 'gate',
    wait: null,
    stop: { at: 'onlySoFar', text: 'Two turns' } as const,
    removes: [],
    measures: [],
  }
  switch (kind) {
    case 'part':
      return { kind: 'positionAdded', position: `p-${n}`, name: `Part ${n}`, parent: null, count: 1, asPart: true }
    case 'measure':
      return part ? { kind: 'characteristicTyped', characteristic: `t-${n}`, value: typedOn(part, n, at, other) } : null
    case 'fit': {
      const [a, b] = [of(at), of(other)]
      const mate = { kind: 'keyInKeyway', sides: { keyway: a?.id ?? '', key: b?.id ?? '' }, figures: {}, choices: {} }
      const limits = other % 2 === 0 ? [{ side: 'upper', wear: '0.4', plan: null } as const] : []
      return a
        ? {
            kind: 'thingAdded',
            id: `f-${n}`,
            what: { of: 'fit', name: `Fit ${n}`, mate, mendOn: a.part, limits, whenPassed: 'mend', instruction: '', source },
          }
        : null
    }
    case 'route':
      return part
        ? {
            kind: 'thingAdded',
            id: `r-${n}`,
            what: { of: 'route', part: part.id, name: `Way ${n}`, mends: [of(other)?.id ?? ''], cost: null, days: null, source },
          }
        : null
    case 'rule': {
      const rules = [
        { kind: 'always' },
        { kind: 'whenDisturbed' },
        { kind: 'everyNth', nth: 2 },
        { kind: 'afterHours', hours: 900 },
      ] as const
      return part
        ? { kind: 'thingAdded', id: `s-${n}`, what: { of: 'rule', part: part.id, rule: rules[other % 4] ?? rules[0], source } }
        : null
    }
    case 'need':
      return { kind: 'thingAdded', id: `n-${n}`, what: { of: 'need', group: 'tools', name: `Tool ${n}`, quantity: '' } }
    case 'step':
    case 'gate':
      return {
        kind: 'stepAdded',
        step: `st-${n}`,
        phase: (['makeSafe', 'strip', 'rebuild', 'prove'] as const)[other % 4] ?? 'strip',
        name: `Step ${n}`,
        text: '',
        after: null,
        has,
      }
    case 'looked':
      return part ? { kind: 'inspected', part: part.id, note: '' } : null
    case 'done':
      return step ? { kind: 'stepDone', step: step.id, note: '', licensed: { name: 'N', licence: '1' } } : null
    default:
      return { kind: 'thingDropped', id: `f-${other}`, name: 'It', reason: 'not there' }
  }
}

function typedOn(part: LimitBook['parts'][number], n: number, at: number, other: number): TypedCharacteristic {
  const kinds = ['outsideDiameter', 'boreDiameter', 'size', 'endFloat'] as const
  const { id, name, assembly, position } = part
  return {
    name: `Size ${n}`,
    part: { id, name, assembly, position },
    method: JSON.parse(JSON.stringify(everyMethod[kinds[at % 4] ?? 'size']).replaceAll('"label":""', '"label":"place"')),
    gaugeKind: 'dial',
    readTo: '0.01',
    how: '',
    document: source.document,
    new: null,
    limits:
      other % 2 === 0
        ? [{ judges: 'mean', side: 'upper', wear: '900', plan: null, whenPassed: 'mend', instruction: '', page: '3' }]
        : [],
    safety: false,
  }
}

const recordOf = (book: LimitBook, entries: readonly Entry[]): InspectionRecord =>
  recordSchema.parse({
    ...recordFormat,
    machine: { id: 'm', station: 'Yard', name: 'Machine', units: 'metric' },
    job: {
      id: 'job',
      overhaul: 'Overhaul',
      date: '2026-11-25',
      runningHours: 0,
      installed: {},
      mustRunHours: 0,
      level: 'full',
      policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
      entries,
      readings: [],
    },
    book,
    gauges: [],
    history: [],
    decisions: [],
  })

test('every state that adding leads to offers a next act', () => {
  let taken = 0
  fc.assert(
    fc.property(machine, fc.array(wish, { maxLength: 14 }), (issued, wishes) => {
      const entries: Entry[] = []
      const facts = { runningHours: 0, mustRunHours: 0 }
      wishes.forEach((one, n) => {
        const book = bookOfJob(issued, entries, 'metric', facts)
        const noted = foldNotes(book, entries)
        const steps = jobSteps(book, noted, new Set(['full']))
        const body = bodyOf(one, n, { book, steps })
        if (!body) return
        const context = {
          book,
          noted,
          steps,
          planItems: new Set<string>(),
          system: 'metric' as const,
          nowMs: Date.parse(AT),
          confirmedSafe: false,
          author: new Set(['Mara']),
          typed: typedIn(entries),
          added: additionsIn(entries),
          decidedRoutes: new Set<string>(),
          settings: [],
          readings: new Map<string, string>(),
        }
        if (refuseEntry(body, context) !== null) return
        entries.push({ id: uuid(n + 1), by: 'Mara', at: AT, body })
        taken += 1
      })
      const book = bookSchema.parse(bookOfJob(issued, entries, 'metric', facts))
      expect(faultsOf(book)).toEqual([])
      const record = recordOf(book, entries)
      const results = evaluate(record)
      const speaker = speakerOf(book, 'metric')
      // Each part is judged, and where it holds somebody is told what settles it.
      expect(results.parts.map(({ id }) => id)).toEqual(book.parts.map(({ id }) => id))
      for (const { verdict, votes } of results.parts)
        if (verdict === 'hold')
          expect(votes.some((vote) => vote.settledBy !== null && (settledBy(speaker, vote) ?? '') !== '')).toBe(true)
      // A step that waits waits for one that can be done now; one that may not be skipped is never closed for good.
      const steps = jobSteps(book, foldNotes(book, entries), levelsInPlay(results.scope))
      for (const step of steps)
        if (step.closedBy !== null) {
          const gate = steps.find(({ name, closedBy }) => name === step.closedBy && closedBy === null)
          expect(gate && mustNotBeSkipped(gate)).toBe(true)
        }
      // And the order of work names where it goes on.
      const standings = orderOfWork(jobProgress(record, results, new Set(), false))
      expect(standings.some(({ state }) => state === 'now')).toBe(true)
    }),
    { seed: 20261128, numRuns: 120 },
  )
  expect(taken).toBeGreaterThan(150)
})
