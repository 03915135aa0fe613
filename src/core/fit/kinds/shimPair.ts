import type { FitFault, FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'
import { afterShims, chooseShims, type FaceGap, shimBetween } from '../shims'

/** Two faces with shims behind one of them: what opens the one gap closes the other by as much. */
const shape = ({ z, measured, lengthMm, positiveMm, common, linked }: FitShaping) => {
  const band = z.strictObject({ leastMm: lengthMm, greatestMm: lengthMm })
  return z.strictObject({
    kind: z.literal('shimPair'),
    ...common,
    ...linked,
    /** Gap that shims open; this fit's limits are on it. */
    opens: measured,
    /** Gap at the other face, which they close. */
    closes: measured,
    /** Where each must lie when it is put together. */
    opensTo: band,
    closesTo: band,
    /** What lies in the stock box. */
    stock: z.array(z.strictObject({ thicknessMm: positiveMm, count: z.int().min(0).max(99) })).max(40),
  })
}
export type ShimPair = Shaped<typeof shape>

const gap = (gapMm: number, { leastMm, greatestMm }: { readonly leastMm: number; readonly greatestMm: number }): FaceGap => ({
  gapMm,
  leastMm,
  greatestMm,
})

export const shimPair: FitKindOf<ShimPair> = {
  shape,
  links: ({ opens, closes }) => [
    { characteristic: opens, factor: 1, takes: null },
    { characteristic: closes, factor: 0, takes: null },
  ],
  faults: ({ opensTo, closesTo }): readonly FitFault[] =>
    [opensTo, closesTo].some(({ leastMm, greatestMm }) => leastMm > greatestMm) ? [{ code: 'bandEndsSwapped' }] : [],
  setBy: 'shims',
  setTo: (fit, sizeAt) => {
    const [opens, closes] = [sizeAt(fit.opens), sizeAt(fit.closes)]
    if (opens === null || closes === null) return null
    const { addMm, holds } = shimBetween(gap(opens, fit.opensTo), gap(closes, fit.closesTo))
    return { changeMm: addMm, movesMm: addMm, isReached: holds }
  },
  notes: (fit, _ends, middleOf) => {
    const [opens, closes] = [middleOf(fit.opens), middleOf(fit.closes)]
    if (opens === null || closes === null) return []
    const faces = [gap(opens, fit.opensTo), gap(closes, fit.closesTo)] as const
    const wanted = shimBetween(...faces)
    // What is to come out is taken from the stack that is in, not from the box.
    const stack = wanted.addMm > 0 && fit.stock.length > 0 ? chooseShims(fit.stock, wanted.addMm) : null
    const addMm = stack ? stack.sumMm : wanted.addMm
    return [
      {
        code: 'shims',
        opens: fit.opens,
        closes: fit.closes,
        addMm,
        // Where nobody has said what lies in the box, it is one piece of that thickness.
        stackMm: stack?.thicknessesMm ?? (addMm > 0 ? [addMm] : null),
        ...afterShims(...faces, addMm),
      },
    ]
  },
}
