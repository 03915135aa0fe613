import { needsOf } from '../../method/needs'
import { isOwnTyping } from '../../typed/ownTyping'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { typedFaults } from '../typedCharacteristic'
import { addedUser } from './added'

const isMeasured = (characteristic: string, { readings }: EntryContext): boolean =>
  [...readings.values()].includes(characteristic)

/** Measured without a book, or beside it: limits as the manual at hand gives them. What it changes is the book (typedBook.ts). */
const characteristicTypedShape = ({ z, idSchema, typedCharacteristicSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('characteristicTyped'), characteristic: idSchema, value: typedCharacteristicSchema })
export type CharacteristicTyped = Noting<typeof characteristicTypedShape>
export const characteristicTyped: NoteKindOf<CharacteristicTyped> = {
  shape: characteristicTypedShape,
  subject: ({ characteristic }) => `characteristic:${characteristic}`,
  refuse: refuseTyping,
  apply: () => {},
}

function refuseTyping(body: CharacteristicTyped, context: EntryContext): NoteFault | null {
  const before = context.typed.find(({ id }) => id === body.characteristic)
  if (
    before &&
    isMeasured(body.characteristic, context) &&
    JSON.stringify(before.value.method) !== JSON.stringify(body.value.method)
  )
    return { code: 'methodStays', name: before.value.name }
  const why = typedFaults(body.characteristic, body.value, context.book, context.system)
  return why.length > 0 ? { code: 'typed', why } : null
}

const characteristicDroppedShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('characteristicDropped'), characteristic: idSchema, reason })
export type CharacteristicDropped = Noting<typeof characteristicDroppedShape>
export const characteristicDropped: NoteKindOf<CharacteristicDropped> = {
  shape: characteristicDroppedShape,
  subject: ({ characteristic }) => `characteristic:${characteristic}`,
  refuse: ({ characteristic }, context) => refuseDropping(characteristic, context),
  apply: () => {},
}

function refuseDropping(id: string, context: EntryContext): NoteFault | null {
  const typed = context.typed.find((candidate) => candidate.id === id)
  if (!typed) return { code: 'notTypedHere' }
  if (isMeasured(id, context)) return { code: 'hasReadings', name: typed.value.name }
  const user = context.typed.find(({ value: { method } }) => needsOf(method).includes(id))
  const name = user?.value.name ?? addedUser(id, context)
  return name === undefined ? null : { code: 'usedBy', name }
}

/** A second person held what was typed against the document. */
const limitsCheckedShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('limitsChecked'),
    characteristic: idSchema,
    /** The entry that was checked: what is typed anew is unchecked again. */
    of: z.uuid(),
    agrees: z.boolean(),
    note: words(400),
  })
export type LimitsChecked = Noting<typeof limitsCheckedShape>
export const limitsChecked: NoteKindOf<LimitsChecked> = {
  shape: limitsCheckedShape,
  subject: ({ characteristic }) => `check:${characteristic}`,
  refuse: refuseCheck,
  apply: () => {},
}

/** What limits were typed with: a measurement, or a fit. */
function typedHere(id: string, { typed, added }: EntryContext) {
  const own = typed.find((one) => one.id === id)
  if (own) return { ...own, name: own.value.name }
  const fit = added.find((one) => one.id === id)
  return fit?.what.of === 'fit' ? { ...fit, name: fit.what.name } : undefined
}

function refuseCheck(body: LimitsChecked, context: EntryContext): NoteFault | null {
  const typed = typedHere(body.characteristic, context)
  if (!typed) return { code: 'notTypedHere' }
  if (typed.entry !== body.of) return { code: 'typedAnew', name: typed.name }
  if (isOwnTyping(typed, context.author)) return { code: 'typedYourself', name: typed.name }
  return !body.agrees && body.note.length < 3 ? { code: 'sayWhatDiffers' } : null
}
