import type { LimitBook } from '../../core/book/bookSchema'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { Executor } from '../../db/client'
import { booksOf } from '../../db/queries/books'
import { allMachines } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'
import { issuedBook } from './issuedBook'

/** A family of limit books, its revisions oldest first, and the machines that are measured against it. */
export interface Family {
  readonly id: string
  readonly revisions: readonly LimitBook[]
  readonly latestIssued: LimitBook | null
  /** The draft that was made after it was last issued; null where nothing was begun. */
  readonly draft: LimitBook | null
  readonly machines: readonly {
    readonly id: string
    readonly name: string
    readonly station: string
    readonly units: UnitSystem
  }[]
}

export async function familyOf(db: Executor, id: string): Promise<Family | null> {
  const rows = await booksOf(db, id)
  if (rows.length === 0) return null
  const revisions = rows.map(({ revision, document }) => issuedBook(document, `${id} ${revision}`))
  const last = revisions.at(-1)
  return {
    id,
    revisions,
    latestIssued: revisions.findLast(({ issued }) => issued !== null) ?? null,
    draft: last && last.issued === null ? last : null,
    machines: (await allMachines(db)).filter(({ bookId }) => bookId === id),
  }
}

/** A family as somebody may see it: a visitor sees the books of their machines, and learns of no others. */
export async function familySeen({ db, user }: Context, id: string, revision: string): Promise<Family> {
  const family = await familyOf(db, id)
  const shown = family?.machines.some(({ station }) => sees(user, station)) ?? false
  if (!family || (user.role === 'visitor' && !shown)) throw new Refused('notFound', say.thereNoLimit(id, revision))
  return { ...family, machines: family.machines.filter(({ station }) => sees(user, station)) }
}

export function revisionOf(family: Family, revision: string): LimitBook {
  const found = family.revisions.find((one) => one.revision === revision)
  if (!found) throw new Refused('notFound', say.thereNoLimit(family.id, revision))
  return found
}

/** What the next draft of a family is called: an address is made of it. */
export function nextDraft(family: Pick<Family, 'revisions' | 'latestIssued'> | null): string {
  const drafts = family?.revisions.filter(({ revision }) => /draft \d+$/.test(revision)).length ?? 0
  const issued = family?.latestIssued
  return `${issued ? `${issued.revision.slice(0, 8).trim()} ` : ''}draft ${drafts + 1}`
}

/** Units a book is shown in: those of the machines that use it. */
export const unitsOf = ({ machines }: Pick<Family, 'machines'>): UnitSystem => machines[0]?.units ?? 'metric'
