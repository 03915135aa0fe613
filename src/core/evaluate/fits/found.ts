import { isShaftInBore } from '../../fit/kinds'
import type { FitFound, FitSizes } from './fitInput'
import { linkedFound } from './linkedFit'
import { shaftInBoreFound } from './shaftInBore'

/** The clearance of a fit from what was measured of its sides. */
export function foundOf(sizes: FitSizes): FitFound {
  const { fit } = sizes
  return isShaftInBore(fit) ? shaftInBoreFound({ ...sizes, fit }) : linkedFound({ ...sizes, fit })
}
