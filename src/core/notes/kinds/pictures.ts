import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { markShape, pictureSubjectShape } from '../shapes'
import { stepOf } from '../steps'
import { unknownFinding, unknownPart, unknownPosition } from '../unknown'

const unknownPicture = (id: string, { noted }: EntryContext): NoteFault | null =>
  noted.pictures.some((picture) => picture.id === id) ? null : { code: 'noPicture' }

/** Made by the server once it has checked the picture; the hash binds the picture to what is signed. */
const pictureAddedShape = (of: NoteShaping) =>
  of.z.strictObject({
    kind: of.z.literal('pictureAdded'),
    picture: of.z.uuid(),
    subject: pictureSubjectShape(of),
    caption: of.words(200),
    sha256: of.z.string().regex(/^[0-9a-f]{64}$/),
    width: of.z.int().min(1).max(20_000),
    height: of.z.int().min(1).max(20_000),
  })
export type PictureAdded = Noting<typeof pictureAddedShape>
export const pictureAdded: NoteKindOf<PictureAdded> = {
  shape: pictureAddedShape,
  subject: ({ picture }) => `picture:${picture}`,
  addsUp: true,
  refuse: ({ subject }, context) => {
    switch (subject.kind) {
      case 'step':
        return stepOf(subject.id, context) ? null : { code: 'noStep', id: subject.id }
      case 'position':
        return unknownPosition(subject.id, context)
      case 'part':
        return unknownPart(subject.id, context)
      case 'finding':
        return unknownFinding(subject.id, context)
    }
  },
  apply: ({ picture, subject, caption, width, height }, noted, { pictures }) =>
    void pictures.set(picture, { id: picture, subject, caption, width, height, marks: [], ...noted }),
}

const pictureMarkedShape = (of: NoteShaping) =>
  of.z.strictObject({
    kind: of.z.literal('pictureMarked'),
    picture: of.z.uuid(),
    marks: of.z.array(markShape(of)).max(100),
  })
export type PictureMarked = Noting<typeof pictureMarkedShape>
export const pictureMarked: NoteKindOf<PictureMarked> = {
  shape: pictureMarkedShape,
  subject: ({ picture }) => `marks:${picture}`,
  refuse: ({ picture }, context) => unknownPicture(picture, context),
  apply: ({ picture: id, marks }, _noted, { pictures }) => {
    const picture = pictures.get(id)
    if (picture) picture.marks = marks
  },
}

const pictureRemovedShape = ({ z, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('pictureRemoved'), picture: z.uuid(), reason })
export type PictureRemoved = Noting<typeof pictureRemovedShape>
export const pictureRemoved: NoteKindOf<PictureRemoved> = {
  shape: pictureRemovedShape,
  subject: ({ picture }) => `picture:${picture}`,
  refuse: ({ picture }, context) => unknownPicture(picture, context),
  apply: ({ picture }, _noted, { pictures }) => void pictures.delete(picture),
}
