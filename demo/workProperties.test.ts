/** Whatever people note, in whatever order: what is accepted leaves a job in a state that can be. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cycleIn } from '../src/core/base/cyclic'
import { refuseEntry } from '../src/core/notes/checkEntry'
import type { EntryBody } from '../src/core/notes/entrySchema'
import { jobSteps, placesFor, reopenedWith } from '../src/core/notes/steps'
import { stripFaults } from '../src/core/notes/stripFaults'
import { CHECK, contextOf, done, quillmere, SAFE, tag } from './workContext.fixture'

const own = ['own-1', 'own-2']
const positions = ['gb', 'gb-cap', 'gb-dowels', 'gb-guard', 'gb-shell-upper', 'gb-shell-lower', ...own, 'no-such-part']
const stepIds = ['ms-intake', 'ms-governor', 'ms-try', 'af-float', 'af-oil', 'st-guard', 'st-cap', ...own, 'no-such-step']
const position = fc.constantFrom(...positions)
const step = fc.constantFrom(...stepIds)
const tray = fc.constantFrom('Tray 1', 'Tray 2', 'Window sill')
const temporary = fc.constantFrom('tmp-caps', 'tmp-strip')
const count = fc.integer({ min: 1, max: 4 })
const orNull = <T>(of: fc.Arbitrary<T>): fc.Arbitrary<T | null> => fc.option(of, { nil: null })

const body: fc.Arbitrary<EntryBody> = fc.oneof(
  fc.record({ kind: fc.constant('laidOut' as const), position, tray, after: orNull(position) }),
  fc.record({ kind: fc.constant('laidOut' as const), position, tray, after: orNull(position) }),
  fc.record({ kind: fc.constant('putBack' as const), position }),
  fc.record({
    kind: fc.constant('tagWritten' as const),
    position,
    tag: fc.record({
      number: fc.constantFrom('', '1', '2', '2 '),
      face: fc.constant(''),
      clock: fc.constant(null),
      matchMark: fc.constant(''),
      keptWith: fc.array(position, { maxLength: 2 }),
      count,
      note: fc.constant(''),
    }),
  }),
  fc.record({
    kind: fc.constant('positionAdded' as const),
    position: fc.constantFrom(...own, 'gb-cap'),
    name: fc.constantFrom('Spacer', 'Wedge'),
    parent: orNull(position),
    count,
  }),
  fc.record({ kind: fc.constant('positionMoved' as const), position, parent: orNull(position) }),
  fc.record({
    kind: fc.constant('putIn' as const),
    temporary,
    name: fc.constantFrom('Pipe cap', 'Strip'),
    where: fc.constant(''),
    count,
  }),
  fc.record({ kind: fc.constant('takenOut' as const), temporary, count }),
  step.map((id) => done(id)),
  fc.record({ kind: fc.constant('waitStarted' as const), step }),
  fc.record({ kind: fc.constant('stepSkipped' as const), step, reason: fc.constant('no tool') }),
  fc.record({ kind: fc.constant('stepReopened' as const), step, reason: fc.constant('not sure') }),
  fc.record({
    kind: fc.constant('stepAdded' as const),
    step: fc.constantFrom(...own, 'af-oil'),
    phase: fc.constantFrom('makeSafe' as const, 'asFound' as const, 'strip' as const),
    name: fc.constant('Look behind the cover'),
    text: fc.constant(''),
    after: orNull(step),
  }),
  fc.record({ kind: fc.constant('stepMoved' as const), step, after: orNull(step) }),
)

/** Those that the job takes, one after the other, as the server does. */
function taken(bodies: readonly EntryBody[], first: readonly EntryBody[]): EntryBody[] {
  const kept = [...first]
  for (const one of bodies) if (refuseEntry(one, contextOf(kept)) === null) kept.push(one)
  return kept
}

const jobs = fc.tuple(fc.constantFrom<readonly EntryBody[]>([], SAFE), fc.array(body, { minLength: 5, maxLength: 40 }))
const everyJob = (holds: (bodies: readonly EntryBody[]) => void): void =>
  fc.assert(
    fc.property(jobs, ([first, bodies]) => holds(taken(bodies, first))),
    { numRuns: 60 },
  )

