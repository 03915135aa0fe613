import { z } from 'zod'
import { figure } from './figureSchema'
import { GREATEST_MM, GREATEST_VALUE } from './greatest'

export const lengthMmSchema = figure(z.number().min(-GREATEST_MM).max(GREATEST_MM), 'length')
/** A value in the fixed unit of its quantity. */
export const valueSchema = z.number().min(-GREATEST_VALUE).max(GREATEST_VALUE)
