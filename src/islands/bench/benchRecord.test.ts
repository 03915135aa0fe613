import { expect, test } from 'vitest'
import type { Reading } from '../../core/record/recordSchema'
import { lastToUndo, latestOf } from './benchRecord'

const reading = (id: string, by: string, minute: number, over: Partial<Reading> = {}): Reading =>
  ({ id, by, kind: 'point', takenAt: `2026-11-26T08:0${minute}:00Z`, supersedes: null, ...over }) as Reading
const mine = [reading('a', 'Mara', 1), reading('b', 'Mara', 2)]

test.each<[what: string, history: Reading[], last: string | undefined]>([
  ['nothing read', [], undefined],
  ['the last one of two', mine, 'b'],
  ['not what somebody else read since', [...mine, reading('c', 'Lena', 3)], 'b'],
  ['only others have read', [reading('c', 'Lena', 3)], undefined],
  ['undone once, the one before', [...mine, reading('w', 'Mara', 3, { kind: 'withdrawn', supersedes: 'b' })], 'a'],
  [
    'undone and read again',
    [...mine, reading('w', 'Mara', 3, { kind: 'withdrawn', supersedes: 'b' }), reading('d', 'Mara', 4, { supersedes: 'w' })],
    'd',
  ],
  ['corrected by me', [...mine, reading('d', 'Mara', 3, { supersedes: 'a' })], 'd'],
  // It stands no more, which the bench says; the one before is not meant.
  ['corrected by somebody else', [...mine, reading('c', 'Lena', 3, { supersedes: 'b' })], 'b'],
  ['a place that cannot be measured', [...mine, reading('x', 'Mara', 3, { kind: 'cannot' })], 'x'],
])('what undoing means: %s', (_what, history, last) => {
  expect(lastToUndo(history, 'Mara')?.id).toBe(last)
})

test('of two taken at the same time the later in the list', () => {
  expect(latestOf([reading('a', 'Mara', 1), reading('b', 'Mara', 1)])?.id).toBe('b')
})
