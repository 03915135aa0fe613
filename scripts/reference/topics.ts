/** How each topic of reference vectors is put to the core. Field names are those of the files. */
import { z } from 'zod'
import { exceeds } from '../../src/core/decimal'
import { heatingTemperatureC, sizeAt20, thermalGrowthMm } from '../../src/core/gauge/temperature'
import { capPinchMm } from '../../src/core/method/capPinch'
import { reduceDiameters } from '../../src/core/method/diameters'
import { harmonicFit } from '../../src/core/method/harmonics'
import { stripClearance, stripTiltMmPerM } from '../../src/core/method/plasticStrip'
import { reduceRepeats } from '../../src/core/method/repeats'
import { ringGapChangeMm } from '../../src/core/method/ringGap'
import { loadLossPercent, springLine } from '../../src/core/method/spring'
import { parseQuantity } from '../../src/core/quantity/quantity'
import { mean } from '../../src/core/statistics'
import { percentOf, preloadKN, torqueAtNutFactorNm, wrenchSettingNm } from '../../src/core/tightening/torque'

type Topic = (input: unknown) => Record<string, unknown>

const topic =
  <S extends z.ZodType>(schema: S, compute: (input: z.infer<S>) => Record<string, unknown>): Topic =>
  (input) =>
    compute(schema.parse(input))

const quantityParsing = topic(
  z.object({ text: z.string(), quantity: z.literal('length'), default_unit: z.enum(['mm', 'in', 'um']) }),
  ({ text, default_unit }) => {
    const parsed = parseQuantity(text, 'length', default_unit)
    return { accepted: parsed.ok, value_mm: parsed.ok ? parsed.value.value : null }
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
      mean_mm: reduction.mean,
      range_mm: reduction.range,
      sample_sd_mm: reduction.sampleStandardDeviation,
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
          verdict: exceeds(input.required_crush_mm, least) ? 'insufficient' : 'ok',
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
            difference === null ? null : exceeds(Math.abs(difference), input.allowed_difference_mm) ? 'misaligned' : 'aligned',
        }
      }
    }
  },
)

const runoutHarmonics = topic(z.object({ angles_deg: z.array(z.number()), readings_mm: z.array(z.number()) }), (input) => {
  const fit = harmonicFit(
    input.angles_deg.map((angleDeg, index) => ({ angleDeg, value: input.readings_mm[index] ?? Number.NaN })),
  )
  return {
    tir_mm: fit?.totalIndicated ?? null,
    mean_reading_mm: fit?.mean ?? null,
    first_harmonic_amplitude_mm: fit?.firstAmplitude ?? null,
    high_point_angle_deg: fit?.highPointDeg ?? null,
    second_harmonic_amplitude_mm: fit?.secondAmplitude ?? null,
    second_harmonic_first_maximum_deg: fit?.secondHighPointDeg ?? null,
    residual_rms_mm: fit?.residualRms ?? null,
  }
})

const temperature = topic(
  z.discriminatedUnion('calculation', [
    z.object({
      calculation: z.literal('length_at_20C'),
      indicated_length_mm: z.number(),
      part_temperature_C: z.number(),
      part_expansion_per_K: z.number(),
      instrument_temperature_C: z.number(),
      instrument_expansion_per_K: z.number(),
    }),
    z.object({
      calculation: z.literal('thermal_growth'),
      length_at_20C_mm: z.number(),
      expansion_per_K: z.number(),
      from_temperature_C: z.number(),
      to_temperature_C: z.number(),
    }),
    z.object({
      calculation: z.literal('heating_temperature'),
      bore_diameter_mm: z.number(),
      interference_mm: z.number(),
      handling_clearance_mm: z.number(),
      expansion_per_K: z.number(),
      ambient_temperature_C: z.number(),
    }),
  ]),
  (input) => {
    switch (input.calculation) {
      case 'length_at_20C': {
        const length = sizeAt20(input.indicated_length_mm, {
          partC: input.part_temperature_C,
          partPerK: input.part_expansion_per_K,
          scaleC: input.instrument_temperature_C,
          scalePerK: input.instrument_expansion_per_K,
        })
        return { length_at_20C_mm: length, correction_mm: length - input.indicated_length_mm }
      }
      case 'thermal_growth':
        return {
          growth_mm: thermalGrowthMm(
            input.length_at_20C_mm,
            input.expansion_per_K,
            input.from_temperature_C,
            input.to_temperature_C,
          ),
        }
      case 'heating_temperature': {
        const { ambient_temperature_C: ambient } = input
        const heat = heatingTemperatureC(
          ambient,
          input.interference_mm,
          input.handling_clearance_mm,
          input.expansion_per_K,
          input.bore_diameter_mm,
        )
        return { heating_temperature_C: heat, temperature_rise_K: heat - ambient }
      }
    }
  },
)

const spring = topic(
  z.object({
    length_1_mm: z.number(),
    load_1_N: z.number(),
    length_2_mm: z.number(),
    load_2_N: z.number(),
    check_length_mm: z.number(),
    new_load_at_check_length_N: z.number(),
  }),
  (input) => {
    const line = springLine(
      { lengthMm: input.length_1_mm, loadN: input.load_1_N },
      { lengthMm: input.length_2_mm, loadN: input.load_2_N },
    )
    const load = line?.loadAt(input.check_length_mm) ?? null
    return {
      rate_N_per_mm: line?.rateNPerMm ?? null,
      free_length_mm: line?.freeLengthMm ?? null,
      load_at_check_length_N: load,
      loss_percent: load === null ? null : loadLossPercent(input.new_load_at_check_length_N, load),
    }
  },
)

const torque = topic(
  z.discriminatedUnion('calculation', [
    z.object({
      calculation: z.literal('extension'),
      required_torque_Nm: z.number(),
      wrench_length_mm: z.number(),
      extension_length_mm: z.number(),
    }),
    z.object({
      calculation: z.literal('friction_change'),
      dry_torque_Nm: z.number(),
      nut_factor_dry: z.number(),
      nut_factor_oiled: z.number(),
      thread_diameter_mm: z.number(),
    }),
    z.object({
      calculation: z.literal('breakaway'),
      installation_torque_Nm: z.number(),
      breakaway_torques_Nm: z.array(z.number()),
      minimum_percent: z.number(),
    }),
  ]),
  (input) => {
    switch (input.calculation) {
      case 'extension':
        return { wrench_setting_Nm: wrenchSettingNm(input.required_torque_Nm, input.wrench_length_mm, input.extension_length_mm) }
      case 'friction_change': {
        const oiled = torqueAtNutFactorNm(input.dry_torque_Nm, input.nut_factor_dry, input.nut_factor_oiled)
        return {
          oiled_torque_Nm: oiled,
          reduction_percent: 100 - percentOf(oiled, input.dry_torque_Nm),
          preload_kN: preloadKN(input.dry_torque_Nm, input.nut_factor_dry, input.thread_diameter_mm),
        }
      }
      case 'breakaway': {
        const percents = input.breakaway_torques_Nm.map((torqueNm) => percentOf(torqueNm, input.installation_torque_Nm))
        const lowest = Math.min(...percents)
        const loose = percents.filter((percent) => exceeds(input.minimum_percent, percent))
        return {
          percent_of_installation: percents,
          lowest_percent: lowest,
          loss_of_lowest_percent: 100 - lowest,
          count_below_minimum: loose.length,
          verdict: loose.length === 0 ? 'ok' : 'loose',
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
  'runout-harmonics': runoutHarmonics,
  temperature,
  spring,
  torque,
}
