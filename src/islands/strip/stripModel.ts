import { inOrderAlong } from '../../core/book/along'
import type { NotedPosition, NotesState } from '../../core/notes/state'
import type { StripFault } from '../../core/notes/stripFaults'
import { say } from '../../labels/strip'

/** A row of the tree as it is shown: plain values, so that a row is drawn again only when it changes. */
export interface TreeRow {
  readonly id: string
  readonly name: string
  readonly depth: number
  readonly hasChildren: boolean
  readonly open: boolean
  readonly tray: string | null
  readonly number: string
  readonly count: number
  readonly faults: number
  /** Small picture of the part; null when it has none. */
  readonly picture: string | null
  /** Parts out below this one, and all of them. */
  readonly out: number
  readonly below: number
}

/** Rows of the tree in order: closed branches are left out, unless letters are looked for. */
export function treeRows(
  noted: NotesState,
  faults: readonly StripFault[],
  closed: ReadonlySet<string>,
  wanted: string,
): TreeRow[] {
  const children = new Map<string | null, NotedPosition[]>()
  for (const position of noted.positions) {
    const list = children.get(position.parent) ?? []
    list.push(position)
    children.set(position.parent, list)
  }
  for (const [parent, list] of children)
    children.set(
      parent,
      inOrderAlong(list, ({ book }) => book?.along),
    )
  const faultCount = new Map<string, number>()
  for (const { position } of faults) faultCount.set(position, (faultCount.get(position) ?? 0) + 1)
  const pictureOf = new Map<string, string>()
  for (const { id, subject } of noted.pictures) if (subject.kind === 'position') pictureOf.set(subject.id, id)
  const letters = wanted.trim().toLowerCase()

  const rows: TreeRow[] = []
  const walk = (position: NotedPosition, depth: number): { out: number; below: number } => {
    const own = children.get(position.id) ?? []
    const index = rows.length
    const totals = { out: 0, below: 0 }
    const shows =
      letters === '' || position.name.toLowerCase().includes(letters) || position.tag?.number.toLowerCase() === letters
    const isOpen = letters !== '' || !closed.has(position.id)
    if (shows)
      rows.push({
        id: position.id,
        name: position.name,
        depth: letters === '' ? depth : 0,
        hasChildren: own.length > 0,
        open: isOpen,
        tray: position.tray,
        number: position.tag?.number ?? '',
        count: position.count,
        faults: faultCount.get(position.id) ?? 0,
        picture: pictureOf.get(position.id) ?? null,
        out: 0,
        below: 0,
      })
    const kept = rows.length
    for (const child of own) {
      const inner = walk(child, depth + 1)
      totals.out += inner.out + (child.tray === null ? 0 : 1)
      totals.below += inner.below + 1
    }
    if (!isOpen) rows.length = kept
    const row = rows[index]
    if (shows && row) rows[index] = { ...row, ...totals }
    return totals
  }
  for (const top of children.get(null) ?? []) walk(top, 0)
  return rows
}

/** Above this many positions the deeper branches begin folded, so that the machine fits the eye. */
const FOLDED_ABOVE = 80

/** Branches that begin folded: of a large machine those below its assemblies, unless a part of theirs is looked for or out. */
export function foldedAtFirst(noted: NotesState, opened: string | null): Set<string> {
  if (noted.positions.length <= FOLDED_ABOVE) return new Set()
  const parentOf = new Map(noted.positions.map(({ id, parent }) => [id, parent]))
  const above = (id: string): string[] => {
    const parent = parentOf.get(id) ?? null
    return parent === null ? [] : [parent, ...above(parent)]
  }
  const wanted = new Set(noted.positions.filter(({ id, tray }) => tray !== null || id === opened).flatMap(({ id }) => above(id)))
  const branches = new Set(noted.positions.flatMap(({ parent }) => parent ?? []))
  return new Set([...branches].filter((id) => above(id).length >= 2 && !wanted.has(id)))
}

/** The number for the next tag: one more than the highest whole number in use. */
export function nextTagNumber(noted: NotesState): string {
  const used = noted.positions.map(({ tag }) => Number(tag?.number)).filter(Number.isInteger)
  return String(Math.max(0, ...used) + 1)
}

export const nextTrayName = (noted: NotesState): string => say.tray(noted.trays.length + 1)
