import { z } from 'zod'

/** Who typed a figure of a draft from its document, and what a second person said of it; null while it waits. */
export const typedBySchema = z.strictObject({
  by: z.string().max(120),
  at: z.string().max(40),
  check: z
    .strictObject({ by: z.string().max(120), at: z.string().max(40), agrees: z.boolean(), note: z.string().max(400) })
    .nullable(),
})
