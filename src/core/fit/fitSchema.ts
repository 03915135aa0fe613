import { z } from 'zod'
import { type FitSpec, fitKinds } from './kinds'
import { fitShaping } from './shapingSchema'

type Shape = z.ZodObject<{ kind: z.ZodLiteral<string> }>

/** A pair of parts, or a chain of them, by the clearance they leave. */
export const fitSchema = z.discriminatedUnion(
  'kind',
  Object.values(fitKinds).map(({ shape }) => shape(fitShaping) as unknown as Shape) as [Shape, ...Shape[]],
) as unknown as z.ZodType<FitSpec>
