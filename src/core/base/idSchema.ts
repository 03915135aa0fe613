import { z } from 'zod'
import { inOurTime } from './day'
import { naming } from './meaningSchema'
import { asIssue } from './schemaFault'

export const idSchema = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[A-Za-z0-9][A-Za-z0-9._:-]*$/, asIssue('noId'))
/** An id that names an entry of a list of a book. */
export const names = {
  parts: naming(idSchema, 'parts'),
  characteristics: naming(idSchema, 'characteristics'),
  variants: naming(idSchema, 'variants'),
  levels: naming(idSchema, 'levels'),
  cautions: naming(idSchema, 'cautions'),
  positions: naming(idSchema, 'positions'),
  routes: naming(idSchema, 'routes'),
  fits: naming(idSchema, 'fits'),
}
export const nameSchema = z.string().trim().min(1).max(200)

/** A day of a machine's life, ISO 8601. */
export const daySchema = z.iso.date(asIssue('noDayOfOurTime')).refine(inOurTime, asIssue('noDayOfOurTime'))
export const instantSchema = z.iso.datetime({ offset: true }).refine(inOurTime, asIssue('noTimeOfOurTime'))
export const sourceSchema = z.strictObject({
  document: naming(z.string().min(1).max(40), 'documents'),
  page: z.string().min(1).max(40),
})
/** What belongs to some options of a variant only: a type of bearing, a model, a material. */
export const onlySchema = z.strictObject({ variant: names.variants, options: z.array(idSchema).min(1).max(20) })
export const placeSchema = z.strictObject({ id: z.string().min(1).max(8), label: nameSchema })
export const uniqueIds = (items: readonly { id: string }[]): boolean =>
  new Set(items.map((item) => item.id)).size === items.length
