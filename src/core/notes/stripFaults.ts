import type { LimitBook } from '../book/bookSchema'
import type { WorkPosition, WorkState } from './state'
import type { JobStep } from './steps'

/** Something about a part that came out, or should have, which nobody can answer later. */
export interface StripFault {
  readonly position: string
  readonly code:
    | 'noPlace'
    | 'noTag'
    | 'sameNumber'
    | 'noFace'
    | 'noClock'
    | 'countDiffers'
    | 'noThickness'
    | 'notIdentified'
    | 'noMatchMark'
    | 'matesApart'
  readonly text: string
}

/** Everything missing on the strip map, in the order of the tree. */
export function stripFaults(book: LimitBook, work: WorkState, steps: readonly JobStep[]): StripFault[] {
  const removed = new Set(
    steps.filter(({ standing }) => standing.kind === 'done').flatMap(({ book: step }) => step?.removes ?? []),
  )
  const byId = new Map(work.positions.map((position) => [position.id, position]))
  const marked = new Set(work.joints.keys())
  const byNumber = new Map<string, WorkPosition[]>()
  for (const position of work.positions) {
    const number = numberOf(position)
    if (isOut(position) && number !== '') byNumber.set(number, [...(byNumber.get(number) ?? []), position])
  }
  return work.positions.flatMap((position) => [
    ...ownFaults(position, removed.has(position.id)),
    ...sameNumber(position, byNumber),
    ...matesApart(position, byId),
    ...book.joints
      .filter(({ id, between }) => between[0] === position.id && !marked.has(id) && between.some((side) => isOut(byId.get(side))))
      .map(
        (joint): StripFault => ({
          position: position.id,
          code: 'noMatchMark',
          text: `${joint.name}: parted without a match mark on record`,
        }),
      ),
  ])
}

const isOut = (position: WorkPosition | undefined): boolean => position?.tray !== null && position?.tray !== undefined

function ownFaults(position: WorkPosition, removed: boolean): StripFault[] {
  const fault = (code: StripFault['code'], text: string): StripFault => ({ position: position.id, code, text })
  if (!isOut(position)) return removed ? [fault('noPlace', `${position.name}: taken out, but lies in no tray`)] : []
  const { tag, book } = position
  return [
    ...(tag === null || tag.number === '' ? [fault('noTag', `${position.name}: no tag`)] : []),
    ...(tag !== null && tag.count !== position.count
      ? [fault('countDiffers', `${position.name}: ${tag.count} found, the book has ${position.count}`)]
      : []),
    ...(book && book.faces.length > 0 && (tag?.face ?? '') === ''
      ? [fault('noFace', `${position.name}: which way it faced`)]
      : []),
    ...(book?.clock && (tag?.clock ?? null) === null
      ? [fault('noClock', `${position.name}: clock direction of ${book.clock}`)]
      : []),
    ...(book?.asks === 'thickness' && position.thickness === null
      ? [fault('noThickness', `${position.name}: thickness not taken`)]
      : []),
    ...(book && ['bearing', 'seal', 'thread'].includes(book.asks) && position.identity === null
      ? [fault('notIdentified', `${position.name}: not identified by measurement`)]
      : []),
  ]
}

const numberOf = ({ tag }: WorkPosition): string => tag?.number.trim().toLowerCase() ?? ''

/** Two parts under one number cannot be told apart when the machine goes together: each of them says so. */
function sameNumber(position: WorkPosition, byNumber: ReadonlyMap<string, readonly WorkPosition[]>): StripFault[] {
  const others = (isOut(position) ? (byNumber.get(numberOf(position)) ?? []) : []).filter(({ id }) => id !== position.id)
  if (others.length === 0) return []
  const names = others.map(({ name }) => name).join(', ')
  return [
    { position: position.id, code: 'sameNumber', text: `${position.name}: number ${position.tag?.number} is also on ${names}` },
  ]
}

function matesApart(position: WorkPosition, byId: ReadonlyMap<string, WorkPosition>): StripFault[] {
  if (position.tray === null) return []
  return (position.book?.keptWith ?? []).flatMap((id) => {
    const mate = byId.get(id)
    // Where both name each other it is said once, from the side that comes first.
    const saidThere = mate?.book?.keptWith.includes(position.id) && mate.id < position.id
    if (!mate || mate.tray === null || mate.tray === position.tray || saidThere) return []
    return [
      {
        position: position.id,
        code: 'matesApart' as const,
        text: `${position.name} lies in ${position.tray}, its mate ${mate.name} in ${mate.tray}`,
      },
    ]
  })
}

/** Temporary things still inside: nothing is closed up over them. */
export const stillInside = (work: WorkState): WorkState['temporaries'] => work.temporaries.filter(({ inside }) => inside > 0)

/** What is still inside, in words: “2 × Plastic strip, 1 × Eye bolt M20”; null when nothing is. */
export function insideWords(work: WorkState): string | null {
  const inside = stillInside(work)
  return inside.length === 0 ? null : inside.map(({ name, inside: count }) => `${count} × ${name}`).join(', ')
}
