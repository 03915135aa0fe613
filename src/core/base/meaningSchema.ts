/** What a field of a book means beyond its shape, said at the field: which entries it names, and what its figure is of. */
import { z } from 'zod'
import type { NamedList } from './namedList'

export interface Meaning {
  /** The list whose entries a text names by their ids. */
  readonly names?: NamedList
  /** What a figure is of; one of the kinds of quantity/figureOf.ts. */
  readonly figure?: string
}
export const meanings = z.registry<Meaning>()

/** A schema of its own that names entries of a list. */
export const naming = <S extends z.ZodType>(schema: S, names: NamedList): S => meant(schema, { names })

/** The meaning is of this one field: the schema it is made from keeps none. */
export function meant<S extends z.ZodType>(schema: S, meaning: Meaning): S {
  const own = schema.clone() as S
  meanings.add(own, meaning as never)
  return own
}
