import type { LimitBook } from '../book/bookSchema'
import type { NotedPosition, NotesState } from './state'
import type { JobStep } from './steps'

/** Something about a part that came out, or should have, which nobody can answer later. */
export type StripFault = { readonly position: string } & (
  | { readonly code: 'noPlace' | 'noTag' | 'noFace' | 'noThickness' | 'notIdentified' }
  | { readonly code: 'sameNumber'; readonly number: string; readonly others: readonly string[] }
  | { readonly code: 'noClock'; readonly of: string }
  | { readonly code: 'countDiffers'; readonly found: number; readonly wanted: number }
  | { readonly code: 'noMatchMark'; readonly joint: string }
  | { readonly code: 'matesApart'; readonly tray: string; readonly mate: string; readonly mateTray: string }
)

/** Everything missing on the strip map, in the order of the tree. */
export function stripFaults(book: LimitBook, noted: NotesState, steps: readonly JobStep[]): StripFault[] {
  const removed = new Set(
    steps.filter(({ standing }) => standing.kind === 'done').flatMap(({ book: step }) => step?.removes ?? []),
  )
  const byId = new Map(noted.positions.map((position) => [position.id, position]))
  const marked = new Set(noted.joints.keys())
  const byNumber = new Map<string, NotedPosition[]>()
  for (const position of noted.positions) {
    const number = numberOf(position)
    if (isOut(position) && number !== '') byNumber.set(number, [...(byNumber.get(number) ?? []), position])
  }
  return noted.positions.flatMap((position) => [
    ...ownFaults(position, removed.has(position.id)),
    ...sameNumber(position, byNumber),
    ...matesApart(position, byId),
    ...book.joints
      .filter(({ id, between }) => between[0] === position.id && !marked.has(id) && between.some((side) => isOut(byId.get(side))))
      .map(
        (joint): StripFault => ({
          position: position.id,
          code: 'noMatchMark',
          joint: joint.name,
        }),
      ),
  ])
}

const isOut = (position: NotedPosition | undefined): boolean => position?.tray !== null && position?.tray !== undefined

function ownFaults(position: NotedPosition, removed: boolean): StripFault[] {
  const at = { position: position.id }
  if (!isOut(position)) return removed ? [{ ...at, code: 'noPlace' }] : []
  const { tag, book } = position
  return [
    ...(tag === null || tag.number === '' ? [{ ...at, code: 'noTag' } as const] : []),
    ...(tag !== null && tag.count !== position.count
      ? [{ ...at, code: 'countDiffers', found: tag.count, wanted: position.count } as const]
      : []),
    ...(book && book.faces.length > 0 && (tag?.face ?? '') === '' ? [{ ...at, code: 'noFace' } as const] : []),
    ...(book?.clock && (tag?.clock ?? null) === null ? [{ ...at, code: 'noClock', of: book.clock } as const] : []),
    ...(book?.asks === 'thickness' && position.thickness === null ? [{ ...at, code: 'noThickness' } as const] : []),
    ...(book && ['bearing', 'seal', 'thread'].includes(book.asks) && position.identity === null
      ? [{ ...at, code: 'notIdentified' } as const]
      : []),
  ]
}

const numberOf = ({ tag }: NotedPosition): string => tag?.number.trim().toLowerCase() ?? ''

/** Two parts under one number cannot be told apart when the machine goes together: each of them says so. */
function sameNumber(position: NotedPosition, byNumber: ReadonlyMap<string, readonly NotedPosition[]>): StripFault[] {
  const others = (isOut(position) ? (byNumber.get(numberOf(position)) ?? []) : []).filter(({ id }) => id !== position.id)
  if (others.length === 0) return []
  return [
    {
      position: position.id,
      code: 'sameNumber',
      number: position.tag?.number ?? '',
      others: others.map(({ name }) => name),
    },
  ]
}

function matesApart(position: NotedPosition, byId: ReadonlyMap<string, NotedPosition>): StripFault[] {
  const { tray } = position
  if (tray === null) return []
  return (position.book?.keptWith ?? []).flatMap((id): StripFault[] => {
    const mate = byId.get(id)
    // Where both name each other it is said once, from the side that comes first.
    const saidThere = mate?.book?.keptWith.includes(position.id) && mate.id < position.id
    if (!mate || mate.tray === null || mate.tray === position.tray || saidThere) return []
    return [
      {
        position: position.id,
        code: 'matesApart' as const,
        tray,
        mate: mate.name,
        mateTray: mate.tray,
      },
    ]
  })
}

/** Temporary things still inside: nothing is closed up over them. */
export const stillInside = (noted: NotesState): NotesState['temporaries'] => noted.temporaries.filter(({ inside }) => inside > 0)
