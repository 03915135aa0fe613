import { assignment, iso286Fits, iso286Limits, shimSelection } from './fitTopics'
import { spring, temperature, torque } from './forceTopics'
import { boreReduction, outliersRepeatability, plasticStripAndWire, quantityParsing, runoutHarmonics } from './sizeTopics'
import type { Topic } from './topic'
import { conformity, trendRegression } from './trendTopics'

/** Topics the core can do; every other file is “not yet”. */
export const topics: Readonly<Record<string, Topic>> = {
  'quantity-parsing': quantityParsing,
  'bore-reduction': boreReduction,
  'outliers-repeatability': outliersRepeatability,
  'plastic-strip-and-wire': plasticStripAndWire,
  'runout-harmonics': runoutHarmonics,
  temperature,
  spring,
  torque,
  'trend-regression': trendRegression,
  conformity,
  'iso286-limits': iso286Limits,
  'iso286-fits': iso286Fits,
  'shim-selection': shimSelection,
  assignment,
}
