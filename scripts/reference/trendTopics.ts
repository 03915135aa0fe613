/** Trends and conformity: how the vectors are put to the core. Field names are those of the files. */
import { z } from 'zod'
import { decide, guardBand, probabilityOfConformity } from '../../src/core/limit/conformity'
import {
  earliestHoursAtLimit,
  hoursAtLimit,
  interceptStandardError,
  leastSquaresLine,
  oneSided95,
  predictionFactor,
  slopeStandardError,
  theilSen,
  twoSided95,
  valueAt,
} from '../../src/core/trend/regression'

import { topic } from './topic'
export const trendRegression = topic(
  z.object({
    running_hours_h: z.array(z.number()),
    measured_mm: z.array(z.number()),
    future_hours_h: z.number(),
    limit_mm: z.number(),
    limit_kind: z.enum(['upper', 'lower']),
  }),
  (input) => {
    const points = input.running_hours_h.map((hours, index) => ({ hours, value: input.measured_mm[index] ?? Number.NaN }))
    const line = leastSquaresLine(points)
    const robust = theilSen(points)
    const s = line?.residualDeviation
    if (!line || !robust || s == null) return {}
    const degrees = line.points - 2
    const then = valueAt(line, input.future_hours_h)
    const half = twoSided95(degrees) * s * predictionFactor(line, input.future_hours_h)
    return {
      n: line.points,
      slope_mm_per_h: line.slope,
      intercept_mm: line.intercept,
      slope_standard_error_mm_per_h: slopeStandardError(line, s),
      intercept_standard_error_mm: interceptStandardError(line, s),
      residual_sd_mm: s,
      predicted_mm: then,
      prediction_lower_95_mm: then - half,
      prediction_upper_95_mm: then + half,
      hours_at_limit_h: hoursAtLimit(line, input.limit_mm, input.limit_kind),
      hours_at_limit_lower_95_h: earliestHoursAtLimit(line, input.limit_mm, input.limit_kind, s, oneSided95(degrees)),
      theil_sen_slope_mm_per_h: robust.slope,
      theil_sen_intercept_mm: robust.intercept,
    }
  },
)

export const conformity = topic(
  z.object({
    measured_mm: z.number(),
    standard_uncertainty_mm: z.number(),
    lower_limit_mm: z.number().nullable(),
    upper_limit_mm: z.number().nullable(),
    guard_factor: z.number(),
  }),
  (input) => {
    const against = {
      value: input.measured_mm,
      standardUncertainty: input.standard_uncertainty_mm,
      lower: input.lower_limit_mm,
      upper: input.upper_limit_mm,
    }
    return {
      probability_of_conformity: probabilityOfConformity(against),
      guard_band_mm: guardBand(input.standard_uncertainty_mm, { kind: 'guarded', guardFactor: input.guard_factor }),
      decision: decide(against, input.guard_factor),
    }
  },
)
