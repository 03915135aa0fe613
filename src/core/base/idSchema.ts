import { z } from 'zod'
import { inOurTime } from './day'

export const idSchema = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[A-Za-z0-9][A-Za-z0-9._:-]*$/, 'an id has letters, digits, dots, colons and hyphens only')
export const nameSchema = z.string().trim().min(1).max(200)

/** A day of a machine's life, ISO 8601. */
export const daySchema = z.iso.date('a day').refine(inOurTime, 'a day between 1850 and 2200')
export const instantSchema = z.iso.datetime({ offset: true }).refine(inOurTime, 'a time between 1850 and 2200')
export const sourceSchema = z.strictObject({ document: z.string().min(1).max(40), page: z.string().min(1).max(40) })
export const placeSchema = z.strictObject({ id: z.string().min(1).max(8), label: nameSchema })
export const uniqueIds = (items: readonly { id: string }[]): boolean =>
  new Set(items.map((item) => item.id)).size === items.length
