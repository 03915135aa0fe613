import { z } from 'zod'
import { type School, schools } from './schools'

const answersOf = <S extends School>(school: S) => z.enum(schools[school]).optional()

const schoolsSchema = z.strictObject({
  inDoubt: answersOf('inDoubt'),
  repeats: answersOf('repeats'),
  wornInMates: answersOf('wornInMates'),
  disturbed: answersOf('disturbed'),
  tightening: answersOf('tightening'),
  turning: answersOf('turning'),
  band: answersOf('band'),
})

export const policySchema = z.strictObject({
  /** How doubt near a limit is taken (domain word: acceptance). */
  acceptance: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('simple') }),
    z.strictObject({ kind: z.literal('guarded'), guardFactor: z.number().min(0).max(5) }),
  ]),
  /** A part that would pass its wear limit before the next overhaul is worn. */
  mustLastTheInterval: z.boolean(),
  /** What counts as the clearance of a split bearing. */
  clearanceBy: z.enum(['measuredParts', 'strip']),
  /** Choices that no sum depends on, named on the report. */
  schools: schoolsSchema.optional(),
})

export type Policy = z.infer<typeof policySchema>
