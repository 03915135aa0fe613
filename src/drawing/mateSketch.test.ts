import { expect, test } from 'vitest'
import type { FitSpec } from '../core/fit/kinds'
import { describeMate, mateSketch } from './mateSketch'

const mate = (kind: FitSpec['kind']): FitSpec => ({ kind, showTo: 0.01 }) as FitSpec
const textsOf = (kind: FitSpec['kind'], tightestMm: number | null, growthMm?: number): string[] =>
  (
    mateSketch(
      mate(kind),
      { tightestMm, loosestMm: tightestMm, notes: growthMm === undefined ? [] : [{ code: 'growth', growthMm }] },
      'metric',
    )?.shapes ?? []
  ).flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []))

test.each<[FitSpec['kind'], number | null, number | undefined, string[]]>([
  ['float', 0.65, 0.087, ['held', 'free', 'both sides together 0.65', 'shaft grows 0.09 further']],
  ['float', 0.65, -0.087, ['held', 'free', 'both sides together 0.65', 'housing grows 0.09 further']],
  ['float', null, undefined, ['held', 'free']],
  ['keyInKeyway', 0.06, undefined, ['key', 'keyway', 'play on one flank 0.06']],
  // A key that is pressed in has no play to draw.
  ['keyInKeyway', -0.02, undefined, ['key', 'keyway', 'tight: −0.02 … −0.02']],
  ['keyInKeyway', null, undefined, ['key', 'keyway']],
])('%s of %s mm, growth %s mm: %j', (kind, clearance, growth, said) => {
  expect(textsOf(kind, clearance, growth)).toEqual(said)
})

test('a kind whose bands say enough has no sketch, and what is not known is said as such', () => {
  const mated = { tightestMm: null, loosestMm: null, notes: [] }
  expect(mateSketch(mate('shaftInBore'), mated, 'inch')).toBeNull()
  expect(describeMate(mate('float'), mated, 'inch')).toMatch(/– to –$/)
})
