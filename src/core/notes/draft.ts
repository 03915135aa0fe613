import type { LimitBook } from '../book/bookSchema'
import type { BookPosition } from '../book/procedureSchema'
import type { Finding, Noted, NotedPosition, NotedStep, NotesState, Picture, StepStandingNow, Temporary } from './state'

type Mutable<T> = { -readonly [K in keyof T]: T[K] }
type Items<M> = M extends ReadonlyMap<string, infer V> ? Map<string, V> : never

/** Where a job stands while its entries are gone through: each kind of note changes its own part of it. */
export class NotesDraft {
  readonly plan: Items<NotesState['plan']> = new Map()
  readonly steps: Mutable<NotedStep>[]
  readonly positions: Map<string, Mutable<NotedPosition>>
  private readonly trays = new Map<string, string[]>()
  readonly joints: Items<NotesState['joints']> = new Map()
  readonly temporaries = new Map<string, Mutable<Temporary>>()
  readonly inspected: Items<NotesState['inspected']> = new Map()
  readonly findings = new Map<string, Mutable<Finding>>()
  readonly patterns: Items<NotesState['patterns']> = new Map()
  readonly handTests: Items<NotesState['handTests']> = new Map()
  readonly planned: Items<NotesState['planned']> = new Map()
  readonly pictures = new Map<string, Mutable<Picture>>()
  readonly variants: Items<NotesState['variants']> = new Map()
  readonly sides: Items<NotesState['sides']> = new Map()
  readonly readingNotes: Items<NotesState['readingNotes']> = new Map()
  readonly complaint: Mutable<NotesState['complaint']> = { explained: null, gone: null }

  constructor(book: LimitBook) {
    this.steps = book.procedure.map((step) => ({ book: step, ...freshStep(step) }))
    this.positions = new Map(book.positions.map((position) => [position.id, freshPosition(position, position)]))
  }

  step(id: string): Mutable<NotedStep> | undefined {
    return this.steps.find((candidate) => candidate.id === id)
  }
  /** A step stands as somebody said it does. */
  stand(id: string, standing: StepStandingNow): void {
    const step = this.step(id)
    if (step) step.standing = standing
  }
  position(id: string): Mutable<NotedPosition> | undefined {
    return this.positions.get(id)
  }
  /** Lays a position in a tray after another one there; first when that is null, last when it is not there. */
  layOut(position: string, tray: string, after: string | null): void {
    this.takeOutOfTray(position)
    const list = this.trays.get(tray) ?? []
    const at = after === null ? 0 : list.indexOf(after) + 1
    list.splice(after !== null && at === 0 ? list.length : at, 0, position)
    this.trays.set(tray, list)
  }
  takeOutOfTray(position: string): void {
    for (const [name, list] of this.trays) {
      const kept = list.filter((id) => id !== position)
      if (kept.length === list.length) continue
      if (kept.length === 0) this.trays.delete(name)
      else this.trays.set(name, kept)
    }
  }

  done(): NotesState {
    const { plan, steps, joints, inspected, patterns, handTests, planned, variants, sides, readingNotes, complaint } = this
    return {
      plan,
      steps,
      positions: [...this.positions.values()],
      trays: [...this.trays].map(([name, positions]) => ({ name, positions })),
      joints,
      temporaries: [...this.temporaries.values()],
      inspected,
      findings: [...this.findings.values()],
      patterns,
      handTests,
      planned,
      pictures: [...this.pictures.values()],
      variants,
      sides,
      readingNotes,
      complaint,
    }
  }
}

/** A step that nobody has touched. */
export const freshStep = ({ id, phase, name, text }: Pick<NotedStep, 'id' | 'phase' | 'name' | 'text'>) => ({
  id,
  phase,
  name,
  text,
  standing: { kind: 'open', reopened: null } as StepStandingNow,
  waitFrom: null as Noted | null,
})

/** A position of which nothing is noted. */
export const freshPosition = (
  { id, name, parent, count }: Pick<NotedPosition, 'id' | 'name' | 'parent' | 'count'>,
  book: BookPosition | null,
): Mutable<NotedPosition> => ({ book, id, name, parent, count, tag: null, tray: null, thickness: null, identity: null })

/** Puts an item after another one; first when that is null, last when it is not there. */
export function insertAfter<T extends { readonly id: string }>(items: T[], item: T, after: string | null): void {
  const at = after === null ? -1 : items.findIndex(({ id }) => id === after)
  items.splice(after !== null && at < 0 ? items.length : at + 1, 0, item)
}
