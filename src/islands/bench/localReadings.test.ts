import { describe, expect, it } from 'vitest'
import type { Reading } from '../../core/record/recordSchema'
import type { OutboxItem } from '../outbox'
import { broughtUp, type Delivery, type LocalReading } from './localReadings'

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
