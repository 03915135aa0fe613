import type { Interval } from '../../quantity/interval'
import type { Known } from '../known'

/** A number of things, of which so many are sure and so many possible. */
export const counted = (interval: Interval, reach: Interval, guarded: Interval = reach): Known => ({
  interval,
  reach,
  guarded,
  errors: [],
})
