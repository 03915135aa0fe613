import { describe, expect, it } from 'vitest'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { OutboxItem } from '../outbox'
import { broughtUp, counting, type Delivery, type LocalReading, showable, withStored } from './localReadings'

const reading = (id: string): Reading => ({ id, text: id }) as unknown as Reading
const shown = (id: string, kind: 'queued' | 'stored' | 'refused' = 'queued'): LocalReading => ({
  reading: reading(id),
  delivery: (kind === 'refused' ? { kind, status: 409, message: 'read already' } : { kind }) as Delivery,
})
const kept = (id: string, sent?: number): OutboxItem =>
  ({ id, reading: reading(id), ...(sent === undefined ? {} : { sent }) }) as unknown as OutboxItem
const said = (items: readonly LocalReading[]): string =>
  items.map(({ reading: { id }, delivery }) => `${id} ${delivery.kind}`).join(', ')

describe('what a tab shows of the readings kept on its device', () => {
  const cases: readonly [what: string, local: LocalReading[], inStore: OutboxItem[], seen: string[], after: string][] = [
    [
      'another tab accepted: shown in the order of acceptance',
      [shown('b')],
      [kept('a'), kept('b'), kept('c')],
      ['b'],
      'a queued, b queued, c queued',
    ],
    ['another tab sent it', [shown('a'), shown('b')], [kept('a', 5), kept('b')], ['a', 'b'], 'a stored, b queued'],
    ['another tab dropped it', [shown('a'), shown('b', 'refused')], [kept('a')], ['a', 'b'], 'a queued'],
    ['accepted here, not in the store yet', [shown('a')], [], [], 'a queued'],
    ['a refusal stays until it is answered', [shown('a', 'refused')], [kept('a')], ['a'], 'a refused'],
    ['refused here, taken for another tab after all', [shown('a', 'refused')], [kept('a', 5)], ['a'], 'a stored'],
    ['stored long ago and forgotten', [shown('a', 'stored')], [], ['a'], 'a stored'],
  ]
  it.each(cases)('%s', (_what, local, inStore, seen, after) => {
    expect(said(broughtUp(local, inStore, new Set(seen)))).toBe(after)
  })

  it('is the same list when nothing changed, so that nothing is drawn again', () => {
    const local = [shown('a'), shown('b', 'stored')]
    expect(broughtUp(local, [kept('a'), kept('b', 5)], new Set(['a', 'b']))).toBe(local)
  })
})

describe('readings that arrive from elsewhere', () => {
  it.each([
    ['new here', [shown('b')], 'a stored, b queued'],
    ['this device sent it, and the answer was lost', [shown('a'), shown('b')], 'a stored, b queued'],
    ['known already', [shown('a', 'stored'), shown('b')], 'a stored, b queued'],
  ] as const)('%s', (_what, local, after) => {
    expect(said(withStored(local, [reading('a')]))).toBe(after)
  })

  it('many at once are taken in one go, and nothing is drawn again for what is known', () => {
    const local = [shown('b', 'stored'), shown('d')]
    expect(said(withStored(local, ['c', 'b', 'a'].map(reading)))).toBe('a stored, b stored, c stored, d queued')
    expect(withStored(local, [reading('b')])).toBe(local)
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
