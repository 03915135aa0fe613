import type { LimitBook } from '../book/bookSchema'
import { kindOf as findingKindOf } from '../condition/findingKinds'
import type { WorkState } from './state'

/** Names of what notes speak of, as people call it. */
export interface NoteNames {
  readonly book: LimitBook
  planLine(id: string): string
  step(id: string): string
  position(id: string): string
  part(id: string): string
  characteristic(id: string): string
  finding(id: string): string
  temporary(id: string): string
}

type Named = { readonly id: string; readonly name: string }
const nameIn = (items: readonly Named[], id: string): string => items.find((item) => item.id === id)?.name ?? id

/** The names of a job: of its book, and of what was added in it. */
export function namesOf(book: LimitBook, work: WorkState): NoteNames {
  const part = (id: string): string => nameIn(book.parts, id)
  return {
    book,
    planLine: (id) =>
      nameIn(
        book.levels.flatMap(({ needs }) => [needs.gauges, needs.tools, needs.consumables, needs.safety, needs.people].flat()),
        id,
      ),
    step: (id) => nameIn(work.steps, id),
    position: (id) => nameIn(work.positions, id),
    part,
    characteristic: (id) => nameIn(book.characteristics, id),
    finding: (id) => {
      const found = work.findings.find((candidate) => candidate.id === id)
      return found ? `${findingKindOf(found.kind).label} on ${part(found.part)}` : id
    },
    temporary: (id) => nameIn(work.temporaries, id),
  }
}

/** What stands in brackets behind, where there is anything. */
export const inBrackets = (text: string): string => (text === '' ? '' : ` (${text})`)
