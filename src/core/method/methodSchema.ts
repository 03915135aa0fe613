import { z } from 'zod'
import { kindOf, type Method, methodKinds } from './kinds'
import type { ShapeFault } from './methodKind'
import { shaping } from './shapingSchema'

type Shape = z.ZodObject<{ kind: z.ZodLiteral<string> }>

/** How a characteristic is measured, as a limit book sets it up. */
export const methodSchema = z.discriminatedUnion(
  'kind',
  Object.values(methodKinds).map(({ shape }) => shape(shaping) as unknown as Shape) as [Shape, ...Shape[]],
) as unknown as z.ZodType<Method>

/** What else must hold of a method taken by itself. */
export const methodFaults = (method: Method): ShapeFault[] => kindOf(method).faults?.(method) ?? []
