import type { LimitBook } from '../../core/book/bookSchema'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { Executor } from '../../db/client'
import { revisionsOf } from '../../db/queries/books'
import { allMachines } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'
import { bookOf } from './issuedBook'

/**
 * A family of limit books: its revisions oldest first, and the machines that are measured against it. A composed machine has
 * a draft for each change, so none of them is read here.
 */
export interface Family {
  readonly id: string
  readonly revisions: readonly Pick<
    Awaited<ReturnType<typeof revisionsOf>>[number],
    'revision' | 'issued' | 'retired' | 'storedAt'
  >[]
  readonly latestIssued: string | null
  /** The draft that was made after it was last issued; null where nothing was begun. */
  readonly draft: string | null
  readonly machines: readonly {
    readonly id: string
    readonly name: string
    readonly station: string
    readonly units: UnitSystem
  }[]
}

export async function familyOf(db: Executor, id: string): Promise<Family | null> {
  const revisions = await revisionsOf(db, id)
  const last = revisions.at(-1)
  if (!last) return null
  return {
    id,
    revisions,
    latestIssued: revisions.findLast(({ issued }) => issued !== null)?.revision ?? null,
    draft: last.issued === null ? last.revision : null,
    machines: (await allMachines(db)).filter(({ bookId }) => bookId === id),
  }
}

/** A family as somebody may see it: a visitor sees the books of their machines, and learns of no others. */
export async function familySeen({ db, user }: Context, id: string, revision: string): Promise<Family> {
  const family = await familyOf(db, id)
  const machines = family?.machines.filter(({ station }) => sees(user, station)) ?? []
  if (!family || (user.role === 'visitor' && machines.length === 0)) throw new Refused('notFound', say.thereNoLimit(id, revision))
  return { ...family, machines }
}

/** The book of a revision that the family has. */
export function bookIn(db: Executor, { id, revisions }: Family, revision: string): Promise<LimitBook> {
  if (!revisions.some((one) => one.revision === revision)) throw new Refused('notFound', say.thereNoLimit(id, revision))
  return bookOf(db, id, revision)
}

/** What the next draft of a family is called: an address is made of it. */
export function nextDraft(family: Pick<Family, 'revisions' | 'latestIssued'> | null): string {
  const drafts = family?.revisions.filter(({ revision }) => /draft \d+$/.test(revision)).length ?? 0
  return `${family?.latestIssued ? `${family.latestIssued.slice(0, 8).trim()} ` : ''}draft ${drafts + 1}`
}

/** Units a book is shown in: those of the machines that use it. */
export const unitsOf = ({ machines }: Pick<Family, 'machines'>): UnitSystem => machines[0]?.units ?? 'metric'
