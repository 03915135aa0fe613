import { assert, jsonValue, property, string } from 'fast-check'
import { expect, test } from 'vitest'
import type { JobView } from '../../contract/answers'
import { handedText } from './handedText'

test('what is handed over ends no script and comes back as it was', () => {
  assert(
    property(jsonValue(), string(), (value, title) => {
      const record = { value, note: `</script><!--<script>${title}` }
      const view = { title, record, may: { note: true } } as unknown as JobView
      const text = handedText(view)
      expect(text).not.toContain('<')
      expect(JSON.stringify(JSON.parse(text))).toBe(JSON.stringify({ record, title, may: { note: true } }))
      expect(handedText(view)).toBe(text)
    }),
    { seed: 3, numRuns: 300 },
  )
})
