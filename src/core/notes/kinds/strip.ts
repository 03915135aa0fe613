import { cycleIn } from '../../base/cyclic'
import { freshPosition } from '../draft'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { tagShape } from '../shapes'
import { closedFault, isSettled } from '../steps'
import { firstOf, unknownPosition } from '../unknown'

const tagWrittenShape = (of: NoteShaping) =>
  of.z.strictObject({ kind: of.z.literal('tagWritten'), position: of.idSchema, tag: tagShape(of) })
export type TagWritten = Noting<typeof tagWrittenShape>
export const tagWritten: NoteKindOf<TagWritten> = {
  shape: tagWrittenShape,
  subject: ({ position }) => `tag:${position}`,
  refuse: ({ position, tag }, context) =>
    unknownPosition(position, context) ?? firstOf(tag.keptWith, (id) => unknownPosition(id, context)),
  apply: ({ position: id, tag }, noted, draft) => {
    const position = draft.position(id)
    if (position) position.tag = { ...tag, ...noted }
  },
}

const laidOutShape = ({ z, idSchema, nameSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('laidOut'), position: idSchema, tray: nameSchema, after: idSchema.nullable() })
export type LaidOut = Noting<typeof laidOutShape>
export const laidOut: NoteKindOf<LaidOut> = {
  shape: laidOutShape,
  subject: ({ position }) => `place:${position}`,
  refuse: ({ position, after }, context) =>
    unknownPosition(position, context) ??
    (after === null ? null : unknownPosition(after, context)) ??
    closedForStripping(position, context),
  apply: ({ position: id, tray, after }, _noted, draft) => {
    const position = draft.position(id)
    if (!position) return
    position.tray = tray
    draft.layOut(id, tray, after)
  },
}

/** Nothing is taken out of a machine before it is safe, as nothing is measured on it. */
function closedForStripping(position: string, { steps, confirmedSafe }: EntryContext): NoteFault | null {
  const making = steps.filter(({ phase }) => phase === 'makeSafe')
  const closed = confirmedSafe ? undefined : making.find((step) => !isSettled(step))
  if (closed) return { code: 'outBefore', step: closed.name }
  if (making.length === 0 && !confirmedSafe) return { code: 'notSafeYet' }
  const step = steps.find(({ book }) => book?.removes.includes(position))
  return step && step.closedBy !== null ? closedFault(step) : null
}

const putBackShape = ({ z, idSchema }: NoteShaping) => z.strictObject({ kind: z.literal('putBack'), position: idSchema })
export type PutBack = Noting<typeof putBackShape>
export const putBack: NoteKindOf<PutBack> = {
  shape: putBackShape,
  subject: ({ position }) => `place:${position}`,
  refuse: ({ position }, context) => unknownPosition(position, context),
  apply: ({ position: id }, _noted, draft) => {
    const position = draft.position(id)
    if (!position) return
    draft.takeOutOfTray(id)
    position.tray = null
  },
}

const positionAddedShape = ({ z, idSchema, nameSchema, count }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('positionAdded'),
    position: idSchema,
    name: nameSchema,
    parent: idSchema.nullable(),
    count,
    asPart: z.literal(true).optional(),
  })
export type PositionAdded = Noting<typeof positionAddedShape>
export const positionAdded: NoteKindOf<PositionAdded> = {
  shape: positionAddedShape,
  subject: ({ position }) => `position:${position}`,
  refuse: ({ position, parent }, context) => {
    if (unknownPosition(position, context) === null) return { code: 'positionIdTaken' }
    return parent === null ? null : unknownPosition(parent, context)
  },
  apply: ({ position: id, asPart: _, ...added }, _noted, { positions }) => {
    // One that is a part too stands in the job’s book (typedBook.ts).
    if (!positions.has(id)) positions.set(id, freshPosition({ id, ...added }, null))
  },
}

const positionMovedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('positionMoved'), position: idSchema, parent: idSchema.nullable() })
export type PositionMoved = Noting<typeof positionMovedShape>
export const positionMoved: NoteKindOf<PositionMoved> = {
  shape: positionMovedShape,
  subject: ({ position }) => `position:${position}`,
  refuse: (body, context) =>
    unknownPosition(body.position, context) ??
    (body.parent === null ? null : unknownPosition(body.parent, context)) ??
    refuseCycle(body, context),
  apply: ({ position: id, parent }, _noted, draft) => {
    const position = draft.position(id)
    if (position) position.parent = parent
  },
}

function refuseCycle(body: PositionMoved, { noted }: EntryContext): NoteFault | null {
  const moved = noted.positions.map(({ id, parent }) => ({ id, parent: id === body.position ? body.parent : parent }))
  const cycle = cycleIn(moved)
  const name = (id: string): string => noted.positions.find((position) => position.id === id)?.name ?? id
  return cycle ? { code: 'insideItself', positions: cycle.map(name) } : null
}

const jointMarkedShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({ kind: z.literal('jointMarked'), joint: idSchema, mark: words(80) })
export type JointMarked = Noting<typeof jointMarkedShape>
export const jointMarked: NoteKindOf<JointMarked> = {
  shape: jointMarkedShape,
  subject: ({ joint }) => `joint:${joint}`,
  refuse: ({ joint }, { book }) => (book.joints.some(({ id }) => id === joint) ? null : { code: 'noJoint', id: joint }),
  apply: ({ joint, mark }, noted, { joints }) => void joints.set(joint, { mark, ...noted }),
}
