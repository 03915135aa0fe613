import type { z } from 'zod'
import { meant } from '../base/meaningSchema'
import type { FigureOf } from './figureOf'

/** A number that says what it is of; told last, after its bounds. */
export const figure = <S extends z.ZodType>(schema: S, of: FigureOf): S => meant(schema, { figure: of })