describe('whatever is noted', () => {
  test('each part lies in the tray it says and in no other, once; no tray is empty', () => {
    everyJob((bodies) => {
      const { noted } = contextOf(bodies)
      const lying = noted.trays.flatMap(({ name, positions }) => positions.map((id) => [id, name] as const))
      expect(new Map(lying).size).toBe(lying.length)
      expect(new Map(lying)).toEqual(new Map(noted.positions.flatMap(({ id, tray }) => (tray === null ? [] : [[id, tray]]))))
      expect(noted.trays.every(({ positions }) => positions.length > 0)).toBe(true)
    })
  })

  test('no position is lost, doubled or inside itself', () => {
    everyJob((bodies) => {
      const { positions } = contextOf(bodies).noted
      const ids = positions.map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      expect(ids).toEqual(expect.arrayContaining(quillmere.positions.map(({ id }) => id)))
      expect(cycleIn(positions)).toBeNull()
      expect(positions.every(({ parent }) => parent === null || ids.includes(parent))).toBe(true)
    })
  })

  test('nothing comes out that did not go in', () => {
    everyJob((bodies) => {
      const sum = (kind: 'putIn' | 'takenOut', id: string): number =>
        bodies.reduce((total, one) => total + (one.kind === kind && one.temporary === id ? one.count : 0), 0)
      for (const { id, inside } of contextOf(bodies).noted.temporaries) {
        expect(inside).toBe(sum('putIn', id) - sum('takenOut', id))
        expect(inside).toBeGreaterThanOrEqual(0)
      }
    })
  })

  test('nothing is taken out of a machine that was not made safe', () => {
    everyJob((bodies) => {
      bodies.forEach((one, index) => {
        if (one.kind !== 'laidOut') return
        const { steps } = contextOf(bodies.slice(0, index))
        expect(
          steps.filter(({ holdPoint, phase }) => holdPoint && phase === 'makeSafe').map(({ standing }) => standing.kind),
        ).not.toContain('open')
      })
    })
  })

  test('a step is done only behind gates that are done, and gates keep their order and their steps', () => {
    const gatesOf = (bodies: readonly EntryBody[]) => {
      const { steps } = contextOf(bodies)
      return steps.flatMap(({ id, holdPoint, book }, index) =>
        holdPoint ? [[id, steps.slice(0, index).filter((step) => step.book !== null).length, book?.phase]] : [],
      )
    }
    const fresh = gatesOf([])
    everyJob((bodies) => {
      expect(gatesOf(bodies)).toEqual(fresh)
      bodies.forEach((one, index) => {
        if (one.kind !== 'stepDone') return
        expect(contextOf(bodies.slice(0, index)).steps.find(({ id }) => id === one.step)?.closedBy).toBeNull()
      })
      const { steps } = contextOf(bodies)
      for (const gate of steps.filter(({ holdPoint, standing }) => holdPoint && standing.kind === 'open'))
        expect(reopenedWith(steps, gate)).toEqual([])
    })
  })

  test('wherever a step may be put, it can be put, and lands there', () => {
    everyJob((bodies) => {
      const context = contextOf(bodies)
      for (const { id } of context.steps.filter(({ phase }) => phase === 'asFound'))
        for (const after of placesFor(context.steps, id)) {
          const moved: EntryBody = { kind: 'stepMoved', step: id, after }
          expect(refuseEntry(moved, context)).toBeNull()
          const { noted } = contextOf([...bodies, moved])
          const phase = jobSteps(quillmere, noted, CHECK).filter((step) => step.phase === 'asFound')
          const at = phase.findIndex((step) => step.id === id)
          expect(phase[at - 1]?.id ?? null).toBe(after)
        }
    })
  })

  test('two parts out under one number are always said, and nothing is said of one alone', () => {
    everyJob((bodies) => {
      const { noted, steps } = contextOf(bodies)
      const numbers = noted.positions
        .flatMap(({ tag: own, tray }) => (tray !== null && own ? [own.number.trim()] : []))
        .filter(Boolean)
      const said = stripFaults(quillmere, noted, steps).filter(({ code }) => code === 'sameNumber').length
      expect(said).toBe(numbers.filter((one) => numbers.filter((other) => other === one).length > 1).length)
    })
  })
})

test('the same thing noted again changes nothing but who and when', () => {
  const again = (one: EntryBody): EntryBody[] => [one, one]
  const bodies: EntryBody[] = [
    ...SAFE,
    { kind: 'laidOut', position: 'gb-guard', tray: 'Tray 1', after: null },
    { kind: 'laidOut', position: 'gb-cap', tray: 'Tray 1', after: 'gb-guard' },
    { kind: 'tagWritten', position: 'gb-cap', tag },
    { kind: 'stepMoved', step: 'af-oil', after: null },
    { kind: 'positionMoved', position: 'gb-dowels', parent: 'gb-guard' },
  ]
  const trays = contextOf(bodies).noted.trays
  const steps = contextOf(bodies).steps.map(({ id, standing }) => [id, standing.kind])
  const twice = contextOf(bodies.flatMap(again))
  expect(twice.noted.trays).toEqual(trays)
  expect(twice.steps.map(({ id, standing }) => [id, standing.kind])).toEqual(steps)
})
