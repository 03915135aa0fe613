/** A book without what is not fitted holds together as before, whatever of it belongs to which type. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { LimitBook } from '../src/core/book/bookSchema'
import { referenceFaults } from '../src/core/book/references'
import { withoutOtherVariants } from '../src/core/book/variants'
import { pastOverhauls } from './pastOverhauls.fixture'

const books = [...new Map(pastOverhauls.map(({ record: { book } }) => [book.id, book])).values()]
const options = [
  { id: 'a', name: 'Type A' },
  { id: 'b', name: 'Type B' },
]

test.each(books.map((book) => [book.id, book] as const))('%s', (_id, book) => {
  const draw = (count: number) => fc.array(fc.constantFrom('a', 'b', null, null), { minLength: count, maxLength: count })
  const only = (option: string | null | undefined) => (option ? { only: { variant: 'type', options: [option] } } : {})
  fc.assert(
    fc.property(draw(book.parts.length), draw(book.characteristics.length), draw(book.fits.length), (parts, sizes, fits) => {
      const whole = {
        ...book,
        // A draft may be left with nothing; an issued book is asked for one part at least.
        issued: null,
        variants: [...(book.variants ?? []), { id: 'type', name: 'Type', options }],
        parts: book.parts.map((part, at) => ({ ...part, ...only(parts[at]) })),
        characteristics: book.characteristics.map((one, at) => ({ ...one, ...only(sizes[at]) })),
        fits: book.fits.map((fit, at) => ({ ...fit, ...only(fits[at]) })),
      } as LimitBook
      const fitted = withoutOtherVariants(whole, new Map([['type', 'a']]))
      // A gate that nothing decides any more is gone; what it measured may be too.
      expect(referenceFaults(fitted)).toEqual([])
      expect(withoutOtherVariants(fitted, new Map([['type', 'a']]))).toEqual(fitted)
    }),
    { numRuns: 60 },
  )
})
