import type { FitFault, FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** A gap that the thickness of a pad sets: the pad is ground to bring it to where it must lie. */
const shape = ({ z, measured, lengthMm, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('groundPad'),
    ...common,
    ...linked,
    gap: measured,
    pad: measured,
    /** What a thicker pad does to the gap. */
    thickerPad: z.enum(['opens', 'closes']),
    /** Where the gap must lie. */
    wanted: z.strictObject({ leastMm: lengthMm, greatestMm: lengthMm }),
    /** Thinnest that the pad may be ground. */
    thinnestMm: positiveMm,
  })
export type GroundPad = Shaped<typeof shape>

/** The gap as it was measured; new pad = old ± (wanted − gap), by what a thicker pad does. */
export const groundPad: FitKindOf<GroundPad> = {
  shape,
  links: ({ gap, pad }) => [
    { characteristic: gap, factor: 1, takes: null },
    { characteristic: pad, factor: 0, takes: null },
  ],
  faults: ({ wanted }): readonly FitFault[] => (wanted.leastMm > wanted.greatestMm ? [{ code: 'bandEndsSwapped' }] : []),
  setBy: 'pad',
  setTo: (fit, sizeAt) => {
    const [gapMm, padMm] = [sizeAt(fit.gap), sizeAt(fit.pad)]
    if (gapMm === null || padMm === null) return null
    const toMm = padTo(fit, gapMm, padMm)
    return {
      changeMm: toMm - padMm,
      movesMm: fit.thickerPad === 'opens' ? toMm - padMm : padMm - toMm,
      isReached: toMm >= fit.thinnestMm,
    }
  },
  notes: (fit, _ends, middleOf) => {
    const [gapMm, padMm] = [middleOf(fit.gap), middleOf(fit.pad)]
    if (gapMm === null || padMm === null) return []
    const toMm = padTo(fit, gapMm, padMm)
    return [{ code: 'pad', padMm, toMm, isTooThin: toMm < fit.thinnestMm && toMm !== padMm }]
  },
}

/** Thickness that brings the gap to the middle of where it must lie; as it is where it lies there. */
function padTo({ thickerPad, wanted }: GroundPad, gapMm: number, padMm: number): number {
  if (gapMm >= wanted.leastMm && gapMm <= wanted.greatestMm) return padMm
  const more = (wanted.leastMm + wanted.greatestMm) / 2 - gapMm
  return thickerPad === 'opens' ? padMm + more : padMm - more
}
