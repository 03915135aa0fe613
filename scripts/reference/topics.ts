/** How each topic of reference vectors is put to the core. Field names are those of the files. */
import { z } from 'zod'
import { BY_EYE, type Gauge } from '../../src/core/gauge/gauge'
import { heatingTemperatureC, sizeAt20, thermalGrowthMm } from '../../src/core/gauge/temperature'
import { decide, guardBand, probabilityOfConformity } from '../../src/core/limit/conformity'
import { harmonicFit } from '../../src/core/method/harmonics'
import { stripClearanceOf } from '../../src/core/method/kinds/plasticStrip'
import { type Known, over, spreadOf } from '../../src/core/method/known'
import { sheetInputOf, slotKey, slotsOf } from '../../src/core/method/layout'
import type { Method, MethodOf } from '../../src/core/method/method'
import { diameterDetails } from '../../src/core/method/reduce/diameter'
import { sheetOf } from '../../src/core/method/reduce/places'
import { reduceReadings, type TakenReading } from '../../src/core/method/reduce/reduce'
import type { Reduced, ReductionName, Reductions } from '../../src/core/method/reduction'
import { exceeds } from '../../src/core/quantity/decimal'
import { parseQuantity } from '../../src/core/quantity/quantity'
import { percentOf, preloadKN, torqueAtNutFactorNm, wrenchSettingNm } from '../../src/core/tightening/torque'
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

/** Readings as the bench hands them to the reducers; the vectors know no gauge. */
const exact: Gauge = { ...BY_EYE, kind: 'boreGauge' }
const takenAt = (method: Method, values: ReadonlyMap<string, number>): TakenReading[] =>
  slotsOf(method).flatMap((slot): TakenReading[] => {
    const value = values.get(slotKey(slot))
    return value === undefined ? [] : [{ ...slot, interval: { low: value, high: value }, errors: [], gauge: exact, doubt: null }]
  })
const figureOf = (reductions: Reductions, name: ReductionName): number | null => reductions.values[name]?.value ?? null
const numbered = (count: number): { id: string; label: string }[] =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: '' }))

/**
 * The vectors define a taper as largest minus smallest, which is 0 for a single value; the core says nothing of a taper
 * it has not two values for. Only where there is none do both say null.
 */
const asDefined = (taperMm: number | null, isAnyRead: boolean): number | null => taperMm ?? (isAnyRead ? 0 : null)

const boreReduction = topic(
  z.object({ new_diameter_mm: z.number(), readings_mm: z.array(z.array(z.number().nullable())) }),
  ({ new_diameter_mm, readings_mm }) => {
    const method: MethodOf<'boreDiameter'> = {
      kind: 'boreDiameter',
      masterMm: null,
      stations: numbered(readings_mm.length),
      directions: numbered(Math.max(...readings_mm.map((station) => station.length))),
      walk: 'stationFirst',
    }
    const values = new Map(
      readings_mm.flatMap((station, at) =>
        station.flatMap((value, direction) => (value === null ? [] : [[`${at + 1}/${direction + 1}/1`, value] as const])),
      ),
    )
    const readings = takenAt(method, values)
    const reductions = reduceReadings(method, readings, { nominal: new_diameter_mm, runsIn: null })
    const sheet = sheetOf(sheetInputOf(method, readings, slotsOf(method), 0))
    const { stations, directions } = diameterDetails(sheet.places, sheet.taken, { method, guard: 0 })
    const figure = (known: Known | null): number | null => known?.interval?.low ?? null
    const means = stations.map(({ mean }) => mean)
    const taperOfMeans = over(
      means.flatMap((mean) => mean ?? []),
      (of) => spreadOf(of, 0),
    )
    // A ring that fits the new bore opens by what the bore has grown: its gap there, less its gap in the new bore.
    const ring: MethodOf<'ringEndGap'> = {
      kind: 'ringEndGap',
      segments: numbered(1),
      springs: 'outward',
      referenceDiameterMm: new_diameter_mm,
      runsIn: 'bore',
    }
    const growth = (runsIn: Reduced | undefined): number | null =>
      runsIn
        ? figureOf(reduceReadings(ring, takenAt(ring, new Map([['1/-/1', 0]])), { nominal: null, runsIn }), 'gapAtWornDiameter')
        : null
    const isAnyRead = values.size > 0
    return {
      mean_diameter_mm: figureOf(reductions, 'mean'),
      max_diameter_mm: figureOf(reductions, 'maximum'),
      min_diameter_mm: figureOf(reductions, 'minimum'),
      station_mean_mm: means.map(figure),
      ovality_per_station_mm: stations.map(({ spread }) => figure(spread)),
      max_ovality_mm: figureOf(reductions, 'outOfRound'),
      taper_of_station_means_mm: asDefined(figure(taperOfMeans), isAnyRead),
      taper_per_direction_mm: directions.map(({ spread, taken }) => asDefined(figure(spread), taken.length > 0)),
      max_same_direction_taper_mm: asDefined(figureOf(reductions, 'taper'), isAnyRead),
      max_wear_mm: figureOf(reductions, 'wear'),
      ring_gap_growth_at_max_wear_mm: growth(reductions.values.maximum),
      ring_gap_growth_at_mean_mm: growth(reductions.values.mean),
    }
  },
)

