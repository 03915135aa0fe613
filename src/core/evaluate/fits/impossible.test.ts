/** Books whose fits, limits, routes or classes cannot be: refused, with everything that is wrong. */
import { describe, expect, test } from 'vitest'
import type { LimitBook } from '../../book/bookSchema'
import { bookFaults } from '../../book/faults'
import { referenceFaults } from '../../book/references'
import { fitSchema } from '../../fit/fitSchema'
import { smallBook } from '../../record/smallMachine.fixture'
import { common, limit, part, route, size, source } from './fits.fixture'

describe('books that cannot be', () => {
  const sizes = [size('a', 'p', 'outsideDiameter', 40), size('w', 'p', 'size', 40)]
  const bookWith = (fit: object, over: object = {}): LimitBook =>
    ({ ...smallBook, parts: [part('p'), part('q')], characteristics: sizes, fits: [fitSchema.parse(fit)], ...over }) as LimitBook
  const seat = (bearing: object, seatOf = 'a') => ({
    ...common('f', [limit('maximum', 'upper', 0.1)], 'p'),
    kind: 'bearingOnShaft',
    seat: seatOf,
    bearing,
  })
  test('a bearing no table has, a seat of another kind, a chain of nothing', () => {
    expect(referenceFaults(bookWith(seat({ boreMm: 9000, tolerance: 'normal' })))).toMatchObject([
      { fault: { code: 'fit', why: { code: 'bearingNotInTable' } } },
    ])
    expect(referenceFaults(bookWith(seat({ boreMm: 40, tolerance: 'normal' }, 'w')))).toMatchObject([
      { fault: { code: 'otherMethod' } },
    ])
    const chain = {
      ...common('f', [limit('maximum', 'upper', 0.1)], 'p'),
      kind: 'chain',
      links: [
        { characteristic: 'w', does: 'opens' },
        { characteristic: 'w', does: 'closes' },
      ],
      stated: [],
    }
    expect(referenceFaults(bookWith(chain))).toMatchObject([{ fault: { code: 'fit', why: { code: 'chainOfNothing' } } }])
  })
  test('limits crossed, sizes of a route swapped, a route that cuts another part: all of them listed', () => {
    const crossed = {
      ...seat({ boreMm: 40, tolerance: 'normal' }),
      limits: [limit('maximum', 'lower', 0.3), limit('maximum', 'upper', 0.1)],
    }
    const swapped = route('r', ['a'], { sizeAfter: { characteristic: 'a', leastMm: 39, greatestMm: 38, cleanUpMm: 0 } })
    const faults = bookFaults(bookWith(crossed, { parts: [part('p'), part('q', { routes: [swapped] })] }))
    expect(faults.map(({ fault }) => fault.code)).toEqual(['limitsCrossed', 'routeSizesSwapped', 'routeToNowhere'])
  })
  test('a class that does not exist, and limits that are not those of their class', () => {
    const named = (cls: string, upper: number) =>
      bookFaults(
        bookWith(seat({ boreMm: 40, tolerance: 'normal' }), {
          characteristics: [{ ...sizes[0], new: { nominal: 40, lower: 40.002, upper, class: cls, source } }, sizes[1]],
        }),
      ).map(({ fault }) => fault.code)
    expect(named('k6', 40.018)).toEqual([])
    expect(named('k6', 40.02)).toEqual(['notItsClass'])
    expect(named('w6', 40.018)).toEqual(['sizeClass'])
  })
  test('a kind nobody knows is refused', () => {
    expect(fitSchema.safeParse({ ...seat({ boreMm: 40, tolerance: 'normal' }), kind: 'wedge' }).success).toBe(false)
    expect(fitSchema.safeParse(seat({ boreMm: 40, tolerance: 'class 0' })).success).toBe(false)
  })
})
