import { expect, test } from 'vitest'
import type { Limit } from './limit'
import { typedLimits } from './typedLimits'

const by = (name: string, agrees: boolean | null) =>
  ({ typed: { by: name, at: '', check: agrees === null ? null : { by: 'Ben', at: '', agrees, note: 'n' } } }) as unknown as Limit
const issued = {} as Limit

test.each<[string, readonly Limit[], string | null, boolean | null | undefined]>([
  ['nothing', [], null, undefined],
  ['an issued book', [issued, issued], null, undefined],
  ['one that agrees', [issued, by('Ann', true)], 'Ann', true],
  ['one that waits beside one that agrees', [by('Ann', true), by('Cas', null)], 'Cas', null],
  ['one that does not agree beside one that waits', [by('Cas', null), by('Dee', false)], 'Dee', false],
])('of %s', (_, limits, who, agrees) => {
  const found = typedLimits({ limits })
  expect([found?.by ?? null, found === null ? undefined : (found.check?.agrees ?? null)]).toEqual([who, agrees])
})

test('what a job typed is said of all of them', () => {
  expect(typedLimits({ limits: [issued], typed: { by: 'Eve', check: null } })).toEqual({ by: 'Eve', check: null })
})