const outliersRepeatability = topic(
  z.object({ readings_mm: z.array(z.number()), repeatability_limit_mm: z.number() }),
  ({ readings_mm, repeatability_limit_mm }) => {
    const method: MethodOf<'endFloat'> = {
      kind: 'endFloat',
      repeatsAtLeast: readings_mm.length,
      repeatabilityLimit: repeatability_limit_mm,
    }
    const readings = takenAt(method, new Map(readings_mm.map((value, index) => [`-/-/${index + 1}`, value] as const)))
    const { values, faults } = reduceReadings(method, readings, { nominal: null, runsIn: null })
    const spread = values.mean?.contributions.find(({ kind }) => kind === 'repeats')?.standard ?? 0
    return {
      mean_mm: values.mean?.value ?? null,
      range_mm: values.range?.value ?? null,
      // What the mean carries is s/√n.
      sample_sd_mm: spread * Math.sqrt(readings_mm.length),
      exceeds_limit: faults.some(({ code }) => code === 'repeatsDisagree'),
    }
  },
)

const table = { table_width_mm: z.array(z.number()), table_clearance_mm: z.array(z.number()) }
const scaleOf = (input: { table_width_mm: number[]; table_clearance_mm: number[] }) =>
  input.table_width_mm.map((widthMm, index) => ({ widthMm, clearanceMm: input.table_clearance_mm[index] ?? Number.NaN }))

/** A strip at two stations with a scale; where they are apart, the tilt along follows. */
const stripOf = (input: Parameters<typeof scaleOf>[0], apartMm?: number): MethodOf<'plasticStrip'> => ({
  kind: 'plasticStrip',
  stations: [
    { id: 'a', label: '' },
    { id: 'b', label: '' },
  ],
  direction: { id: '1', label: '' },
  apartMm,
  scale: scaleOf(input),
  scaleUncertaintyMm: 0,
})
const stripFigure = (method: MethodOf<'plasticStrip'>, width: number): number | null => {
  const { interval, outside } = stripClearanceOf(method, { interval: { low: width, high: width }, errors: [] })
  return outside ? null : interval.low
}

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
        const clearances = input.flattened_widths_mm.map((width) => stripFigure(stripOf(input), width))
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
        const wires = input.flattened_wire_thicknesses_mm
        const method: MethodOf<'capPinch'> = {
          kind: 'capPinch',
          shims: [{ id: 's', label: '' }],
          wires: numbered(wires.length),
          shimsWithinMm: 0,
        }
        const pinchOf = (thicknesses: ReadonlyMap<string, number>) =>
          reduceReadings(method, takenAt(method, new Map([['s/-/1', input.shim_thickness_mm], ...thicknesses])), {
            nominal: null,
            runsIn: null,
          })
        const all = pinchOf(new Map(wires.map((wire, index) => [`${index + 1}/-/1`, wire] as const)))
        const least = figureOf(all, 'minimum')
        return {
          crush_per_wire_mm: wires.map((wire, index) => figureOf(pinchOf(new Map([[`${index + 1}/-/1`, wire]])), 'mean')),
          min_crush_mm: least,
          mean_crush_mm: figureOf(all, 'mean'),
          verdict: least !== null && exceeds(input.required_crush_mm, least) ? 'insufficient' : 'ok',
        }
      }
      case 'side_alignment': {
        const method = stripOf(input, input.distance_between_sides_mm)
        const widths = new Map([
          ['a/1/1', input.width_side_a_mm],
          ['b/1/1', input.width_side_b_mm],
        ])
        const { values } = reduceReadings(method, takenAt(method, widths), { nominal: null, runsIn: null })
        const [a, b] = [stripFigure(method, input.width_side_a_mm), stripFigure(method, input.width_side_b_mm)]
        const difference = a !== null && b !== null ? a - b : null
        return {
          width_difference_mm: input.width_side_a_mm - input.width_side_b_mm,
          clearance_side_a_mm: a,
          clearance_side_b_mm: b,
          clearance_difference_mm: difference,
          misalignment_mm_per_m: values.tilt?.value ?? null,
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
    const [longer, shorter] =
      input.length_1_mm > input.length_2_mm
        ? [
            { mm: input.length_1_mm, n: input.load_1_N },
            { mm: input.length_2_mm, n: input.load_2_N },
          ]
        : [
            { mm: input.length_2_mm, n: input.load_2_N },
            { mm: input.length_1_mm, n: input.load_1_N },
          ]
    const method: MethodOf<'spring'> = {
      kind: 'spring',
      longerMm: longer.mm,
      shorterMm: shorter.mm,
      workingMm: input.check_length_mm,
      newLoadN: input.new_load_at_check_length_N,
      repeatsAtLeast: 1,
      repeatabilityLimit: null,
    }
    const loads = new Map([
      ['L1/-/1', longer.n],
      ['L2/-/1', shorter.n],
    ])
    const reductions = reduceReadings(method, takenAt(method, loads), { nominal: null, runsIn: null })
    const rate = figureOf(reductions, 'springRate')
    return {
      rate_N_per_mm: rate,
      // Where the line carries nothing.
      free_length_mm: rate === null ? null : longer.mm + longer.n / rate,
      load_at_check_length_N: figureOf(reductions, 'loadAtWorking'),
      loss_percent: figureOf(reductions, 'loadLoss'),
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

const trendRegression = topic(
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

const conformity = topic(
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
}
