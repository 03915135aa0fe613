import { needsOf } from '../../method/needs'
import { inBrackets } from '../names'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { refuseTyped } from '../typedCharacteristic'

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
  words: ({ value: { name, document } }) => `${name} typed from ${document.id}, ${document.title}`,
}

function refuseTyping(body: CharacteristicTyped, context: EntryContext): string | null {
  const before = context.typed.find(({ id }) => id === body.characteristic)
  if (
    before &&
    isMeasured(body.characteristic, context) &&
    JSON.stringify(before.value.method) !== JSON.stringify(body.value.method)
  )
    return `${before.value.name} is read by its method already, so the method stays. Type another characteristic for another method.`
  return refuseTyped(body.characteristic, body.value, context.book, context.system)
}

const characteristicDroppedShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('characteristicDropped'), characteristic: idSchema, reason })
export type CharacteristicDropped = Noting<typeof characteristicDroppedShape>
export const characteristicDropped: NoteKindOf<CharacteristicDropped> = {
  shape: characteristicDroppedShape,
  subject: ({ characteristic }) => `characteristic:${characteristic}`,
  refuse: ({ characteristic }, context) => refuseDropping(characteristic, context),
  apply: () => {},
  words: ({ characteristic, reason }, names) => `${names.characteristic(characteristic)} taken out (${reason})`,
}

function refuseDropping(id: string, context: EntryContext): string | null {
  const typed = context.typed.find((candidate) => candidate.id === id)
  if (!typed) return 'This characteristic is not one that was typed in this job.'
  if (isMeasured(id, context)) return `${typed.value.name} has readings, so it stays. Mark what cannot be measured, and say why.`
  const user = context.typed.find(({ value: { method } }) => needsOf(method).includes(id))
  return user ? `${user.value.name} is computed from it, so it stays.` : null
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
  words: ({ characteristic, agrees, note }, names) => {
    const says = agrees ? 'agree' : 'do not agree'
    return `Limits of ${names.characteristic(characteristic)} ${says} with the document${inBrackets(note)}`
  },
}

function refuseCheck(body: LimitsChecked, context: EntryContext): string | null {
  const typed = context.typed.find(({ id }) => id === body.characteristic)
  if (!typed) return 'This characteristic is not one that was typed in this job.'
  if (typed.entry !== body.of) return `${typed.value.name} was typed anew meanwhile. Look at it again.`
  if (context.author.has(typed.by))
    return `You typed ${typed.value.name} yourself: a second person holds it against the document.`
  return !body.agrees && body.note.length < 3 ? 'Say what does not agree with the document.' : null
}
