import type { FitKindOf, Shaped, Stated } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** A dimension chain: what sizes of several parts leave between two faces, before anything is put together. */
const shape = ({ z, measured, nameSchema, lengthMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('chain'),
    ...common,
    ...linked,
    links: z
      .array(
        z.strictObject({
          characteristic: measured,
          /** The gap grows with this size, or shrinks by it. */
          does: z.enum(['opens', 'closes']),
          /** How often it stands in the chain, or how much of it: two pads, a gasket pressed to nine tenths. */
          times: z.number().gt(0).max(1000).default(1),
        }),
      )
      .min(1)
      .max(40),
    /** Sizes nobody measures, as a document states them; what closes the gap is negative. */
    stated: z.array(z.strictObject({ name: nameSchema, leastMm: lengthMm, greatestMm: lengthMm })).max(20),
  })
export type Chain = Shaped<typeof shape>

export const chain: FitKindOf<Chain> = {
  shape,
  links: (fit) =>
    fit.links.map(({ characteristic, does, times }) => ({
      characteristic,
      factor: does === 'opens' ? times : -times,
      takes: null,
    })),
  faults: (fit) => {
    const sums = new Map<string, number>()
    for (const { characteristic, does, times } of fit.links)
      sums.set(characteristic, (sums.get(characteristic) ?? 0) + (does === 'opens' ? times : -times))
    return [...sums.values()].every((sum) => sum === 0) ? [{ code: 'chainOfNothing' }] : []
  },
  stated: (fit) =>
    fit.stated.map(({ name, leastMm, greatestMm }): Stated => ({ name: { as: name }, lowMm: leastMm, highMm: greatestMm })),
}
