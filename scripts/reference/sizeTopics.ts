/** Texts and sizes: how the vectors are put to the core. Field names are those of the files. */
import { z } from 'zod'
import { harmonicFit } from '../../src/core/method/harmonics'
import { stripClearanceOf } from '../../src/core/method/kinds/plasticStrip'
import { type Known, over, spreadOf } from '../../src/core/method/known'
import { sheetInputOf, slotsOf } from '../../src/core/method/layout'
import type { MethodOf } from '../../src/core/method/method'
import { diameterDetails } from '../../src/core/method/reduce/diameter'
import { sheetOf } from '../../src/core/method/reduce/places'
import { reduceReadings } from '../../src/core/method/reduce/reduce'
import type { Reduced } from '../../src/core/method/reduction'
import { exceeds } from '../../src/core/quantity/decimal'
import { parseQuantity } from '../../src/core/quantity/quantity'

import { figureOf, takenAt, topic } from './topic'
export const quantityParsing = topic(
  z.object({ text: z.string(), quantity: z.literal('length'), default_unit: z.enum(['mm', 'in', 'um']) }),
  ({ text, default_unit }) => {
    const parsed = parseQuantity(text, 'length', default_unit)
    return { accepted: parsed.ok, value_mm: parsed.ok ? parsed.value.value : null }
  },
)

const numbered = (count: number): { id: string; label: string }[] =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: '' }))

/**
 * The vectors define a taper as largest minus smallest, which is 0 for a single value; the core says nothing of a taper
 * it has not two values for. Only where there is none do both say null.
 */
const asDefined = (taperMm: number | null, isAnyRead: boolean): number | null => taperMm ?? (isAnyRead ? 0 : null)

export const boreReduction = topic(
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

export const outliersRepeatability = topic(
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

export const plasticStripAndWire = topic(
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

export const runoutHarmonics = topic(z.object({ angles_deg: z.array(z.number()), readings_mm: z.array(z.number()) }), (input) => {
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
