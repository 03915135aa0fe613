import { z } from 'zod'
import { GREATEST_MM, GREATEST_VALUE } from './greatest'

export const lengthMmSchema = z.number().min(-GREATEST_MM).max(GREATEST_MM)
/** A value in the fixed unit of its quantity. */
export const valueSchema = z.number().min(-GREATEST_VALUE).max(GREATEST_VALUE)
