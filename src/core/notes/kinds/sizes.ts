import { unitLabel } from '../../quantity/format'
import { parseQuantity } from '../../quantity/quantity'
import { parseThreadPitch } from '../identity'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { type IdentitySizes, identityShape } from '../shapes'
import { firstOf, unknownPosition } from '../unknown'

/** Why a text is no length. */
function refuseLength(text: string, { system }: EntryContext): NoteFault | null {
  const parsed = parseQuantity(text, 'length', unitLabel(system))
  if (!parsed.ok) return { code: 'noSize', why: parsed.fault }
  return parsed.value.value > 0 ? null : { code: 'sizeOfNothing', text }
}

const thicknessTakenShape = ({ z, idSchema, typedSize }: NoteShaping) =>
  z.strictObject({ kind: z.literal('thicknessTaken'), position: idSchema, text: typedSize })
export type ThicknessTaken = Noting<typeof thicknessTakenShape>
export const thicknessTaken: NoteKindOf<ThicknessTaken> = {
  shape: thicknessTakenShape,
  subject: ({ position }) => `thickness:${position}`,
  refuse: ({ position, text }, context) => unknownPosition(position, context) ?? refuseLength(text, context),
  apply: ({ position: id, text }, noted, draft) => {
    const position = draft.position(id)
    if (position) position.thickness = { text, ...noted }
  },
}

const identifiedShape = (of: NoteShaping) =>
  of.z.strictObject({ kind: of.z.literal('identified'), position: of.idSchema, sizes: identityShape(of) })
export type Identified = Noting<typeof identifiedShape>
export const identified: NoteKindOf<Identified> = {
  shape: identifiedShape,
  subject: ({ position }) => `identity:${position}`,
  refuse: ({ position, sizes }, context) => unknownPosition(position, context) ?? refuseSizes(sizes, context),
  apply: ({ position: id, sizes }, noted, draft) => {
    const position = draft.position(id)
    if (position) position.identity = { sizes, ...noted }
  },
}

function refuseSizes(sizes: IdentitySizes, context: EntryContext): NoteFault | null {
  const length = (text: string): NoteFault | null => refuseLength(text, context)
  switch (sizes.kind) {
    case 'bearing':
      return firstOf([sizes.bore, sizes.outside, sizes.width], length)
    case 'seal':
      return firstOf([sizes.shaft, sizes.outside, sizes.width], length)
    case 'thread':
      return (
        length(sizes.diameter) ??
        (parseThreadPitch(sizes.pitch, unitLabel(context.system)).ok ? null : { code: 'noPitch', text: sizes.pitch })
      )
  }
}
