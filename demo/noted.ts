/** Entries as people would note them, for tests of the core. */
import type { Entry, EntryBody } from '../src/core/notes/entrySchema'

export const FINDING = '01990000-0000-7000-8000-0000000000f1'

let made = 0
export const entry = (body: EntryBody, at = '2026-11-24T12:00:00.000Z', by = 'Mara Ellwood'): Entry => {
  made += 1
  return { id: `01990000-0000-7000-8000-${String(made).padStart(12, '0')}`, by, at, body }
}

export const finding = (over: Partial<Extract<EntryBody, { kind: 'findingRecorded' }>['value']> = {}): EntryBody => ({
  kind: 'findingRecorded',
  finding: FINDING,
  value: {
    part: 'shell',
    kind: 'scoring',
    severity: 'marked',
    since: 'service',
    station: null,
    clock: null,
    extent: '',
    note: '',
    ...over,
  },
})
