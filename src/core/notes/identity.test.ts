import { expect, test } from 'vitest'
import { identityWords } from '../words/identity'
import { identityOf, parseThreadPitch } from './identity'
import type { IdentitySizes } from './shapes'

const thread = (diameter: string, pitch: string, flank: 60 | 55 | null = null): IdentitySizes => ({
  kind: 'thread',
  diameter,
  pitch,
  flank,
})
const bearing = (bore: string, outside: string, width: string, marking?: string): IdentitySizes => ({
  kind: 'bearing',
  bore,
  outside,
  width,
  ...(marking === undefined ? {} : { marking }),
})

test.each<[sizes: IdentitySizes, system: 'metric' | 'inch', matches: boolean, line: RegExp]>([
  [bearing('40', '80', '18'), 'metric', true, /^6208 \(.+\), 40 × 80 × 18 mm$/],
  // The same bearing measured on an inch machine.
  [bearing('1.5748', '3.1496', '0.7087'), 'inch', true, /^6208 /],
  [bearing('40 mm', '80 mm', '18 mm'), 'inch', true, /^6208 /],
  // Sizes alone identify nothing; with its marking it is one bearing, or another.
  [bearing('40', '80', '18'), 'metric', true, /^By its sizes alone it is not identified/m],
  [bearing('40', '80', '18', '6208-2RS C3'), 'metric', true, /^Its marking agrees with its sizes/m],
  [bearing('40', '80', '18', 'NU 208 E'), 'metric', true, /^Its marking agrees with its sizes/m],
  [bearing('40', '80', '18', '62080'), 'metric', false, /^Its marking names none of these/m],
  [bearing('40', '80', '18', 'NJ 208'), 'metric', true, /^Its marking agrees with its sizes/m],
  [bearing('40', '80', '18', 'NNU 208'), 'metric', false, /^Its marking names none of these/m],
  [bearing('40', '80', '18', 'Works 6208 C3'), 'metric', true, /^Its marking agrees with its sizes/m],
  [bearing('40', '80', '19.75', '30208'), 'metric', true, /^Its marking agrees with its sizes/m],
  [
    bearing('40', '80', '16'),
    'metric',
    false,
    /nearest 40 × 80 × 18 mm \(6208\); yours is off by 0\.00 bore, 0\.00 outside, [-−]2\.00 width mm/,
  ],
  [{ kind: 'seal', shaft: '60', outside: '80', width: '10' }, 'metric', true, /^lip seal 60 × 80 mm/],
  [{ kind: 'seal', shaft: '61', outside: '83', width: '10' }, 'metric', false, /^No standard size: nearest \d+ × \d+ mm$/],
  [thread('23.8', '3'), 'metric', true, /^M24 /],
  [thread('0.496', '13 tpi'), 'inch', true, /^1\/2"-13 UNC \(.+, 60°\)$/],
  [thread('23.8', '2.9'), 'metric', false, /^No standard size: nearest M24, Ø 24\.00 mm, pitch 3\.000 mm$/],
])('%o on a %s machine', (sizes, system, matches, line) => {
  const found = identityOf(sizes, system)
  const words = found && identityWords(found, system)
  expect(words?.matches).toBe(matches)
  expect(
    words?.lines.some((text) => line.test(text)),
    words?.lines.join('\n'),
  ).toBe(true)
})

test.each<[sizes: IdentitySizes]>([
  [bearing('40', '80', '')],
  [bearing('0', '80', '18')],
  [{ kind: 'seal', shaft: 'about 60', outside: '80', width: '10' }],
  [thread('', '3')],
  [thread('23.8', 'fine')],
])('nothing is said while a size cannot be read: %o', (sizes) => {
  expect(identityOf(sizes, 'metric')).toBeNull()
})

test.each([
  ['12 tpi', 'in', 25.4 / 12],
  ['3', 'mm', 3],
  ['0.1', 'in', 2.54],
  ['1,5', 'mm', 1.5],
])('a pitch typed as %s in %s', (text, unit, mm) => {
  expect(parseThreadPitch(text, unit)).toEqual({ ok: true, value: expect.closeTo(mm, 9) })
})
test.each(['', 'coarse', '0', '-1', '0 tpi'])('no pitch: “%s”', (text) => {
  expect(parseThreadPitch(text, 'mm').ok).toBe(false)
})
