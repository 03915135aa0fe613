/** How each topic of reference vectors is put to the core. Field names are those of the files. */
import { z } from 'zod'
import { exceedsMm } from '../../src/core/decimal'
import { capPinchMm } from '../../src/core/method/capPinch'
import { reduceDiameters } from '../../src/core/method/diameters'
import { stripClearance, stripTiltMmPerM } from '../../src/core/method/plasticStrip'
import { reduceRepeats } from '../../src/core/method/repeats'
import { ringGapChangeMm } from '../../src/core/method/ringGap'
import { parseLength } from '../../src/core/quantity/length'
import { mean } from '../../src/core/statistics'

type Topic = (input: unknown) => Record<string, unknown>

const topic =
  <S extends z.ZodType>(schema: S, compute: (input: z.infer<S>) => Record<string, unknown>): Topic =>
  (input) =>
    compute(schema.parse(input))

const quantityParsing = topic(
  z.object({ text: z.string(), quantity: z.literal('length'), default_unit: z.enum(['mm', 'in', 'um']) }),
  ({ text, default_unit }) => {
    const parsed = parseLength(text, default_unit)
    return { accepted: parsed.ok, value_mm: parsed.ok ? parsed.value.valueMm : null }
  },
)

/**
 * The vectors define a taper as largest minus smallest, which is 0 for a single value; the core says nothing of a taper
 * it has not two values for. Only where there is none do both say null.
 */
const asDefined = (taperMm: number | null, of: readonly (number | null)[]): number | null =>
  taperMm ?? (of.some((value) => value !== null) ? 0 : null)

const boreReduction = topic(
  z.object({ new_diameter_mm: z.number(), readings_mm: z.array(z.array(z.number().nullable())) }),
  ({ new_diameter_mm, readings_mm }) => {
    const reduction = reduceDiameters(readings_mm)
    const wear = reduction.maximumMm === null ? null : reduction.maximumMm - new_diameter_mm
    return {
      mean_diameter_mm: reduction.meanMm,
      max_diameter_mm: reduction.maximumMm,
      min_diameter_mm: reduction.minimumMm,
      station_mean_mm: reduction.stationMeanMm,
      ovality_per_station_mm: reduction.outOfRoundPerStationMm,
      max_ovality_mm: reduction.outOfRoundMm,
      taper_of_station_means_mm: asDefined(reduction.taperOfStationMeansMm, reduction.stationMeanMm),
      taper_per_direction_mm: reduction.taperPerDirectionMm.map((taper, direction) =>
        asDefined(
          taper,
          readings_mm.map((station) => station[direction] ?? null),
        ),
      ),
      max_same_direction_taper_mm: asDefined(reduction.taperMm, readings_mm.flat()),
      max_wear_mm: wear,
      ring_gap_growth_at_max_wear_mm: reduction.maximumMm === null ? null : ringGapChangeMm(reduction.maximumMm, new_diameter_mm),
      ring_gap_growth_at_mean_mm: reduction.meanMm === null ? null : ringGapChangeMm(reduction.meanMm, new_diameter_mm),
    }
  },
)

const outliersRepeatability = topic(
  z.object({ readings_mm: z.array(z.number()), repeatability_limit_mm: z.number() }),
  ({ readings_mm, repeatability_limit_mm }) => {
    const reduction = reduceRepeats(readings_mm, repeatability_limit_mm)
    return {
      mean_mm: reduction.meanMm,
      range_mm: reduction.rangeMm,
      sample_sd_mm: reduction.sampleStandardDeviationMm,
      exceeds_limit: reduction.exceedsRepeatability,
    }
  },
)

const table = { table_width_mm: z.array(z.number()), table_clearance_mm: z.array(z.number()) }
const scaleOf = (input: { table_width_mm: number[]; table_clearance_mm: number[] }) =>
  input.table_width_mm.map((widthMm, index) => ({ widthMm, clearanceMm: input.table_clearance_mm[index] ?? Number.NaN }))

const plasticStripAndWire = topic(
  z.discriminatedUnion('calculation', [
    z.object({ calculation: z.literal('strip_clearance'), ...table, flattened_widths_mm: z.array(z.number()) }),
    z.object({
      calculation: z.literal('bearing_crush'),
      shim_thickness_mm: z.number(),
      flattened_wire_thicknesses_mm: z.array(z.number()),
      required_crush_mm: z.number(),
    }),
    z.object({
      calculation: z.literal('side_alignment'),
      ...table,
      width_side_a_mm: z.number(),
      width_side_b_mm: z.number(),
      distance_between_sides_mm: z.number(),
      allowed_difference_mm: z.number(),
    }),
  ]),
  (input) => {
    switch (input.calculation) {
      case 'strip_clearance': {
        const clearances = input.flattened_widths_mm.map((width) => stripClearance(width, scaleOf(input))?.clearanceMm ?? null)
        const inRange = clearances.filter((clearance) => clearance !== null)
        const all = inRange.length === clearances.length && inRange.length > 0
        return {
          clearances_mm: clearances,
          all_in_range: inRange.length === clearances.length,
          min_clearance_mm: all ? Math.min(...inRange) : null,
          max_clearance_mm: all ? Math.max(...inRange) : null,
        }
      }
      case 'bearing_crush': {
        const pinches = input.flattened_wire_thicknesses_mm.map((wire) => capPinchMm(input.shim_thickness_mm, wire))
        const least = Math.min(...pinches)
        return {
          crush_per_wire_mm: pinches,
          min_crush_mm: least,
          mean_crush_mm: mean(pinches),
          verdict: exceedsMm(input.required_crush_mm, least) ? 'insufficient' : 'ok',
        }
      }
      case 'side_alignment': {
        const a = stripClearance(input.width_side_a_mm, scaleOf(input))?.clearanceMm ?? null
        const b = stripClearance(input.width_side_b_mm, scaleOf(input))?.clearanceMm ?? null
        const known = a !== null && b !== null
        const difference = known ? a - b : null
        return {
          width_difference_mm: input.width_side_a_mm - input.width_side_b_mm,
          clearance_side_a_mm: a,
          clearance_side_b_mm: b,
          clearance_difference_mm: difference,
          misalignment_mm_per_m: known ? stripTiltMmPerM(a, b, input.distance_between_sides_mm) : null,
          verdict:
            difference === null ? null : exceedsMm(Math.abs(difference), input.allowed_difference_mm) ? 'misaligned' : 'aligned',
        }
      }
    }
  },
)

/** Topics the core can do; every other file is “not yet”. */
export const topics: Readonly<Record<string, Topic>> = {
  'quantity-parsing': quantityParsing,
  'bore-reduction': boreReduction,
  'outliers-repeatability': outliersRepeatability,
  'plastic-strip-and-wire': plasticStripAndWire,
}
