import { z } from 'zod'
import { idSchema, nameSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { additionSchema } from './additionSchema'
import { typedCharacteristicSchema } from './typedSchema'

/** What the shapes of notes are made of. They are handed it, so that a page that shows notes loads no Zod. */
export const noteShaping = {
  z,
  idSchema,
  nameSchema,
  typedCharacteristicSchema,
  additionSchema,
  /** Words of so many letters at most; may stay empty. */
  words: (most: number) => z.string().trim().max(most),
  reason: z.string().trim().min(3, asIssue('sayWhy')).max(400),
  /** A size as typed, with or without a unit. */
  typedSize: z.string().trim().min(1, asIssue('typeASize')).max(60),
  count: z.int().min(1).max(999),
}

export type NoteShaping = typeof noteShaping
