import { z } from 'zod'

export const idSchema = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[A-Za-z0-9][A-Za-z0-9._:-]*$/, 'an id has letters, digits, dots, colons and hyphens only')
export const nameSchema = z.string().trim().min(1).max(200)
export const lengthMmSchema = z.number().min(-100_000).max(100_000)
export const sourceSchema = z.strictObject({ document: z.string().min(1).max(40), page: z.string().min(1).max(40) })
export const placeSchema = z.strictObject({ id: z.string().min(1).max(8), label: nameSchema })
export const uniqueIds = (items: readonly { id: string }[]): boolean =>
  new Set(items.map((item) => item.id)).size === items.length
