import { unitLabel } from '../../quantity/format'
import { explainQuantityFault, parseQuantity } from '../../quantity/quantity'
import { parseThreadPitch } from '../identity'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { type IdentitySizes, identityShape } from '../shapes'
import { firstOf, unknownPosition } from '../unknown'

/** A length as typed; a sentence why it is none. */
function refuseLength(text: string, { system }: EntryContext): string | null {
  const parsed = parseQuantity(text, 'length', unitLabel(system))
  if (!parsed.ok) return explainQuantityFault(parsed.fault)
  return parsed.value.value > 0 ? null : `“${text}” is no size: it must be more than nothing.`
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
  words: ({ position, text }, names) => `Thickness of ${names.position(position)}: ${text}`,
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
  words: ({ position, sizes }, names) => `${names.position(position)} measured: ${sizesWords(sizes)}`,
}

function refuseSizes(sizes: IdentitySizes, context: EntryContext): string | null {
  const length = (text: string): string | null => refuseLength(text, context)
  switch (sizes.kind) {
    case 'bearing':
      return firstOf([sizes.bore, sizes.outside, sizes.width], length)
    case 'seal':
      return firstOf([sizes.shaft, sizes.outside, sizes.width], length)
    case 'thread':
      return (
        length(sizes.diameter) ??
        (parseThreadPitch(sizes.pitch, unitLabel(context.system)).ok
          ? null
          : `“${sizes.pitch}” is no pitch: type mm, inches, or threads per inch as “12 tpi”.`)
      )
  }
}

function sizesWords(sizes: IdentitySizes): string {
  switch (sizes.kind) {
    case 'bearing':
      return `bore ${sizes.bore}, outside ${sizes.outside}, width ${sizes.width}`
    case 'seal':
      return `shaft ${sizes.shaft}, outside ${sizes.outside}, width ${sizes.width}`
    case 'thread':
      return `diameter ${sizes.diameter}, pitch ${sizes.pitch}${sizes.flank === null ? '' : `, ${sizes.flank}°`}`
  }
}
