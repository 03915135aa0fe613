/** A plate whose float is set by shims, and the shaft that it rests on: for tests of what is set. */
import { NO_PLACE } from '../method/slot'
import type { EntryBody } from '../notes/entrySchema'
import type { SettingSpec } from '../setting/setting'
import type { InspectionRecord, Reading } from './recordSchema'
import { smallBook, smallReading, smallRecord } from './smallMachine.fixture'
import type { Stage } from './stage'

const source = { document: 'D1', page: '3' }
export const SHIMS: SettingSpec = { is: 'setting', by: 'shims', chain: ['plate', 'shaft'] }

export interface Given {
  readonly setting?: SettingSpec
  /** The float, twice. */
  readonly float?: number
  readonly left?: number
  /** Journal of the shaft that the float rests on. */
  readonly journal?: number | null
  /** Shims in the stack: one or none are left. */
  readonly stack?: number
  readonly looked?: readonly string[]
  readonly whenPassed?: 'mend' | 'replace'
}

const PAGES = { plan: null, instruction: '', source } as const

export function shimmed(given: Given): InspectionRecord {
  const { setting = SHIMS, float = 0.45, left, journal = 39.95, stack, looked = ['plate', 'shaft'], whenPassed = 'mend' } = given
  const [shaft] = smallBook.parts
  if (!shaft) throw new Error('the small machine has a shaft')
  const book = {
    ...smallBook,
    parts: [shaft, { ...shaft, id: 'plate', name: 'Plate' }],
    characteristics: smallBook.characteristics.flatMap((one): object[] => {
      if (one.id === 'turns') return []
      if (one.id !== 'float') return [one]
      const limits = [
        { ...PAGES, id: 'most', judges: 'mean' as const, side: 'upper' as const, wear: 0.3, whenPassed },
        { ...PAGES, id: 'least', judges: 'mean' as const, side: 'lower' as const, wear: 0.1, whenPassed },
      ]
      const stackLimit = {
        ...PAGES,
        id: 'some',
        judges: 'mean' as const,
        side: 'lower' as const,
        wear: 1,
        whenPassed: 'mend' as const,
      }
      return [
        { ...one, part: 'plate', setting, limits },
        { ...one, id: 'stack', name: 'Shims left', part: 'plate', limits: stack === undefined ? [] : [stackLimit] },
      ]
    }),
  }
  let made = 0
  const read = (id: string, stations: readonly string[], value: number, stage: Stage): Reading[] =>
    stations.map((station, index) => {
      const slot =
        id === 'journal' ? { station, direction: '1', repeat: 1 } : { station: NO_PLACE, direction: NO_PLACE, repeat: index + 1 }
      made += 1
      // What tells of the stack is read as the float is.
      return smallReading(
        made,
        id === 'stack' ? 'float' : id,
        slot,
        String(value),
        { characteristic: id, gauge: id === 'journal' ? 'mic' : 'dial' },
        stage,
      )
    })
  const readings = [
    ...read('float', ['-', '-'], float, 'asFound'),
    ...(journal === null ? [] : read('journal', ['A', 'B'], journal, 'asFound')),
    ...(stack === undefined ? [] : read('stack', ['-', '-'], stack, 'asFound')),
    ...(left === undefined ? [] : read('float', ['-', '-'], left, 'asLeft')),
  ]
  const notes: EntryBody[] = looked.map((part) => ({ kind: 'inspected', part, note: '' }))
  const record = smallRecord()
  return {
    ...record,
    book: book as unknown as InspectionRecord['book'],
    job: {
      ...record.job,
      readings,
      entries: notes.map((body, index) => ({
        id: `01990000-0000-7000-8000-00000000000${index}`,
        by: 'M',
        at: '2026-06-01T08:00:00Z',
        body,
      })),
    },
  }
}
