import { z } from 'zod'
import { names } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { reductionNames } from '../method/reduction'
import { figure } from '../quantity/figureSchema'
import { valueSchema } from '../quantity/valueSchema'
import { settingMeans, valueNatures } from './settingMeans'

/** Whether a value is wear, a setting or both; a setting has what sets it and the parts it rests on. */
export const settingSchema = z
  .strictObject({
    is: z.enum(valueNatures),
    /** Values it speaks of; left out: all of them but the spreads. */
    values: z.array(z.enum(reductionNames)).min(1).max(20).optional(),
    by: z.enum(settingMeans).optional(),
    /** Parts it rests on: faces, teeth, lining, spring, seat, journals; left out: those that it is measured on. */
    chain: z.array(names.parts).max(40).optional(),
    /** Measurement that says how much adjustment is left: the stack, the end of the thread. Past its limit there is none. */
    leftBy: names.characteristics.optional(),
    /** Most that may be set back at once, in the unit of the value. */
    most: figure(valueSchema, 'spread').optional(),
    /** It may be set with the machine closed. */
    machineClosed: z.literal(true).optional(),
    /** It can only be taken while proving: on the bench, warm, after the first stops. */
    proving: z.literal(true).optional(),
    /** A protective device: found out of setting it is a finding with a cause, and a licensed person sets and seals it. */
    protective: z.literal(true).optional(),
  })
  .refine(({ is, by }) => (is === 'wear') === (by === undefined), { path: ['by'], message: asIssue('settingWithoutMeans') })
