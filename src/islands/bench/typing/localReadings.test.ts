import { describe, expect, it } from 'vitest'
import type { InspectionRecord, Reading } from '../../../core/record/recordSchema'
import { counting, type Delivery, heardWith, type LocalReading, showable, withHeard } from './localReadings'

const reading = (id: string): Reading => ({ id, text: id }) as unknown as Reading
const shown = (id: string, kind: 'queued' | 'stored' | 'refused' = 'queued'): LocalReading => ({
  reading: reading(id),
  delivery: (kind === 'refused' ? { kind, status: 409, message: 'read already' } : { kind }) as Delivery,
})
const said = (items: readonly LocalReading[]): string =>
  items.map(({ reading: { id }, delivery }) => `${id} ${delivery.kind}`).join(', ')

describe('readings that arrive from elsewhere', () => {
  it.each([
    ['new here', [shown('b')], 'a stored, b queued'],
    ['this device sent it, and the answer was lost', [shown('a'), shown('b')], 'a stored, b queued'],
    ['refused for want of an answer, stored all the same', [shown('a', 'refused'), shown('b')], 'a stored, b queued'],
    ['known already', [shown('a', 'stored'), shown('b')], 'a stored, b queued'],
  ] as const)('%s', (_what, local, after) => {
    expect(said(withHeard(local, [reading('a')]))).toBe(after)
  })

  it('many at once are put in the order of acceptance, and nothing is drawn again while nothing is heard', () => {
    const local = [shown('b', 'stored'), shown('d')]
    expect(said(withHeard(local, ['c', 'b', 'a'].map(reading)))).toBe('a stored, b stored, c stored, d queued')
    expect(withHeard(local, [])).toBe(local)
  })

  it('what is heard again is heard once', () => {
    const before = [reading('a'), reading('b')]
    expect(heardWith(before, [reading('b')])).toBe(before)
    expect(heardWith(before, [reading('b'), reading('c')]).map(({ id }) => id)).toEqual(['a', 'b', 'c'])
  })

  const at = (
    id: string,
    kind: 'queued' | 'stored' | 'refused',
    station: string,
    supersedes: string | null = null,
  ): LocalReading => {
    const place = { characteristic: 'c', stage: 'asFound', station, direction: '-', repeat: 1, supersedes }
    return { ...shown(id, kind), reading: { ...reading(id), ...place } as Reading }
  }
  it.each<[what: string, local: LocalReading[], count: string]>([
    ['both at their own place', [at('a', 'queued', '1'), at('b', 'stored', '2')], 'a b'],
    ['mine waits where theirs stands', [at('a', 'queued', '1'), at('b', 'stored', '1')], 'b'],
    ['mine corrects theirs', [at('b', 'stored', '1'), at('c', 'queued', '1', 'b')], 'b c'],
    ['both correct the same one', [at('a', 'stored', '1'), at('b', 'queued', '1', 'a'), at('c', 'stored', '1', 'a')], 'a c'],
    ['mine, and my correction of it', [at('a', 'queued', '1'), at('b', 'stored', '1'), at('c', 'queued', '1', 'a')], 'b'],
    ['refused, and what corrected it', [at('a', 'refused', '1'), at('c', 'queued', '1', 'a')], ''],
  ])('%s: one reading counts at each place', (_what, local, count) => {
    expect(
      counting(local)
        .map(({ id }) => id)
        .join(' '),
    ).toBe(count)
  })

  it('what needs a gauge or a limit that the page does not know waits for the page', () => {
    const record = { gauges: [{ id: 'g1' }], book: { characteristics: [{ id: 'c' }] } } as unknown as InspectionRecord
    const taken = (id: string, gauge: string | null, characteristic: string): LocalReading => ({
      ...shown(id, 'stored'),
      reading: { ...reading(id), gauge, characteristic } as Reading,
    })
    const local = [taken('a', 'g1', 'c'), taken('b', 'g2', 'c'), taken('c', null, 'c'), taken('d', 'g1', 'typed since')]
    expect(said(showable(record, local))).toBe('a stored, c stored')
    expect(showable(record, local.slice(0, 1))).toEqual(local.slice(0, 1))
  })
})
