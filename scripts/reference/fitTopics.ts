/** Fits, pairs, shims: how the vectors are put to the core. Field names are those of the files. */
import { z } from 'zod'
import { pairForEvenClearance } from '../../src/core/fit/pairing'
import { chooseShims } from '../../src/core/fit/shims'
import { fitOfClasses, sizeClass } from '../../src/core/fit/sizeClass'
import { topic } from './topic'

export const iso286Limits = topic(
  z.object({ nominal_size_mm: z.number(), tolerance_classes: z.array(z.string()) }),
  ({ nominal_size_mm, tolerance_classes }) =>
    Object.fromEntries(
      tolerance_classes.map((written) => {
        const { value } = sizeClass(nominal_size_mm, written)
        return [written, { upper_deviation_um: value?.upperUm ?? null, lower_deviation_um: value?.lowerUm ?? null }]
      }),
    ),
)

export const iso286Fits = topic(
  z.object({ nominal_size_mm: z.number(), hole_class: z.string(), shaft_class: z.string() }),
  ({ nominal_size_mm, hole_class, shaft_class }) => {
    const { value } = fitOfClasses(nominal_size_mm, hole_class, shaft_class)
    return {
      hole_upper_deviation_um: value?.hole.upperUm ?? null,
      hole_lower_deviation_um: value?.hole.lowerUm ?? null,
      shaft_upper_deviation_um: value?.shaft.upperUm ?? null,
      shaft_lower_deviation_um: value?.shaft.lowerUm ?? null,
      max_clearance_um: value?.greatestClearanceUm ?? null,
      min_clearance_um: value?.leastClearanceUm ?? null,
      fit_kind: value?.kind ?? null,
    }
  },
)

export const shimSelection = topic(
  z.object({ stock: z.array(z.object({ thickness_mm: z.number(), count: z.number() })), target_mm: z.number() }),
  ({ stock, target_mm }) => {
    const found = chooseShims(
      stock.map(({ thickness_mm, count }) => ({ thicknessMm: thickness_mm, count })),
      target_mm,
    )
    return {
      chosen_thicknesses_mm: found.thicknessesMm,
      sum_mm: found.sumMm,
      residual_mm: found.residualMm,
      number_of_shims: found.thicknessesMm.length,
    }
  },
)

export const assignment = topic(
  z.object({
    bores_mm: z.array(z.number()),
    journals_mm: z.array(z.number()),
    target_clearance_mm: z.number(),
    min_clearance_mm: z.number(),
    max_clearance_mm: z.number(),
  }),
  ({ bores_mm, journals_mm, target_clearance_mm, min_clearance_mm, max_clearance_mm }) => {
    const found = pairForEvenClearance({
      boresMm: bores_mm,
      journalsMm: journals_mm,
      targetMm: target_clearance_mm,
      leastMm: min_clearance_mm,
      greatestMm: max_clearance_mm,
    })
    const squaresUm2 = found && Math.round(found.squaresMm2 * 1e6)
    return {
      feasible: found !== null,
      optimal_cost_um2: squaresUm2,
      optimal_mean_square_deviation_um2: squaresUm2 === null ? null : squaresUm2 / bores_mm.length,
    }
  },
)
