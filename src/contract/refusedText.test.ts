import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { EntryBody } from '../core/notes/entrySchema'
import { refusedText } from './refusedText'

test('whatever was typed in a note can be read again', () => {
  fc.assert(
    fc.property(fc.stringMatching(/^[a-z ]{3,40}$/), fc.stringMatching(/^[a-z ]{3,40}$/), (name, text) => {
      const body: EntryBody = { kind: 'stepAdded', step: 's-1', phase: 'strip', name, text, after: null }
      const said = refusedText(body, `Step added: ${name}`)
      expect(said).toContain(name)
      if (text.trim() !== '') expect(said).toContain(text)
    }),
  )
})
