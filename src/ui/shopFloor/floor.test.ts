/** Where a row of the shop floor leads, and what it says of days and names. */
import { expect, test } from 'vitest'
import type { FloorJob, FloorMachine } from '../../contract/answers'
import { type Step, steps } from '../../core/job/orderOfWork'
import { endedOn, goTo, isLate, openOn, shortName } from './floor'

const job = (over: Partial<FloorJob>): FloorJob =>
  ({ id: 'j', state: 'open', step: 'measure', returnBy: null, ...over }) as FloorJob

test('a job is late after its day, not on it, and never without one', () => {
  expect(isLate(job({ returnBy: '2026-11-27' }), '2026-11-27')).toBe(false)
  expect(isLate(job({ returnBy: '2026-11-26' }), '2026-11-27')).toBe(true)
  expect(isLate(job({ returnBy: null }), '2026-11-27')).toBe(false)
})

test('an open job leads to the page of its step, one with the reviewer to its report', () => {
  for (const step of steps) expect(goTo(job({ step })), step).toMatch(/^\/jobs\/j(\/[a-z-]+)?$/)
  expect(goTo(job({ step: 'measure' }))).toBe('/jobs/j/bench')
  expect(goTo(job({ step: 'order' as Step }))).toBe('/jobs/j')
  for (const state of ['waiting', 'returned'] as const) expect(goTo(job({ step: 'measure', state }))).toBe('/jobs/j/report')
})

test('of a machine’s jobs the open one is apart from those that ended, the last of them first', () => {
  const summary = (id: string, state: string) => ({ id, state })
  const machine = {
    jobs: [summary('now', 'open'), summary('last', 'signed'), summary('old', 'imported')],
  } as unknown as FloorMachine
  expect(openOn(machine)?.id).toBe('now')
  expect(endedOn(machine).map(({ id }) => id)).toEqual(['last', 'old'])
  expect(openOn({ ...machine, jobs: machine.jobs.slice(1) })).toBeUndefined()
})

test.each([
  ['Mara Ellwood', 'M. Ellwood'],
  ['Ada', 'Ada'],
  ['Øystein van der Berg', 'Ø. van der Berg'],
])('%s stands in a column as %s', (full, short) => {
  expect(shortName(full)).toBe(short)
})
